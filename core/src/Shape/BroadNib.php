<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Arrangement\Arrangement;
use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Cubic;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;

/**
 * A way drawn with a broad nib: all that a rectangle covers that is moved along it without being turned.
 *
 * Where the way heads between two sides of the nib, what is covered lies between the way moved by one corner and by the opposite one. So
 * the way is split where it runs along a side; the pieces, exact, are joined.
 */
final readonly class BroadNib
{
    /** @var non-empty-list<Vec> its corners, clockwise on the screen */
    private array $corners;

    /** @var list<Vec> the ways along its sides */
    private array $sides;

    /**
     * @param  float  $width  of its edge
     * @param  float  $thin  its thickness
     * @param  float  $angle  degrees clockwise from the right, that the edge is held at
     */
    public function __construct(float $width, float $thin, float $angle, private Tolerance $tolerance)
    {
        $edge = Vec::heading($angle + 90)->times($width / 2);
        $back = Vec::heading($angle + 180)->times($thin / 2);
        $this->corners = [$edge->times(-1.0)->minus($back), $edge->minus($back), $edge->plus($back), $back->minus($edge)];
        $this->sides = [$edge->unit(), $back->unit()];
    }

    /**
     * @param  non-empty-list<Curve>  $way
     * @return list<Outline>
     *
     * @throws Unworkable
     */
    public function of(array $way): array
    {
        $pieces = [];
        foreach ($way as $curve) {
            foreach ($this->split($curve) as $piece) {
                Budget::spend(20);
                $pieces[] = [$this->covered($piece)];
            }
        }

        return $pieces === [] ? [] : Combination::join($pieces, $this->tolerance);
    }

    /** @return list<Curve> pieces that head between the same two sides all along */
    private function split(Curve $curve): array
    {
        $stops = [0.0, 1.0];
        foreach ($curve instanceof Line ? [] : $this->sides as $side) {
            array_push($stops, ...self::along($curve, $side));
        }
        sort($stops);
        $pieces = [];
        for ($k = 1; $k < count($stops); $k++) {
            if ($stops[$k] - $stops[$k - 1] > 1e-9) {
                $piece = $curve->part($stops[$k - 1], $stops[$k]);
                if ($piece->length() > Arrangement::TRIFLE * $this->tolerance->distance) {
                    $pieces[] = $piece;
                }
            }
        }

        return $pieces;
    }

    /** @return list<float> where the curve runs along a way, or straight against it */
    private static function along(Curve $curve, Vec $way): array
    {
        $found = [];
        if ($curve instanceof Arc) {
            foreach ([1.0, -1.0] as $side) {
                $place = $curve->center()->plus($way->quarterTurned()->times($side * $curve->radius()));
                $t = $curve->parameterTowards($place);
                if ($t > 0.0 && $t < 1.0) {
                    $found[] = $t;
                }
            }
        }
        if ($curve instanceof Cubic) {
            // The derivative is a parabola between the three ways from control point to control point.
            [$a, $b, $c] = [
                $curve->leaving->minus($curve->start())->cross($way),
                $curve->arriving->minus($curve->leaving)->cross($way),
                $curve->end()->minus($curve->arriving)->cross($way),
            ];
            [$square, $linear] = [$a - 2 * $b + $c, 2 * ($b - $a)];
            $root = $linear * $linear - 4 * $square * $a;
            $candidates = match (true) {
                abs($square) < 1e-12 * (abs($linear) + abs($a)) => $linear === 0.0 ? [] : [-$a / $linear],
                $root < 0.0 => [],
                default => [(-$linear - sqrt($root)) / (2 * $square), (-$linear + sqrt($root)) / (2 * $square)],
            };
            array_push($found, ...array_filter($candidates, static fn (float $t): bool => $t > 0.0 && $t < 1.0));
        }

        return $found;
    }

    /** What the nib covers along one piece. */
    private function covered(Curve $piece): Outline
    {
        $heading = $piece->tangentAt(0.5)->unit();
        $across = $heading->quarterTurned();
        $count = count($this->corners);
        $reach = array_map(static fn (Vec $corner): float => round($corner->dot($across), 9), $this->corners);
        // To the right of the way as seen on the screen, and to the left.
        $right = (int) array_search(max($reach), $reach, true);
        $left = (int) array_search(min($reach), $reach, true);
        $curves = $piece->mapped(Affine::move($this->corners[$left]));
        // Around the nib where the way ends, from its left corner clockwise to its right one; then back, and around it where the way began.
        array_push($curves, ...$this->around($piece->end(), $left, $right, $count));
        array_push($curves, ...$piece->reversed()->mapped(Affine::move($this->corners[$right])));
        array_push($curves, ...$this->around($piece->start(), $right, $left, $count));

        /** @var non-empty-list<Curve> $curves */
        return new Outline($curves);
    }

    /** @return list<Line> along the sides of the nib, from one corner clockwise to another */
    private function around(Vec $at, int $from, int $to, int $count): array
    {
        $lines = [];
        for ($k = $from; $k !== $to; $k = ($k + 1) % $count) {
            $lines[] = new Line($at->plus($this->corners[$k]), $at->plus($this->corners[($k + 1) % $count]));
        }

        return $lines;
    }
}
