<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Cubic;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;

/** Outlines as SVG path data: absolute commands, true arcs, no more digits than the sheet is worth. */
final readonly class PathData
{
    /** Arcs above this are written in two, because their ends, rounded, would no longer say where the centre is. Radians. */
    private const LONGEST_ARC = 1.95 * M_PI;

    public function __construct(private int $decimals)
    {
    }

    /** @param  iterable<Outline>  $outlines */
    public function ofOutlines(iterable $outlines): string
    {
        $data = '';
        foreach ($outlines as $outline) {
            $data .= $this->ofOutline($outline);
        }

        return $data;
    }

    /**
     * Open curves, each drawn by itself.
     *
     * @param  iterable<Curve>  $curves
     */
    public function ofCurves(iterable $curves): string
    {
        $data = '';
        foreach ($curves as $curve) {
            $end = $this->place($curve->end());
            $data .= 'M'.$this->place($curve->start()).match (true) {
                $curve instanceof Arc => $this->arc($curve, $end),
                $curve instanceof Cubic => $this->cubic($curve, $end),
                default => "L$end",
            };
        }

        return $data;
    }

    public function number(float $number): string
    {
        // Adding nothing turns −0 into 0.
        return (string) (round($number, $this->decimals) + 0.0);
    }

    private function ofOutline(Outline $outline): string
    {
        $start = $outline->curves[0]->start();
        $x = $this->number($start->x);
        $y = $this->number($start->y);
        $data = "M$x $y";
        $last = array_key_last($outline->curves);
        foreach ($outline->curves as $index => $curve) {
            if ($curve instanceof Arc) {
                $x = $this->number($curve->end()->x);
                $y = $this->number($curve->end()->y);
                $data .= $this->arc($curve, "$x $y");
            } elseif ($curve instanceof Cubic) {
                $x = $this->number($curve->end()->x);
                $y = $this->number($curve->end()->y);
                $data .= $this->cubic($curve, "$x $y");
            } elseif ($index !== $last) {
                // The closing line is what Z draws.
                [$fromX, $fromY] = [$x, $y];
                $x = $this->number($curve->end()->x);
                $y = $this->number($curve->end()->y);
                $data .= match (true) {
                    $y === $fromY => "H$x",
                    $x === $fromX => "V$y",
                    default => "L$x $y",
                };
            }
        }

        return $data.'Z';
    }

    private function place(Vec $place): string
    {
        return $this->number($place->x).' '.$this->number($place->y);
    }

    private function cubic(Cubic $cubic, string $end): string
    {
        return "C{$this->place($cubic->leaving)} {$this->place($cubic->arriving)} $end";
    }

    private function arc(Arc $arc, string $end): string
    {
        $radius = $this->number($arc->radius());
        $sweep = $arc->sweep() > 0.0 ? 1 : 0;
        if (abs($arc->sweep()) > self::LONGEST_ARC) {
            return "A$radius $radius 0 0 $sweep {$this->place($arc->pointAt(0.5))}A$radius $radius 0 0 $sweep $end";
        }

        return "A$radius $radius 0 ".(abs($arc->sweep()) > M_PI ? 1 : 0)." $sweep $end";
    }
}
