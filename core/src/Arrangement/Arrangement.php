<?php

declare(strict_types=1);

namespace Sternbild\Core\Arrangement;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Cubic;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Mesh\CellJoin;
use Sternbild\Core\Mesh\Mesh;

/**
 * Curves laid over one another, and the plane as they cut it: vertices, edges and bounded faces.
 *
 * The same curves give the same numbers in the same order, however they are given. Faces are numbered by the least of their half-edges.
 */
final class Arrangement
{
    /** Curves shorter than so many tolerances are left out. */
    public const TRIFLE = Runs::TRIFLE;

    /** Bounded faces. */
    public const MOST_FACES = 250_000;

    /**
     * Curves that miss one another by just about the tolerance can be cut into what no plane could hold, which Euler's relation shows. Then
     * they are laid over one another again within so many times the tolerance, which takes what lies between as one.
     */
    private const WIDER = 32;

    private const ROUNDS = 5;

    /** Where, as shares of a face's width, upright stretches through it are looked for. */
    private const UPRIGHTS = [0.5, 0.29, 0.71, 0.13, 0.87, 0.04, 0.96];

    /** @var list<int> cycle that bounds a face from outside, by face */
    private array $outer = [];

    /** @var array<int, int> face by cycle; cycles that bound nothing but the outside are not there */
    private array $faceOf = [];

    /** @var array<int, list<int>> cycles that bound a face from inside, by face */
    private array $holes = [];

    private ?Locator $locator = null;

    /** @var array{int, list<int>}|null the face asked about last, and its edges */
    private ?array $around = null;

    private ?Mesh $mesh = null;

    /** @var array<int, list<array{int, int}>>|null by edge; worked out when first asked for */
    private ?array $origins = null;

    private function __construct(private readonly Runs $runs, private readonly Edges $edges, private readonly Cycles $cycles)
    {
        foreach ($cycles->first as $cycle => $unused) {
            if (! $cycles->outside[$cycle]) {
                $this->faceOf[$cycle] = count($this->outer);
                $this->outer[] = $cycle;
            }
        }
        if ($cycles->components > 1) {
            $this->holes = Nesting::find($edges, $runs, $cycles, $this->locator(), $this->faceOf);
            foreach ($this->holes as $face => $inner) {
                $this->faceOf += array_fill_keys($inner, $face);
            }
        }
    }

    /**
     * @param  list<Curve>  $curves
     *
     * @throws Unworkable
     */
    public static function of(array $curves, Tolerance $tolerance): self
    {
        $extent = new Bounds(0.0, 0.0, 0.0, 0.0);
        $furthest = 0.0;
        foreach ($curves as $number => $curve) {
            $bounds = $curve->bounds();
            if (! is_finite($bounds->left + $bounds->top + $bounds->right + $bounds->bottom) || ! $curve->end()->isFinite()) {
                throw new Unworkable('a curve reaches beyond all numbers');
            }
            $extent = $number === 0 ? $bounds : $extent->with($bounds);
            $furthest = max($furthest, abs($bounds->left), abs($bounds->top), abs($bounds->right), abs($bounds->bottom));
        }
        $within = $tolerance->reaching($furthest)->distance;
        for ($round = 1; $round <= self::ROUNDS; $round++, $within *= self::WIDER) {
            $arrangement = self::within($curves, $within, $extent);
            if ($arrangement->eulerCharacteristic() === 1 + $arrangement->componentCount()) {
                return $arrangement;
            }
        }
        throw new Unworkable(
            'some curves lie so close to one another that they cannot be told apart; move them apart, or take away those drawn twice',
        );
    }

    /**
     * @param  list<Curve>  $curves
     *
     * @throws Unworkable
     */
    private static function within(array $curves, float $tolerance, Bounds $extent): self
    {
        $runs = Runs::of($curves, $tolerance, $extent);
        $edges = Edges::of($runs, Stops::of($runs));
        // By Euler's relation; counted before the work on faces begins.
        $faces = count($edges->from) - count($edges->x) + 1;
        if ($faces > self::MOST_FACES) {
            throw new Unworkable(
                'the curves would cut the sheet into '.
                    number_format($faces).
                    ' cells; at most '.
                    number_format(self::MOST_FACES).
                    ' are possible',
            );
        }

        return new self($runs, $edges, Cycles::of($edges, $runs));
    }

    /** Bounded faces. */
    public function faceCount(): int
    {
        return count($this->outer);
    }

    /** Where curves meet or end. */
    public function pointCount(): int
    {
        return count($this->edges->x) - $this->edges->loops;
    }

    /** @return list<Vec> those places */
    public function points(): array
    {
        return array_map(static fn (float $x, float $y): Vec => new Vec($x, $y), $this->edges->x, $this->edges->y);
    }

    public function edgeCount(): int
    {
        return count($this->edges->from);
    }

    /** V − E + F, with the outside counted as a face and a vertex on every circle that meets nothing; 1 + C by Euler's relation. */
    public function eulerCharacteristic(): int
    {
        return count($this->edges->x) - count($this->edges->from) + count($this->outer) + 1;
    }

    /** Parts that do not hang together. */
    public function componentCount(): int
    {
        return $this->cycles->components;
    }

    /** Sheet units squared, without what lies in its holes. */
    public function area(int $face): float
    {
        $area = $this->cycles->area[$this->outer[$face]];
        foreach ($this->holes[$face] ?? [] as $cycle) {
            $area += $this->cycles->area[$cycle];
        }

        return $area;
    }

    /**
     * Faces that are thin, by twice their area over their perimeter, which for a long strip is its width.
     *
     * @return array<int, float> width by face
     */
    public function thinnerThan(float $limit): array
    {
        $lengths = [];
        foreach ($this->edges->run as $edge => $run) {
            $curve = $this->runs->curves[$run];
            $lengths[] = $curve instanceof Line || $curve instanceof Arc
                ? $curve->length() * ($this->edges->t[$edge] - $this->edges->s[$edge])
                : EdgeCurve::take($this->edges, $this->runs, $edge)->length();
        }
        $thin = [];
        foreach ($this->outer as $face => $outer) {
            $perimeter = 0.0;
            $half = $start = $this->cycles->first[$outer];
            do {
                $perimeter += $lengths[$half >> 1];
                $half = $this->cycles->next[$half];
            } while ($half !== $start);
            $width = 2 * $this->area($face) / $perimeter;
            if ($width < $limit) {
                $thin[$face] = $width;
            }
        }

        return $thin;
    }

    /** The face that a place lies in; null outside. On an edge it is one of those beside it. */
    public function faceAt(Vec $place): ?int
    {
        $half = $this->locator()->above($place);

        return $half === null ? null : $this->faceRightOf($half);
    }

    /** Whether a place lies in a face, and not in one of its holes. */
    public function encloses(int $face, Vec $place): bool
    {
        return $this->locator()->isAround($this->edgesAround($face), $place);
    }

    /**
     * A place well inside a face: between the middles of its edges where that lies inside, else in the longest upright stretch through it.
     */
    public function placeInside(int $face): Vec
    {
        $edges = $this->edgesAround($face);
        $x = $y = 0.0;
        foreach ($edges as $edge) {
            $curve = $this->runs->curves[$this->edges->run[$edge]];
            $middle = $curve->pointAt(fmod(($this->edges->s[$edge] + $this->edges->t[$edge]) / 2, 1.0));
            $x += $middle->x / count($edges);
            $y += $middle->y / count($edges);
        }
        [$left, $right] = $this->locator()->spanOf($edges);
        $columns = array_map(static fn (float $share): float => $left + ($right - $left) * $share, self::UPRIGHTS);
        if (count($edges) > 1 && ! isset($this->holes[$face]) && $this->encloses($face, new Vec($x, $y))) {
            $columns = [$x];
        }
        $best = new Vec($x, $y);
        $longest = 0.0;
        foreach ($columns as $at) {
            $heights = $this->locator()->heightsAt($at, $edges);
            for ($k = 1; $k < count($heights); $k += 2) {
                if ($longest < $heights[$k] - $heights[$k - 1]) {
                    $longest = $heights[$k] - $heights[$k - 1];
                    $best = new Vec($at, ($heights[$k] + $heights[$k - 1]) / 2);
                }
            }
        }

        return $best;
    }

    /**
     * The outlines of some faces together: pieces clockwise on the screen, holes counter-clockwise.
     *
     * @param  list<int>  $faces
     * @return list<Outline>
     */
    public function boundary(array $faces): array
    {
        return CellJoin::join($this->mesh(), $faces);
    }

    /**
     * Of which given curves an edge is a piece.
     *
     * @return list<array{int, int}> their numbers, and 1 where they run along the edge, −1 where they run back
     */
    public function origins(int $edge): array
    {
        return $this->allOrigins()[$edge] ?? [];
    }

    /**
     * The faces that some operands wind around so as is asked for. Each operand is the closed curves of one or more outlines.
     *
     * @param  list<int>  $operands  for each given curve the operand that it belongs to, from 0
     * @param  callable(int, bool, int): bool  $isWanted  given how many operands wind around a face, whether the
     *                                                     first one does, and how often: clockwise on the screen counts up
     * @return list<int>
     */
    public function facesWhere(array $operands, callable $isWanted): array
    {
        return $this->windings($operands)->facesWhere($isWanted);
    }

    /**
     * The operands that wind around each face. Each operand is the closed curves of one or more outlines.
     *
     * @param  list<int>  $operands  for each given curve the operand that it belongs to, from 0
     * @return array<int, list<int>> by face, in order
     */
    public function operandsByFace(array $operands): array
    {
        return $this->windings($operands)->operands();
    }

    /** @param  list<int>  $operands */
    private function windings(array $operands): Windings
    {
        return new Windings($this->cycles, $this->outer, $this->holes, $this->faceOf, $this->allOrigins(), $operands);
    }

    /** The same in the form that grids have; its cells are the bounded faces. */
    public function mesh(): Mesh
    {
        return $this->mesh ??= $this->buildMesh();
    }

    /** @return list<int> the edges that bound a face, without those that only stand in it */
    public function edgesAround(int $face): array
    {
        // Questions about one face come one after another.
        if ($this->around !== null && $this->around[0] === $face) {
            return $this->around[1];
        }
        $edges = [];
        foreach ([$this->outer[$face], ...$this->holes[$face] ?? []] as $cycle) {
            $half = $start = $this->cycles->first[$cycle];
            do {
                if (isset($edges[$half >> 1])) {
                    unset($edges[$half >> 1]);
                } else {
                    $edges[$half >> 1] = $half >> 1;
                }
                $half = $this->cycles->next[$half];
            } while ($half !== $start);
        }

        $this->around = [$face, array_values($edges)];

        return $this->around[1];
    }

    /** @return array<int, list<array{int, int}>> */
    private function allOrigins(): array
    {
        if ($this->origins === null) {
            $this->origins = [];
            foreach ($this->edges->members as $run => $members) {
                $track = $this->edges->tracks[$run];
                $length = count($track);
                foreach ($members as [$number, $direction, $first, $count]) {
                    for ($k = $first; $k < $first + $count; $k++) {
                        $signed = $track[$k < $length ? $k : $k - $length];
                        $this->origins[abs($signed) - 1][] = [$number, $signed > 0 ? $direction : -$direction];
                    }
                }
            }
        }

        return $this->origins;
    }

    private function faceRightOf(int $half): ?int
    {
        return $this->faceOf[$this->cycles->of[$half]] ?? null;
    }

    private function locator(): Locator
    {
        return $this->locator ??= new Locator($this->edges, $this->runs);
    }

    private function buildMesh(): Mesh
    {
        [$next, $first] = [$this->cycles->next, $this->cycles->first];
        $cells = [];
        foreach ($this->outer as $face => $outer) {
            $cell = [];
            foreach ([$outer, ...$this->holes[$face] ?? []] as $cycle) {
                $half = $start = $first[$cycle];
                do {
                    $cell[] = ($half & 1) === 0 ? ($half >> 1) + 1 : -($half >> 1) - 1;
                    $half = $next[$half];
                } while ($half !== $start);
            }
            $cells[] = $cell;
        }
        $carriers = $circles = $cubics = $spans = [];
        foreach ($this->edges->run as $edge => $run) {
            $carriers[] = $this->runs->carriers[$run];
            $curve = $this->runs->curves[$run];
            if ($curve instanceof Arc) {
                $circles[$this->runs->carriers[$run]] ??= [$curve->center()->x, $curve->center()->y, $curve->radius()];
            } elseif ($curve instanceof Cubic) {
                [$whole, $from, $to] = $this->runs->wholes[$run];
                $cubics[$this->runs->carriers[$run]] = $whole;
                [$s, $t] = [$this->edges->s[$edge], $this->edges->t[$edge]];
                // The ends of a piece to the last bit, so that the next piece is known to go on.
                $spans[$edge] = [$s === 0.0 ? $from : $from + ($to - $from) * $s, $t === 1.0 ? $to : $from + ($to - $from) * $t];
            }
        }
        $signed = static fn (int $half): int => ($half & 1) === 0 ? ($half >> 1) + 1 : -($half >> 1) - 1;
        $after = [];
        foreach ($next as $half => $following) {
            $after[$signed($half)] = $signed($following);
        }

        return new Mesh(
            $this->edges->x,
            $this->edges->y,
            $this->edges->from,
            $this->edges->to,
            $carriers,
            $circles,
            $cells,
            $cubics,
            $spans,
            $after,
        );
    }
}
