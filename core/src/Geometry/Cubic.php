<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** A cubic Bézier curve. */
final readonly class Cubic implements Curve
{
    use Splitting;

    /** Nodes and weights of Gauss-Legendre quadrature with five points, exact up to degree nine (handbook values). */
    private const GAUSS = [
        [0.0, 0.5688888888888889],
        [0.5384693101056831, 0.47862867049936647],
        [-0.5384693101056831, 0.47862867049936647],
        [0.906179845938664, 0.23692688505618908],
        [-0.906179845938664, 0.23692688505618908],
    ];

    /** The length is good to this share of itself. */
    private const LENGTH_ERROR = 1e-10;

    public function __construct(private Vec $start, public Vec $leaving, public Vec $arriving, private Vec $end)
    {
    }

    public function start(): Vec
    {
        return $this->start;
    }

    public function end(): Vec
    {
        return $this->end;
    }

    public function pointAt(float $t): Vec
    {
        if ($t === 0.0) {
            return $this->start;
        }
        if ($t === 1.0) {
            return $this->end;
        }
        $s = 1 - $t;
        [$a, $b, $c, $d] = [$s * $s * $s, 3 * $s * $s * $t, 3 * $s * $t * $t, $t * $t * $t];

        return new Vec(
            $a * $this->start->x + $b * $this->leaving->x + $c * $this->arriving->x + $d * $this->end->x,
            $a * $this->start->y + $b * $this->leaving->y + $c * $this->arriving->y + $d * $this->end->y,
        );
    }

    public function tangentAt(float $t): Vec
    {
        $velocity = $this->velocity($t);
        if ($velocity->x !== 0.0 || $velocity->y !== 0.0) {
            return $velocity->unit();
        }
        // A handle of no length: the curve leaves towards the next one.
        foreach ($t < 0.5 ? [$this->arriving, $this->end] : [$this->leaving, $this->start] as $towards) {
            $way = $towards->minus($t < 0.5 ? $this->start : $this->end)->times($t < 0.5 ? 1.0 : -1.0);
            if ($way->x !== 0.0 || $way->y !== 0.0) {
                return $way->unit();
            }
        }

        return Vec::zero();
    }

    /** The derivative by the parameter. */
    public function velocity(float $t): Vec
    {
        $s = 1 - $t;

        return $this->leaving->minus($this->start)->times(3 * $s * $s)
            ->plus($this->arriving->minus($this->leaving)->times(6 * $s * $t))
            ->plus($this->end->minus($this->arriving)->times(3 * $t * $t));
    }

    public function part(float $from, float $to): static
    {
        $start = $this->pointAt($from);
        $end = $this->pointAt($to);
        $third = ($to - $from) / 3;

        return new self(
            $start,
            $start->plus($this->velocity($from)->times($third)),
            $end->minus($this->velocity($to)->times($third)),
            $end,
        );
    }

    public function length(): float
    {
        return $this->lengthBetween(0.0, 1.0, $this->quadrature(0.0, 1.0), 0);
    }

    public function bounds(): Bounds
    {
        $bounds = Bounds::around($this->start, $this->end);
        foreach ([$this->along(1.0, 0.0), $this->along(0.0, 1.0)] as $coordinate) {
            foreach ($coordinate->derivative()->roots(0.0) as $t) {
                $bounds = $bounds->with(Bounds::around($this->pointAt($t)));
            }
        }

        return $bounds;
    }

    public function reversed(): self
    {
        return new self($this->end, $this->arriving, $this->leaving, $this->start);
    }

    public function nearest(Vec $place): float
    {
        // Where the way to the place stands square to the curve, a polynomial of degree five; or at an end.
        [$px, $py] = [$place->x, $place->y];
        [$ax, $ay, $bx, $by, $cx, $cy, $dx, $dy] = $this->coordinates();
        $x = [$ax - $px, $bx - $px, $cx - $px, $dx - $px];
        $y = [$ay - $py, $by - $py, $cy - $py, $dy - $py];
        $u = [$bx - $ax, $cx - $bx, $dx - $cx];
        $v = [$by - $ay, $cy - $by, $dy - $cy];
        $dot = static fn (int $i, int $j): float => $x[$i] * $u[$j] + $y[$i] * $v[$j];
        // The product of degrees three and two in Bernstein form.
        $square = [
            $dot(0, 0),
            (2 * $dot(0, 1) + 3 * $dot(1, 0)) / 5,
            ($dot(0, 2) + 6 * $dot(1, 1) + 3 * $dot(2, 0)) / 10,
            (3 * $dot(1, 2) + 6 * $dot(2, 1) + $dot(3, 0)) / 10,
            (3 * $dot(2, 2) + 2 * $dot(3, 1)) / 5,
            $dot(3, 2),
        ];
        $best = 0.0;
        $least = $x[0] * $x[0] + $y[0] * $y[0];
        foreach ([...Bernstein::signChanges($square), 1.0] as $t) {
            $s = 1 - $t;
            $wx = $s * $s * $s * $x[0] + 3 * $s * $s * $t * $x[1] + 3 * $s * $t * $t * $x[2] + $t * $t * $t * $x[3];
            $wy = $s * $s * $s * $y[0] + 3 * $s * $s * $t * $y[1] + 3 * $s * $t * $t * $y[2] + $t * $t * $t * $y[3];
            $distance = $wx * $wx + $wy * $wy;
            if ($distance < $least) {
                [$best, $least] = [$t, $distance];
            }
        }

        return $best;
    }

    public function mapped(Affine $map): array
    {
        return [new self($map->apply($this->start), $map->apply($this->leaving), $map->apply($this->arriving), $map->apply($this->end))];
    }

    public function passesAbove(Vec $place): int
    {
        $x = $this->along(1.0, 0.0)->plusConstant(-$place->x);
        $stops = [0.0, ...$x->derivative()->roots(0.0), 1.0];
        $passes = 0;
        for ($k = 1; $k < count($stops); $k++) {
            [$from, $to] = [$stops[$k - 1], $stops[$k]];
            $rightwards = $x->at($from) <= 0.0 && $x->at($to) > 0.0;
            if (($rightwards || ($x->at($to) <= 0.0 && $x->at($from) > 0.0)) && $this->pointAt($x->crossing($from, $to))->y < $place->y) {
                $passes += $rightwards ? 1 : -1;
            }
        }

        return $passes;
    }

    public function areaSeenFrom(Vec $apex): float
    {
        [$a, $b, $c, $d] = array_map(static fn (Vec $place): Vec => $place->minus($apex), [
            $this->start,
            $this->leaving,
            $this->arriving,
            $this->end,
        ]);

        // Half the integral of the cross product of place and velocity, worked out.
        return (6 * $a->cross($b) + 3 * $a->cross($c) + $a->cross($d) + 3 * $b->cross($c) + 3 * $b->cross($d) + 6 * $c->cross($d)) / 20;
    }

    public function momentSeenFrom(Vec $apex): Vec
    {
        // A third of the integral of place × (place × velocity), a polynomial of degree eight.
        $moment = Vec::zero();
        foreach (self::GAUSS as [$node, $weight]) {
            $t = (1 + $node) / 2;
            $place = $this->pointAt($t)->minus($apex);
            $moment = $moment->plus($place->times($weight / 6 * $place->cross($this->velocity($t))));
        }

        return $moment;
    }

    /** The straight line that it runs along, there and back perhaps; null where it leaves one by more than $tolerance. */
    public function asLine(float $tolerance): ?Line
    {
        $places = [$this->start, $this->leaving, $this->arriving, $this->end];
        $way = Vec::zero();
        foreach ($places as $place) {
            $step = $place->minus($this->start);
            $way = $step->length() > $way->length() ? $step : $way;
        }
        $along = $way->unit();
        foreach ($places as $place) {
            if (abs($along->cross($place->minus($this->start))) > $tolerance) {
                return null;
            }
        }
        $reaches = [0.0, $along->dot($this->end->minus($this->start))];
        foreach ($this->along($along->x, $along->y)->derivative()->roots(0.0) as $t) {
            $reaches[] = $along->dot($this->pointAt($t)->minus($this->start));
        }

        return new Line($this->start->plus($along->times(min($reaches))), $this->start->plus($along->times(max($reaches))));
    }

    /**
     * Where it comes through one place twice; its ends count, where they lie on it.
     *
     * With B(t) = at³ + bt² + ct + d, B(s) = B(t) gives a(s² + st + t²) + b(s + t) + c = 0: the sum s + t from its cross product with a,
     * the product st from its dot product.
     *
     * @param  float  $tolerance  what counts as the same place
     * @return array{float, float}|null both parameters, rising
     */
    public function selfCrossing(float $tolerance): ?array
    {
        $c = $this->leaving->minus($this->start)->times(3.0);
        $b = $this->arriving->minus($this->leaving)->times(3.0)->minus($c);
        $a = $this->end->minus($this->start)->minus($b)->minus($c);
        $turn = $b->cross($a);
        if ($turn === 0.0) {
            return null;
        }
        $sum = -$c->cross($a) / $turn;
        $product = $sum ** 2 + ($sum * $b->dot($a) + $c->dot($a)) / $a->dot($a);
        $square = $sum ** 2 - 4 * $product;
        if ($square <= 0.0) {
            return null;
        }
        $first = ($sum - sqrt($square)) / 2;
        $second = ($sum + sqrt($square)) / 2;
        // An end that lies on the curve can come out beyond it by a digit; then it is the end that is meant.
        $ends = [min(1.0, max(0.0, $first)), min(1.0, max(0.0, $second))];
        if ($ends !== [$first, $second]) {
            $ends =
                $ends[0] === 0.0 ? [0.0, $this->nearestBeyond($this->start, $ends[1])] : [$this->nearestBeyond($this->end, $ends[0]), 1.0];
            if ($this->pointAt($ends[0])->distanceTo($this->pointAt($ends[1])) > $tolerance) {
                return null;
            }
        }

        return $ends[1] - $ends[0] > 1e-9 ? $ends : null;
    }

    /** The parameter near another one at which the curve comes nearest to a place. */
    private function nearestBeyond(Vec $place, float $near): float
    {
        for ($round = 0; $round < 8; $round++) {
            $velocity = $this->velocity($near);
            $square = $velocity->dot($velocity);
            $near = $square > 0.0 ? min(1.0, max(0.0, $near + $place->minus($this->pointAt($near))->dot($velocity) / $square)) : $near;
        }

        return $near;
    }

    /** The coordinate in the direction (x, y). */
    public function along(float $x, float $y): Bernstein
    {
        return new Bernstein(array_map(
            static fn (Vec $place): float => $x * $place->x + $y * $place->y,
            [$this->start, $this->leaving, $this->arriving, $this->end],
        ));
    }

    /** @return array{float, float, float, float, float, float, float, float} x and y of the four control points */
    public function coordinates(): array
    {
        return [
            $this->start->x,
            $this->start->y,
            $this->leaving->x,
            $this->leaving->y,
            $this->arriving->x,
            $this->arriving->y,
            $this->end->x,
            $this->end->y,
        ];
    }

    /** The box of the control points, which holds the curve. */
    public function hull(): Bounds
    {
        return Bounds::around($this->start, $this->leaving, $this->arriving, $this->end);
    }

    /** The length between two parameters, by five places on it. */
    private function quadrature(float $from, float $to): float
    {
        [$ax, $ay, $bx, $by, $cx, $cy, $dx, $dy] = $this->coordinates();
        $sum = 0.0;
        foreach (self::GAUSS as [$node, $weight]) {
            $t = ($from + $to) / 2 + ($to - $from) / 2 * $node;
            $s = 1 - $t;
            $vx = $s * $s * ($bx - $ax) + 2 * $s * $t * ($cx - $bx) + $t * $t * ($dx - $cx);
            $vy = $s * $s * ($by - $ay) + 2 * $s * $t * ($cy - $by) + $t * $t * ($dy - $cy);
            $sum += $weight * sqrt($vx * $vx + $vy * $vy);
        }

        return 1.5 * $sum * ($to - $from);
    }

    private function lengthBetween(float $from, float $to, float $whole, int $depth): float
    {
        $middle = ($from + $to) / 2;
        $left = $this->quadrature($from, $middle);
        $right = $this->quadrature($middle, $to);
        if ($depth > 24 || abs($left + $right - $whole) <= self::LENGTH_ERROR * $whole) {
            return $left + $right;
        }

        return $this->lengthBetween($from, $middle, $left, $depth + 1) + $this->lengthBetween($middle, $to, $right, $depth + 1);
    }
}
