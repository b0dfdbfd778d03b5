<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/**
 * A number as the exact sum of doubles that do not overlap, the smallest first.
 *
 * After J. R. Shewchuk, Adaptive Precision Floating-Point Arithmetic and Fast Robust Geometric Predicates, Discrete & Computational
 * Geometry 18 (1997). Exact as long as nothing overflows or underflows, which coordinates up to 1e7 and down to 1e-30 do not.
 */
final readonly class Expansion
{
    /** Splits a double of 53 bits into halves that multiply without rounding. */
    private const SPLITTER = 134_217_729.0;

    /** @param  list<float>  $parts  rising in size */
    private function __construct(private array $parts)
    {
    }

    public static function of(float $number): self
    {
        return new self([$number]);
    }

    /** $a − $b, exact. */
    public static function difference(float $a, float $b): self
    {
        $sum = $a - $b;
        $virtual = $a - $sum;
        $around = $virtual - $b;
        $rest = ($a - ($sum + $virtual)) + $around;

        return new self([$rest, $sum]);
    }

    public function plus(self $other): self
    {
        $sum = $this->parts;
        foreach ($other->parts as $number) {
            $sum = self::grown($sum, $number);
        }

        return new self($sum);
    }

    public function minus(self $other): self
    {
        return $this->plus($other->times(self::of(-1.0)));
    }

    public function times(self $other): self
    {
        $product = [];
        foreach ($other->parts as $factor) {
            if ($factor === 0.0) {
                continue;
            }
            foreach ($this->parts as $number) {
                [$high, $low] = self::product($number, $factor);
                $product = self::grown(self::grown($product, $low), $high);
            }
        }

        return new self($product === [] ? [0.0] : $product);
    }

    public function squared(): self
    {
        return $this->times($this);
    }

    /** The nearest double, or its neighbour. Its sign is the exact sign. */
    public function value(): float
    {
        return array_sum($this->parts);
    }

    /**
     * An expansion with one more number added.
     *
     * @param  list<float>  $parts
     * @return list<float>
     */
    private static function grown(array $parts, float $number): array
    {
        $grown = [];
        $carry = $number;
        foreach ($parts as $part) {
            $sum = $carry + $part;
            $virtual = $sum - $carry;
            $rest = ($carry - ($sum - $virtual)) + ($part - $virtual);
            if ($rest !== 0.0) {
                $grown[] = $rest;
            }
            $carry = $sum;
        }
        $grown[] = $carry;

        return $grown;
    }

    /** @return array{float, float} the rounded product and what rounding lost */
    private static function product(float $a, float $b): array
    {
        $product = $a * $b;
        $wide = self::SPLITTER * $a;
        $aHigh = $wide - ($wide - $a);
        $aLow = $a - $aHigh;
        $wide = self::SPLITTER * $b;
        $bHigh = $wide - ($wide - $b);
        $bLow = $b - $bHigh;

        return [$product, $aLow * $bLow - ((($product - $aHigh * $bHigh) - $aLow * $bHigh) - $aHigh * $bLow)];
    }
}
