<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Result\Measured;
use Sternbild\Core\Result\Role;

/** A grid as laid on the sheet: its mesh, and the addresses of what it is made of. */
abstract class Grid extends Tiling implements Coordinates, Measured
{
    /** Cells of one grid. More than that is a slip of the finger, and would only exhaust the memory. */
    public const MOST_CELLS = 100_000;

    public function role(): Role
    {
        return Role::Grid;
    }

    public function pointCount(): int
    {
        return count($this->mesh()->x);
    }

    public function edgeCount(): int
    {
        return count($this->mesh()->from);
    }

    /** The intersection that is nearest to a place; null where there is none. */
    public function nearestIntersection(Vec $place): ?Vec
    {
        [$best, $least] = [null, INF];
        $mesh = $this->mesh();
        foreach ($mesh->x as $point => $x) {
            $far = ($x - $place->x) ** 2 + ($mesh->y[$point] - $place->y) ** 2;
            if ($far < $least) {
                [$best, $least] = [$point, $far];
            }
        }

        return $best === null ? null : new Vec($mesh->x[$best], $mesh->y[$best]);
    }

    /** Its middle: that of the box around all its intersections. */
    public function middle(): Vec
    {
        $mesh = $this->mesh();
        $between = static fn (array $all): float => $all === [] ? 0.0 : (min($all) + max($all)) / 2;

        return new Vec($between($mesh->x), $between($mesh->y));
    }

    /**
     * How what is placed upright has to be turned to stand as the grid does there: along a spoke, or level with the first axis.
     *
     * @return float degrees, clockwise on the screen
     */
    public function turnAt(Vec $place): float
    {
        return rad2deg($this->placeAt(1.0, 0.0)->minus($this->placeAt(0.0, 0.0))->angle());
    }

    /** @return non-empty-list<int> cells of which one is the thinnest; the first stands for all where they are equal */
    protected function thinnestAmong(): array
    {
        return [0];
    }

    /**
     * The thinnest cell, by twice its area over its perimeter, which for a long strip is its width.
     *
     * @return array{int, float} the cell and its width
     */
    final public function thinnest(): array
    {
        $widths = [];
        foreach ($this->thinnestAmong() as $cell) {
            $outline = $this->cellOutlines($cell)[0];
            $perimeter = $outline->perimeter();
            // A cell too small for its place has collapsed to a point.
            $widths[$cell] = $perimeter > 0.0 ? 2 * $outline->area() / $perimeter : 0.0;
        }
        asort($widths);
        $cell = (int) array_key_first($widths);

        return [$cell, $widths[$cell]];
    }

    /** Whether what turns by thirds of a full turn goes on along its lines. */
    public function turnsByThirds(): bool
    {
        return false;
    }

    /**
     * The intersections about a place.
     *
     * @param  float  $reach  along either axis
     * @return list<array{list<int>, Vec}> as their addresses have them, and where they lie
     */
    public function pointsNear(Vec $place, float $reach): array
    {
        $mesh = $this->mesh();
        $near = [];
        foreach ($mesh->x as $point => $x) {
            if (abs($x - $place->x) <= $reach && abs($mesh->y[$point] - $place->y) <= $reach) {
                $near[] = [$this->pointCoordinates($point), new Vec($x, $mesh->y[$point])];
            }
        }

        return $near;
    }

    /** @return list<Vec> the middles of edges about a place */
    public function middlesNear(Vec $place, float $reach): array
    {
        $mesh = $this->mesh();
        $near = [];
        foreach ($mesh->from as $edge => $from) {
            $to = $mesh->to[$edge];
            $middle = new Vec(($mesh->x[$from] + $mesh->x[$to]) / 2, ($mesh->y[$from] + $mesh->y[$to]) / 2);
            $circle = $mesh->circles[$mesh->carrier[$edge]] ?? null;
            if ($circle !== null) {
                $center = new Vec($circle[0], $circle[1]);
                $middle = $center->plus($middle->minus($center)->unit()->times($circle[2]));
            }
            if ($middle->distanceTo($place) <= $reach) {
                $near[] = $middle;
            }
        }

        return $near;
    }

    public function cellMark(): string
    {
        return '#';
    }

    public function cellAddress(int $cell): string
    {
        return '#'.implode(',', $this->cellCoordinates($cell));
    }

    /** @return non-empty-list<string> */
    abstract public static function cellWords(): array;

    /** @return non-empty-list<string> */
    abstract public static function pointWords(): array;

    /** @return list<int> the coordinates of a cell, as its address has them */
    abstract public function cellCoordinates(int $cell): array;

    /**
     * The cells that an address means: one, or with stars in it a whole ring, row or column.
     *
     * @param  list<int|null>  $coordinates  null for a star
     * @return non-empty-list<int> cell numbers
     *
     * @throws NoSuchPlace
     */
    abstract public function cellsAt(array $coordinates): array;

    /** @return list<int> the coordinates of an intersection, as its address has them */
    abstract public function pointCoordinates(int $point): array;

    /**
     * @param  list<int>  $coordinates
     *
     * @throws NoSuchPlace
     */
    abstract public function pointAt(array $coordinates): Vec;

    /** @return array{right: list<int>, up: list<int>, wraps: list<bool>} as of any tiling */
    abstract public function arrows(): array;

    /**
     * A coordinate checked against its range.
     *
     * @throws NoSuchPlace
     */
    protected static function within(string $word, int $value, int $lowest, int $highest): int
    {
        if ($value < $lowest || $value > $highest) {
            throw new NoSuchPlace(sprintf('%s %d does not exist: there are %ss %d to %d', $word, $value, $word, $lowest, $highest));
        }

        return $value;
    }

    /**
     * All of a range for a star, else the one coordinate.
     *
     * @return non-empty-list<int>
     *
     * @throws NoSuchPlace
     */
    protected static function each(string $word, ?int $value, int $count): array
    {
        return $value === null ? range(1, max(1, $count)) : [self::within($word, $value, 1, $count)];
    }

    /**
     * @param  list<int|null>  $coordinates
     *
     * @throws NoSuchPlace
     */
    protected static function expect(array $coordinates, int $count, string $form): void
    {
        if (count($coordinates) !== $count) {
            throw new NoSuchPlace("The address has to be $form");
        }
    }
}
