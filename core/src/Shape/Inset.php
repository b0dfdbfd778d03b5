<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Arrangement\Arrangement;
use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;

/**
 * Outlines drawn in by a distance, or widened by it.
 *
 * What runs beside the curves is closed to one run for each outline: at a corner that opens by a mitre, an arc or a bevel, at one that
 * closes by way of the corner itself. Along each curve that run and the outline enclose a strip, once around, the same way everywhere; so
 * the run winds around a place as often as the outline does, less (drawn in) or more (widened) the strips that it lies in. What it winds
 * around more than not at all is therefore just what lies in no strip, or in the outline or any strip: no loop has to be looked for and cut
 * off.
 */
final readonly class Inset
{
    /** Areas that differ by less, as a share, are those of copies. */
    private const SAME_SIZE = 1e-12;

    /**
     * @param  float  $distance  positive inwards
     * @param  float  $limit  of a mitre, in multiples of the distance; longer ones are bevelled
     */
    public function __construct(private float $distance, private Corner $corner, private float $limit, private Tolerance $tolerance)
    {
    }

    /**
     * @param  list<Outline>  $outlines  a piece with its holes: clockwise on the screen, the holes the other way
     * @return list<Outline> none where nothing is left
     *
     * @throws Unworkable
     */
    public function of(array $outlines): array
    {
        $beside = new Alongside($this->distance, $this->corner, $this->limit);
        $curves = [];
        foreach ($outlines as $outline) {
            $run = $beside->closed($outline->curves);
            if ($run !== []) {
                array_push($curves, ...(new Outline($run))->withoutTrifles(Arrangement::TRIFLE * $this->tolerance->distance));
            }
        }

        return self::enclosed($curves, $this->tolerance);
    }

    /**
     * What closed runs wind around more often than not at all.
     *
     * @param  list<Curve>  $curves
     * @return list<Outline>
     *
     * @throws Unworkable
     */
    public static function enclosed(array $curves, Tolerance $tolerance): array
    {
        if ($curves === []) {
            return [];
        }
        $arrangement = Arrangement::of($curves, $tolerance);
        $faces = $arrangement->facesWhere(
            array_fill(0, count($curves), 0),
            static fn (int $around, bool $first, int $times): bool => $times > 0,
        );

        return $arrangement->boundary($faces);
    }

    /**
     * The same of figures, each of their pieces by itself. Copies that are only moved, turned or mirrored are worked out once and share
     * what comes of it.
     *
     * @param  list<Figure>  $figures
     * @return list<Figure> those of which something is left
     *
     * @throws Unworkable
     */
    public function figures(array $figures): array
    {
        $left = $shared = [];
        foreach ($figures as $figure) {
            $isCopy = $figure->map->isSimilarity() && abs(abs($figure->map->determinant()) - 1.0) < self::SAME_SIZE;
            $shape = $isCopy ? $figure->shape : new Shape($figure->outlines());
            $key = spl_object_id($shape);
            $shared[$key] ??= [$shape, $this->pieces($shape)];
            foreach ($shared[$key][1] as $piece) {
                Budget::spend(10);
                $left[] = ($isCopy ? $piece->mapped($figure->map) : $piece)->cameAs($figure);
            }
        }

        return $left;
    }

    /**
     * @return list<Figure> of what is left of each piece
     *
     * @throws Unworkable
     */
    private function pieces(Shape $shape): array
    {
        $figures = [];
        foreach ($shape->pieces() as $piece) {
            $left = $this->of($piece);
            if ($left !== []) {
                $figures[] = Figure::drawn($left, []);
            }
        }

        return $figures;
    }
}
