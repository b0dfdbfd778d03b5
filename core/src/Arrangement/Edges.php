<?php

declare(strict_types=1);

namespace Sternbild\Core\Arrangement;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Line;

/** The runs cut into edges at the places where they meet, each edge once. */
final readonly class Edges
{
    /**
     * @param  list<float>  $x  of the vertices, from left to right
     * @param  list<float>  $y
     * @param  list<int>  $from  vertex where an edge begins; edges of one run follow one another
     * @param  list<int>  $to
     * @param  list<int>  $run  that the edge is a piece of
     * @param  list<float>  $s  parameter on the run where the edge begins
     * @param  list<float>  $t  and where it ends; above 1 where a closed run goes on past its beginning
     * @param  int  $loops  vertices that only stand on a circle because it needs one
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
    ) {
    }

    public static function of(Runs $runs, Crossings $crossings): self
    {
        [$loops, $placesX, $placesY, $on] = self::withLoops($runs, $crossings);
        [$x, $y, $vertexOf] = Points::merged($placesX, $placesY, $runs->tolerance);
        $from = $to = $run = $s = $t = [];
        $count = count($x);
        $known = [];
        foreach ($on as $index => $places) {
            asort($places);
            $curve = $runs->curves[$index];
            $isLine = $curve instanceof Line;
            $vertices = $parameters = [];
            $last = -1;
            $before = 0.0;
            // Only a curve can come back to where it was.
            $same = $isLine ? INF : 8 * $runs->tolerance / $curve->length();
            foreach ($places as $place => $parameter) {
                $vertex = $vertexOf[$place];
                if ($vertex !== $last || $parameter - $before > $same) {
                    $vertices[] = $last = $vertex;
                    $parameters[] = $before = $parameter;
                }
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
                if (isset($known[$key]) && self::isKnown($known[$key], $isLine, $index, ($parameters[$k - 1] + $parameters[$k]) / 2, $runs, $run, $s, $t)) {
                    continue;
                }
                $known[$key][] = count($from);
                $from[] = $a;
                $to[] = $b;
                $run[] = $index;
                $s[] = $parameters[$k - 1];
                $t[] = $parameters[$k];
            }
        }

        return new self($x, $y, $from, $to, $run, $s, $t, $loops);
    }

    /**
     * Circles that meet nothing get a vertex all the same.
     *
     * @return array{int, list<float>, list<float>, list<array<int, float>>}
     */
    private static function withLoops(Runs $runs, Crossings $crossings): array
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
     * Whether an edge between two vertices runs where one before it does: curves that lie within the tolerance of one another between two
     * places they share are one.
     *
     * @param  list<int>  $edges  between the same vertices
     * @param  list<int>  $run
     * @param  list<float>  $s
     * @param  list<float>  $t
     */
    private static function isKnown(array $edges, bool $isLine, int $index, float $middle, Runs $runs, array $run, array $s, array $t): bool
    {
        $place = null;
        foreach ($edges as $edge) {
            $curve = $runs->curves[$run[$edge]];
            if ($isLine && $curve instanceof Line) {
                return true;
            }
            $place ??= $runs->curves[$index]->pointAt(fmod($middle, 1.0));
            if ($curve->pointAt(fmod(($s[$edge] + $t[$edge]) / 2, 1.0))->distanceTo($place) <= 2 * $runs->tolerance) {
                return true;
            }
        }

        return false;
    }
}
