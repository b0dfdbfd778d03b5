<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Guide;

use Sternbild\Core\Geometry\Run;
use Sternbild\Core\Grid\GoldenSquares;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\StepField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Role;

/** Quarter circles through golden squares, one after another. */
#[Called('guide.spiral', label: 'Spiral', word: 'spiral', prefix: 'c', purpose: Purpose::Ground)]
final class SpiralKind extends GuideKind
{
    protected function declared(): array
    {
        return [new StepField('on', 'golden squares', Role::Grid, true)];
    }

    public function sentence(Step $step): string
    {
        return 'Spiral through the squares of {on}.';
    }

    public function evaluate(Arguments $given): Guide
    {
        $grid = $given->grids('on')[0];

        return $grid instanceof GoldenSquares
            ? Guide::run(new Run($grid->spiral()))
            : throw new FieldFault('on', 'choice', 'a spiral runs through a golden grid that is cut into squares');
    }
}
