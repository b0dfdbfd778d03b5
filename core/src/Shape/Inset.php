<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Arrangement\Arrangement;
use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Beside;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;

/**
 * Outlines drawn in by a distance, or widened by it.
 *
 * What runs beside the curves is closed to one run for each outline: at a corner that opens by a mitre, an arc or a bevel, at one that closes
 * by way of the corner itself. Along each curve that run and the outline enclose a strip, once around, the same way everywhere; so the run
 * winds around a place as often as the outline does, less (drawn in) or more (widened) the strips that it lies in. What it winds around more
 * than not at all is therefore just what lies in no strip, or in the outline or any strip: no loop has to be looked for and cut off.
 */
final readonly class Inset
{
    /** Headings that differ by less, as a sine, go on without a corner. */
    private const SMOOTH = 1e-5;

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
        $curves = [];
        foreach ($outlines as $outline) {
            $run = $this->run($outline->curves);
            if ($run !== []) {
                array_push($curves, ...(new Outline($run))->withoutTrifles(Arrangement::TRIFLE * $this->tolerance->distance));
            }
        }
        if ($curves === []) {
            return [];
        }
        $arrangement = Arrangement::of($curves, $this->tolerance);
        $faces = $arrangement->facesWhere(array_fill(0, count($curves), 0), static fn (int $around, bool $first, int $times): bool => $times > 0);

        return $arrangement->boundary($faces);
    }

    /**
     * What runs beside an outline, closed.
     *
     * @param  list<Curve>  $outline
     * @return list<Curve>
     */
    private function run(array $outline): array
    {
        $sides = [];
        foreach ($outline as $curve) {
            array_push($sides, ...Beside::curve($curve, $this->distance));
        }
        $run = [];
        foreach ($sides as $number => $side) {
            array_push($run, ...$side->curves, ...$this->around($side, $sides[($number + 1) % count($sides)]));
        }

        return $run;
    }

    /** @return list<Curve> from beside the end of one piece to beside the start of the next */
    private function around(Beside $before, Beside $after): array
    {
        $corner = $after->from;
        $from = Beside::place($before->to, $before->arrives, $this->distance);
        $to = Beside::place($corner, $after->setsOff, $this->distance);
        $turn = $before->arrives->cross($after->setsOff);
        $ahead = $before->arrives->dot($after->setsOff);
        if ($ahead > 0.0 && abs($turn) < self::SMOOTH) {
            return $from->x === $to->x && $from->y === $to->y ? [] : [new Line($from, $to)];
        }
        // A way that turns back on itself opens to both sides.
        $opens = $turn * $this->distance < 0.0 || (abs($turn) < self::SMOOTH && $ahead < 0.0);

        return $opens ? $this->join($corner, $from, $to, $before->arrives, $after->setsOff) : [new Line($from, $corner), new Line($corner, $to)];
    }

    /** @return list<Curve> */
    private function join(Vec $corner, Vec $from, Vec $to, Vec $arrives, Vec $setsOff): array
    {
        if ($this->corner === Corner::Round) {
            return [Arc::around($corner, abs($this->distance), $from, $to, $this->distance < 0.0)];
        }
        $cosine = sqrt(max(0.0, (1 + $arrives->dot($setsOff)) / 2));
        if ($this->corner === Corner::Bevel || $cosine * $this->limit < 1.0) {
            return [new Line($from, $to)];
        }
        $middle = $arrives->plus($setsOff)->unit()->quarterTurned()->times($this->distance / $cosine);
        $tip = $corner->plus($middle);

        return [new Line($from, $tip), new Line($tip, $to)];
    }
}
