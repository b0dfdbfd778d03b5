<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

use Sternbild\Core\Geometry\Angle;
use Sternbild\Core\Geometry\Vec;

/** Columns along one axis and rows along another, at any angle to one another: italic grids, isometric ones, diagonal lattices. */
final class TwoAxisGrid extends LatticeGrid implements Ground
{
    /** By so small a share of an edge an axis is level, or upright. */
    private const LEVEL = 1e-9;

    private readonly Vec $first;

    private readonly Vec $second;

    /**
     * @param  float  $firstAngle of the axis that the columns are counted along, degrees, clockwise on the screen, 0 to the right
     * @param  float  $secondAngle of the axis that the rows are counted along; not parallel to the first
     * @param  float  $firstEdge length of a cell's edge along the first axis, and $secondEdge along the second
     */
    public function __construct(
        private readonly Vec $origin,
        float $firstAngle,
        float $secondAngle,
        private readonly float $firstEdge,
        private readonly float $secondEdge,
        int $columns,
        int $rows,
    ) {
        parent::__construct(Divisions::of($columns, $firstEdge, 0, 1), Divisions::of($rows, $secondEdge, 0, 1));
        $this->first = new Vec(Angle::cosine($firstAngle), Angle::sine($firstAngle));
        $this->second = new Vec(Angle::cosine($secondAngle), Angle::sine($secondAngle));
    }

    public function area(): float
    {
        return $this->cellCount() * $this->firstEdge * $this->secondEdge * abs($this->first->cross($this->second));
    }

    public function quantities(): array
    {
        return ['cellw' => $this->firstEdge, 'cellh' => $this->secondEdge];
    }

    protected function clockwise(): bool
    {
        return $this->first->cross($this->second) > 0.0;
    }

    protected function placeAlong(float $across, float $down): Vec
    {
        return $this->origin->plus($this->first->times($across))->plus($this->second->times($down));
    }

    protected function distancesAt(Vec $place): array
    {
        $way = $place->minus($this->origin);
        $turn = $this->first->cross($this->second);

        return [$way->cross($this->second) / $turn, $this->first->cross($way) / $turn];
    }

    public function axes(): array
    {
        $origin = $this->placeAt(0.0, 0.0);
        $axes = [$origin, $this->placeAt(1.0, 0.0)->minus($origin), $this->placeAt(0.0, 1.0)->minus($origin)];
        foreach ([$axes[1], $axes[2]] as $edge) {
            if (abs($edge->y) < self::LEVEL * $edge->length() || abs($edge->x) < self::LEVEL * $edge->length()) {
                throw new NoSuchPlace('blocks stand on a grid of which neither axis is level or upright');
            }
        }

        return $axes;
    }

    public function groundOf(int $cell): array
    {
        [$column, $row] = $this->cellCoordinates($cell);

        return [$column - 1, $row - 1];
    }
}
