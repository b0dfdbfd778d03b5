<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Guide;

use Sternbild\Core\Geometry\BentWay;
use Sternbild\Core\Geometry\CannotBend;
use Sternbild\Core\Geometry\Run;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Pixel\PlacedPicture;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\BendsField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlacesField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Tracing\SketchFit;

/** An open run from point to point, straight or bent. */
#[Called('guide.run', label: 'Run', word: 'run', prefix: 'c', purpose: Purpose::Ground)]
final class RunKind extends GuideKind
{
    public const MOST = 10_000;

    protected function declared(): array
    {
        return [
            new PlacesField('points', 'points', ['the first point', 'the second point'], false, false, self::MOST),
            new BendsField('bends', 'bends', self::MOST),
            ...SketchForm::fields(),
            NumberField::size('within', 'deviation', default: 'max(sheet.width, sheet.height)/400'),
        ];
    }

    public function sentence(Step $step): string
    {
        return $step->says('sketch')
            ? 'Arcs along a line of {sketch} by {along}, within {within} of it[, looked for within {reach}], at most{=farthest}.'
            : 'Run through {points}[, {bends}].';
    }

    public function pulls(Arguments $given, Result $result): array
    {
        return $given->has('sketch') ? [] : BentPulls::along($given, false);
    }

    public function evaluate(Arguments $given): Guide
    {
        if ($given->has('sketch')) {
            [$curves, $facts] = SketchForm::fitted(
                $given,
                static fn (PlacedPicture $picture, array $along, float $reach): array => SketchFit::chain(
                    $picture,
                    $along,
                    $reach,
                    $given->number('within'),
                ),
            );

            return Guide::run(new Run($curves))->knowing($facts);
        }
        if (! $given->has('points')) {
            throw new FieldFault('points', 'choice', 'a run needs points, or a line of a picture');
        }
        $points = $given->places('points');
        $bends = $given->bends('bends');
        if (count($bends) >= count($points)) {
            throw new FieldFault(
                'bends',
                'number',
                'there are '.
                    count($bends).
                    ' bends for '.
                    (count($points) - 1).
                    ' ways; a run is open, and has one way fewer than points',
            );
        }
        try {
            $curves = BentWay::curves($points, $bends, false);
        } catch (CannotBend $fault) {
            throw new FieldFault("bends.$fault->way", 'degenerate', 'bend '.($fault->way + 1).": {$fault->getMessage()}");
        }

        return $curves === []
            ? throw new FieldFault('points', 'degenerate', 'all points are the same place')
            : Guide::run(new Run($curves));
    }
}
