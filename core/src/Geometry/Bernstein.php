<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** A polynomial over [0, 1] in Bernstein form, as Bézier curves have them. */
final readonly class Bernstein
{
    /** Newton's method doubles the digits each round; halving alone needs as many rounds as a double has digits. */
    private const MOST_ROUNDS = 80;

    /** A step below this changes nothing any more. */
    private const STILL = 1e-16;

    /** @param  non-empty-list<float>  $coefficients  as many as the degree and one more */
    public function __construct(private array $coefficients)
    {
    }

    public function at(float $t): float
    {
        $row = $this->coefficients;
        for ($left = count($row) - 1; $left > 0; $left--) {
            for ($k = 0; $k < $left; $k++) {
                $row[$k] += ($row[$k + 1] - $row[$k]) * $t;
            }
        }

        return $row[0];
    }

    public function derivative(): self
    {
        $degree = count($this->coefficients) - 1;
        $slopes = [];
        for ($k = 0; $k < $degree; $k++) {
            $slopes[] = $degree * ($this->coefficients[$k + 1] - $this->coefficients[$k]);
        }

        return new self($slopes === [] ? [0.0] : $slopes);
    }

    public function times(self $other): self
    {
        $m = count($this->coefficients) - 1;
        $n = count($other->coefficients) - 1;
        $product = [];
        for ($k = 0; $k <= $m + $n; $k++) {
            $sum = 0.0;
            for ($i = max(0, $k - $n); $i <= min($m, $k); $i++) {
                $sum += self::choose($m, $i) * self::choose($n, $k - $i) * $this->coefficients[$i] * $other->coefficients[$k - $i];
            }
            $product[] = $sum / self::choose($m + $n, $k);
        }

        /** @var non-empty-list<float> $product */
        return new self($product);
    }

    /** The sum with a polynomial of the same degree. */
    public function plus(self $other): self
    {
        return new self(array_map(static fn (float $a, float $b): float => $a + $b, $this->coefficients, $other->coefficients));
    }

    public function plusConstant(float $constant): self
    {
        return new self(array_map(static fn (float $coefficient): float => $coefficient + $constant, $this->coefficients));
    }

    /**
     * Where it is zero, or comes within $tolerance of zero without crossing it.
     *
     * Between two neighbouring extrema it is monotone, so that a change of sign there is exactly one root; extrema come from the derivative
     * by the same way. No root is missed, whatever the spacing.
     *
     * @return list<float> rising
     */
    public function roots(float $tolerance): array
    {
        $bound = max(array_map(abs(...), $this->coefficients));
        if ($bound <= $tolerance) {
            return [];
        }
        if (count($this->coefficients) === 1) {
            return [];
        }
        $stops = [0.0, ...$this->derivative()->roots(0.0), 1.0];
        $roots = [];
        foreach ($stops as $k => $to) {
            $value = $this->at($to);
            if ($k > 0) {
                $from = $stops[$k - 1];
                if ($this->at($from) * $value < 0.0 && abs($this->at($from)) > $tolerance && abs($value) > $tolerance) {
                    $roots[] = $this->crossing($from, $to);
                }
            }
            if (abs($value) <= $tolerance && ($roots === [] || $roots[count($roots) - 1] !== $to)) {
                $roots[] = $to;
            }
        }

        return $roots;
    }

    /**
     * Where a polynomial changes its sign inside [0, 1], on plain numbers: halved until its coefficients do so once
     * (Descartes' rule of signs),
     * then by regula falsi.
     *
     * @param  non-empty-list<float>  $c  coefficients in Bernstein form
     * @return list<float> rising; of roots closer than a double can part, one
     */
    public static function signChanges(array $c): array
    {
        $found = [];
        $open = [[0.0, 1.0, $c, 0]];
        $degree = count($c) - 1;
        while (($part = array_pop($open)) !== null) {
            [$from, $to, $c, $depth] = $part;
            $changes = 0;
            $last = 0.0;
            foreach ($c as $one) {
                if ($one !== 0.0) {
                    $changes += $last * $one < 0.0 ? 1 : 0;
                    $last = $one > 0.0 ? 1.0 : -1.0;
                }
            }
            if ($changes === 0 && ($c[0] !== 0.0 || $from === 0.0)) {
                continue;
            }
            if ($c[0] === 0.0 && $from > 0.0) {
                $found[] = $from;
                if ($changes === 0) {
                    continue;
                }
            }
            if ($changes === 1 && $c[0] * $c[$degree] < 0.0) {
                $found[] = self::only($c, $from, $to);

                continue;
            }
            if ($depth > 50) {
                $found[] = ($from + $to) / 2;

                continue;
            }
            $left = $right = [];
            for ($row = $degree; $row >= 0; $row--) {
                $left[] = $c[0];
                array_unshift($right, $c[$row]);
                for ($k = 0; $k < $row; $k++) {
                    $c[$k] = ($c[$k] + $c[$k + 1]) / 2;
                }
            }
            $middle = ($from + $to) / 2;
            $open[] = [$middle, $to, $right, $depth + 1];
            $open[] = [$from, $middle, $left, $depth + 1];
        }

        return $found;
    }

    /**
     * The one root of a polynomial whose ends have opposite signs.
     *
     * @param  list<float>  $c
     */
    private static function only(array $c, float $from, float $to): float
    {
        $degree = count($c) - 1;
        [$low, $high, $f, $g, $last] = [0.0, 1.0, $c[0], $c[$degree], 0];
        for ($round = 0; $round < self::MOST_ROUNDS && $high - $low > self::STILL; $round++) {
            $t = $round % 4 === 3 ? ($low + $high) / 2 : $low + ($high - $low) * $f / ($f - $g);
            if (! ($t > $low && $t < $high)) {
                $t = ($low + $high) / 2;
                if ($t <= $low || $t >= $high) {
                    break;
                }
            }
            $row = $c;
            for ($left = $degree; $left > 0; $left--) {
                for ($k = 0; $k < $left; $k++) {
                    $row[$k] += ($row[$k + 1] - $row[$k]) * $t;
                }
            }
            if ($row[0] === 0.0) {
                return $from + ($to - $from) * $t;
            }
            if (($row[0] > 0.0) === ($c[0] > 0.0)) {
                [$low, $f] = [$t, $row[0]];
                $g = $last === 1 ? $g / 2 : $g;
                $last = 1;
            } else {
                [$high, $g] = [$t, $row[0]];
                $f = $last === -1 ? $f / 2 : $f;
                $last = -1;
            }
        }

        return $from + ($to - $from) * ($low + $high) / 2;
    }

    /**
     * The root between two places of opposite sign, with no extremum between them: Newton's method, and halving wherever it would leave the
     * bounds.
     */
    public function crossing(float $from, float $to): float
    {
        $slope = $this->derivative();
        $rises = $this->at($to) > 0.0;
        $t = ($from + $to) / 2;
        for ($round = 0; $round < self::MOST_ROUNDS; $round++) {
            $value = $this->at($t);
            if ($value === 0.0) {
                break;
            }
            if ($value > 0.0 === $rises) {
                $to = $t;
            } else {
                $from = $t;
            }
            $steep = $slope->at($t);
            $next = $steep === 0.0 ? NAN : $t - $value / $steep;
            // Not a number is not within the bounds either.
            if (! ($next > $from && $next < $to)) {
                $next = ($from + $to) / 2;
            }
            if (abs($next - $t) <= self::STILL || $next === $from || $next === $to) {
                return $next;
            }
            $t = $next;
        }

        return $t;
    }

    private static function choose(int $n, int $k): float
    {
        $value = 1.0;
        for ($i = 1; $i <= $k; $i++) {
            $value *= ($n - $k + $i) / $i;
        }

        return round($value);
    }
}
