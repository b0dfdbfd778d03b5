<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Pattern;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Lattice;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PairField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Symmetry\PlaneGroup;

/** Parts that repeat along a line, in one of the seven frieze groups. */
#[Called('frieze', label: 'Frieze', word: 'frieze', prefix: 'w', purpose: Purpose::Repeat)]
final class FriezeKind extends RepeatingKind
{
    private const DOES = [
        'p1' => 'p1, moved only',
        'p11g' => 'p11g, like footprints',
        'p1m1' => 'p1m1, upright mirrors',
        'p2' => 'p2, half turns',
        'p2mg' => 'p2mg, mirrors and half turns in turn',
        'p11m' => 'p11m, mirrored in its line',
        'p2mm' => 'p2mm, mirrored both ways',
    ];

    protected function declared(): array
    {
        return [
            StepsField::parts('of', 'parts'),
            new ChoiceField('group', 'group', self::DOES, 'p1'),
            new PlaceField('origin', 'origin'),
            PairField::way('by', 'way', true),
            NumberField::count('count', 'count', 1, self::MOST_SPREAD, false, 1),
            self::lap(),
            self::colours(),
            self::keep(),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Repeat {of} along {by} in {group}, {count} times[ from {origin}]'.self::SAID;
    }

    public function pulls(Arguments $given, Result $result): array
    {
        return [Pull::vector('by', self::origin($given), $given->vec('by'))];
    }

    public function evaluate(Arguments $given): Part
    {
        $by = $given->vec('by');
        if ($by->length() <= 1e3 * $given->tolerance()->distance) {
            throw new FieldFault('by', 'number', 'a frieze that does not go on repeats nothing; its way has to be longer');
        }
        $group = $given->text('group');
        $lattice = new Lattice(self::origin($given), $by, $by->quarterTurned());
        $positions = array_map($lattice->onSheet(...), PlaneGroup::alongFrieze($group));
        $parts = $given->parts('of');
        if ($parts === []) {
            throw new FieldFault('of', 'empty', 'there is nothing to repeat');
        }
        $positions[0] = Affine::identity();

        return self::inCells($given, $parts, $positions, $lattice, [0, $given->whole('count') - 1, 0, 0], isFrieze: true)
            ->knowing([], ['orbit' => (float) count($positions), 'wide' => $by->length()]);
    }

    private static function origin(Arguments $given): Vec
    {
        $box = Bounds::of(...array_map(static fn (Part $part): Bounds => $part->bounds(), $given->parts('of')));

        return $given->has('origin') ? $given->vec('origin') : new Vec($box->left, ($box->top + $box->bottom) / 2);
    }
}
