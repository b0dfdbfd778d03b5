<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Beside;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Vec;

/** What runs beside curves in a row at a distance, positive to their right: around corners that open by a mitre, an arc or a bevel. */
final readonly class Alongside
{
    /** Headings that differ by less, as a sine, go on without a corner. */
    private const SMOOTH = 1e-5;

    /** @param  float  $limit  of a mitre, in multiples of the distance; longer ones are bevelled */
    public function __construct(private float $distance, private Corner $corner, private float $limit)
    {
    }

    /**
     * What runs beside an outline, closed.
     *
     * @param  list<Curve>  $outline
     * @return list<Curve>
     */
    public function closed(array $outline): array
    {
        $sides = $this->sides($outline);
        $run = [];
        foreach ($sides as $number => $side) {
            array_push($run, ...$side->curves, ...$this->around($side, $sides[($number + 1) % count($sides)]));
        }

        return $run;
    }

    /**
     * What runs beside an open way, from beside its start to beside its end.
     *
     * @param  list<Curve>  $way
     * @return list<Curve>
     */
    public function open(array $way): array
    {
        $sides = $this->sides($way);
        $run = [];
        foreach ($sides as $number => $side) {
            array_push($run, ...$side->curves, ...(isset($sides[$number + 1]) ? $this->around($side, $sides[$number + 1]) : []));
        }

        return $run;
    }

    /**
     * @param  list<Curve>  $curves
     * @return list<Beside>
     */
    private function sides(array $curves): array
    {
        $sides = [];
        foreach ($curves as $curve) {
            array_push($sides, ...Beside::curve($curve, $this->distance));
        }

        return $sides;
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

        return $opens
            ? $this->join($corner, $from, $to, $before->arrives, $after->setsOff)
            : [new Line($from, $corner), new Line($corner, $to)];
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
