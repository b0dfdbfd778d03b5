<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Form;

use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlacesField;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind\Combine\PartOperation;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Shape\Rounding;
use Sternbild\Core\Shape\TooRound;

/** Parts with their corners rounded, all of them or some. */
#[Called('round', label: 'Round', word: 'rounding', prefix: 'f', purpose: Purpose::Construction)]
final class RoundKind extends PartOperation
{
    /** How near a place has to be to a corner that it means, as a share of the sheet's longer side. */
    private const NEAR = 1e-6;

    /** By such a share less than there is room for: written in six digits it still fits. */
    private const HAIR = 1e-5;

    protected function declared(): array
    {
        return [
            StepsField::parts('of', 'parts'),
            NumberField::size('radius', 'radius', default: 10),
            new PlacesField('corners', 'corners', ['the corner'], false),
            new ChoiceField('by', 'size', ['radius' => 'radius', 'reach' => 'reach'], 'radius'),
            self::keep(),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Round {of} by a {by} of {radius}[, at {corners}][, {keep}].';
    }

    /** The middle of the first arc is pulled; it lies (1 / sin(a/2) − 1) radii from its corner of angle a. */
    public function pulls(Arguments $given, Result $result): array
    {
        $places = $given->has('corners') ? $given->places('corners') : null;
        foreach ($given->parts('of')[0]->allOutlines() as $outline) {
            $met = [];
            foreach (self::wanted($outline, $places, self::NEAR * max($given->sheet->right, $given->sheet->bottom), $met) as $number) {
                $curve = $outline->curves[$number];
                $before = $outline->curves[($number + count($outline->curves) - 1) % count($outline->curves)];
                $back = $before->tangentAt(1.0)->times(-1.0);
                $ahead = $curve->tangentAt(0.0);
                $sine = sqrt(max(0.0, (1 - $back->dot($ahead)) / 2));
                if ($given->text('by') === 'radius' && $sine > 0.01 && $sine < 0.99) {
                    return [
                        Pull::along(
                            'radius',
                            $curve->start(),
                            $given->number('radius'),
                            $back
                                ->plus($ahead)
                                ->unit()
                                ->times(1 / $sine - 1),
                        ),
                    ];
                }
            }
        }

        return [];
    }

    public function evaluate(Arguments $given): Part
    {
        $byReach = $given->text('by') === 'reach';
        $rounding = new Rounding($given->number('radius'), $byReach, $given->tolerance());
        $places = $given->has('corners') ? $given->places('corners') : null;
        $met = [];
        $figures = $shared = [];
        $any = false;
        foreach ($given->parts('of') as $part) {
            foreach ($part->figures() as $figure) {
                $key = $places === null && $figure->map->isIdentity() ? spl_object_id($figure->shape) : null;
                $outlines = $key === null ? null : $shared[$key] ?? null;
                if ($outlines === null) {
                    $outlines = [];
                    foreach ($figure->outlines() as $outline) {
                        $corners = self::wanted($outline, $places, self::NEAR * max($given->sheet->right, $given->sheet->bottom), $met);
                        $any = $any || $corners !== [];
                        try {
                            $outlines[] = $corners === [] ? $outline : $rounding->of($outline, $corners);
                        } catch (TooRound $fault) {
                            throw self::tooRound($given, $fault, $places);
                        }
                    }
                }
                $figures[] = Figure::drawn($outlines, [])->cameAs($figure);
                if ($key !== null) {
                    $shared[$key] = $outlines;
                }
            }
        }
        foreach (array_keys($places ?? []) as $number) {
            if (! isset($met[$number])) {
                throw new FieldFault("corners.$number", 'lost', 'no corner lies at place '.($number + 1));
            }
        }
        if (! $any || $figures === []) {
            throw new FieldFault('of', 'empty', 'there is no corner to round');
        }

        return Part::of($figures)->throughStep($given->step);
    }

    /**
     * Names the corner that there is no room at, and what would do for all of them.
     *
     * @param  list<Vec>|null  $places
     */
    private static function tooRound(Arguments $given, TooRound $fault, ?array $places): FieldFault
    {
        $byReach = $given->text('by') === 'reach';
        $near = self::NEAR * max($given->sheet->right, $given->sheet->bottom);
        $met = [];
        $least = $fault->largest;
        foreach ($given->parts('of') as $part) {
            foreach ($part->allOutlines() as $outline) {
                $corners = self::wanted($outline, $places, $near, $met);
                // Each corner that is found too tight makes it smaller; two arcs that meet do so together.
                for ($round = 0; $corners !== [] && $round <= count($corners); $round++) {
                    try {
                        (new Rounding($least * (1 - self::HAIR), $byReach, $given->tolerance()))->of($outline, $corners);
                        break;
                    } catch (TooRound $tighter) {
                        $least = min($least * (1 - self::HAIR), $tighter->largest);
                    }
                }
            }
        }

        return new FieldFault(
            'radius',
            'limit',
            sprintf(
                'the corner at %.6g, %.6g has no room for it; at most a %s of %.6g is possible there',
                $fault->corner->x,
                $fault->corner->y,
                $byReach ? 'reach' : 'radius',
                $fault->largest,
            ),
            (float) sprintf('%.6g', $least * (1 - self::HAIR)),
        );
    }

    /**
     * @param  list<Vec>|null  $places
     * @param  array<int, true>  $met  places that a corner was found at
     * @return list<int>
     */
    private static function wanted(Outline $outline, ?array $places, float $near, array &$met): array
    {
        $corners = Rounding::corners($outline);
        if ($places === null) {
            return array_keys($corners);
        }
        $wanted = [];
        foreach ($corners as $corner => $at) {
            foreach ($places as $number => $place) {
                if ($at->distanceTo($place) <= $near) {
                    $met[$number] = true;
                    $wanted[$corner] = true;
                }
            }
        }

        return array_keys($wanted);
    }
}
