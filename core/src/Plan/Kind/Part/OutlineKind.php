<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Part;

use Sternbild\Core\Geometry\BentWay;
use Sternbild\Core\Geometry\CannotBend;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\BendsField;
use Sternbild\Core\Plan\Field\PlacesField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind\Guide\BentPulls;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Shape\Part;

/** A part with an outline from point to point, straight or bent. */
#[Called('part.outline', label: 'Outline', word: 'outline', prefix: 'p', purpose: Purpose::Construction)]
final class OutlineKind extends PartKind
{
    public const MOST = 10_000;

    protected function declared(): array
    {
        return [
            new PlacesField('points', 'points', ['the first point', 'the second point'], false, true, self::MOST),
            new BendsField('bends', 'bends', self::MOST),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Outline through {points}[, {bends}].';
    }

    public function pulls(Arguments $given, Result $result): array
    {
        return BentPulls::along($given, true);
    }

    public function evaluate(Arguments $given): Part
    {
        $points = $given->places('points');
        $bends = $given->bends('bends');
        if (count($bends) > count($points)) {
            throw new FieldFault(
                'bends',
                'number',
                'there are '.count($bends).' bends for '.count($points).' ways; the last one leads back to the first point',
            );
        }
        if (count($points) === 2 && array_filter($bends) === []) {
            throw new FieldFault(
                'bends',
                'empty',
                'two points enclose nothing while both ways between them are straight; bend one, or add a point',
            );
        }
        try {
            $curves = BentWay::curves($points, $bends, true);
        } catch (CannotBend $fault) {
            throw new FieldFault("bends.$fault->way", 'degenerate', 'bend '.($fault->way + 1).": {$fault->getMessage()}");
        }

        return self::outlined($curves, $points, $given, 'points');
    }
}
