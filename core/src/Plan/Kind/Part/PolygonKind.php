<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Part;

use Sternbild\Core\Geometry\BentWay;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Shape\Part;

/** A regular polygon with its first corner straight up, or at a place; a star where it has an inner radius. */
#[Called('part.polygon', label: 'Polygon', word: 'polygon', prefix: 'p', purpose: Purpose::Construction)]
final class PolygonKind extends PartKind
{
    protected function declared(): array
    {
        return [
            new PlaceField('center', 'centre', true),
            NumberField::size('radius', 'radius'),
            new PlaceField('on', 'first corner'),
            NumberField::count('corners', 'corners', 3, 1000, true),
            NumberField::angle('turn', 'turn', 0),
            NumberField::size('inner', 'inner radius'),
        ];
    }

    public function sentence(Step $step): string
    {
        $reach = $step->says('on') ? 'first corner at {on}' : 'radius {radius}';

        return $step->says('inner')
            ? "Star of {corners} rays around {center}, $reach, {inner} between them[, turned by {turn}]."
            : "Polygon of {corners} corners around {center}, {$reach}[, turned by {turn}][, inner radius {inner}].";
    }

    public function pulls(Arguments $given, Result $result): array
    {
        $center = $given->vec('center');
        [$radius, $turn] = self::reach($given);
        $between = Vec::heading($turn + 180 / $given->whole('corners'));
        $inner = $given->has('inner') ? [Pull::distance('inner', $center, $given->number('inner'), $between)] : [];

        return $given->has('on') ? $inner : [
            Pull::distance('radius', $center, $radius, Vec::heading($turn)),
            ...$inner,
            Pull::angle('turn', $center, $turn, -90.0, $radius * 1.25),
        ];
    }

    public function evaluate(Arguments $given): Part
    {
        $center = $given->vec('center');
        $count = $given->whole('corners');
        [$radius, $turn] = self::reach($given);
        $radii = $given->has('inner') ? [$radius, $given->number('inner')] : [$radius];
        $corners = [];
        for ($corner = 0; $corner < $count * count($radii); $corner++) {
            $heading = $turn + $corner * 360 / ($count * count($radii));
            $corners[] = $center->plus(Vec::heading($heading)->times($radii[$corner % count($radii)]));
        }

        return self::outlined(BentWay::curves($corners, [], true), $corners, $given, $given->has('on') ? 'on' : 'radius');
    }

    /**
     * How far its corners are from the centre, and where the first of them is: degrees from straight up.
     *
     * @return array{float, float}
     *
     * @throws FieldFault
     */
    private static function reach(Arguments $given): array
    {
        if ($given->has('radius') === $given->has('on')) {
            throw new FieldFault(
                'radius',
                'choice',
                $given->has('on')
                    ? 'either a radius or the first corner can be given, not both'
                    : 'the radius, or the first corner, is missing',
            );
        }
        if ($given->has('radius')) {
            return [$given->number('radius'), $given->number('turn')];
        }
        $way = $given->vec('on')->minus($given->vec('center'));
        if ($way->length() <= $given->tolerance()->distance) {
            throw new FieldFault('on', 'degenerate', 'the first corner lies at the centre');
        }

        return [$way->length(), rad2deg($way->angle()) + 90.0 + $given->number('turn')];
    }
}
