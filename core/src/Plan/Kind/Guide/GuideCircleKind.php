<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Guide;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\StepField;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Result\Role;
use Sternbild\Core\Tracing\SketchFit;

/** A circle: around a centre, through three points, fitted to many, or touching other guides. */
#[Called('guide.circle', label: 'Circle', word: 'circle', prefix: 'c', purpose: Purpose::Ground)]
final class GuideCircleKind extends GuideKind
{
    protected function declared(): array
    {
        return [
            ...CircleForms::fields(), ...SketchForm::fields(),
            new StepField('grid', 'grid', Role::Grid),
            StepsField::guides('like', 'circles', 100),
            NumberField::length('snap', 'deviation', default: 'max(sheet.width, sheet.height)/400'),
        ];
    }

    public function sentence(Step $step): string
    {
        if (! $step->says('sketch')) {
            return CircleForms::sentence($step, 'Circle');
        }
        $settles = $step->says('grid') || $step->says('like');

        return rtrim(SketchForm::sentence('Circle'), '.').
            '[; centred on an intersection of {grid}][; as large as {like}][; where that adds at most {snap}]'.
            ($settles ? '{=costs|, at a cost of|, but that would cost too much}.' : '.');
    }

    public function pulls(Arguments $given, Result $result): array
    {
        return CircleForms::pulls($given);
    }

    public function evaluate(Arguments $given): Guide
    {
        $fit = $given->has('sketch') ? SketchForm::fitted($given, SketchFit::circle(...)) : null;
        if ($fit?->circle !== null && ($given->has('grid') || $given->has('like'))) {
            $grid = $given->has('grid') ? $given->step('grid')->result : null;
            $radii = array_filter(
                array_map(
                    static fn (Guide $guide): ?float => $guide->curve instanceof Arc ? $guide->curve->radius() : null,
                    $given->has('like') ? $given->guides('like') : [],
                ),
                static fn (?float $one): bool => $one !== null,
            );
            $fit = $fit->settled(
                $grid instanceof Grid ? $grid->nearestIntersection($fit->circle->center) : null,
                array_values($radii),
                $given->number('snap'),
            );
        }

        return $fit?->circle !== null
            ? Guide::along(Arc::fullCircle($fit->circle), false)->knowing($fit->facts())
            : Guide::along(Arc::fullCircle(CircleForms::circle($given)), false);
    }
}
