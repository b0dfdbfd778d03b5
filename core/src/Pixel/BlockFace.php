<?php

declare(strict_types=1);

namespace Sternbild\Core\Pixel;

use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;

/** One face of a block as it is seen: a parallelogram, and how near each place of it is. */
final readonly class BlockFace
{
    /** Of the lengths of its sides: how far faces have to overlap to hide one another. */
    private const TRIFLE = 1e-9;

    public Bounds $box;

    /**
     * @param  'top'|'left'|'right'  $sort
     * @param  string  $plane  faces in one plane are one outline
     * @param  non-empty-list<Vec>  $corners  clockwise on the screen
     * @param  array{float, float, float}  $nearness  across, down and constant: of a place the height, in sheet units, at which a look
     *   through it meets the face
     */
    public function __construct(public string $sort, public string $plane, public array $corners, private array $nearness)
    {
        $this->box = Bounds::around(...$corners);
    }

    public function outline(): Outline
    {
        $curves = [];
        foreach ($this->corners as $k => $corner) {
            $curves[] = new Line($corner, $this->corners[($k + 1) % count($this->corners)]);
        }

        return new Outline($curves);
    }

    /** Whether it hides some of another. */
    public function hides(self $other): bool
    {
        if (! $this->box->meets($other->box, 0.0)) {
            return false;
        }
        $shared = self::clipped($other->corners, $this->corners);
        if (count($shared) < 3) {
            return false;
        }
        [$area, $middle] = self::areaAndMiddle($shared);
        $size = max($this->box->right - $this->box->left, $this->box->bottom - $this->box->top);

        return $area > self::TRIFLE * $size * $size && $this->nearnessAt($middle) > $other->nearnessAt($middle) + self::TRIFLE * $size;
    }

    /** Whether it hides all of another that it hides some of. */
    public function covers(self $other): bool
    {
        [$shared] = self::areaAndMiddle(self::clipped($other->corners, $this->corners));
        [$whole] = self::areaAndMiddle($other->corners);

        return $shared > (1 - 1e-9) * $whole;
    }

    private function nearnessAt(Vec $place): float
    {
        return $this->nearness[0] * $place->x + $this->nearness[1] * $place->y + $this->nearness[2];
    }

    /**
     * What of one convex polygon lies in another: I. E. Sutherland and G. W. Hodgman, Reentrant polygon clipping, CACM 17 (1974).
     *
     * @param  list<Vec>  $polygon
     * @param  non-empty-list<Vec>  $by  clockwise on the screen
     * @return list<Vec>
     */
    private static function clipped(array $polygon, array $by): array
    {
        foreach ($by as $k => $from) {
            $way = $by[($k + 1) % count($by)]->minus($from);
            $kept = [];
            foreach ($polygon as $number => $corner) {
                $next = $polygon[($number + 1) % count($polygon)];
                [$here, $there] = [$way->cross($corner->minus($from)), $way->cross($next->minus($from))];
                if ($here >= 0.0) {
                    $kept[] = $corner;
                }
                if ($here >= 0.0 !== $there >= 0.0) {
                    $kept[] = $corner->plus($next->minus($corner)->times($here / ($here - $there)));
                }
            }
            $polygon = $kept;
        }

        return $polygon;
    }

    /**
     * @param  list<Vec>  $polygon
     * @return array{float, Vec}
     */
    private static function areaAndMiddle(array $polygon): array
    {
        $area = 0.0;
        $middle = new Vec(0.0, 0.0);
        $origin = $polygon[0] ?? $middle;
        foreach ($polygon as $k => $corner) {
            $next = $polygon[($k + 1) % count($polygon)];
            $cross = $corner->minus($origin)->cross($next->minus($origin)) / 2;
            $area += $cross;
            $middle = $middle->plus($corner->plus($next)->plus($origin)->times($cross / 3));
        }

        return [abs($area), abs($area) > 0.0 ? $middle->times(1 / $area) : $origin];
    }
}
