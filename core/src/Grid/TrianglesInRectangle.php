<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Mesh\Mesh;

/**
 * Triangles cut off cleanly by the sides of a rectangle.
 *
 * Lines between rows have their intersections in turn at whole sides and at half ones; the latter begin and end with one on the rectangle's
 * side. A row holds two triangles a column and one more, of which the first and the last are halves.
 */
final class TrianglesInRectangle extends TriangularGrid
{
    private readonly Affine $frame;

    private readonly bool $isometric;

    protected function __construct(Vec $origin, float $side, int $columns, int $rows, float $angle)
    {
        parent::__construct($origin, $side, $columns, $rows, $angle);
        // Mirrored in its diagonal the lattice that lies level becomes the one that stands upright, which is the same turned by 30°.
        $this->isometric = abs(fmod(abs($angle), 60.0) - 30.0) < 1e-9;
        $this->frame = $this->isometric ? Affine::diagonal($origin)->then(Affine::turn($angle - 30, $origin)) : $this->turn;
    }

    /** @return array{float, float} in sides and rows from the origin */
    public function coordinatesAt(Vec $place): array
    {
        $way = $this->frame->inverse()->apply($place)->minus($this->origin)->times(1 / $this->side);

        return [$way->x, $way->y / (sqrt(3) / 2)];
    }

    public function placeAt(float $u, float $v): Vec
    {
        return $this->frame->apply($this->origin->plus(new Vec($u * $this->side, $v * sqrt(3) / 2 * $this->side)));
    }

    public function cellAt(Vec $place): ?int
    {
        [$u, $v] = $this->coordinatesAt($place);
        $row = (int) floor($v);
        if ($u < 0.0 || $u > $this->columns || $row < 0 || $row >= $this->rows) {
            return null;
        }
        // Slanted lines of both ways crossed since the left side: those through whole places on the line above in even rows, below in odd
        // ones.
        $down = $row % 2 === 0 ? $v - $row : 1 - ($v - $row);
        $crossed = (int) floor($u - $down / 2) + 1 + (int) floor($u + $down / 2);

        return $row * $this->cellsInRow() + max(0, min($this->cellsInRow() - 1, $crossed));
    }

    public function pointCoordinates(int $point): array
    {
        $pair = 2 * $this->columns + 3;
        $row = 2 * intdiv($point, $pair);
        $column = $point % $pair;

        return $column <= $this->columns ? [$column, $row] : [$column - $this->columns - 1, $row + 1];
    }

    public function pointAt(array $coordinates): Vec
    {
        self::expect($coordinates, 2, '@column,row');
        $row = self::within('row', $coordinates[1], 0, $this->rows);
        $column = self::within('column', $coordinates[0], 0, $this->columns + $row % 2);

        return $this->placeAt($this->sidesAt($column, $row), $row);
    }

    public function topologyKey(): string
    {
        return "triangular-rectangle-$this->columns-$this->rows".($this->isometric ? '-upright' : '');
    }

    protected function cellsInRow(): int
    {
        return 2 * $this->columns + 1;
    }

    protected function buildMesh(): Mesh
    {
        $x = $y = $from = $to = $carrier = $cells = $first = $edgeOf = [];
        for ($row = 0; $row <= $this->rows; $row++) {
            $first[] = count($x);
            for ($column = 0; $column <= $this->columns + $row % 2; $column++) {
                $place = $this->placeAt($this->sidesAt($column, $row), $row);
                $x[] = $place->x;
                $y[] = $place->y;
            }
        }
        $put = static function (int $start, int $end, int $line) use (&$from, &$to, &$carrier, &$edgeOf): void {
            $from[] = $start;
            $to[] = $end;
            $carrier[] = $line;
            $edgeOf["$start-$end"] = count($from);
            $edgeOf["$end-$start"] = -count($from);
        };
        for ($row = 0; $row <= $this->rows; $row++) {
            for ($column = 0; $column < $this->columns + $row % 2; $column++) {
                $put($first[$row] + $column, $first[$row] + $column + 1, $row);
            }
        }
        // Twice the sides from the left at which a slanted line meets the top, falling to the right (+1) or to the left (−1).
        foreach ([1, -1] as $way) {
            for ($line = -$this->rows; $line <= 2 * $this->columns + $this->rows; $line++) {
                for ($row = 0; $row < $this->rows; $row++) {
                    $above = $line + $way * $row;
                    $below = $above + $way;
                    if (($above + $row) % 2 === 0 && min($above, $below) >= 0 && max($above, $below) <= 2 * $this->columns) {
                        $put(
                            $first[$row] + intdiv($above + ($row % 2), 2),
                            $first[$row + 1] + intdiv($below + (($row + 1) % 2), 2),
                            $this->rows + 1 + 2 * ($line + $this->rows) + ($way === 1 ? 1 : 0),
                        );
                    }
                }
            }
        }
        foreach ([0, 1] as $side) {
            for ($row = 0; $row < $this->rows; $row++) {
                $at = static fn (int $row, int $columns): int => $side === 0 ? 0 : $columns + $row % 2;
                $put($first[$row] + $at($row, $this->columns), $first[$row + 1] + $at($row + 1, $this->columns), -1 - $side);
            }
        }
        for ($row = 0; $row < $this->rows; $row++) {
            for ($cell = 0; $cell < $this->cellsInRow(); $cell++) {
                // Every other triangle stands on the line with whole places, seen from the line with half ones.
                $wholeAbove = $row % 2 === 0;
                [$tip, $base] = $cell % 2 === 0
                    ? [$wholeAbove ? $row : $row + 1, $wholeAbove ? $row + 1 : $row]
                    : [$wholeAbove ? $row + 1 : $row, $wholeAbove ? $row : $row + 1];
                $tipColumn = $cell % 2 === 0 ? intdiv($cell, 2) : intdiv($cell, 2) + 1;
                $baseColumn = intdiv($cell, 2);
                $corners = [$first[$base] + $baseColumn, $first[$base] + $baseColumn + 1, $first[$tip] + $tipColumn];
                if (($base > $tip) !== $this->isometric) {
                    $corners = [$corners[1], $corners[0], $corners[2]];
                }
                $cells[] = [$edgeOf["$corners[0]-$corners[1]"], $edgeOf["$corners[1]-$corners[2]"], $edgeOf["$corners[2]-$corners[0]"]];
            }
        }

        return new Mesh($x, $y, $from, $to, $carrier, [], $cells);
    }

    /** How far, in sides, an intersection lies from the rectangle's beginning. */
    private function sidesAt(int $column, int $row): float
    {
        return $row % 2 === 0 ? (float) $column : max(0.0, min((float) $this->columns, $column - 0.5));
    }
}
