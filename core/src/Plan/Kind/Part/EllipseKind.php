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
use Sternbild\Core\Plan\Chapter;
use Sternbild\Core\Plan\Family;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PairField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\Offer;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Shape\Part;

/** An ellipse, as cubics that keep within 1e-5 of its larger radius; a circle where both radii are the same. */
#[Called('part.ellipse', label: 'Ellipse', word: 'ellipse', prefix: 'p', chapter: Chapter::Construction)]
final class EllipseKind extends PartKind
{
    public function fields(): array
    {
        return [
            new PlaceField('center', 'centre', true),
            PairField::sizes('radii', 'radius', true),
            NumberField::angle('angle', 'angle', 0),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Ellipse around {center}, radii {radii}[, turned by {angle}].';
    }

    public function offers(): array
    {
        return [new Offer(
            label: 'Ellipse', from: 'points', family: Family::Make, key: 7, words: 'oval, squashed circle, egg, round, ovoid',
            says: 'An oval around a centre, by two radii.',
            takes: 'center',
            preset: ['radii' => ['min(sheet.width, sheet.height)/6', 'min(sheet.width, sheet.height)/9']],
            asks: ['radii', 'angle'],
            most: 1,
        )];
    }

    public function pulls(Arguments $given, Result $result): array
    {
        $center = $given->vec('center');
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
        $radii = $given->vec('radii');
        $map = Affine::scaling($radii->x, $radii->y, Vec::zero())->then(Affine::turn($given->number('angle'), Vec::zero()))->then(Affine::move($center));

        return Part::drawn([(new Outline([Arc::fullCircle(new Circle(Vec::zero(), 1.0))]))->mapped($map)], $given->step);
    }
}
