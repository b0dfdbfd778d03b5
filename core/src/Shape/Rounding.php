<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Beside;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Intersections;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;

/**
 * Corners of outlines, rounded by arcs that run into both sides without a break.
 *
 * The centre of such an arc is as far from both sides as its radius is long: where what runs beside them meets.
 */
final readonly class Rounding
{
    /** Headings that differ by less, as a sine, make no corner. */
    private const SMOOTH = 1e-5;

    /** How far, in shares of its radius, the foot of an arc's centre may lie from where it touches. */
    private const TANGENT = 1e-5;

    /** Halvings by which the largest radius is found. */
    private const HALVINGS = 40;

    /** @param  bool  $byReach  whether the size is how far from the corner the arc begins, instead of its radius */
    public function __construct(private float $size, private bool $byReach, private Tolerance $tolerance)
    {
    }

    /**
     * The corners of an outline, by the number of the curve that begins there.
     *
     * @return array<int, Vec>
     */
    public static function corners(Outline $outline): array
    {
        $corners = [];
        $count = count($outline->curves);
        foreach ($outline->curves as $number => $curve) {
            $before = $outline->curves[($number + $count - 1) % $count];
            $arrives = $before->tangentAt(1.0);
            $setsOff = $curve->tangentAt(0.0);
            if (abs($arrives->cross($setsOff)) > self::SMOOTH || $arrives->dot($setsOff) < 0.0) {
                $corners[$number] = $curve->start();
            }
        }

        return $corners;
    }

    /**
     * @param  list<int>  $corners  of those that it has
     *
     * @throws TooRound where two arcs, or an arc and the end of a side, would overlap
     */
    public function of(Outline $outline, array $corners): Outline
    {
        $arcs = [];
        foreach ($corners as $number) {
            [$before, $after] = self::sides($outline, $number);
            $arcs[$number] =
                $this->arcOf($before, $after, $this->size) ?? throw new TooRound($after->start(), $this->largestSize($before, $after));
        }
        $curves = [];
        $count = count($outline->curves);
        foreach ($outline->curves as $number => $curve) {
            $from = $arcs[$number][2] ?? 0.0;
            $to = $arcs[($number + 1) % $count][1] ?? 1.0;
            if (isset($arcs[$number])) {
                $curves[] = $arcs[$number][0];
            }
            if ($to < $from - 1e-12) {
                throw new TooRound($curve->start(), $this->largestTogether($outline, $corners));
            }
            if (($to - $from) * $curve->length() > $this->tolerance->distance) {
                $curves[] = $from === 0.0 && $to === 1.0 ? $curve : $curve->part($from, $to);
            }
        }

        return new Outline(self::joined($curves));
    }

    /** @return array{Curve, Curve} those that meet at a corner */
    private static function sides(Outline $outline, int $number): array
    {
        $count = count($outline->curves);

        return [$outline->curves[($number + $count - 1) % $count], $outline->curves[$number]];
    }

    /**
     * The arc of a size as it is said: by its radius, or by how far it reaches.
     *
     * @return array{Arc, float, float}|null
     */
    private function arcOf(Curve $before, Curve $after, float $size): ?array
    {
        $radius = $this->byReach ? $this->radiusThatReaches($before, $after, $size) : $size;

        return $radius === null ? null : $this->arc($before, $after, $radius);
    }

    /** The largest size for one corner by itself, as sizes are said. */
    private function largestSize(Curve $before, Curve $after): float
    {
        $largest = $this->largest($before, $after);
        $arc = $this->byReach ? $this->arc($before, $after, $largest) : null;

        return $arc === null ? $largest : $before->part($arc[1], 1.0)->length();
    }

    /** @return array{Arc, float, float}|null the arc, and where on the side before and on the one after it begins and ends */
    private function arc(Curve $before, Curve $after, float $radius): ?array
    {
        $turn = $before->tangentAt(1.0)->cross($after->tangentAt(0.0));
        $distance = $turn > 0.0 ? $radius : -$radius;
        $best = null;
        foreach (Beside::curve($before, $distance) as $one) {
            foreach (Beside::curve($after, $distance) as $other) {
                foreach ($one->curves as $first) {
                    foreach ($other->curves as $second) {
                        foreach (Intersections::find($first, $second, $this->tolerance) as $meeting) {
                            $best = self::nearer($best, $meeting->at, $before, $after, $radius);
                        }
                    }
                }
            }
        }
        if ($best === null) {
            return null;
        }
        [$center, $s, $t] = $best;

        return [Arc::around($center, $radius, $before->pointAt($s), $after->pointAt($t), $turn > 0.0), $s, $t];
    }

    /**
     * Of two centres the one whose arc lies nearer to the corner.
     *
     * @param  array{Vec, float, float}|null  $best
     * @return array{Vec, float, float}|null
     */
    private static function nearer(?array $best, Vec $center, Curve $before, Curve $after, float $radius): ?array
    {
        $s = $before->nearest($center);
        $t = $after->nearest($center);
        // Beyond the end of a side, however near to it, the arc would not run into it.
        $touches = static fn (Curve $curve, float $at): bool => abs($center->distanceTo($curve->pointAt($at)) - $radius) < 1e-4 * $radius
            && abs($center->minus($curve->pointAt($at))->dot($curve->tangentAt($at))) < self::TANGENT * $radius;
        $isTangent = $touches($before, $s) && $touches($after, $t);

        return $isTangent && $s < 1.0 && $t > 0.0 && ($best === null || $s > $best[1]) ? [$center, $s, $t] : $best;
    }

    /** The radius of the arc that begins so far from the corner. */
    private function radiusThatReaches(Curve $before, Curve $after, float $size): ?float
    {
        $largest = $this->largest($before, $after);
        $reach = fn (float $radius): float => ($found = $this->arc($before, $after, $radius)) === null
            ? INF
            : $before->part($found[1], 1.0)->length();
        if ($reach($largest) < $size * (1 - 1e-9)) {
            return null;
        }

        return self::halved(0.0, $largest, fn (float $radius): bool => $reach($radius) <= $size);
    }

    /** The largest radius for one corner by itself; the flatter it is the larger, many times its sides. */
    private function largest(Curve $before, Curve $after): float
    {
        $sides = $before->length() + $after->length();
        $most = 2 * $sides;
        while ($most < $sides / self::SMOOTH && $this->arc($before, $after, $most) !== null) {
            $most *= 2;
        }

        return self::halved(0.0, $most, fn (float $radius): bool => $this->arc($before, $after, $radius) !== null);
    }

    /** @param  list<int>  $corners */
    private function largestTogether(Outline $outline, array $corners): float
    {
        return self::halved(0.0, $this->size, function (float $size) use ($outline, $corners): bool {
            $count = count($outline->curves);
            $from = array_fill(0, $count, 0.0);
            $to = array_fill(0, $count, 1.0);
            foreach ($corners as $number) {
                [$before, $after] = self::sides($outline, $number);
                $found = $this->arcOf($before, $after, $size);
                if ($found === null) {
                    return false;
                }
                $from[$number] = $found[2];
                $to[($number + $count - 1) % $count] = $found[1];
            }

            return array_filter(array_keys($from), static fn (int $number): bool => $to[$number] < $from[$number]) === [];
        });
    }

    /** @param  callable(float): bool  $isPossible  up to some number, and not beyond */
    private static function halved(float $least, float $most, callable $isPossible): float
    {
        for ($round = 0; $round < self::HALVINGS; $round++) {
            $middle = ($least + $most) / 2;
            if ($isPossible($middle)) {
                $least = $middle;
            } else {
                $most = $middle;
            }
        }

        return $least;
    }

    /**
     * Each begins where the one before ends, to the last bit.
     *
     * @param  list<Curve>  $curves
     * @return non-empty-list<Curve>
     */
    private static function joined(array $curves): array
    {
        $count = count($curves);
        foreach ($curves as $number => $curve) {
            $before = $curves[($number + $count - 1) % $count]->end();
            if ($curve instanceof Arc && $count > 1 && ($curve->start()->x !== $before->x || $curve->start()->y !== $before->y)) {
                // A side between two arcs was used up.
                $curves[$number] = Arc::around($curve->center(), $curve->radius(), $before, $curve->end(), $curve->sweep() > 0.0);
            }
        }

        return $curves === [] ? throw new \LogicException('An outline has curves.') : $curves;
    }
}
