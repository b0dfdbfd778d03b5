<?php

declare(strict_types=1);

namespace Sternbild\Core\Pixel;

use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Shape\Combination;

/**
 * Blocks on the cells of two axes, seen from above: of each its top and the two sides that face the viewer, as far as nothing nearer hides
 * them.
 *
 * Axes at 30° to the horizontal are those of ISO 5456-3.
 */
final class Blocks
{
    /** The way of one cell's edge along each axis, turned so that both come nearer. */
    private readonly Vec $a;

    private readonly Vec $b;

    /** @var array{int, int} whether the axes were turned, as signs */
    private readonly array $signs;

    /**
     * @param  Vec  $origin  corner of cell 0, 0
     * @param  Vec  $first  and $second edges of a cell; neither level
     * @param  array<string, array{int, int, float, float}>  $cells  column, row, height of the foot and of the top, in sheet units, by
     *   `column row`
     */
    public function __construct(
        private readonly Vec $origin,
        Vec $first,
        Vec $second,
        private readonly array $cells,
        private readonly Tolerance $tolerance,
    ) {
        $this->signs = [$first->y < 0.0 ? -1 : 1, $second->y < 0.0 ? -1 : 1];
        $this->a = $first->times($this->signs[0]);
        $this->b = $second->times($this->signs[1]);
    }

    /**
     * @return array{top: list<Outline>, left: list<Outline>, right: list<Outline>} of blocks that stand on the ground, one outline for each
     *   plane as far as it hangs together
     */
    public function standing(): array
    {
        $faces = [];
        foreach ($this->cells as [$column, $row, $foot, $top]) {
            $faces[] = $this->level($column, $row, $top);
            array_push($faces, ...$this->walls($column, $row, $foot, $top));
        }

        return $this->seen($faces, null);
    }

    /**
     * @return array{top: list<Outline>, left: list<Outline>, right: list<Outline>} of pits in the ground: their floors, and the walls
     *   behind them
     */
    public function pits(): array
    {
        $faces = $openings = [];
        foreach ($this->cells as [$column, $row, $foot, $top]) {
            $openings[] = [$this->level($column, $row, $top)->outline()];
            $faces[] = $this->level($column, $row, $foot);
            foreach ([[1, 0], [0, 1]] as [$across, $down]) {
                $behind = $this->cells[$this->beside($column, $row, -$across, -$down)] ?? null;
                $low = $behind === null ? $foot : max($foot, $behind[2]);
                // The side of the ground that faces the viewer, or of a pit that is not as deep.
                $from = $behind === null ? $top : min($top, $behind[2]);
                if ($from > $foot) {
                    [$backColumn, $backRow] = [$column - $across * $this->signs[0], $row - $down * $this->signs[1]];
                    $faces[] = $this->wall($backColumn, $backRow, $across === 1, $foot, $behind === null ? $top : $low);
                }
            }
        }

        return $this->seen($faces, $openings === [] ? null : Combination::join($openings, $this->tolerance));
    }

    private function key(int $column, int $row): string
    {
        return "$column $row";
    }

    /** The cell so many nearer along each axis. */
    private function beside(int $column, int $row, int $across, int $down): string
    {
        return $this->key($column + $across * $this->signs[0], $row + $down * $this->signs[1]);
    }

    /**
     * The sides of a block that face the viewer, as far as the block in front does not stand against them.
     *
     * @return list<BlockFace>
     */
    private function walls(int $column, int $row, float $foot, float $top): array
    {
        $walls = [];
        foreach ([[1, 0], [0, 1]] as [$across, $down]) {
            $before = $this->cells[$this->beside($column, $row, $across, $down)] ?? null;
            $spans = $before === null ? [[$foot, $top]] : [[$foot, min($top, $before[2])], [max($foot, $before[3]), $top]];
            foreach ($spans as [$from, $to]) {
                if ($to - $from > $this->tolerance->distance) {
                    $walls[] = $this->wall($column, $row, $across === 1, $from, $to);
                }
            }
        }

        return $walls;
    }

    private function level(int $column, int $row, float $height): BlockFace
    {
        [$u, $v] = $this->corner($column, $row);
        $at = fn (int $across, int $down): Vec => $this->placed($u + $across, $v + $down, $height);

        return new BlockFace('top', "top $height", $this->clockwise([$at(0, 0), $at(1, 0), $at(1, 1), $at(0, 1)]), [0.0, 0.0, $height]);
    }

    /** The side of a block that faces along the first axis, or the second. */
    private function wall(int $column, int $row, bool $isFirst, float $foot, float $top): BlockFace
    {
        [$u, $v] = $this->corner($column, $row);
        [$from, $to] = $isFirst ? [[$u + 1, $v], [$u + 1, $v + 1]] : [[$u, $v + 1], [$u + 1, $v + 1]];
        $corners = [
            $this->placed(...[...$from, $top]),
            $this->placed(...[...$to, $top]),
            $this->placed(...[...$to, $foot]),
            $this->placed(...[...$from, $foot]),
        ];
        $way = $isFirst ? $this->b : $this->a;
        // On its plane a place is the foot of the look plus a way along the wall, and up: p = base + t·way − z·(0, 1).
        $base = $this->placed(...[...$from, 0.0]);
        $slope = $way->y / $way->x;
        $sort = ($isFirst ? $this->a : $this->b)->x < ($isFirst ? $this->b : $this->a)->x ? 'left' : 'right';

        return new BlockFace($sort, ($isFirst ? 'first ' : 'second ').($isFirst ? $u + 1 : $v + 1), $this->clockwise($corners), [
            $slope,
            -1.0,
            $base->y - $slope * $base->x,
        ]);
    }

    /** @return array{int, int} the corner of a cell that is farthest, counted along the turned axes */
    private function corner(int $column, int $row): array
    {
        return [$this->signs[0] === 1 ? $column : -$column - 1, $this->signs[1] === 1 ? $row : -$row - 1];
    }

    private function placed(int $across, int $down, float $height): Vec
    {
        return $this->origin->plus($this->a->times($across))->plus($this->b->times($down))->plus(new Vec(0.0, -$height));
    }

    /**
     * @param  non-empty-list<Vec>  $corners
     * @return non-empty-list<Vec>
     */
    private function clockwise(array $corners): array
    {
        return $corners[1]->minus($corners[0])->cross($corners[2]->minus($corners[0])) > 0.0 ? $corners : array_reverse($corners);
    }

    /**
     * @param  list<BlockFace>  $faces
     * @param  list<Outline>|null  $within  null for anywhere
     * @return array{top: list<Outline>, left: list<Outline>, right: list<Outline>}
     */
    private function seen(array $faces, ?array $within): array
    {
        $planes = [];
        Budget::spend(count($faces) * count($faces) / 8);
        foreach ($faces as $face) {
            $before = array_values(array_filter($faces, static fn (BlockFace $other): bool => $other !== $face && $other->hides($face)));
            if (array_filter($before, static fn (BlockFace $other): bool => $other->covers($face)) !== []) {
                continue;
            }
            $left =
                $before === []
                    ? [$face->outline()]
                    : Combination::cut(
                        [[$face->outline()], ...array_map(static fn (BlockFace $other): array => [$other->outline()], $before)],
                        $this->tolerance,
                    );
            if ($left !== []) {
                $planes[$face->sort][$face->plane][] = $left;
            }
        }
        $seen = ['top' => [], 'left' => [], 'right' => []];
        foreach ($planes as $sort => $those) {
            foreach ($those as $pieces) {
                $whole = count($pieces) === 1 ? $pieces[0] : Combination::join($pieces, $this->tolerance);
                array_push($seen[$sort], ...($within === null ? $whole : Combination::common([$whole, $within], $this->tolerance)));
            }
        }

        return $seen;
    }
}
