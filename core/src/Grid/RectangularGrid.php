<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Vec;

/**
 * Columns and rows, with gutters between them or none, each cell subdivided or not.
 *
 * A subdivided cell counts as so many columns and rows: what can be seen can be picked. With a gutter every column has a line of its own
 * on either side, and intersections count all lines from 0.
 */
class RectangularGrid extends LatticeGrid implements Rectangles
{
    private readonly Affine $turn;

    /**
     * @param  float  $width  and $height of a cell before it is subdivided, positive
     * @param  float  $gutterX  between columns, and $gutterY between rows; not negative
     * @param  float  $angle  degrees, clockwise about the origin
     */
    public function __construct(
        private readonly Vec $origin,
        int $columns,
        int $rows,
        private readonly float $width,
        private readonly float $height,
        float $gutterX,
        float $gutterY,
        private readonly int $subdivisions,
        float $angle,
    ) {
        parent::__construct(
            Divisions::of($columns, $width, $gutterX, $subdivisions),
            Divisions::of($rows, $height, $gutterY, $subdivisions),
        );
        $this->turn = Affine::turn($angle, $origin);
    }

    public function area(): float
    {
        return $this->cellCount() * $this->width * $this->height / $this->subdivisions ** 2;
    }

    public function quantities(): array
    {
        return ['cellw' => $this->width / $this->subdivisions, 'cellh' => $this->height / $this->subdivisions];
    }

    protected function placeAlong(float $across, float $down): Vec
    {
        return $this->turn->apply($this->origin->plus(new Vec($across, $down)));
    }

    protected function distancesAt(Vec $place): array
    {
        $way = $this->turn->inverse()->apply($place)->minus($this->origin);

        return [$way->x, $way->y];
    }
}
