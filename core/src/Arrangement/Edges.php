<?php

declare(strict_types=1);

namespace Sternbild\Core\Arrangement;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Vec;

/** The runs cut into edges at the places where they meet, each edge once. */
final readonly class Edges
{
    /**
     * Places within so many tolerances are one vertex: of curves that each come within one of the others, the crossings scatter a little
     * more.
     */
    private const MERGED = 4;

    /** Vertices times runs that are looked through for grazing ones. */
    private const MOST_CLOSED = 20_000_000;

    /**
     * @param  list<float>  $x  of the vertices, from left to right
     * @param  list<float>  $y
     * @param  list<int>  $from  vertex where an edge begins; edges of one run follow one another
     * @param  list<int>  $to
     * @param  list<int>  $run  that the edge is a piece of
     * @param  list<float>  $s  parameter on the run where the edge begins
     * @param  list<float>  $t  and where it ends; above 1 where a closed run goes on past its beginning
     * @param  int  $loops  vertices that only stand on a circle because it needs one
     * @param  list<list<int>>  $tracks  for each run the edges along it, their numbers + 1, negative where they are run backwards; they can
     *   be
     *                                   edges of another run, which lies there, too
     * @param  list<list<array{int, int, int, int}>>  $members  for each run the given curves on it: number, direction, and the stretch of
     *   the
     *                                                      track, from which edge on and how many; what runs over the end goes on at the
     *                                                      beginning
     */
    private function __construct(
        public array $x,
        public array $y,
        public array $from,
        public array $to,
        public array $run,
        public array $s,
        public array $t,
        public int $loops,
        public array $tracks,
        public array $members,
    ) {
    }

    public static function of(Runs $runs, Stops $crossings): self
    {
        [$loops, $placesX, $placesY, $on] = self::withLoops($runs, $crossings);
        [$x, $y, $vertexOf] = Points::merged($placesX, $placesY, self::MERGED * $runs->tolerance);
        self::closeGrazing($runs, $crossings->grazing, $x, $y, $vertexOf, $placesX, $on);
        $from = $to = $run = $s = $t = $tracks = $members = [];
        $count = count($x);
        $known = [];
        foreach ($on as $index => $places) {
            asort($places);
            $curve = $runs->curves[$index];
            $isLine = $curve instanceof Line;
            $vertices = $parameters = $positions = $track = [];
            $last = -1;
            $before = 0.0;
            // Only a curve can come back to where it was.
            $same = $isLine ? INF : 4 * self::MERGED * $runs->tolerance / $curve->length();
            foreach ($places as $place => $parameter) {
                $vertex = $vertexOf[$place];
                if ($vertex !== $last || $parameter - $before > $same) {
                    $vertices[] = $last = $vertex;
                    $parameters[] = $before = $parameter;
                }
                $positions[$place] = count($vertices) - 1;
            }
            if ($curve instanceof Arc && $curve->isFullCircle()) {
                if (count($vertices) > 1 && $vertices[0] === $last) {
                    array_pop($vertices);
                    array_pop($parameters);
                }
                $vertices[] = $vertices[0];
                $parameters[] = $parameters[0] + 1.0;
            }
            for ($k = 1, $stops = count($vertices); $k < $stops; $k++) {
                $a = $vertices[$k - 1];
                $b = $vertices[$k];
                $key = $a < $b ? $a * $count + $b : $b * $count + $a;
                $there = isset($known[$key])
                    ? self::among($known[$key], $isLine, $index, ($parameters[$k - 1] + $parameters[$k]) / 2, $runs, $run, $s, $t)
                    : null;
                if ($there !== null) {
                    $track[] = $from[$there] === $a ? $there + 1 : -$there - 1;

                    continue;
                }
                $known[$key][] = count($from);
                $track[] = count($from) + 1;
                $from[] = $a;
                $to[] = $b;
                $run[] = $index;
                $s[] = $parameters[$k - 1];
                $t[] = $parameters[$k];
            }
            $tracks[] = $track;
            $members[] = self::stretches(
                $crossings->members[$index],
                $positions,
                count($track),
                $curve instanceof Arc && $curve->isFullCircle(),
            );
        }

        self::leaveOutUnused($x, $y, $from, $to);
        // Faces, order and nesting go with the edges.
        Budget::spend(5 * count($from));

        return new self($x, $y, $from, $to, $run, $s, $t, $loops, $tracks, $members);
    }

    /**
     * Where runs graze one another a third one may pass within the tolerance and meet each of them elsewhere; it comes through there, too.
     *
     * @param  list<int>  $grazing  places
     * @param  list<float>  $x  of the vertices
     * @param  list<float>  $y
     * @param  array<int, int>  $vertexOf
     * @param  list<float>  $placesX
     * @param  list<array<int, float>>  $on
     */
    private static function closeGrazing(Runs $runs, array $grazing, array $x, array $y, array &$vertexOf, array $placesX, array &$on): void
    {
        $vertices = array_values(array_unique(array_map(static fn (int $place): int => $vertexOf[$place], $grazing)));
        if ($vertices === [] || count($vertices) * count($runs->curves) > self::MOST_CLOSED) {
            return;
        }
        $next = count($placesX);
        foreach ($runs->curves as $run => $curve) {
            $bounds = $curve->bounds()->grownBy($runs->tolerance);
            foreach ($vertices as $vertex) {
                if (
                    $x[$vertex] < $bounds->left ||
                    $x[$vertex] > $bounds->right ||
                    $y[$vertex] < $bounds->top ||
                    $y[$vertex] > $bounds->bottom
                ) {
                    continue;
                }
                $place = new Vec($x[$vertex], $y[$vertex]);
                $at = $curve->nearest($place);
                if ($curve->pointAt($at)->distanceTo($place) <= 2 * $runs->tolerance) {
                    $on[$run][$next] = $at;
                    $vertexOf[$next++] = $vertex;
                }
            }
        }
    }

    /**
     * Which stretch of a run's track each given curve takes.
     *
     * @param  list<array{int, int, int, int}>  $members  number, direction and the places of the ends
     * @param  array<int, int>  $positions  along the track, by place
     * @return list<array{int, int, int, int}>
     */
    private static function stretches(array $members, array $positions, int $length, bool $isClosed): array
    {
        $stretches = [];
        foreach ($members as [$number, $direction, $first, $last]) {
            if ($first < 0) {
                $stretches[] = [$number, $direction, 0, $length];

                continue;
            }
            $from = $positions[$first];
            $along = $positions[$last] - $from;
            if ($isClosed && $length > 0) {
                // The last position of a circle is its first one; an arc that is not nothing goes around.
                $from %= $length;
                $along = ($along % $length + $length) % $length;
            }
            if ($along > 0) {
                $stretches[] = [$number, $direction, $from, $along];
            }
        }

        return $stretches;
    }

    /**
     * What was left without an edge is no vertex.
     *
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<int>  $from
     * @param  list<int>  $to
     */
    private static function leaveOutUnused(array &$x, array &$y, array &$from, array &$to): void
    {
        $used = array_fill(0, count($x), false);
        foreach ($from as $edge => $vertex) {
            $used[$vertex] = $used[$to[$edge]] = true;
        }
        if (! in_array(false, $used, true)) {
            return;
        }
        $number = [];
        foreach ($used as $vertex => $isUsed) {
            if ($isUsed) {
                $number[$vertex] = count($number);
            }
        }
        $x = array_values(array_intersect_key($x, $number));
        $y = array_values(array_intersect_key($y, $number));
        $from = array_map(static fn (int $vertex): int => $number[$vertex], $from);
        $to = array_map(static fn (int $vertex): int => $number[$vertex], $to);
    }

    /**
     * Circles that meet nothing get a vertex all the same.
     *
     * @return array{int, list<float>, list<float>, list<array<int, float>>}
     */
    private static function withLoops(Runs $runs, Stops $crossings): array
    {
        [$x, $y, $on] = [$crossings->x, $crossings->y, $crossings->on];
        $loops = 0;
        foreach ($on as $run => $places) {
            if ($places === []) {
                $on[$run] = [count($x) => 0.0];
                $start = $runs->curves[$run]->start();
                $x[] = $start->x;
                $y[] = $start->y;
                $loops++;
            }
        }

        return [$loops, $x, $y, $on];
    }

    /**
     * The one among some edges where another between the same vertices runs: curves that lie within the tolerance of one another between
     * two places they share are one.
     *
     * @param  list<int>  $edges  between the same vertices
     * @param  list<int>  $run
     * @param  list<float>  $s
     * @param  list<float>  $t
     */
    private static function among(array $edges, bool $isLine, int $index, float $middle, Runs $runs, array $run, array $s, array $t): ?int
    {
        $place = null;
        foreach ($edges as $edge) {
            $curve = $runs->curves[$run[$edge]];
            if ($isLine && $curve instanceof Line) {
                return $edge;
            }
            $place ??= $runs->curves[$index]->pointAt(fmod($middle, 1.0));
            if ($curve->pointAt(fmod(($s[$edge] + $t[$edge]) / 2, 1.0))->distanceTo($place) <= self::MERGED * $runs->tolerance) {
                return $edge;
            }
        }

        return null;
    }
}
