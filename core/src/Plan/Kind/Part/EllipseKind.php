<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Part;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PairField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Shape\Part;

/**
 * An ellipse, by its radii or by a corner of the box around it, as cubics that keep within 1e-5 of its larger radius; a circle where both
 * radii are the same.
 */
#[Called('part.ellipse', label: 'Ellipse', word: 'ellipse', prefix: 'p', purpose: Purpose::Construction)]
final class EllipseKind extends PartKind
{
    protected function declared(): array
    {
        return [
            new PlaceField('center', 'centre', true),
            PairField::sizes('radii', 'radius'),
            new PlaceField('corner', 'corner of its box'),
            NumberField::angle('angle', 'angle', 0),
        ];
    }

    public function sentence(Step $step): string
    {
        return $step->says('corner')
            ? 'Ellipse around {center}, in a box with a corner at {corner}.'
            : 'Ellipse around {center}, radii {radii}[, turned by {angle}].';
    }

    public function pulls(Arguments $given, Result $result): array
    {
        $center = $given->vec('center');
        if ($given->has('corner')) {
            return [];
        }
        $radii = $given->vec('radii');
        $angle = $given->number('angle');

        return [
            Pull::along('radii', $center, $radii->x, Vec::heading($angle + 90), [0]),
            Pull::along('radii', $center, $radii->y, Vec::heading($angle + 180), [1]),
            Pull::angle('angle', $center, $angle, 0.0, $radii->x + max($radii->x, $radii->y) / 4),
        ];
    }

    public function evaluate(Arguments $given): Part
    {
        $center = $given->vec('center');
        $radii = self::radii($given);
        $map = Affine::scaling($radii->x, $radii->y, Vec::zero())
            ->then(Affine::turn($given->number('angle'), Vec::zero()))
            ->then(Affine::move($center));

        return Part::drawn([(new Outline([Arc::fullCircle(new Circle(Vec::zero(), 1.0))]))->mapped($map)], $given->step);
    }

    /**
     * Half of its box, across and down, before it is turned.
     *
     * @throws FieldFault
     */
    private static function radii(Arguments $given): Vec
    {
        if ($given->has('radii') === $given->has('corner')) {
            throw new FieldFault(
                'radii',
                'choice',
                $given->has('corner')
                    ? 'either radii or a corner can be given, not both'
                    : 'the radii, or a corner of its box, are missing',
            );
        }
        if ($given->has('radii')) {
            return $given->vec('radii');
        }
        if ($given->number('angle') !== 0.0) {
            throw new FieldFault('angle', 'choice', 'an ellipse in a box lies level; one that is turned is given by its radii');
        }
        $way = $given->vec('corner')->minus($given->vec('center'));
        if (min(abs($way->x), abs($way->y)) <= $given->tolerance()->distance) {
            throw new FieldFault('corner', 'degenerate', 'the corner lies level with the centre, or straight above or below it');
        }

        return new Vec(abs($way->x), abs($way->y));
    }
}
