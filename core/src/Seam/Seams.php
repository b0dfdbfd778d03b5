<?php

declare(strict_types=1);

namespace Sternbild\Core\Seam;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Vec;

/**
 * The seams of a drawing.
 *
 * Where two figures share an edge, a pixel that it runs through takes a part of its colour from each of them, and the rest from what lies
 * below: a hairline shows. So under every shared edge lies a line in the colour of the lower figure, wide enough to fill such a pixel and
 * hidden by the two of them everywhere else. It goes around its ends where figures lie all around these, and stays off the corners where
 * not.
 */
final class Seams
{
    /** Edges of all figures together beyond which none are looked for. */
    public const MOST_EDGES = 40_000;

    /** No line reaches farther than this share of the longer side of the sheet, where it need not. */
    private const REACH = 1 / 800;

    /** Comparisons of edges with one another; a field of 2,000 cells takes some ten thousand. */
    private const MOST_COMPARED = 500_000;

    /** Degrees that rounding may open between corners that fill a place all around. */
    private const CLOSED = 0.05;

    /** How much farther it stays off, in its reach, where outlines bend. */
    private const ROUND = 0.03;

    /** Steps to a side that are told apart. */
    private const FARTHEST = 2_147_483_000;

    /** Added to coordinates before they are told apart by steps, so that none that people write lies where steps meet. */
    private const ODD = 0.31830988;

    /**
     * @var array<int, list<array{int, float, float}>> corners at a place: the number of the face, where it begins and how far it goes,
     *   degrees
     */
    private array $corners = [];

    /** @var list<Face> */
    private array $faces;

    private float $fine;

    /** Comparisons that are left; figures by the thousand on one another have no seams that anybody could see. */
    private int $left = self::MOST_COMPARED;

    /** @var array<int, bool> whether figures lie all around a place, as far as that was asked */
    private array $filled = [];

    /**
     * @param  list<Face>  $faces  from back to front
     * @param  float  $tolerance  places that are closer are one
     * @param  float  $wanted  how far to both sides a line has to reach, sheet units
     */
    private function __construct(array $faces, private readonly float $tolerance, private readonly float $wanted)
    {
        $this->faces = $faces;
        $this->fine = 1.0 / $tolerance;
    }

    /**
     * @param  list<Face>  $faces  from back to front
     * @param  float  $size  of the sheet, its longer side
     * @param  float  $least  how far to both sides a line has to reach to fill a pixel, sheet units
     * @return list<Seam>
     */
    public static function between(array $faces, float $tolerance, float $size, float $least): array
    {
        return count($faces) < 2 ? [] : (new self($faces, $tolerance, max($size * self::REACH, $least)))->found();
    }

    /** @return list<Seam> */
    private function found(): array
    {
        $shared = $alone = [];
        foreach ($this->faces as $number => $face) {
            foreach ($face->edges as $edge => [$x0, $y0, , , $mx, $my]) {
                // Edges that share their middle and one end share the other, whatever they are.
                $shared[$this->key($mx, $my)][] = [$number, $edge];
                [$from, $angle] = $face->corner($edge);
                $this->corners[$this->key($x0, $y0)][] = [$number, $from, $angle];
            }
        }
        $seams = [];
        foreach ($shared as $sharing) {
            if (count($sharing) === 1) {
                $alone[] = $sharing[0];

                continue;
            }
            $matched = [];
            foreach ($sharing as $place => $one) {
                for ($before = 0; $before < $place && --$this->left > 0; $before++) {
                    $seam = $this->whole($sharing[$before], $one);
                    if ($seam !== null) {
                        $seams[] = $seam;
                        $matched[$before] = $matched[$place] = true;
                    }
                }
            }
            array_push($alone, ...array_values(array_diff_key($sharing, $matched)));
        }
        [$pieces, $runs] = $this->pieces($alone);
        foreach ($runs as [$key, $face, $heading]) {
            $this->corners[$key][] = [$face, $heading, 180.0];
        }
        $drawn = [];
        foreach ([...$seams, ...$pieces] as [$lower, $lowerEdge, $upper, $upperEdge, $curve]) {
            array_push($drawn, ...$this->seam($lower, $lowerEdge, $upper, $upperEdge, $curve));
        }

        return $drawn;
    }

    /**
     * @param  array{int, int}  $one  face and edge, and $other alike
     * @param  array{int, int}  $other
     * @return array{int, int, int, int, Curve}|null null where both lie on the same side
     */
    private function whole(array $one, array $other): ?array
    {
        if ($one[0] === $other[0]) {
            return null;
        }
        $first = $this->faces[$one[0]]->edges[$one[1]];
        $second = $this->faces[$other[0]]->edges[$other[1]];
        $against = abs($first[0] - $second[2]) + abs($first[1] - $second[3]);
        $along = abs($first[0] - $second[0]) + abs($first[1] - $second[1]);
        if (min($against, $along) > 2.0 * $this->tolerance) {
            return null;
        }
        $isClosed = abs($first[0] - $first[2]) + abs($first[1] - $first[3]) <= $this->tolerance;
        // Both have their inside to the right, so neighbours go along it in opposite ways; a full circle is told by its outline being a
        // hole.
        $opposite = $isClosed ? $this->faces[$one[0]]->isHole($one[1]) !== $this->faces[$other[0]]->isHole($other[1]) : $against <= $along;

        return $opposite ? [$one[0], $one[1], $other[0], $other[1], $this->faces[$one[0]]->curve($one[1])] : null;
    }

    /**
     * Edges that share only a piece: lines of one straight line, and arcs of one circle.
     *
     * @param  list<array{int, int}>  $alone  faces and edges
     * @return array{list<array{int, int, int, int, Curve}>, list<array{int, int, float}>} pieces, and the places where an edge runs past a
     *   corner of another face: of which face, and at what heading
     */
    private function pieces(array $alone): array
    {
        $supports = [];
        foreach ($alone as [$face, $edge]) {
            $curve = $this->faces[$face]->curve($edge);
            if ($curve instanceof Line) {
                $way = $curve->end()->minus($curve->start());
                $length = $way->length();
                if ($length <= $this->tolerance) {
                    continue;
                }
                $way = $way->times(1 / $length);
                $forward = $way->x > 1e-9 || (abs($way->x) <= 1e-9 && $way->y > 0);
                $along = $forward ? $way : $way->times(-1.0);
                $from = $curve->start()->dot($along);
                $to = $curve->end()->dot($along);
                $supports[
                    'l'.floor($along->angle() * 2e4 + self::ODD).' '.floor($along->cross($curve->start()) * $this->fine + self::ODD)
                ][] = [min($from, $to), max($from, $to), $forward, $face, $edge, $curve];
            } elseif ($curve instanceof Arc && ! $curve->isFullCircle()) {
                $turn = $curve->sweep() > 0.0;
                $from = $turn ? $curve->startAngle() : $curve->startAngle() + $curve->sweep();
                $from = fmod($from + 4 * M_PI, 2 * M_PI) * $curve->radius();
                $supports[
                    'a'.$this->key($curve->center()->x, $curve->center()->y).' '.floor($curve->radius() * $this->fine + self::ODD)
                ][] = [$from, $from + abs($curve->sweep()) * $curve->radius(), $turn, $face, $edge, $curve];
            }
        }
        $pieces = $runs = [];
        foreach ($supports as $lying) {
            usort($lying, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
            $open = [];
            foreach ($lying as $piece) {
                $this->left -= 2 * count($open);
                if ($this->left <= 0) {
                    break 2;
                }
                $open = array_filter($open, fn (array $other): bool => $other[1] > $piece[0] + $this->tolerance);
                foreach ($open as $other) {
                    if ($other[2] !== $piece[2] && $other[3] !== $piece[3]) {
                        [$lower, $upper] = $other[3] < $piece[3] ? [$other, $piece] : [$piece, $other];
                        $pieces[] = [
                            $lower[3],
                            $lower[4],
                            $upper[3],
                            $upper[4],
                            $this->part($lower, max($other[0], $piece[0]), min($other[1], $piece[1])),
                        ];
                    }
                }
                $open[] = $piece;
            }
            array_push($runs, ...$this->passed($lying));
        }

        return [$pieces, $runs];
    }

    /**
     * Where edges on one line or circle run past the ends of others.
     *
     * @param  list<array{float, float, bool, int, int, Curve}>  $lying
     * @return list<array{int, int, float}>
     */
    private function passed(array $lying): array
    {
        $runs = [];
        foreach ($lying as $piece) {
            $this->left -= count($lying);
            if ($this->left <= 0) {
                break;
            }
            $seen = [];
            foreach ($lying as $other) {
                foreach ([0, 1] as $end) {
                    $at = $other[$end];
                    if ($at > $piece[0] + $this->tolerance && $at < $piece[1] - $this->tolerance) {
                        $curve = $this->part($piece, $at, $piece[1]);
                        // A piece that goes against the way of its line ends there instead of beginning.
                        $place = $piece[2] ? $curve->start() : $curve->end();
                        $heading = ($piece[2] ? $curve->tangentAt(0.0) : $curve->tangentAt(1.0));
                        $key = $this->key($place->x, $place->y);
                        if (! isset($seen[$key])) {
                            $seen[$key] = true;
                            $runs[] = [$key, $piece[3], rad2deg(atan2($heading->y, $heading->x))];
                        }
                    }
                }
            }
        }

        return $runs;
    }

    /** @param  array{float, float, bool, int, int, Curve}  $piece */
    private function part(array $piece, float $from, float $to): Curve
    {
        [$start, $end, $forward, , , $curve] = $piece;
        $whole = $end - $start;
        $shares = [max(0.0, ($from - $start) / $whole), min(1.0, ($to - $start) / $whole)];
        if (! $forward) {
            $shares = [1.0 - $shares[1], 1.0 - $shares[0]];
        }

        return $shares[0] <= 0.0 && $shares[1] >= 1.0 ? $curve : $curve->part($shares[0], $shares[1]);
    }

    /**
     * What is drawn for a shared edge.
     *
     * @return list<Seam>
     */
    private function seam(int $lower, int $lowerEdge, int $upper, int $upperEdge, Curve $curve): array
    {
        [$under, $over] = [$this->faces[$lower], $this->faces[$upper]];
        $reach = min($under->reach($lowerEdge, $this->wanted), $over->reach($upperEdge, $this->wanted));
        if ($reach <= $this->tolerance) {
            return [];
        }
        $colour = $under->style->gradient?->near($curve->pointAt(0.5), $under->figure->map) ?? $under->style->fill;
        $start = $curve->start();
        $end = $curve->end();
        if ($start->distanceTo($end) <= $this->tolerance) {
            return [new Seam($colour, $reach, [$curve], false)];
        }
        $ends = [$this->back($start, $lower, $upper, $reach), $this->back($end, $lower, $upper, $reach)];
        if ($ends[0] === null && $ends[1] === null) {
            return [new Seam($colour, $reach, [$curve], true)];
        }
        $length = $curve->length();
        $from = ($ends[0] ?? 0.0) / $length;
        $to = 1.0 - ($ends[1] ?? 0.0) / $length;
        if ($to - $from <= 1e-6) {
            return [];
        }
        $seams = [new Seam($colour, $reach, [$from <= 0.0 && $to >= 1.0 ? $curve : $curve->part($from, $to)], false)];
        foreach ([0, 1] as $which) {
            // Around an end that lies inside, as far as the other one is away.
            if ($ends[$which] === null) {
                $round = min($reach, 0.8 * $length * ($to - $from));
                $seams[] = new Seam(
                    $colour,
                    $round,
                    [$which === 0 ? $curve->part(0.0, 0.1 * $to) : $curve->part(1.0 - 0.1 * (1.0 - $from), 1.0)],
                    true,
                );
            }
        }

        return $seams;
    }

    /** How far a line has to stay off an end, to be hidden; null where figures lie all around it. */
    private function back(Vec $end, int $lower, int $upper, float $reach): ?float
    {
        $key = $this->key($end->x, $end->y);
        $corners = $this->corners[$key] ?? [];
        if ($this->filled[$key] ??= $this->isFilled($corners)) {
            return null;
        }
        $sharpest = 90.0;
        $this->left -= intdiv(count($corners), 2);
        if ($this->left <= 0) {
            return INF;
        }
        foreach ($corners as [$face, , $angle]) {
            if ($face === $lower || $face === $upper) {
                $sharpest = min($sharpest, $angle);
            }
        }

        return $reach * (self::ROUND + 1.0 / tan(deg2rad(max(1.0, $sharpest))));
    }

    /** @param  list<array{int, float, float}>  $corners */
    private function isFilled(array $corners): bool
    {
        $whole = array_sum(array_column($corners, 2));
        if ($whole < 360.0 - self::CLOSED) {
            return false;
        }
        usort($corners, static fn (array $a, array $b): int => fmod($a[1] + 720.0, 360.0) <=> fmod($b[1] + 720.0, 360.0));
        $start = fmod($corners[0][1] + 720.0, 360.0);
        $reached = $start;
        foreach ($corners as [, $from, $angle]) {
            $from = fmod($from + 720.0, 360.0);
            if ($from > $reached + self::CLOSED) {
                return false;
            }
            $reached = max($reached, $from + $angle);
        }

        return $reached >= $start + 360.0 - self::CLOSED;
    }

    /** One number for all places that are one; of those hundreds of sheets away there is but one on each side. */
    private function key(float $x, float $y): int
    {
        $count = fn (float $one): int => (int) max(-self::FARTHEST, min(self::FARTHEST, floor($one * $this->fine + self::ODD)));

        return $count($x) * 4_294_967_296 + $count($y);
    }
}
