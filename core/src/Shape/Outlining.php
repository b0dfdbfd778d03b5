<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Arrangement\Arrangement;
use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;

/** What a closed run of curves encloses, by the nonzero rule. */
final readonly class Outlining
{
    /**
     * @param  list<Outline>  $outlines  pieces clockwise on the screen, holes the other way; none where the curves enclose nothing
     */
    private function __construct(public array $outlines, public bool $crossesItself)
    {
    }

    /**
     * @param  non-empty-list<Curve>  $curves  each begins where the one before ends, the first where the last ends
     *
     * @throws Unworkable
     */
    public static function of(array $curves, Tolerance $tolerance): self
    {
        $arrangement = Arrangement::of($curves, $tolerance);
        $simple =
            $arrangement->faceCount() === 1 &&
            $arrangement->edgeCount() === count($curves) &&
            ($arrangement->pointCount() === count($curves) || count($curves) === 1);
        if ($simple) {
            // As it was drawn, with every node where it was put.
            $outline = new Outline($curves);

            return new self([$outline->isHole() ? $outline->reversed() : $outline], false);
        }
        $faces = $arrangement->facesWhere(array_fill(0, count($curves), 0), static fn (int $around): bool => $around > 0);

        return new self($arrangement->boundary($faces), $arrangement->faceCount() > 1);
    }

    /**
     * What several closed runs enclose together, as drawings are filled.
     *
     * @param  non-empty-list<non-empty-list<Curve>>  $runs
     * @param  bool  $odd  whether a place counts that they wind around an odd number of times; else whatever they wind around
     *
     * @throws Unworkable
     */
    public static function ofRuns(array $runs, bool $odd, Tolerance $tolerance): self
    {
        $curves = array_merge(...$runs);
        $arrangement = Arrangement::of($curves, $tolerance);
        $faces = $arrangement->facesWhere(
            array_fill(0, count($curves), 0),
            static fn (int $around, bool $first, int $times): bool => $odd ? $times % 2 !== 0 : $times !== 0,
        );

        return new self($arrangement->boundary($faces), false);
    }
}
