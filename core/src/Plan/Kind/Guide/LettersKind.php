<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Guide;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;

/** The lines that letters stand on and reach to, each with its name. */
#[Called('guide.letters', label: 'Letter lines', word: 'letter lines', prefix: 'l', purpose: Purpose::Ground)]
final class LettersKind extends GuideKind
{
    protected function declared(): array
    {
        return [
            new PlaceField('baseline', 'baseline', required: true),
            NumberField::size('x', 'x-height', required: true),
            NumberField::size('cap', 'cap height', required: true),
            NumberField::length('overshoot', 'overshoot', 0),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Letter lines: baseline level with {baseline}, x-height {x}, cap height {cap}[, overshoot {overshoot}].';
    }

    public function copyNames(): array
    {
        return ['baseline', 'x-height', 'cap height', 'overshoot below', 'overshoot of the x-height', 'overshoot of the cap height'];
    }

    public function pulls(Arguments $given, Result $result): array
    {
        $foot = new Vec(($given->sheet->left + $given->sheet->right) / 2, $given->vec('baseline')->y);
        $up = new Vec(0.0, -1.0);

        return [Pull::along('x', $foot, $given->number('x'), $up), Pull::along('cap', $foot, $given->number('cap'), $up)];
    }

    public function evaluate(Arguments $given): Guide
    {
        [$x, $cap, $over] = [$given->number('x'), $given->number('cap'), $given->number('overshoot')];
        if ($cap <= $x) {
            throw new FieldFault('cap', 'number', 'the cap height has to be more than the x-height');
        }
        $y = $given->vec('baseline')->y;
        $line = Guide::along(new Line(new Vec($given->sheet->left, $y), new Vec($given->sheet->right, $y)), false);
        $heights = [0.0, $x, $cap, ...($over > 0.0 ? [-$over, $x + $over, $cap + $over] : [])];

        return Guide::repeated([$line], array_map(static fn (float $height): Affine => Affine::move(new Vec(0.0, -$height)), $heights));
    }
}
