<?php

declare(strict_types=1);

namespace Sternbild\Core\Svg;

/** Lengths as SVG writes them, in user units: CSS Values and Units 3, W3C, section 6.2. */
final class Lengths
{
    /** User units to a unit: 96 to an inch. */
    private const UNITS = [
        '' => 1.0,
        'px' => 1.0,
        'in' => 96.0,
        'cm' => 96 / 2.54,
        'mm' => 9.6 / 2.54,
        'pt' => 96 / 72,
        'pc' => 16.0,
        'em' => 16.0,
        'ex' => 8.0,
    ];

    /** @return array{float, string}|null the number and its unit; null where it is no length */
    public static function parts(string $text): ?array
    {
        $isOne = preg_match('/^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?)\s*(px|in|cm|mm|pt|pc|em|ex|%|)\s*$/D', $text, $found) === 1;

        return $isOne && is_finite((float) $found[1]) && abs((float) $found[1]) <= PathText::FARTHEST
            ? [(float) $found[1], $found[2]]
            : null;
    }

    /** @param  float  $whole  user units that are 100 % */
    public static function read(string $text, float $whole, float $default): float
    {
        $parts = self::parts($text);

        return $parts === null ? $default : ($parts[1] === '%' ? $parts[0] * $whole / 100 : $parts[0] * self::UNITS[$parts[1]]);
    }

    /** @return list<float> what of a list of numbers can be read */
    public static function numbers(string $text): array
    {
        $numbers = array_map(floatval(...), preg_split('/[\s,]+/', trim($text), -1, PREG_SPLIT_NO_EMPTY) ?: []);

        return array_filter($numbers, static fn (float $one): bool => ! is_finite($one) || abs($one) > PathText::FARTHEST) === []
            ? $numbers
            : [];
    }
}
