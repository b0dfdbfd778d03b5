<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** A circular arc, up to the full circle. */
final readonly class Arc implements Curve
{
    use Splitting;

    /** Cubics stand in for arcs of at most this angle, in radians; they leave the ellipse by 4.3e-6 of its larger radius at most. */
    private const WIDEST_AS_CUBIC = M_PI / 4;

    /** Sweeps below this, in radians, are as good as straight for differences. */
    private const FLAT = 0.2;

    /**
     * @param  Vec  $start  and $end lie on the circle; they are kept beside it so that neighbouring segments share them to the last bit
     * @param  float  $sweep  radians, positive clockwise on the screen, within (−2π, 2π) or ±2π for the full circle
     */
    private function __construct(
        private Vec $start,
        private Vec $end,
        private Vec $center,
        private float $radius,
        private float $sweep,
    ) {
    }

    /** From $start to $end around $center; the full circle when both are the same place. */
    public static function around(Vec $center, float $radius, Vec $start, Vec $end, bool $clockwise): self
    {
        if ($start->x === $end->x && $start->y === $end->y) {
            return new self($start, $end, $center, $radius, $clockwise ? 2 * M_PI : -2 * M_PI);
        }
        $from = $start->minus($center);
        $to = $end->minus($center);
        $sweep = atan2($from->cross($to), $from->dot($to));
        if ($clockwise && $sweep <= 0.0) {
            $sweep += 2 * M_PI;
        } elseif (! $clockwise && $sweep >= 0.0) {
            $sweep -= 2 * M_PI;
        }

        return new self($start, $end, $center, $radius, $sweep);
    }

    public static function fullCircle(Circle $circle): self
    {
        $start = new Vec($circle->center->x + $circle->radius, $circle->center->y);

        return new self($start, $start, $circle->center, $circle->radius, 2 * M_PI);
    }

    /**
     * From $start through $on to $end.
     *
     * @throws Degenerate for three points in a line
     */
    public static function through(Vec $start, Vec $on, Vec $end): self
    {
        $circle = Circle::through($start, $on, $end);

        return self::around($circle->center, $circle->radius, $start, $end, $on->minus($start)->cross($end->minus($on)) > 0.0);
    }

    public function circle(): Circle
    {
        return new Circle($this->center, $this->radius);
    }

    public function start(): Vec
    {
        return $this->start;
    }

    public function end(): Vec
    {
        return $this->end;
    }

    public function center(): Vec
    {
        return $this->center;
    }

    public function radius(): float
    {
        return $this->radius;
    }

    /** Radians, positive clockwise on the screen. */
    public function sweep(): float
    {
        return $this->sweep;
    }

    public function isFullCircle(): bool
    {
        return abs($this->sweep) === 2 * M_PI;
    }

    public function pointAt(float $t): Vec
    {
        if ($t === 0.0) {
            return $this->start;
        }
        if ($t === 1.0) {
            return $this->end;
        }
        $angle = $this->startAngle() + $t * $this->sweep;

        return new Vec($this->center->x + $this->radius * cos($angle), $this->center->y + $this->radius * sin($angle));
    }

    public function tangentAt(float $t): Vec
    {
        $outwards = $this->pointAt($t)->minus($this->center)->unit()->quarterTurned();

        return $this->sweep > 0.0 ? $outwards : $outwards->times(-1.0);
    }

    public function part(float $from, float $to): static
    {
        return new self($this->pointAt($from), $this->pointAt($to), $this->center, $this->radius, $this->sweep * ($to - $from));
    }

    public function nearest(Vec $place): float
    {
        $t = $this->parameterTowards($place);

        return match (true) {
            $t <= 1.0 => $t,
            $this->end->distanceTo($place) < $this->start->distanceTo($place) => 1.0,
            default => 0.0,
        };
    }

    /** The parameter at which the circle passes in the direction of $place; above 1 where that is beyond the arc. */
    public function parameterTowards(Vec $place): float
    {
        $turn = atan2($place->y - $this->center->y, $place->x - $this->center->x) - $this->startAngle();
        $turn = $this->sweep > 0.0 ? $turn : -$turn;
        $turn -= 2 * M_PI * floor($turn / (2 * M_PI));

        return $turn / abs($this->sweep);
    }

    public function length(): float
    {
        return $this->radius * abs($this->sweep);
    }

    public function bounds(): Bounds
    {
        $left = min($this->start->x, $this->end->x);
        $right = max($this->start->x, $this->end->x);
        $top = min($this->start->y, $this->end->y);
        $bottom = max($this->start->y, $this->end->y);
        $from = $this->startAngle();
        $last = max($from, $from + $this->sweep) / M_PI_2;
        for ($quarter = (int) ceil(min($from, $from + $this->sweep) / M_PI_2); $quarter <= $last; $quarter++) {
            match (($quarter % 4 + 4) % 4) {
                0 => $right = $this->center->x + $this->radius,
                1 => $bottom = $this->center->y + $this->radius,
                2 => $left = $this->center->x - $this->radius,
                default => $top = $this->center->y - $this->radius,
            };
        }

        return new Bounds($left, $top, $right, $bottom);
    }

    public function reversed(): self
    {
        return new self($this->end, $this->start, $this->center, $this->radius, -$this->sweep);
    }

    public function mapped(Affine $map): array
    {
        if (! $map->isSimilarity()) {
            return array_merge(...array_map(static fn (Cubic $cubic): array => $cubic->mapped($map), $this->asCubics()));
        }

        return [new self(
            $map->apply($this->start),
            $map->apply($this->end),
            $map->apply($this->center),
            $this->radius * $map->scale(),
            $map->isMirrored() ? -$this->sweep : $this->sweep,
        )];
    }

    /** @return non-empty-list<Cubic> within 4.3e-6 of the radius; handles of 4/3·tan(θ/4) (handbook formula) */
    public function asCubics(): array
    {
        $count = max(1, (int) ceil(abs($this->sweep) / self::WIDEST_AS_CUBIC - Tolerance::ROUNDING));
        $handle = 4 / 3 * tan($this->sweep / $count / 4);
        $cubics = [];
        for ($piece = 0; $piece < $count; $piece++) {
            $from = $this->pointAt($piece / $count);
            $to = $this->pointAt($piece + 1 === $count ? 1.0 : ($piece + 1) / $count);
            $cubics[] = new Cubic(
                $from,
                $from->plus($from->minus($this->center)->quarterTurned()->times($handle)),
                $to->minus($to->minus($this->center)->quarterTurned()->times($handle)),
                $to,
            );
        }

        /** @var non-empty-list<Cubic> $cubics */
        return $cubics;
    }

    public function passesAbove(Vec $place): int
    {
        // Clockwise over the upper half of the circle it runs to the right, under the lower half to the left.
        $from = $this->startAngle();
        $to = $from + $this->sweep;
        [$low, $high] = [min($from, $to), max($from, $to)];
        $stops = [$low];
        for ($half = (int) ceil($low / M_PI + 1e-15); $half * M_PI < $high; $half++) {
            $stops[] = $half * M_PI;
        }
        $stops[] = $high;
        $passes = 0;
        for ($k = 1; $k < count($stops); $k++) {
            $upper = sin(($stops[$k - 1] + $stops[$k]) / 2) < 0.0;
            $first = $this->placeAt($stops[$k - 1])->x;
            $last = $this->placeAt($stops[$k])->x;
            $within = $upper ? $first <= $place->x && $last > $place->x : $last <= $place->x && $first > $place->x;
            if (
                $within &&
                $this->center->y + ($upper ? -1 : 1) * sqrt(max(0.0, $this->radius ** 2 - ($place->x - $this->center->x) ** 2)) < $place->y
            ) {
                $passes += $upper ? 1 : -1;
            }
        }

        return $this->sweep > 0.0 ? $passes : -$passes;
    }

    /** The ends to the last bit, so that neighbours have the same. */
    private function placeAt(float $angle): Vec
    {
        $from = $this->startAngle();

        return match ($angle) {
            $from => $this->start,
            $from + $this->sweep => $this->end,
            default => new Vec($this->center->x + $this->radius * round(cos($angle)), $this->center->y),
        };
    }

    public function areaSeenFrom(Vec $apex): float
    {
        return $this->start->minus($apex)->cross($this->end->minus($apex)) / 2 + $this->radius ** 2 * self::excess($this->sweep) / 2;
    }

    public function momentSeenFrom(Vec $apex): Vec
    {
        $triangle = (new Line($this->start, $this->end))->momentSeenFrom($apex);
        $excess = self::excess($this->sweep);
        if ($excess === 0.0) {
            return $triangle;
        }
        // The circular segment between chord and arc has its centroid 4r·sin³(θ/2) / 3(θ − sin θ) from the centre (handbook formula).
        $reach = 4 * $this->radius * sin($this->sweep / 2) ** 3 / (3 * $excess);
        $middle = $this->startAngle() + $this->sweep / 2;
        $centroid = new Vec($this->center->x + $reach * cos($middle), $this->center->y + $reach * sin($middle));

        return $triangle->plus($centroid->minus($apex)->times($this->radius ** 2 * $excess / 2));
    }

    /**
     * θ − sin θ of a sweep θ: twice the area between arc and chord on a circle of radius 1.
     *
     * @param  float  $sweep  radians
     */
    public static function excess(float $sweep): float
    {
        if (abs($sweep) > self::FLAT) {
            return $sweep - sin($sweep);
        }
        // Of an arc that is almost straight the difference would keep no digits; its Taylor series does.
        $square = $sweep ** 2;

        return $sweep * $square / 6 * (1 - $square / 20 * (1 - $square / 42 * (1 - $square / 72 * (1 - $square / 110))));
    }

    /** Radians, clockwise on the screen, 0 to the right. */
    public function startAngle(): float
    {
        return atan2($this->start->y - $this->center->y, $this->start->x - $this->center->x);
    }
}
