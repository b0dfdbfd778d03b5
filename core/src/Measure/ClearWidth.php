<?php

declare(strict_types=1);

namespace Sternbild\Core\Measure;

use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Guide\Crossings;
use Sternbild\Core\Shape\Part;

/** How wide a part is at a place of its outline. */
final class ClearWidth
{
    /** From the outline so far inwards lies the inside, in tolerances. */
    private const INWARDS = 64;

    /** @return Measurement|null null where the outline is met nowhere else */
    public static function across(Part $part, Vec $place, Tolerance $tolerance): ?Measurement
    {
        $curves = $part->allCurves();
        $nearest = self::nearest($curves, $place);
        if ($nearest === null) {
            return null;
        }
        [$from, $curve] = $nearest;
        $normal = $curve->tangentAt($curve->nearest($from))->unit()->quarterTurned();
        $inwards =
            $part->pieceAt($from->plus($normal->times(self::INWARDS * $tolerance->distance))) === null ? $normal->times(-1.0) : $normal;
        $box = $part->bounds();
        $ray = new Line($from, $from->plus($inwards->times($box->right - $box->left + $box->bottom - $box->top)));
        foreach (Crossings::find($ray, $curves, $tolerance) as $meeting) {
            if ($meeting->at->distanceTo($from) > self::INWARDS * $tolerance->distance) {
                return new Measurement('width', $meeting->at->distanceTo($from), $from, $meeting->at);
            }
        }

        return null;
    }

    /**
     * @param  list<Curve>  $curves
     * @return array{Vec, Curve}|null the place of the outline, and the curve that it is on
     */
    private static function nearest(array $curves, Vec $place): ?array
    {
        Budget::spend(2 * count($curves));
        $best = null;
        foreach ($curves as $curve) {
            $at = $curve->pointAt($curve->nearest($place));
            if ($best === null || $at->distanceTo($place) < $best[0]->distanceTo($place)) {
                $best = [$at, $curve];
            }
        }

        return $best;
    }
}
