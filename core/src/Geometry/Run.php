<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** Curves one after another, each beginning where the one before ends. */
final readonly class Run
{
    private const HALVINGS = 50;

    /** @param  non-empty-list<Curve>  $curves */
    public function __construct(public array $curves)
    {
    }

    public function start(): Vec
    {
        return $this->curves[0]->start();
    }

    public function end(): Vec
    {
        return $this->curves[count($this->curves) - 1]->end();
    }

    /** Sheet units. */
    public function length(): float
    {
        return array_sum(array_map(static fn (Curve $curve): float => $curve->length(), $this->curves));
    }

    public function bounds(): Bounds
    {
        $bounds = $this->curves[0]->bounds();
        foreach ($this->curves as $curve) {
            $bounds = $bounds->with($curve->bounds());
        }

        return $bounds;
    }

    /** @param  float  $share  of the length, from 0 at the start to 1 at the end */
    public function pointAt(float $share): Vec
    {
        if ($share >= 1.0) {
            return $this->end();
        }
        if (count($this->curves) === 1 && ! $this->curves[0] instanceof Cubic) {
            return $this->curves[0]->pointAt($share);
        }
        $left = $share * $this->length();
        foreach ($this->curves as $curve) {
            $length = $curve->length();
            if ($left <= $length) {
                return self::along($curve, $length > 0.0 ? $left / $length : 0.0, $length);
            }
            $left -= $length;
        }

        return $this->end();
    }

    /** @return float the share of the way at which it comes nearest to a place */
    public function nearest(Vec $place): float
    {
        $before = $best = 0.0;
        $least = INF;
        foreach ($this->curves as $curve) {
            $t = $curve->nearest($place);
            $distance = $curve->pointAt($t)->distanceTo($place);
            $length = $curve->length();
            if ($distance < $least) {
                $least = $distance;
                $best = $before + ($curve instanceof Cubic && $t > 0.0 ? $curve->part(0.0, $t)->length() : $length * $t);
            }
            $before += $length;
        }

        return $before > 0.0 ? min(1.0, $best / $before) : 0.0;
    }

    public function mapped(Affine $map): self
    {
        $curves = [];
        foreach ($this->curves as $curve) {
            array_push($curves, ...$curve->mapped($map));
        }

        return new self($curves);
    }

    /** The place at a share of a curve's length; of a cubic the parameter is no share. */
    private static function along(Curve $curve, float $share, float $length): Vec
    {
        if (! $curve instanceof Cubic || $share <= 0.0 || $share >= 1.0) {
            return $curve->pointAt(min(1.0, max(0.0, $share)));
        }
        [$low, $high] = [0.0, 1.0];
        for ($round = 0; $round < self::HALVINGS; $round++) {
            $middle = ($low + $high) / 2;
            if ($curve->part(0.0, $middle)->length() < $share * $length) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return $curve->pointAt(($low + $high) / 2);
    }
}
