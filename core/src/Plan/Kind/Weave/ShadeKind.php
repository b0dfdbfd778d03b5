<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Weave;

use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Paint\Gradient;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\ColourField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlacesField;
use Sternbild\Core\Plan\Field\StepField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Role;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Symmetry\Weave;

/** Darkens the strands of a weave towards where they dive: on both sides of what lies over them a gradient that fades away. */
#[Called('shade', label: 'Shade', word: 'shade', prefix: 'd', purpose: Purpose::Look)]
final class ShadeKind extends Kind
{
    private const COLOUR = '#000000';

    protected function declared(): array
    {
        return [
            new StepField('of', 'weave', Role::Part, required: true),
            new PlacesField('at', 'crossings', ['a crossing'], false),
            new ColourField('colour', 'colour', default: self::COLOUR),
            NumberField::size('reach', 'reach'),
            NumberField::share('opacity', 'opacity', 0.4),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Shade {of} where it dives[ at {at}], in {colour}, {opacity} deep[, reaching {reach}].';
    }

    public function evaluate(Arguments $given): Part
    {
        $weave = $given->parts('of')[0];
        $weaving = $weave->weaving ?? throw new FieldFault('of', 'choice', 'only a weave has strands that dive; weave bands first');
        $strands = [];
        foreach ($weave->figures() as $figure) {
            $strands[] = $figure->strand() ?? throw new FieldFault('of', 'lost', 'a strand has no way any more');
        }
        if ($strands === []) {
            throw new FieldFault('of', 'empty', 'nothing dives there');
        }
        $dives = array_filter($weaving['dives'], static fn (array $pair): bool => min($pair[0][0], $pair[1][0]) >= 0);
        $which = $given->has('at')
            ? array_map(static fn (Vec $place): int => self::nearest($weave->places, $place), $given->places('at'))
            : array_keys($dives);
        $opacity = $given->number('opacity');
        $colour = $given->text('colour');
        if ($colour === 'none') {
            throw new FieldFault('colour', 'choice', 'a shade has a colour');
        }
        $figures = [];
        try {
            $shades = Weave::shades(
                $strands,
                $weaving['dives'],
                array_values(array_intersect(array_unique($which), array_keys($dives))),
                $weaving['gap'],
                $given->has('reach') ? $given->number('reach') : null,
                $given->tolerance(),
            );
        } catch (Unworkable $fault) {
            throw new FieldFault('of', 'limit', $fault->getMessage());
        }
        foreach ($shades as [$outlines, $from, $to]) {
            if ($outlines !== [] && $from->distanceTo($to) > $given->tolerance()->distance) {
                $figures[] = Figure::drawn($outlines, [$given->step])->tinted(
                    Gradient::linear([[0.0, $colour, $opacity], [1.0, $colour, 0.0]], $from, $to),
                );
            }
        }

        return $figures === [] ? throw new FieldFault('of', 'empty', 'nothing dives there') : Part::of($figures);
    }

    /** @param  list<Vec>  $crossings */
    private static function nearest(array $crossings, Vec $place): int
    {
        $nearest = 0;
        foreach ($crossings as $number => $at) {
            $nearest = $at->distanceTo($place) < $crossings[$nearest]->distanceTo($place) ? $number : $nearest;
        }

        return $nearest;
    }
}
