<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Pixel;

use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Ground;
use Sternbild\Core\Grid\NoSuchPlace;
use Sternbild\Core\Grid\Rectangles;
use Sternbild\Core\Grid\Tiling;
use Sternbild\Core\Paint\Oklab;
use Sternbild\Core\Pixel\Blocks;
use Sternbild\Core\Pixel\PixelBlocks;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\CellsField;
use Sternbild\Core\Plan\Field\ColourField;
use Sternbild\Core\Plan\Field\HeightsField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PairField;
use Sternbild\Core\Plan\Field\StepField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind\Part\PartKind;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Remark;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Result\Role;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Painted;
use Sternbild\Core\Shape\Part;

/** Blocks on the cells of a grid that is looked at from above: tops and the two sides that face the viewer; or pits in the ground. */
#[Called('block', label: 'Block', word: 'block', prefix: 'b', purpose: Purpose::Construction)]
final class BlockKind extends PartKind
{
    /** Cells that blocks stand on. */
    private const MOST = 1_200;

    /** Where each face looks, degrees clockwise from straight up. */
    private const LOOKS = ['top' => 0.0, 'left' => 240.0, 'right' => 120.0];

    /** By how much light, or its lack, changes the lightness of a face. */
    private const SHADE = 0.13;

    protected function declared(): array
    {
        return [
            new StepField('on', 'grid', Role::Grid, true, ['grid.twoaxis', 'grid.triangular']),
            new CellsField('cells', 'cells'),
            NumberField::factor('base', 'foot', default: 0),
            new HeightsField('up', 'height'),
            NumberField::factor('down', 'depth'),
            PairField::cells('by', 'way'),
            new ColourField('colours.top', 'colour of the tops'),
            new ColourField('colours.left', 'colour of the left sides'),
            new ColourField('colours.right', 'colour of the right sides'),
            new ColourField('colour', 'colour'),
            NumberField::angle('light', 'light', 'sheet.light'),
            new StepField('pixels', 'pixel grid', Role::Grid, false, ['grid.pixel']),
        ];
    }

    public function sentence(Step $step): string
    {
        $size = $step->says('down') ? 'Pit of {cells}, {down} cells deep' : 'Block on {cells}, {up} cells high[, from {base} up]';

        return "{$size}[, moved by {by} cells]".
            ($step->says('colour')
                ? ', in {colour}[, light from {light}]'
                : '[, tops in {colours.top}][, left sides in {colours.left}][, right sides in {colours.right}]').
            '[, in pixels of {pixels}].';
    }

    public function evaluate(Arguments $given): Part
    {
        $grid = $given->step('on')->result;
        if (! $grid instanceof Ground) {
            throw new FieldFault(
                'on',
                'choice',
                'blocks stand on a two-axis grid, or on a triangular one of which a family of lines stands upright',
            );
        }
        [$origin, $first, $second] = self::axes($grid);
        $by = $given->has('by') ? $given->vec('by') : new Vec(0.0, 0.0);
        $isPit = $given->has('down');
        if ($isPit === $given->has('up')) {
            throw new FieldFault('up', 'choice', 'a block has a height, a pit a depth');
        }
        $cells = self::cells($given, $grid, $first->length(), $isPit);
        Budget::spend(60 * count($cells));
        try {
            if ($given->has('pixels')) {
                return self::inPixels($given, PixelBlocks::on(self::pixelGrid($given), $origin, $first, $second, $cells, $by), $isPit);
            }
            $blocks = new Blocks(
                $origin->plus($first->times($by->x))->plus($second->times($by->y)),
                $first,
                $second,
                $cells,
                $given->tolerance(),
            );
            $faces = $isPit ? $blocks->pits() : $blocks->standing();
        } catch (Unworkable $fault) {
            throw new FieldFault('cells', 'limit', $fault->getMessage());
        }
        $figures = [];
        foreach ($faces as $sort => $outlines) {
            if ($outlines !== []) {
                $figures[] = Figure::drawn($outlines, [$given->step])->recoloured(self::colour($given, $sort));
            }
        }

        return $figures === [] ? throw new FieldFault('up', 'empty', 'it has no height, and nothing of it is seen') : Part::of($figures);
    }

    /** Along either axis by cells, beyond what stands there; and the height, where it is one. */
    public function pulls(Arguments $given, Result $result): array
    {
        $grid = $given->step('on')->result;
        if (! $grid instanceof Ground) {
            return [];
        }
        [$origin, $first, $second] = self::axes($grid);
        $cells = self::cells($given, $grid, $first->length(), $given->has('down'));
        if ($cells === []) {
            return [];
        }
        [$columns, $rows] = [array_column($cells, 0), array_column($cells, 1)];
        $at = static fn (float $u, float $v): Vec => $origin->plus($first->times($u))->plus($second->times($v));
        [$u, $v] = [(min($columns) + max($columns) + 1) / 2, (min($rows) + max($rows) + 1) / 2];
        $by = $given->has('by') ? $given->vec('by') : new Vec(0.0, 0.0);
        $pulls = [
            Pull::along('by', $at(max($columns) + 2, $v + $by->y), $by->x, $first, [0])->shownAs('way along the first axis')->stepped(1.0),
            Pull::along('by', $at($u + $by->x, max($rows) + 2), $by->y, $second, [1])->shownAs('way along the second axis')->stepped(1.0),
        ];
        if ($given->has('up') && count($given->heights('up')) === 1) {
            $foot = $at($u + $by->x, $v + $by->y)->plus(new Vec(0.0, -$given->number('base') * $first->length()));
            $pulls[] = Pull::along('up', $foot, $given->heights('up')[0], new Vec(0.0, -$first->length()))->stepped(0.25);
        }

        return $pulls;
    }

    /** @throws FieldFault */
    private static function pixelGrid(Arguments $given): Tiling&Rectangles
    {
        $grid = $given->step('pixels')->result;

        return $grid instanceof Tiling && $grid instanceof Rectangles
            ? $grid
            : throw new FieldFault('pixels', 'choice', 'it is no pixel grid');
    }

    /** @throws FieldFault where nothing of it is seen on the grid */
    private static function inPixels(Arguments $given, PixelBlocks $blocks, bool $isPit): Part
    {
        [$faces, $outside] = $blocks->seen($isPit);
        $cells = $colours = [];
        foreach ($faces as $cell => $sort) {
            $colours[$sort] ??= self::colour($given, $sort);
            if ($colours[$sort] !== 'none') {
                $cells[$cell] = $colours[$sort];
            }
        }
        if ($cells === []) {
            throw new FieldFault('pixels', 'empty', $outside > 0 ? 'all of it lies outside the pixel grid' : 'nothing of it is seen');
        }
        Budget::spend(5 * count($cells));
        $names = array_values(array_unique($cells));
        $part = Part::painted(
            new Painted($given->step('pixels')->id, self::pixelGrid($given), $cells, array_combine($names, $names)),
            $given->step,
        );

        return $outside === 0
            ? $part
            : $part->remarked(
                new Remark('lost-cells', $outside.($outside === 1 ? ' cell lies' : ' cells lie').' outside the pixel grid', 'pixels'),
            );
    }

    /**
     * @return array{Vec, Vec, Vec} a corner of the ground's cells, and the two edges of one from there
     *
     * @throws FieldFault
     */
    private static function axes(Ground $grid): array
    {
        try {
            return $grid->axes();
        } catch (NoSuchPlace $fault) {
            throw new FieldFault('on', 'choice', $fault->getMessage());
        }
    }

    /**
     * @return array<string, array{int, int, float, float}> column, row, and the heights of foot and top, in sheet units
     *
     * @throws FieldFault
     */
    private static function cells(Arguments $given, Ground $grid, float $edge, bool $isPit): array
    {
        $picked =
            $given->cells('cells')->cells[$given->step('on')->id] ??
            throw new FieldFault('cells', 'choice', 'none of its cells is one of its grid');
        if (count($picked) > self::MOST) {
            throw new FieldFault(
                'cells',
                'limit',
                'blocks stand on at most '.number_format(self::MOST).' cells; '.number_format(count($picked)).' are picked',
            );
        }
        $heights = $isPit ? [$given->number('down')] : $given->heights('up');
        if (count($heights) > 1 && count($heights) !== count($picked)) {
            throw new FieldFault('up', 'number', count($heights).' heights are said, for '.count($picked).' cells');
        }
        $foot = $given->number('base');
        $cells = [];
        foreach (array_values($picked) as $number => $cell) {
            [$column, $row] = $grid->groundOf($cell);
            $height = $heights[count($heights) > 1 ? $number : 0] ?? 0.0;
            if ($height < 0.0) {
                throw new FieldFault($isPit ? 'down' : 'up', 'number', 'a height is 0 or more; '.$height.' is not');
            }
            if ($height > 0.0) {
                $cells["$column $row"] = [
                    $column,
                    $row,
                    ($isPit ? $foot - $height : $foot) * $edge,
                    ($isPit ? $foot : $foot + $height) * $edge,
                ];
            }
        }

        return $cells;
    }

    /** @throws FieldFault */
    private static function colour(Arguments $given, string $sort): string
    {
        if ($given->has("colours.$sort")) {
            return $given->text("colours.$sort");
        }
        if (! $given->has('colour')) {
            throw new FieldFault(
                "colours.$sort",
                'choice',
                "there is no colour for the $sort of it: it has one for each face, or one that light falls on",
            );
        }
        if ($given->text('colour') === 'none') {
            return 'none';
        }
        [$lightness] = Oklab::coordinates($given->text('colour'));

        return Oklab::withLightness(
            $given->text('colour'),
            max(0.0, min(1.0, $lightness + self::SHADE * cos(deg2rad($given->number('light') - self::LOOKS[$sort])))),
        );
    }
}
