<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Part;

use Sternbild\Core\Geometry\BentWay;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Chapter;
use Sternbild\Core\Plan\Family;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\Offer;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Shape\Part;

/** A regular polygon with its first corner straight up; a star where it has an inner radius. */
#[Called('part.polygon', label: 'Polygon', word: 'polygon', prefix: 'p', chapter: Chapter::Construction)]
final class PolygonKind extends PartKind
{
    public function fields(): array
    {
        return [
            new PlaceField('center', 'centre', true),
            NumberField::size('radius', 'radius', true),
            NumberField::count('corners', 'corners', 3, 1000, true),
            NumberField::angle('turn', 'turn', 0),
            NumberField::size('inner', 'inner radius'),
        ];
    }

    public function sentence(Step $step): string
    {
        return $step->says('inner')
            ? 'Star of {corners} rays around {center}, radius {radius}, {inner} between them[, turned by {turn}].'
            : 'Polygon of {corners} corners around {center}, radius {radius}[, turned by {turn}][, inner radius {inner}].';
    }

    public function offers(): array
    {
        $preset = ['radius' => 'min(sheet.width, sheet.height)/6', 'corners' => 6];

        return [
            new Offer(
                label: 'Polygon', from: 'points', family: Family::Make, key: 8,
                words: 'hexagon, pentagon, triangle, octagon, regular shape, ngon',
                says: 'A shape of equal sides around a centre.',
                takes: 'center',
                preset: $preset,
                asks: ['radius', 'corners', 'turn'],
                most: 1,
            ),
            new Offer(
                label: 'Star', from: 'points', family: Family::Make, key: 9, words: 'rays, sparkle, asterisk, burst, points, badge',
                says: 'Rays around a centre, with corners between them.',
                takes: 'center',
                preset: [...$preset, 'corners' => 5, 'inner' => 'min(sheet.width, sheet.height)/16'],
                asks: ['radius', 'corners', 'inner', 'turn'],
                most: 1,
            ),
        ];
    }

    public function pulls(Arguments $given, Result $result): array
    {
        $center = $given->vec('center');
        $turn = $given->number('turn');
        $between = Vec::heading($turn + 180 / $given->whole('corners'));

        return [
            Pull::distance('radius', $center, $given->number('radius'), Vec::heading($turn)),
            ...($given->has('inner') ? [Pull::distance('inner', $center, $given->number('inner'), $between)] : []),
            Pull::angle('turn', $center, $turn, -90.0, $given->number('radius') * 1.25),
        ];
    }

    public function evaluate(Arguments $given): Part
    {
        $center = $given->vec('center');
        $count = $given->whole('corners');
        $radii = $given->has('inner') ? [$given->number('radius'), $given->number('inner')] : [$given->number('radius')];
        $corners = [];
        for ($corner = 0; $corner < $count * count($radii); $corner++) {
            $heading = $given->number('turn') + $corner * 360 / ($count * count($radii));
            $corners[] = $center->plus(Vec::heading($heading)->times($radii[$corner % count($radii)]));
        }

        return self::outlined(BentWay::curves($corners, [], true), $corners, $given, 'radius');
    }
}
