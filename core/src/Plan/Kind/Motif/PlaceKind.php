<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Motif;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\SeatsField;
use Sternbild\Core\Plan\Field\StepField;
use Sternbild\Core\Plan\Field\SwitchField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind\Copy\CopyKind;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Seat;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Role;
use Sternbild\Core\Shape\Part;

/** Copies of a motif, its anchor at each of some places or in the middle of each of some cells. */
#[Called('place', label: 'Placement', word: 'placement', prefix: 'q', purpose: Purpose::Repeat)]
final class PlaceKind extends CopyKind
{
    protected function declared(): array
    {
        return [
            new StepField('motif', 'motif', Role::Part, required: true),
            new SeatsField('at', 'at'),
            NumberField::angle('turn', 'turn', 0),
            NumberField::size('resize', 'size', default: 1),
            new SwitchField('flip', 'flip', 'mirrored', 'as it is'),
            new ChoiceField('with', 'turned with', ['sheet' => 'the sheet', 'grid' => 'the grid'], 'sheet'),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Place {motif} at {at}[, turned by {turn}][, {resize} × as large][, {flip}][, turned with {with}].';
    }

    public function opens(): string
    {
        return 'motif';
    }

    public function sources(Arguments $given): array
    {
        return [$given->step('motif')];
    }

    public function keepsSources(Arguments $given): bool
    {
        return true;
    }

    public function evaluate(Arguments $given): Part
    {
        $motif = $given->parts('motif')[0];
        $anchor = $motif->places[0] ?? $motif->bounds()->center();
        $turned = $given->text('with') === 'grid';
        $map = $given->isOn('flip') ? Affine::mirrorUpright($anchor) : Affine::identity();
        $size = $given->number('resize');
        if ($size !== 1.0) {
            $map = $map->then(Affine::scaling($size, $size, $anchor));
        }
        $maps = array_map(static function (Seat $seat) use ($given, $map, $anchor, $turned): Affine {
            $turn = $given->number('turn') + ($turned ? $seat->turn : 0.0);

            return ($turn === 0.0 ? $map : $map->then(Affine::turn($turn, $anchor)))->then(Affine::move($seat->at->minus($anchor)));
        }, $given->seats('at'));
        if ($maps === []) {
            throw new FieldFault('at', 'lost', 'nowhere is left to place it');
        }
        self::withinLimit($motif->curves() * count($maps), 'at');

        return Part::repeated([$motif], $maps, 1, $given->step);
    }
}
