<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Lattice;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Symmetry\Elements;
use Sternbild\Core\Symmetry\PlaneGroup;

/** The fundamental cell of a pattern or a frieze, the one among its images in which the motif lies. */
final readonly class CellDomain implements Domain
{
    /** In lattice coordinates: what is off its edge by less lies on it. */
    private const EDGE = 1e-7;

    /**
     * @param  list<Affine>  $positions  of the group, in lattice coordinates
     * @param  non-empty-list<array{float, float}>  $corners  of the fundamental cell of the group, in lattice coordinates
     * @param  Affine  $base  which of its images is meant, in lattice coordinates
     */
    private function __construct(
        private Lattice $lattice,
        private string $group,
        private bool $isFrieze,
        private array $positions,
        private array $corners,
        private Affine $base,
    ) {
    }

    /**
     * @param  array<string, Evaluated>  $known  results by step id
     * @return self|null null for what is no pattern
     */
    public static function ofPattern(array $known, Step $step): ?self
    {
        $part = ($known[$step->id] ?? null)?->result;
        if (! $part instanceof Part || $part->spread?->group === null) {
            return null;
        }
        [$group, $isFrieze] = [$part->spread->group, $part->spread->isFrieze];
        $positions = $isFrieze ? PlaneGroup::alongFrieze($group) : PlaneGroup::positions($group);
        $corners = $isFrieze ? PlaneGroup::friezeDomain($group) : PlaneGroup::domain($group);
        $first = new self($part->spread->lattice, $group, $isFrieze, $positions, $corners, Affine::identity());
        $motif = Bounds::of(...array_map(static fn (Part $one): Bounds => $one->bounds(), $part->spread->sources));

        return new self($part->spread->lattice, $group, $isFrieze, $positions, $corners, $first->imageOf($motif->center()));
    }

    public function home(array $places): Affine
    {
        $middle = Vec::zero();
        foreach ($places as $place) {
            $middle = $middle->plus($place->times(1 / count($places)));
        }
        $there = $this->lattice->coordinates($middle);
        if ($this->holds($this->base->inverse()->apply($there))) {
            return Affine::identity();
        }

        return $this->lattice->onSheet($this->imageOf($middle)->inverse()->then($this->base));
    }

    /** @return array<string, mixed> its corners on the sheet, and what the group is made of, in lattice coordinates */
    public function describe(): array
    {
        $place = static fn (Vec $at): array => [$at->x, $at->y];

        return [
            'origin' => $place($this->lattice->origin),
            'a' => $place($this->lattice->a),
            'b' => $place($this->lattice->b),
            'flat' => $this->isFrieze,
            'domain' => array_map(
                fn (array $corner): array => $place($this->lattice->place($this->base->apply(new Vec($corner[0], $corner[1])))),
                $this->corners,
            ),
            ...Elements::ofGroup($this->group, $this->positions, $this->isFrieze),
        ];
    }

    /** What brings the group's own fundamental cell to the image that a place of the sheet lies in, in lattice coordinates. */
    private function imageOf(Vec $place): Affine
    {
        $there = $this->lattice->coordinates($place);
        $columns = (int) floor($there->x);
        $rows = (int) floor($there->y);
        foreach ($this->positions as $position) {
            $back = $position->inverse();
            for ($row = $this->isFrieze ? 0 : $rows - 1; $row <= ($this->isFrieze ? 0 : $rows + 1); $row++) {
                for ($column = $columns - 1; $column <= $columns + 1; $column++) {
                    $way = new Vec((float) $column, (float) $row);
                    if ($this->holds($back->apply($there->minus($way)))) {
                        return $position->then(Affine::move($way));
                    }
                }
            }
        }

        return Affine::identity();
    }

    /** Whether a place in lattice coordinates lies in the group's own fundamental cell, or on its edge. */
    private function holds(Vec $at): bool
    {
        $count = count($this->corners);
        foreach ($this->corners as $number => [$x, $y]) {
            [$nextX, $nextY] = $this->corners[($number + 1) % $count];
            // Corners run clockwise where `a` points right and `b` down.
            if (($nextX - $x) * ($at->y - $y) - ($nextY - $y) * ($at->x - $x) < -self::EDGE) {
                return false;
            }
        }

        return true;
    }
}
