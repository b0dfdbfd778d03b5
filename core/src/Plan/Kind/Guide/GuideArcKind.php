<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Guide;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Degenerate;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\PlacesField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Tracing\SketchFit;

/** An arc from one place through another to a third, or along a line of a picture. */
#[Called('guide.arc', label: 'Arc', word: 'arc', prefix: 'c', purpose: Purpose::Ground)]
final class GuideArcKind extends GuideKind
{
    protected function declared(): array
    {
        return [new PlacesField('through', 'points', ['the start', 'the point on it', 'the end'], true), ...SketchForm::fields()];
    }

    public function sentence(Step $step): string
    {
        return $step->says('sketch') ? SketchForm::sentence('Arc') : 'Arc through {through}.';
    }

    public function evaluate(Arguments $given): Guide
    {
        if ($given->has('sketch')) {
            $fit = SketchForm::fitted($given, SketchFit::circle(...));
            $way = $given->places('along');
            $on = static fn (Vec $place): Vec => $fit->circle === null
                ? $place
                : $fit->circle->center->plus($place->minus($fit->circle->center)->unit()->times($fit->circle->radius));
            try {
                return Guide::along(
                    Arc::through($on($way[0]), $on($way[intdiv(count($way), 2)]), $on($way[count($way) - 1])),
                    true,
                )->knowing($fit->facts());
            } catch (Degenerate $fault) {
                throw new FieldFault('along', 'degenerate', $fault->getMessage());
            }
        }
        if (! $given->has('through')) {
            throw new FieldFault('through', 'choice', 'an arc needs three places, or a line of a picture');
        }
        try {
            return Guide::along(Arc::through(...$given->places('through')), true);
        } catch (Degenerate $fault) {
            throw new FieldFault('through', 'degenerate', $fault->getMessage());
        }
    }
}
