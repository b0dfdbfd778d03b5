<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Arrangement\Arrangement;
use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;

/**
 * Outlines joined, cut, intersected: their curves are laid over one another, and of the faces those are kept around which the operands wind
 * as is asked for. No node is made but where curves of two outlines cross; neighbours on one line, circle or cubic run together again.
 *
 * Each operand is the outlines of one part, filled by the nonzero rule.
 */
final class Combination
{
    /**
     * @param  non-empty-list<list<Outline>>  $operands
     * @return list<Outline> what lies in any of them
     *
     * @throws Unworkable
     */
    public static function join(array $operands, Tolerance $tolerance): array
    {
        return self::where($operands, $tolerance, static fn (int $around): bool => $around > 0);
    }

    /**
     * @param  non-empty-list<list<Outline>>  $operands
     * @return list<Outline> what lies in all of them
     *
     * @throws Unworkable
     */
    public static function common(array $operands, Tolerance $tolerance): array
    {
        $count = count($operands);

        return self::where($operands, $tolerance, static fn (int $around): bool => $around === $count);
    }

    /**
     * @param  non-empty-list<list<Outline>>  $operands
     * @return list<Outline> what lies in an odd number of them
     *
     * @throws Unworkable
     */
    public static function either(array $operands, Tolerance $tolerance): array
    {
        return self::where($operands, $tolerance, static fn (int $around): bool => $around % 2 === 1);
    }

    /**
     * @param  non-empty-list<list<Outline>>  $operands
     * @return list<Outline> what lies in the first of them and in no other
     *
     * @throws Unworkable
     */
    public static function cut(array $operands, Tolerance $tolerance): array
    {
        return self::where($operands, $tolerance, static fn (int $around, bool $first): bool => $first && $around === 1);
    }

    /**
     * Outlines in pieces, as curves cut them.
     *
     * @param  list<Outline>  $outlines
     * @param  list<Curve>  $by  curves that do not cut all the way through cut nothing
     * @return list<non-empty-list<Outline>> the pieces, each with its holes
     *
     * @throws Unworkable
     */
    public static function split(array $outlines, array $by, Tolerance $tolerance): array
    {
        [$curves, $operands] = self::curves([$outlines], $tolerance);
        $own = count($curves);
        array_push($curves, ...$by);
        // What cuts winds around nothing: an operand of its own, which is not asked about.
        array_push($operands, ...array_fill(0, count($by), 1));
        $arrangement = Arrangement::of($curves, $tolerance);
        $faces = $own === 0 ? [] : $arrangement->facesWhere($operands, static fn (int $around, bool $first): bool => $first);
        $pieces = [];
        foreach ($faces as $face) {
            $piece = $arrangement->boundary([$face]);
            if ($piece !== []) {
                $pieces[] = $piece;
            }
        }

        return $pieces;
    }

    /**
     * @param  non-empty-list<list<Outline>>  $operands
     * @param  callable(int, bool): bool  $isWanted
     * @return list<Outline>
     *
     * @throws Unworkable
     */
    private static function where(array $operands, Tolerance $tolerance, callable $isWanted): array
    {
        [$curves, $numbers] = self::curves($operands, $tolerance);
        if ($curves === []) {
            return [];
        }
        $arrangement = Arrangement::of($curves, $tolerance);

        return $arrangement->boundary($arrangement->facesWhere($numbers, $isWanted));
    }

    /**
     * @param  non-empty-list<list<Outline>>  $operands
     * @return array{list<Curve>, list<int>} all curves, and the operand of each
     */
    private static function curves(array $operands, Tolerance $tolerance): array
    {
        $curves = $numbers = [];
        foreach ($operands as $number => $outlines) {
            foreach ($outlines as $outline) {
                foreach ($outline->withoutTrifles(Arrangement::TRIFLE * $tolerance->distance) as $curve) {
                    $curves[] = $curve;
                    $numbers[] = $number;
                }
            }
        }

        return [$curves, $numbers];
    }
}
