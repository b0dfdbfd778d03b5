<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;

/** The circle or ellipse in a cell that touches its sides. */
final class Inscribed
{
    /** Lengths that differ by less, as a share, are the same. */
    private const SAME = 1e-9;

    /**
     * @param  list<Outline>  $cell
     * @param  float  $factor  of its size, about its centre
     * @return Outline|null null in a cell of another form
     */
    public static function in(array $cell, float $factor): ?Outline
    {
        $curves = array_merge(...array_map(static fn (Outline $outline): array => $outline->curves, $cell));
        $lines = array_values(array_filter($curves, static fn (Curve $curve): bool => $curve instanceof Line));
        $arcs = array_values(array_filter($curves, static fn (Curve $curve): bool => $curve instanceof Arc));
        $isStraight = count($lines) === count($curves) && count($cell) === 1;

        return match (true) {
            $isStraight && count($lines) === 4 => self::inParallelogram(
                array_map(static fn (Line $line): Vec => $line->pointAt(0.5), $lines),
                $factor,
            ),
            $isStraight && count($lines) === 3 => self::disc(
                self::inTriangle(...array_map(static fn (Line $line): Vec => $line->start(), $lines)),
                $factor,
            ),
            count($arcs) + count($lines) === count($curves) => self::disc(self::inRing($arcs, $lines), $factor),
            default => null,
        };
    }

    private static function disc(?Circle $circle, float $factor): ?Outline
    {
        return $circle === null ? null : new Outline([Arc::fullCircle(new Circle($circle->center, $circle->radius * $factor))]);
    }

    /**
     * The ellipse that touches all four sides in their middles; there is one where opposite sides are parallel.
     *
     * @param  array<int, Vec>  $middles
     */
    private static function inParallelogram(array $middles, float $factor): ?Outline
    {
        $one = $middles[0]->minus($middles[2])->times(0.5);
        $other = $middles[1]->minus($middles[3])->times(0.5);
        $center = $middles[0]->plus($middles[2])->times(0.5);
        $size = max($one->length(), $other->length());
        if ($center->distanceTo($middles[1]->plus($middles[3])->times(0.5)) > self::SAME * $size) {
            return null;
        }
        if (abs($one->dot($other)) < self::SAME * $size ** 2 && abs($one->length() - $other->length()) < self::SAME * $size) {
            return self::disc(new Circle($center, $one->length()), $factor);
        }
        $ends = [$center, $center->plus($one->times($factor)), $center->plus($other->times($factor))];

        return (new Outline([Arc::fullCircle(new Circle(Vec::zero(), 1.0))]))->mapped(
            Affine::onto([Vec::zero(), new Vec(1, 0), new Vec(0, 1)], $ends),
        );
    }

    /** Its centre weighs each corner by the side across from it (Euclid IV, 4). */
    private static function inTriangle(Vec $a, Vec $b, Vec $c): Circle
    {
        [$alpha, $beta, $gamma] = [$b->distanceTo($c), $c->distanceTo($a), $a->distanceTo($b)];
        $around = $alpha + $beta + $gamma;
        $center = $a->times($alpha)->plus($b->times($beta))->plus($c->times($gamma))->times(1 / $around);

        return new Circle($center, abs($b->minus($a)->cross($c->minus($a))) / $around);
    }

    /**
     * The largest in a cell of a ring: between both arcs, or, in a narrow one, between the sides and the outer arc.
     *
     * @param  list<Arc>  $arcs
     * @param  list<Line>  $lines
     */
    private static function inRing(array $arcs, array $lines): ?Circle
    {
        usort($arcs, static fn (Arc $one, Arc $other): int => $other->radius() <=> $one->radius());
        $outer = $arcs[0] ?? null;
        $inner = $arcs[1] ?? null;
        if (
            $outer === null ||
            count($arcs) > 2 ||
            ($inner !== null && $inner->center()->distanceTo($outer->center()) > self::SAME * $outer->radius())
        ) {
            return null;
        }
        $most = $outer->radius();
        $least = $inner?->radius() ?? 0.0;
        if ($outer->isFullCircle()) {
            // All around there is no side; the circle lies upright over the centre.
            return $least > 0.0
                ? new Circle($outer->center()->plus(new Vec(0, -($least + $most) / 2)), ($most - $least) / 2)
                : new Circle($outer->center(), $most);
        }
        if (count($lines) !== 2) {
            return null;
        }
        $half = abs($outer->sweep()) / 2;
        $narrow = sin(min($half, M_PI / 2));
        $away = ($least + $most) / 2 * $narrow >= ($most - $least) / 2 ? ($least + $most) / 2 : $most / (1 + $narrow);
        $heading = $outer->pointAt(0.5)->minus($outer->center())->unit();

        return new Circle($outer->center()->plus($heading->times($away)), $most - $away);
    }
}
