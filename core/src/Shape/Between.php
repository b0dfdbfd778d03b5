<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Cubic;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;

/**
 * Figures on the way from one to another.
 *
 * What is a copy of the other is turned, resized and moved on its way. Else the ways around both are paired, node by node where they have
 * as many, by their lengths where not; lines become lines, arcs arcs whose sweep goes from one to the other, circles circles, all else
 * cubics.
 */
final class Between
{
    /**
     * Nodes whose shares of the way around differ by less are taken for one: far more than cubics that stand for circles and ellipses are
     * off, far less than a side.
     */
    private const SAME = 1e-4;

    /** Of two ways to begin, one has to fit better by such a share to be taken before the first. */
    private const BETTER = 1e-9;

    /** Sweeps in radians below which an arc is a line; above which it is taken apart to be paired with a cubic. */
    private const STRAIGHT = 1e-9;

    private const WIDEST = M_PI / 4;

    /**
     * @param  float  $share  0 gives the one, 1 the other
     * @return Figure|null null where their outlines are not as many
     */
    public static function figures(Figure $one, Figure $other, float $share): ?Figure
    {
        $blend = new Blend($other->steps, $share, $one->blend, $other->blend);
        if ($one->shape === $other->shape && self::isTurned($one->map) && self::isTurned($other->map)) {
            return $one->mapped(self::onTheWay($one, $other, $share))->blended($blend);
        }
        $from = $one->outlines();
        $to = $other->outlines();
        if (count($from) !== count($to)) {
            return null;
        }

        return Figure::drawn(array_map(static fn (Outline $a, Outline $b): Outline => self::outlines($a, $b, $share), $from, $to), [])
            ->cameAs($one)
            ->blended($blend);
    }

    private static function isTurned(Affine $map): bool
    {
        return $map->isSimilarity() && ! $map->isMirrored();
    }

    /** What brings the one on its way to the other. */
    private static function onTheWay(Figure $one, Figure $other, float $share): Affine
    {
        $middle = $one->shape->bounds()->center();
        $from = $one->map->apply($middle);
        $to = $other->map->apply($middle);
        $turn = atan2($other->map->b, $other->map->a) - atan2($one->map->b, $one->map->a);
        $turn = atan2(sin($turn), cos($turn));
        $size = sqrt($other->map->determinant() / $one->map->determinant());
        $factor = 1 + $share * ($size - 1);

        return Affine::move($from->times(-1.0))->then(Affine::turn(rad2deg($turn) * $share, Vec::zero()))
            ->then(Affine::scaling($factor, $factor, Vec::zero()))->then(Affine::move($from->towards($to, $share)));
    }

    public static function outlines(Outline $one, Outline $other, float $share): Outline
    {
        Budget::spend(10 * (count($one->curves) + count($other->curves)));
        $disc = $one->circle();
        $otherDisc = $other->circle();
        if ($disc !== null && $otherDisc !== null) {
            $circle = new Outline([
                Arc::fullCircle(
                    new Circle(
                        $disc->center->towards($otherDisc->center, $share),
                        $disc->radius + $share * ($otherDisc->radius - $disc->radius),
                    ),
                ),
            ]);

            return $one->isHole() ? $circle->reversed() : $circle;
        }
        $first = $disc === null ? $one->curves : self::quarters($one, $other);
        $second = $otherDisc === null ? $other->curves : self::quarters($other, $one);
        $second = self::fromTheSameSide($first, $second, $one->centroid(), $other->centroid());
        if (count($first) !== count($second)) {
            [$ofFirst, $ofSecond] = [self::fractions($first), self::fractions($second)];
            $pairs = self::paired($ofFirst, $ofSecond);
            $first = self::cutAt($first, $ofFirst, array_values(array_diff_key($ofSecond, array_flip($pairs))));
            $second = self::cutAt($second, $ofSecond, array_values(array_diff_key($ofFirst, $pairs)));
        }
        $curves = [];
        foreach ($first as $k => $curve) {
            array_push($curves, ...self::curves($curve, $second[$k], $share));
        }

        return new Outline($curves === [] ? throw new \LogicException('A way around has curves.') : $curves);
    }

    /**
     * A circle in four arcs, the first of which begins towards where the other outline begins.
     *
     * @return non-empty-list<Curve>
     */
    private static function quarters(Outline $disc, Outline $other): array
    {
        $circle = $disc->circle() ?? throw new \LogicException('It is a circle.');
        $angle = $other->curves[0]->start()->minus($other->centroid())->angle();
        $sense = $disc->isHole() ? -1 : 1;
        $at = static fn (int $k): Vec => $circle->center->plus(
            (new Vec(cos($angle + ($sense * $k * M_PI) / 2), sin($angle + ($sense * $k * M_PI) / 2)))->times($circle->radius),
        );

        return array_map(static fn (int $k): Arc => Arc::around($circle->center, $circle->radius, $at($k), $at(($k + 1) % 4), $sense > 0), [
            0,
            1,
            2,
            3,
        ]);
    }

    /**
     * The second way around, begun where its nodes fit those of the first best, as seen from the middle of each.
     *
     * @param  non-empty-list<Curve>  $first
     * @param  non-empty-list<Curve>  $second
     * @return non-empty-list<Curve>
     */
    private static function fromTheSameSide(array $first, array $second, Vec $middle, Vec $otherMiddle): array
    {
        $paired = count($first) === count($second) ? count($first) : 1;
        $best = 0;
        $least = INF;
        foreach (array_keys($second) as $shift) {
            $off = 0.0;
            for ($k = 0; $k < $paired && $off < $least; $k++) {
                $off +=
                    $first[$k]
                        ->start()
                        ->minus($middle)
                        ->distanceTo($second[($shift + $k) % count($second)]->start()->minus($otherMiddle)) ** 2;
            }
            if ($off < $least * (1 - self::BETTER)) {
                [$best, $least] = [$shift, $off];
            }
        }

        return array_map(static fn (int $k): Curve => $second[($best + $k) % count($second)], array_keys($second));
    }

    /**
     * @param  non-empty-list<Curve>  $curves
     * @return list<float> where each begins, as a share of the way around
     */
    private static function fractions(array $curves): array
    {
        $lengths = array_map(static fn (Curve $curve): float => $curve->length(), $curves);
        $all = array_sum($lengths);
        $fractions = [];
        $gone = 0.0;
        foreach ($lengths as $length) {
            $fractions[] = $gone / $all;
            $gone += $length;
        }

        return $fractions;
    }

    /**
     * Nodes of the one and of the other that lie at one share of the way, the nearest first; both ways begin with one.
     *
     * @param  list<float>  $one
     * @param  list<float>  $other
     * @return array<int, int> numbers of the other's by those of the one's
     */
    private static function paired(array $one, array $other): array
    {
        $near = [];
        foreach ($one as $k => $fraction) {
            foreach ($other as $n => $share) {
                if (abs($fraction - $share) <= self::SAME) {
                    $near[] = [abs($fraction - $share), $k, $n];
                }
            }
        }
        sort($near);
        $pairs = [];
        foreach ($near as [, $k, $n]) {
            if (! isset($pairs[$k]) && ! in_array($n, $pairs, true)) {
                $pairs[$k] = $n;
            }
        }

        return $pairs;
    }

    /**
     * @param  non-empty-list<Curve>  $curves
     * @param  list<float>  $starts  where each begins, as a share of the way around
     * @param  list<float>  $marks  where they are cut besides, rising
     * @return non-empty-list<Curve> one more for every mark
     */
    private static function cutAt(array $curves, array $starts, array $marks): array
    {
        $pieces = [];
        foreach ($curves as $k => $curve) {
            [$from, $to] = [$starts[$k], $starts[$k + 1] ?? 1.0];
            $inside = array_values(
                array_filter($marks, static fn (float $mark): bool => $from <= $mark && ($mark < $to || ! isset($starts[$k + 1]))),
            );
            $cuts = [
                0.0,
                ...array_map(static fn (float $mark): float => $to > $from ? min(1.0, ($mark - $from) / ($to - $from)) : 0.0, $inside),
                1.0,
            ];
            for ($n = 0; $n + 1 < count($cuts); $n++) {
                $pieces[] = count($cuts) === 2 ? $curve : $curve->part($cuts[$n], $cuts[$n + 1]);
            }
        }

        return $pieces === [] ? throw new \LogicException('A way around has curves.') : $pieces;
    }

    /** @return list<Curve> */
    private static function curves(Curve $one, Curve $other, float $share): array
    {
        if (! $one instanceof Cubic && ! $other instanceof Cubic) {
            $sweep = static fn (Curve $curve): float => $curve instanceof Arc ? $curve->sweep() : 0.0;

            return [
                self::bent(
                    $one->start()->towards($other->start(), $share),
                    $one->end()->towards($other->end(), $share),
                    $sweep($one) + $share * ($sweep($other) - $sweep($one)),
                ),
            ];
        }
        $widest = max(array_map(static fn (Curve $curve): float => $curve instanceof Arc ? abs($curve->sweep()) : 0.0, [$one, $other]));
        $count = max(1, (int) ceil($widest / self::WIDEST - 1e-9));
        $pieces = [];
        for ($k = 0; $k < $count; $k++) {
            [$a, $b] = [
                self::asCubic($one->part($k / $count, ($k + 1) / $count)),
                self::asCubic($other->part($k / $count, ($k + 1) / $count)),
            ];
            $pieces[] = new Cubic(
                $a->start()->towards($b->start(), $share),
                $a->leaving->towards($b->leaving, $share),
                $a->arriving->towards($b->arriving, $share),
                $a->end()->towards($b->end(), $share),
            );
        }

        return $pieces;
    }

    /** The arc, or the line, between two places that turns by so much, clockwise on the screen. */
    private static function bent(Vec $from, Vec $to, float $sweep): Curve
    {
        $way = $to->minus($from);
        if (abs($sweep) < self::STRAIGHT || $way->length() === 0.0) {
            return new Line($from, $to);
        }
        // Half the chord over the tangent of half the sweep, to the right of the way where it turns clockwise.
        $center = $from->towards($to, 0.5)->plus($way->quarterTurned()->times(1 / (2 * tan($sweep / 2))));

        return Arc::around($center, $center->distanceTo($from), $from, $to, $sweep > 0.0);
    }

    private static function asCubic(Curve $curve): Cubic
    {
        return match (true) {
            $curve instanceof Cubic => $curve,
            $curve instanceof Arc => $curve->asCubics()[0],
            default => new Cubic($curve->start(), $curve->pointAt(1 / 3), $curve->pointAt(2 / 3), $curve->end()),
        };
    }
}
