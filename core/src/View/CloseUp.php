<?php

declare(strict_types=1);

namespace Sternbild\Core\View;

use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Intersections;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\ShortestWay;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;

/**
 * The outlines in a small window of the sheet, in the window's own coordinates, and how near the two nearest come to one another.
 *
 * What draws pictures counts in numbers of seven digits; a thousand times enlarged these no longer tell whether two curves meet. Here every
 * place is worked out in full and then seen from the window's corner.
 */
final readonly class CloseUp
{
    /** By how much chords may leave a curve, as a share of the window's width; and how many there are at most. */
    private const OFF = 5e-5;

    private const MOST_CHORDS = 400;

    /** Outlines further apart than this share of the window's width, and than what counts as a near miss, do not nearly meet. */
    private const NEAR = 1 / 30;

    /** Curves that a window shows; whoever sees more is not close. */
    private const MOST = 4000;

    /** Curves nearest to the middle that are compared with one another. */
    private const COMPARED = 12;

    /**
     * @return array{curves: list<array{of: string, label: string, points: list<float>}>, gaps: list<array{distance: float, labels: array{string, string}, from: array{float, float}, to: array{float, float}}>, more: bool}
     *   points as x, y, x, y in shares of the window's width from its upper left corner
     */
    public static function look(Scene $scene, Bounds $window): array
    {
        $tolerance = $scene->plan->tolerance();
        $curves = [];
        $inside = [];
        foreach (self::sources($scene) as [$of, $outline, $curve]) {
            if (! $curve->bounds()->meets($window, 0.0)) {
                continue;
            }
            foreach (self::clipped($curve, $window, $tolerance) as $piece) {
                if (count($curves) >= self::MOST) {
                    return ['curves' => $curves, 'gaps' => [], 'more' => true];
                }
                $curves[] = ['of' => $of, 'label' => $scene->labels[$of], 'points' => self::points($piece, $window)];
                $inside[] = [$of, $outline, $piece];
            }
        }

        return [
            'curves' => $curves,
            'gaps' => self::gaps(
                $inside,
                $window->center(),
                max($scene->plan->limit('checks.miss'), self::NEAR * ($window->right - $window->left)),
                $scene->labels,
                $tolerance,
            ),
            'more' => false,
        ];
    }

    /** @return iterable<array{string, string, Curve}> step, a name of the outline that the curve belongs to, and the curve */
    private static function sources(Scene $scene): iterable
    {
        foreach ($scene->guides() as $id => $guide) {
            if ($scene->isShown($id)) {
                foreach ($guide->curves() as $curve) {
                    yield [$id, $id, $curve];
                }
            }
        }
        foreach ($scene->drawing as $drawn) {
            $figure = 0;
            foreach ($drawn->styled() as [$outlines]) {
                $figure++;
                foreach ($outlines->outlines() as $number => $outline) {
                    foreach ($outline->curves as $curve) {
                        yield [$drawn->id, "$drawn->id $figure $number", $curve];
                    }
                }
            }
        }
    }

    /** @return list<Curve> the pieces of a curve that lie in the window */
    private static function clipped(Curve $curve, Bounds $window, Tolerance $tolerance): array
    {
        $corners = [
            new Vec($window->left, $window->top),
            new Vec($window->right, $window->top),
            new Vec($window->right, $window->bottom),
            new Vec($window->left, $window->bottom),
        ];
        $stops = [0.0, 1.0];
        foreach ($corners as $k => $corner) {
            foreach (Intersections::find($curve, new Line($corner, $corners[($k + 1) % 4]), $tolerance) as $meeting) {
                $stops[] = $meeting->s;
            }
        }
        sort($stops);
        $pieces = [];
        for ($k = 1; $k < count($stops); $k++) {
            $middle = $curve->pointAt(($stops[$k - 1] + $stops[$k]) / 2);
            if ($stops[$k] > $stops[$k - 1] && $window->meets(Bounds::around($middle), 0.0)) {
                $pieces[] = $stops[$k - 1] === 0.0 && $stops[$k] === 1.0 ? $curve : $curve->part($stops[$k - 1], $stops[$k]);
            }
        }

        return $pieces;
    }

    /** @return list<float> */
    private static function points(Curve $curve, Bounds $window): array
    {
        $width = $window->right - $window->left;
        // As many chords as leave the curve by no more than a small share of the window.
        $count = match (true) {
            $curve instanceof Line => 1,
            $curve instanceof Arc => (int) max(
                8,
                min(self::MOST_CHORDS, ceil(abs($curve->sweep()) * sqrt($curve->radius() / (8 * self::OFF * $width)))),
            ),
            default => self::MOST_CHORDS,
        };
        $points = [];
        for ($k = 0; $k <= $count; $k++) {
            $place = $curve->pointAt($k / $count);
            array_push($points, round(($place->x - $window->left) / $width, 6), round(($place->y - $window->top) / $width, 6));
        }

        return $points;
    }

    /** Whether two curves lie on one line or circle, as the outline of a part and the guide it was made of do. */
    private static function onOneLine(Curve $one, Curve $other, Tolerance $tolerance): bool
    {
        return match (true) {
            $one instanceof Line && $other instanceof Line => $one->length() > $other->length()
                ? $one->carries($other, $tolerance->distance)
                : $other->carries($one, $tolerance->distance),
            $one instanceof Arc && $other instanceof Arc => $one->center()->distanceTo($other->center()) +
                abs($one->radius() - $other->radius()) <=
                2 * $tolerance->distance,
            default => false,
        };
    }

    /**
     * Of the outlines near the middle of the window the two that meet nearest to it, and the two that come nearest without meeting.
     *
     * @param  list<array{string, string, Curve}>  $inside
     * @param  float  $near  from which distance on two outlines have nothing to do with one another
     * @param  array<string, string>  $labels
     * @return list<array{distance: float, labels: array{string, string}, from: array{float, float}, to: array{float, float}}>
     */
    private static function gaps(array $inside, Vec $middle, float $near, array $labels, Tolerance $tolerance): array
    {
        // As far as doubles can tell; what is equally far keeps its order, guides before the parts made of them.
        $away = array_map(
            static fn (array $one): float => round($one[2]->pointAt($one[2]->nearest($middle))->distanceTo($middle) / $tolerance->distance),
            $inside,
        );
        asort($away);
        $compared = array_map(static fn (int $number): array => $inside[$number], array_slice(array_keys($away), 0, self::COMPARED));
        $met = $apart = null;
        foreach ($compared as $k => [$of, $outline, $curve]) {
            foreach (array_slice($compared, 0, $k) as [$otherOf, $otherOutline, $other]) {
                if ($otherOutline === $outline || self::onOneLine($curve, $other, $tolerance)) {
                    continue;
                }
                $gap = ShortestWay::between($curve, $other, $tolerance);
                $names = [$labels[$otherOf], $labels[$of]];
                if (
                    $gap->distance === 0.0 &&
                    ($met === null || $gap->from->distanceTo($middle) < $met[0]->from->distanceTo($middle) - $tolerance->distance)
                ) {
                    $met = [$gap, $names];
                } elseif ($gap->distance > 0.0 && $gap->distance <= $near && ($apart === null || $gap->distance < $apart[0]->distance)) {
                    $apart = [$gap, $names];
                }
            }
        }

        return array_map(static fn (array $found): array => [
            'distance' => $found[0]->distance,
            'labels' => $found[1],
            'from' => [$found[0]->from->x, $found[0]->from->y],
            'to' => [$found[0]->to->x, $found[0]->to->y],
        ], array_values(array_filter([$apart, $met])));
    }
}
