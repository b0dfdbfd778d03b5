<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Pattern;

use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Lattice;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\ColoursField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind\Copy\CopyKind;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Shape\Spread;
use Sternbild\Core\Symmetry\LapInCell;

/** What repeats cell by cell, with one set of copies in each. */
abstract class RepeatingKind extends CopyKind
{
    /** Copies, which stay one cell and the ways to all others. */
    protected const MOST_SPREAD = 100_000;

    /** What stands at the end of a sentence. */
    protected const SAID = '[, each {lap}][, in {colours} by turns][, {keep}].';

    final protected static function lap(): ChoiceField
    {
        return new ChoiceField(
            'lap',
            'lapped',
            [
                'stack' => 'in the order of the parts',
                'clockwise' => 'over the next one clockwise',
                'counterclockwise' => 'over the next one counterclockwise',
            ],
            'stack',
        );
    }

    final protected static function colours(): ColoursField
    {
        return new ColoursField('colours', 'colours by turns');
    }

    /**
     * Copies in the first cell, and all others.
     *
     * @param  non-empty-list<Part>  $parts
     * @param  non-empty-list<Affine>  $positions  of a cell
     * @param  array{int, int, int, int}  $range  of cells
     *
     * @throws FieldFault
     */
    final protected static function inCells(
        Arguments $given,
        array $parts,
        array $positions,
        Lattice $lattice,
        array $range,
        bool $isFrieze,
    ): Part {
        $cells = max(0, $range[1] - $range[0] + 1) * max(0, $range[3] - $range[2] + 1);
        if ($cells * count($positions) > self::MOST_SPREAD) {
            throw new FieldFault(
                $given->has('count') ? 'count' : 'across',
                'limit',
                'there would be '.
                    number_format($cells * count($positions)).
                    ' copies; at most '.
                    number_format(self::MOST_SPREAD).
                    ' are possible',
            );
        }
        self::withinLimit(array_sum(array_map(static fn (Part $part): int => $part->curves(), $parts)) * count($positions), 'of');
        if ($cells === 0) {
            throw new FieldFault('show', 'empty', 'no cell of the pattern reaches onto the sheet');
        }
        $through = array_map(static fn (Part $part): Part => $part->throughStep($given->step), $parts);
        try {
            $cell =
                $given->text('lap') === 'stack'
                    ? array_map(
                        static fn (Part $part): array => array_map(
                            static fn (Affine $map): array => $part->mapped($map)->figures(),
                            $positions,
                        ),
                        $through,
                    )
                    : (new LapInCell($lattice, $positions, $given->text('lap') === 'clockwise', $given->tolerance()))->seen($through);
        } catch (Unworkable $fault) {
            throw new FieldFault('lap', 'limit', $fault->getMessage());
        }
        if (array_merge(...array_merge(...$cell)) === []) {
            throw new FieldFault('lap', 'empty', 'every copy is covered by others all over, so that nothing of them is seen');
        }

        return Part::spread(
            new Spread(
                $through,
                $positions,
                self::coloured($cell, $given->colours('colours')),
                $lattice,
                $range,
                $given->text('group'),
                $isFrieze,
            ),
        );
    }

    /**
     * Each copy in the next colour.
     *
     * @param  list<list<list<Figure>>>  $cell
     * @param  list<string>  $colours
     * @return list<list<list<Figure>>>
     */
    private static function coloured(array $cell, array $colours): array
    {
        foreach ($colours === [] ? [] : $cell as $source => $copies) {
            foreach ($copies as $copy => $figures) {
                $cell[$source][$copy] = array_map(
                    static fn (Figure $figure): Figure => $figure->recoloured($colours[$copy % count($colours)]),
                    $figures,
                );
            }
        }

        return $cell;
    }
}
