<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Angle;
use Sternbild\Core\Geometry\Vec;

/**
 * Equal triangles. Every lattice column holds two triangles a row, the left one first. Turned by 30° one family of lines stands upright,
 * the isometric case.
 *
 * Two fields: in a rhomb columns run along one family of lines, rows along the next, 60° clockwise from it. In a rectangle rows lie above
 * one another, and the triangles at both ends of a row are cut in half by its upright sides; at 30° it stands upright too, columns counted
 * downwards.
 */
abstract class TriangularGrid extends Grid implements Ground
{
    /** Degrees by which a line is off upright and still is. */
    private const UPRIGHT = 1e-6;

    protected readonly Affine $turn;

    /**
     * @param  float  $side of a triangle
     * @param  float  $angle degrees, clockwise about the origin
     */
    protected function __construct(
        protected readonly Vec $origin,
        protected readonly float $side,
        protected readonly int $columns,
        protected readonly int $rows,
        float $angle,
    ) {
        $this->turn = Affine::turn($angle, $origin);
    }

    public static function inRhomb(Vec $origin, float $side, int $columns, int $rows, float $angle): self
    {
        return new TrianglesInRhomb($origin, $side, $columns, $rows, $angle);
    }

    public static function inRectangle(Vec $origin, float $side, int $columns, int $rows, float $angle): self
    {
        return new TrianglesInRectangle($origin, $side, $columns, $rows, $angle);
    }

    /** Sheet units squared: the halves at the ends of a row make up one triangle. */
    public function area(): float
    {
        return 2 * $this->columns * $this->rows * sqrt(3) / 4 * $this->side ** 2;
    }

    public static function cellWords(): array
    {
        return ['column', 'row'];
    }

    public static function pointWords(): array
    {
        return ['column', 'row'];
    }

    public function cellCoordinates(int $cell): array
    {
        return [$cell % $this->cellsInRow() + 1, intdiv($cell, $this->cellsInRow()) + 1];
    }

    public function cellsAt(array $coordinates): array
    {
        self::expect($coordinates, 2, '#column,row');
        $cells = [];
        foreach (self::each('row', $coordinates[1], $this->rows) as $row) {
            foreach (self::each('column', $coordinates[0], $this->cellsInRow()) as $column) {
                $cells[] = ($row - 1) * $this->cellsInRow() + $column - 1;
            }
        }

        return $cells;
    }

    public function cellCount(): int
    {
        return $this->cellsInRow() * $this->rows;
    }

    public function quantities(): array
    {
        return ['side' => $this->side, 'rise' => $this->side * sqrt(3) / 2];
    }

    public function arrows(): array
    {
        return ['right' => [1, 0], 'up' => [0, -1], 'wraps' => [false, false]];
    }

    abstract protected function cellsInRow(): int;

    public function axes(): array
    {
        $origin = $this->placeAt(0.0, 0.0);
        $side = $this->placeAt(1.0, 0.0)->minus($origin);
        $turn = fmod(fmod(rad2deg($side->angle()), 60.0) + 60.0, 60.0);
        if (abs($turn - 30.0) > self::UPRIGHT) {
            throw new NoSuchPlace('blocks stand on a triangular grid turned by 30°, of which a family of lines stands upright');
        }
        $edge = static fn (float $angle): Vec => (new Vec(Angle::cosine($angle), Angle::sine($angle)))->times($side->length());

        return [$origin, $edge(30.0), $edge(150.0)];
    }

    /** Two triangles with an upright edge between them are one cell of the ground. */
    public function groundOf(int $cell): array
    {
        [$origin, $first, $second] = $this->axes();
        $turn = $first->cross($second);
        $way = $this->cellOutlines($cell)[0]->centroid()->minus($origin);

        return [(int) floor($way->cross($second) / $turn), (int) floor($first->cross($way) / $turn)];
    }

    public function turnsByThirds(): bool
    {
        return true;
    }
}
