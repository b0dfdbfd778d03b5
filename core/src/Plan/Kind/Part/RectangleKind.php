<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Part;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\BentWay;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Bar;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PairField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\Field\PlacesField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Shape\Part;

/** A rectangle between two corners, or of a size from its origin. */
#[Called('part.rectangle', label: 'Rectangle', word: 'rectangle', prefix: 'p', purpose: Purpose::Construction)]
final class RectangleKind extends PartKind
{
    protected function declared(): array
    {
        return [
            new PlacesField('corners', 'corners', ['the first corner', 'the opposite corner'], true),
            new PlaceField('origin', 'origin'),
            PairField::sizes('size', 'size'),
            NumberField::angle('angle', 'angle', 0),
        ];
    }

    public function sentence(Step $step): string
    {
        return $step->says('corners') ? 'Rectangle between {corners}.' : 'Rectangle of {size} from {origin}[, turned by {angle}].';
    }

    /** Upright ones only: how wide a turned one is, is not taken from it by name. */
    public function bar(Step $step, Evaluated $known): ?Bar
    {
        if (! $known->result instanceof Part || ($known->numbers['angle'] ?? 0.0) !== 0.0) {
            return null;
        }
        $bounds = $known->result->bounds();
        [$wide, $high] = [$bounds->right - $bounds->left, $bounds->bottom - $bounds->top];
        $field = $step->says('size') ? 'size' : null;

        return $wide <= $high ? new Bar($wide, $field, 0, "$step->id.wide") : new Bar($high, $field, 1, "$step->id.high");
    }

    public function pulls(Arguments $given, Result $result): array
    {
        if (! $given->has('size')) {
            return [];
        }
        $angle = $given->number('angle');

        return [
            Pull::vector('size', $given->vec('origin'), $given->vec('size'), $angle),
            Pull::angle('angle', $given->vec('origin'), $angle, 0.0, $given->vec('size')->x),
        ];
    }

    public function evaluate(Arguments $given): Part
    {
        if ($given->has('corners') === ($given->has('origin') || $given->has('size')) || $given->has('origin') !== $given->has('size')) {
            throw new FieldFault('corners', 'choice', 'a rectangle is given by two opposite corners, or by an origin and a size');
        }
        if ($given->has('corners')) {
            [$first, $opposite] = $given->places('corners');
            // Clockwise on the screen from the first, whichever corner that is.
            $beside = [new Vec($opposite->x, $first->y), new Vec($first->x, $opposite->y)];
            $corners = ($opposite->x - $first->x) * ($opposite->y - $first->y) > 0.0
                ? [$first, $beside[0], $opposite, $beside[1]]
                : [$first, $beside[1], $opposite, $beside[0]];
        } else {
            $origin = $given->vec('origin');
            $size = $given->vec('size');
            $turn = Affine::turn($given->number('angle'), $origin);
            $corners = array_map(
                static fn (array $share): Vec => $turn->apply($origin->plus(new Vec($share[0] * $size->x, $share[1] * $size->y))),
                [[0, 0], [1, 0], [1, 1], [0, 1]],
            );
        }

        return self::outlined(BentWay::curves($corners, [], true), $corners, $given, $given->has('corners') ? 'corners' : 'size');
    }
}
