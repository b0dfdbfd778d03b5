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
     * Between two neighbouring extrema it is monotone, so that a change of sign there is exactly one root; extrema come from the derivative by
     * the same way. No root is missed, whatever the spacing.
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
