<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Form;

use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Bar;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind\Combine\PartOperation;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Shape\Band;
use Sternbild\Core\Shape\BroadNib;
use Sternbild\Core\Shape\Corner;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Shape\Strand;

/** Guides, runs and outlines as shapes of an even width. */
#[Called('band', label: 'Band', word: 'band', prefix: 'b', purpose: Purpose::Construction)]
final class BandKind extends PartOperation
{
    /** Of a mitre, in multiples of half the width: as the W3C's SVG has it unless it is said. */
    private const LIMIT = 4.0;

    protected function declared(): array
    {
        return [
            StepsField::partsOrGuides('of', 'lines'),
            NumberField::size('width', 'width', default: 10),
            new ChoiceField('join', 'corners', ['miter' => 'sharp', 'round' => 'round', 'bevel' => 'bevelled'], 'miter'),
            new ChoiceField('cap', 'ends', ['butt' => 'flat', 'round' => 'round', 'square' => 'square'], 'butt'),
            new ChoiceField('side', 'side', ['both' => 'on both sides', 'left' => 'to the left', 'right' => 'to the right'], 'both'),
            NumberField::angle('nib.angle', 'angle of the nib'),
            NumberField::size('nib.thin', 'thickness of the nib'),
            self::keep(),
        ];
    }

    public function sentence(Step $step): string
    {
        if ($step->says('nib')) {
            return 'Band along {of}, drawn with a nib {width} wide and {nib.thin} thin, held at {nib.angle}[, {keep}].';
        }

        return 'Band {width} wide along {of}[ {side}], with {join} corners and {cap} ends[, {keep}].';
    }

    public function pulls(Arguments $given, Result $result): array
    {
        $curve = self::ways($given->steps('of')[0])[0][0][0] ?? null;
        if ($curve === null || $given->has('nib.thin')) {
            return [];
        }
        $left = $curve->tangentAt(0.5)->quarterTurned()->times(-1.0);
        $unit = match ($given->text('side')) {
            'left' => $left,
            'right' => $left->times(-1.0),
            default => $left->times(0.5),
        };

        return [Pull::along('width', $curve->pointAt(0.5), $given->number('width'), $unit)];
    }

    public function bar(Step $step, Evaluated $known): Bar
    {
        return new Bar($known->numbers['width'] ?? 0.0, 'width', null, "$step->id.width");
    }

    /** Guides stay. */
    public function sources(Arguments $given): array
    {
        return array_values(array_filter($given->steps('of'), static fn (Evaluated $step): bool => $step->result instanceof Part));
    }

    public function evaluate(Arguments $given): Part
    {
        $width = $given->number('width');
        [$left, $right] = match ($given->text('side')) {
            'left' => [$width, 0.0],
            'right' => [0.0, $width],
            default => [$width / 2, $width / 2],
        };
        $cap = match ($given->text('cap')) {
            'round' => 'round',
            'square' => 'square',
            default => 'butt',
        };
        $band = new Band($left, $right, Corner::from($given->text('join')), $cap, self::LIMIT, $given->tolerance());
        $nib = self::nib($given);
        $figures = [];
        try {
            foreach ($given->steps('of') as $step) {
                foreach (self::ways($step) as [$way, $source]) {
                    $outlines = ($nib ?? $band)->of($way);
                    if ($outlines !== []) {
                        $figure = $source === null ? Figure::drawn($outlines, []) : Figure::drawn($outlines, [])->cameAs($source);
                        $figures[] =
                            $nib === null
                                ? $figure->following(new Strand($way, $left, $right, Corner::from($given->text('join'))))
                                : $figure;
                    }
                }
            }
        } catch (Unworkable $fault) {
            throw new FieldFault('width', 'limit', $fault->getMessage());
        }

        return $figures === []
            ? throw new FieldFault('of', 'empty', 'there is no line to follow')
            : Part::of($figures)->throughStep($given->step);
    }

    /** @throws FieldFault */
    private static function nib(Arguments $given): ?BroadNib
    {
        if (! $given->has('nib.angle') && ! $given->has('nib.thin')) {
            return null;
        }
        foreach (['nib.angle', 'nib.thin'] as $field) {
            if (! $given->has($field)) {
                throw new FieldFault($field, 'choice', 'a nib is given by its angle and its thickness');
            }
        }
        $least = 100 * $given->tolerance()->distance;
        foreach (['width', 'nib.thin'] as $field) {
            if ($given->number($field) < $least) {
                throw new FieldFault(
                    $field,
                    'number',
                    sprintf('a nib has to be at least %.2g thick and wide to draw anything on this sheet', $least),
                );
            }
        }

        return new BroadNib($given->number('width'), $given->number('nib.thin'), $given->number('nib.angle'), $given->tolerance());
    }

    /** @return list<array{non-empty-list<Curve>, Figure|null}> ways without a break, and what they are the outline of */
    private static function ways(Evaluated $step): array
    {
        $ways = [];
        if ($step->result instanceof Part) {
            foreach ($step->result->figures() as $figure) {
                foreach ($figure->outlines() as $outline) {
                    $ways[] = [$outline->curves, $figure];
                }
            }
        }
        foreach ($step->result instanceof Guide ? $step->result->curves() : [] as $curve) {
            $last = count($ways) - 1;
            $before = $last < 0 ? null : $ways[$last][0][count($ways[$last][0]) - 1]->end();
            if ($before !== null && $before->x === $curve->start()->x && $before->y === $curve->start()->y) {
                $ways[$last] = [[...$ways[$last][0], $curve], null];
            } else {
                $ways[] = [[$curve], null];
            }
        }

        return $ways;
    }
}
