<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Guide;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Pixel\SketchFit;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Chapter;
use Sternbild\Core\Plan\Family;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;

/** A circle: around a centre, through three points, fitted to many, or touching other guides. */
#[Called('guide.circle', label: 'Circle', word: 'circle', prefix: 'c', chapter: Chapter::Ground)]
final class GuideCircleKind extends GuideKind
{
    public function fields(): array
    {
        return [...CircleForms::fields(), ...SketchForm::fields()];
    }

    public function sentence(Step $step): string
    {
        return $step->says('sketch') ? SketchForm::sentence('Circle') : CircleForms::sentence($step, 'Circle');
    }

    public function offers(): array
    {
        return [...CircleForms::offers('Circle', Family::Guide), SketchForm::offer('Circle', 7, 3)];
    }

    public function pulls(Arguments $given, Result $result): array
    {
        return CircleForms::pulls($given);
    }

    public function evaluate(Arguments $given): Guide
    {
        $fit = $given->has('sketch') ? SketchForm::fitted($given, SketchFit::circle(...)) : null;

        return $fit?->circle !== null
            ? Guide::along(Arc::fullCircle($fit->circle), false)->knowing($fit->facts())
            : Guide::along(Arc::fullCircle(CircleForms::circle($given)), false);
    }
}
