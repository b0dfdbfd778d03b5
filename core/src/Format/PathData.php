<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
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
            $data .= 'M'.$this->place($curve->start()).$this->segment($curve, null);
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
        $last = array_key_last($outline->curves);
        $data = 'M'.$this->place($outline->curves[0]->start());
        foreach ($outline->curves as $index => $curve) {
            // The closing line is what Z draws.
            if ($index !== $last || ! $curve instanceof Line) {
                $data .= $this->segment($curve, $curve->start());
            }
        }

        return $data.'Z';
    }

    private function place(Vec $place): string
    {
        return $this->number($place->x).' '.$this->number($place->y);
    }

    /** @param  Vec|null  $from given where a level or upright line may be written short */
    private function segment(Curve $curve, ?Vec $from): string
    {
        if ($curve instanceof Arc) {
            return $this->arc($curve);
        }
        $x = $this->number($curve->end()->x);
        $y = $this->number($curve->end()->y);

        return match (true) {
            $from !== null && $y === $this->number($from->y) => "H$x",
            $from !== null && $x === $this->number($from->x) => "V$y",
            default => "L$x $y",
        };
    }

    private function arc(Arc $arc): string
    {
        $radius = $this->number($arc->radius());
        $sweep = $arc->sweep() > 0.0 ? 1 : 0;
        if (abs($arc->sweep()) > self::LONGEST_ARC) {
            return "A$radius $radius 0 0 $sweep {$this->place($arc->pointAt(0.5))}"
                ."A$radius $radius 0 0 $sweep {$this->place($arc->end())}";
        }

        return "A$radius $radius 0 ".(abs($arc->sweep()) > M_PI ? 1 : 0)." $sweep {$this->place($arc->end())}";
    }
}
