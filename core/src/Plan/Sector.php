<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Angle;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Spokes;

/** The sectors of a repeat around a centre: what is drawn in any of them is drawn in the first one. */
final readonly class Sector implements Domain
{
    /**
     * @param  float  $from  where the first one begins, degrees clockwise from straight up
     * @param  float  $angle  how wide each of them is, degrees
     * @param  bool  $mirrored  whether its halves are mirror images
     */
    private function __construct(public Vec $center, public float $from, public float $angle, public bool $mirrored)
    {
    }

    /**
     * @param  array<string, Evaluated>  $known  results by step id
     * @return self|null null for what does not go all the way around in one size
     */
    public static function ofRepeat(array $known, Step $step): ?self
    {
        $numbers = $known[$step->id]->numbers ?? [];
        $count = $numbers['count'] ?? 0.0;
        $angle = $numbers['angle'] ?? ($count > 0.0 ? 360.0 / $count : 0.0);
        if (
            ! $step->kind->goesAround() ||
            $count < 2.0 ||
            abs(abs($angle) * $count - 360.0) > 1e-9 ||
            abs(($numbers['factor'] ?? 1.0) - 1.0) > 1e-12
        ) {
            return null;
        }
        $angle = abs($angle);
        $mirrored = $step->raw('mirror') === true;
        // Mirror images lie on both sides of the upright line; others begin at a spoke of the grid that they go around.
        $center = $step->raw('center');
        $grid = is_string($center) ? ($known[explode('@', $center)[0]] ?? null)?->result : null;
        $from = $mirrored ? -$angle / 2 : ($grid instanceof Spokes ? $grid->spokeHeading(1) : 0.0);

        return new self(new Vec($numbers['center.0'] ?? 0.0, $numbers['center.1'] ?? 0.0), $from, $angle, $mirrored);
    }

    /**
     * What brings places into the first sector, all by the same way: that in which their middle lies. Places on both sides of a mirror line
     * stay there.
     *
     * @param  non-empty-list<Vec>  $places
     */
    public function home(array $places): Affine
    {
        $middle = Vec::zero();
        foreach ($places as $place) {
            $middle = $middle->plus($place->times(1 / count($places)));
        }
        $sector = floor(Angle::normalised($this->heading($middle) - $this->from) / $this->angle + 1e-9);
        $map = $sector === 0.0 ? Affine::identity() : Affine::turn(-$sector * $this->angle, $this->center);
        if (! $this->mirrored) {
            return $map;
        }
        $most = 1e-9 * (1.0 + $this->center->length());
        foreach ($places as $place) {
            if ($map->apply($place)->x > $this->center->x + $most) {
                return $map;
            }
        }

        return $map->then(Affine::mirrorUpright($this->center));
    }

    /** @return array{center: array{float, float}, from: float, angle: float, mirrored: bool} */
    public function describe(): array
    {
        return [
            'center' => [$this->center->x, $this->center->y],
            'from' => $this->from,
            'angle' => $this->angle,
            'mirrored' => $this->mirrored,
        ];
    }

    private function heading(Vec $place): float
    {
        $way = $place->minus($this->center);

        return rad2deg(atan2($way->x, -$way->y));
    }
}
