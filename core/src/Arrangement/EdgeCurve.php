<?php

declare(strict_types=1);

namespace Sternbild\Core\Arrangement;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Cubic;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Vec;

/** An edge as a curve that begins and ends at its vertices to the last bit. */
final class EdgeCurve
{
    public static function take(Edges $edges, Runs $runs, int $edge): Curve
    {
        $curve = $runs->curves[$edges->run[$edge]];
        $start = new Vec($edges->x[$edges->from[$edge]], $edges->y[$edges->from[$edge]]);
        $end = $edges->from[$edge] === $edges->to[$edge] ? $start : new Vec($edges->x[$edges->to[$edge]], $edges->y[$edges->to[$edge]]);
        if ($curve instanceof Line) {
            return new Line($start, $end);
        }
        if ($curve instanceof Arc) {
            return Arc::around($curve->center(), $curve->radius(), $start, $end, true);
        }
        $part = $curve->part($edges->s[$edge], $edges->t[$edge]);

        return $part instanceof Cubic
            ? new Cubic($start, $part->leaving, $part->arriving, $end)
            : throw new \LogicException('There are lines, arcs and cubics.');
    }

    /** The point of a curve that stands highest on the screen. */
    public static function topmost(Curve $curve): Vec
    {
        $top = $curve->end()->y < $curve->start()->y ? $curve->end() : $curve->start();
        $turns = [];
        if ($curve instanceof Arc) {
            $crown = new Vec($curve->center()->x, $curve->center()->y - $curve->radius());
            $turns = $curve->parameterTowards($crown) <= 1.0 ? [$crown] : [];
        } elseif ($curve instanceof Cubic) {
            $turns = array_map($curve->pointAt(...), $curve->along(0.0, 1.0)->derivative()->roots(0.0));
        }
        foreach ($turns as $turn) {
            $top = $turn->y < $top->y ? $turn : $top;
        }

        return $top;
    }
}
