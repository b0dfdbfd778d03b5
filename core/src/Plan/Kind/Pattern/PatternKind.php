<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Pattern;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Lattice;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PairField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\Field\StepField;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Result\Role;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Symmetry\PlaneGroup;

/** Parts that repeat over the plane, in one of its seventeen groups. What reaches over the edge of a cell is whole. */
#[Called('pattern', label: 'Pattern', word: 'pattern', prefix: 'w', purpose: Purpose::Repeat)]
final class PatternKind extends RepeatingKind
{
    /** Of the lengths of ways: what a lattice may be off, and still be square or hexagonal, or at a right angle. */
    private const FITS = 1e-6;

    /** Times as large as the cell that what repeats may be. */
    private const LARGEST = 100;

    /** The trade's words for what each group does, beside its symbol. */
    private const DOES = [
        'p1' => 'p1, moved only',
        'p2' => 'p2, half turns',
        'pm' => 'pm, mirrors',
        'pg' => 'pg, glides',
        'cm' => 'cm, mirrors and glides',
        'pmm' => 'pmm, mirrors both ways',
        'pmg' => 'pmg, mirrors and half turns',
        'pgg' => 'pgg, glides both ways',
        'cmm' => 'cmm, mirrors both ways and half turns',
        'p4' => 'p4, quarter turns',
        'p4m' => 'p4m, quarter turns and mirrors',
        'p4g' => 'p4g, quarter turns and mirrors beside them',
        'p3' => 'p3, third turns',
        'p3m1' => 'p3m1, third turns on mirrors',
        'p31m' => 'p31m, third turns and mirrors beside them',
        'p6' => 'p6, sixth turns',
        'p6m' => 'p6m, sixth turns and mirrors',
    ];

    protected function declared(): array
    {
        return [
            StepsField::parts('of', 'parts'),
            new ChoiceField('group', 'group', self::DOES, 'p1'),
            new PlaceField('origin', 'origin'),
            PairField::way('a', 'way'),
            PairField::way('b', 'second way'),
            new StepField('on', 'grid', Role::Grid),
            NumberField::count('columns', 'columns', 1, 1000, false, 1),
            NumberField::count('rows', 'rows', 1, 1000, false, 1),
            NumberField::count('across', 'cells across', 1, self::MOST_SPREAD, false, 1),
            NumberField::count('down', 'cells down', 1, self::MOST_SPREAD, false, 1),
            new ChoiceField('show', 'shown', ['cells' => 'cell by cell', 'sheet' => 'all over the sheet'], 'cells'),
            self::lap(),
            self::colours(),
            self::keep(),
        ];
    }

    public function sentence(Step $step): string
    {
        $lattice = $step->says('on') ? ' over {columns} × {rows} cells of {on}' : ' along {a}[ and {b}]';

        return 'Repeat {of} in {group}'.
            $lattice.
            '[ from {origin}], '.
            ($step->raw('show') === 'sheet' ? '{show}' : '{across} × {down} cells').
            self::SAID;
    }

    public function pulls(Arguments $given, Result $result): array
    {
        if ($given->has('on') || ! $given->has('a')) {
            return [];
        }
        $lattice = self::latticeOf($given);

        return [
            Pull::vector('a', $lattice->origin, $given->vec('a')),
            ...$given->has('b') ? [Pull::vector('b', $lattice->origin, $given->vec('b'))] : [],
        ];
    }

    public function evaluate(Arguments $given): Part
    {
        $group = $given->text('group');
        $lattice = self::latticeOf($given);
        self::check($group, $lattice, $given);
        $parts = $given->parts('of');
        if ($parts === []) {
            throw new FieldFault('of', 'empty', 'there is nothing to repeat');
        }
        $own = Bounds::of(...array_map(static fn (Part $part): Bounds => $part->bounds(), $parts));
        if (max($own->right - $own->left, $own->bottom - $own->top) > self::LARGEST * max($lattice->a->length(), $lattice->b->length())) {
            throw new FieldFault(
                'of',
                'limit',
                'what repeats is more than '.self::LARGEST.' times as large as the cell that it repeats in',
            );
        }
        $positions = array_map($lattice->onSheet(...), PlaneGroup::positions($group));
        $positions[0] = Affine::identity();
        $range = [0, $given->whole('across') - 1, 0, $given->whole('down') - 1];
        if ($given->text('show') === 'sheet') {
            $range = $lattice->cellsFor(
                $given->sheet,
                Bounds::of(...array_map(static fn (Affine $map): Bounds => $own->mapped($map), $positions)),
            );
        }
        $isCentred = PlaneGroup::isCentred($group);
        $tile = $lattice->tile($isCentred);

        return self::inCells($given, $parts, $positions, $lattice, $range, isFrieze: false)->knowing([], [
            'orbit' => (float) (count($positions) / ($isCentred ? 2 : 1)), 'area' => $lattice->area() / ($isCentred ? 2 : 1),
            ...($tile === null ? [] : ['wide' => $tile[0], 'high' => $tile[1]]),
        ]);
    }

    /** @throws FieldFault */
    private static function latticeOf(Arguments $given): Lattice
    {
        $box = Bounds::of(...array_map(static fn (Part $part): Bounds => $part->bounds(), $given->parts('of')));
        $origin = $given->has('origin') ? $given->vec('origin') : new Vec($box->left, $box->top);
        $kind = PlaneGroup::lattice($given->text('group'));
        if ($given->has('on')) {
            $grid = $given->step('on')->result;
            if (! $grid instanceof Grid) {
                throw new FieldFault('on', 'lost', 'it is no grid');
            }
            $corner = $grid->placeAt(0.0, 0.0);
            $a = $grid->placeAt($given->number('columns'), 0.0)->minus($corner);
            $b = $grid->placeAt(0.0, $given->number('rows'))->minus($corner);

            // The ways of a triangular grid lie at 60° or at a right angle; what turns by thirds goes on along its other lines.
            $b = $kind === 'hexagonal' && $grid->turnsByThirds() ? Affine::turn(120.0, Vec::zero())->apply($a) : $b;

            return self::sound(new Lattice($given->has('origin') ? $origin : $corner, $a, $b), $given);
        }
        if (! $given->has('a')) {
            throw new FieldFault('a', 'choice', 'a pattern repeats along a way, or on a grid; neither is said');
        }
        $a = $given->vec('a');
        $turned = static fn (float $degrees): Vec => Affine::turn($degrees, Vec::zero())->apply($a);
        $b = match (true) {
            $given->has('b') => $given->vec('b'),
            default => $turned($kind === 'hexagonal' ? 120.0 : 90.0),
        };

        return self::sound(new Lattice($origin, $a, $b), $given);
    }

    /** @throws FieldFault */
    private static function sound(Lattice $lattice, Arguments $given): Lattice
    {
        [$long, $short] = [max($lattice->a->length(), $lattice->b->length()), min($lattice->a->length(), $lattice->b->length())];
        if ($short <= 1e3 * $given->tolerance()->distance) {
            throw new FieldFault($given->has('on') ? 'on' : 'a', 'number', 'a cell of the pattern has no size; its ways have to be longer');
        }
        if ($lattice->area() <= self::FITS * $long * $short) {
            throw new FieldFault(
                $given->has('b') ? 'b' : 'a',
                'number',
                'both ways of the pattern run along one another; they have to enclose a cell',
            );
        }

        return $lattice;
    }

    /**
     * Whether a group keeps its lattice.
     *
     * @throws FieldFault
     */
    private static function check(string $group, Lattice $lattice, Arguments $given): void
    {
        [$a, $b] = [$lattice->a, $lattice->b];
        $square = $a->length() * $b->length();
        $even = abs($a->length() - $b->length()) <= self::FITS * max($a->length(), $b->length());
        $kind = PlaneGroup::lattice($group);
        $fits = match ($kind) {
            'oblique' => true,
            'rectangular' => abs($a->dot($b)) <= self::FITS * $square,
            'square' => $even && abs($a->dot($b)) <= self::FITS * $square,
            'hexagonal' => $even && abs($a->dot($b) + $square / 2) <= self::FITS * $square && $a->cross($b) > 0.0,
        };
        if (! $fits) {
            $nearest = Affine::turn($kind === 'hexagonal' ? 120.0 : 90.0, Vec::zero())->apply(
                $kind === 'rectangular' ? $a->times($b->length() / $a->length()) : $a,
            );
            throw new FieldFault(
                $given->has('on') ? 'on' : 'b',
                'number',
                sprintf('%s needs a %s cell; the nearest second way that fits is %.4g, %.4g', $group, $kind, $nearest->x, $nearest->y),
            );
        }
    }
}
