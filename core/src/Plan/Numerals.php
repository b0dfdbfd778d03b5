<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** Numbers as people read them: no trailing zeros, no exponents below a million million. */
final class Numerals
{
    /** With as many digits as sentences need: three behind the point, or three that count. */
    public static function told(float $number): string
    {
        return self::plain(abs($number) < 1.0 ? (float) sprintf('%.3g', $number) : round($number, 3));
    }

    public static function plain(float $number): string
    {
        if (abs($number) >= 1e12 || ! is_finite($number)) {
            return sprintf('%.6g', $number);
        }
        $text = rtrim(rtrim(number_format($number, 6, '.', ''), '0'), '.');

        return match ($text) {
            '-0' => '0',
            '0' => $number === 0.0 ? '0' : sprintf('%.3g', $number),
            default => $text,
        };
    }
}
