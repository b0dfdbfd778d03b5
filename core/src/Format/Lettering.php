<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

/** Figures as single strokes, as draughtsmen letter them: the same in every program, whatever fonts it has. */
final class Lettering
{
    /** Height of a figure, in the units of the strokes below. */
    private const HEIGHT = 6.0;

    private const GAP = 1.5;

    /** @var array<array-key, array{float, string}> width and strokes, the baseline at 6 */
    private const SIGNS = [
        '0' => [4.0, 'M2 0C.6 0 0 1.4 0 3S.6 6 2 6 4 4.6 4 3 3.4 0 2 0'],
        '1' => [2.4, 'M.6 1.2L2 0V6'],
        '2' => [4.0, 'M.2 1.6C.2 .6 1 0 2 0S3.8 .6 3.8 1.7C3.8 3 .2 4.2 .2 6H4'],
        '3' => [4.0, 'M.3 1.2C.6 .4 1.2 0 2 0 3.1 0 3.7 .6 3.7 1.5S3 2.9 1.8 2.9C3.2 2.9 4 3.5 4 4.5S3.2 6 2 6C1 6 .3 5.5 0 4.6'],
        '4' => [4.0, 'M3 6V0L0 4.3H4'],
        '5' => [4.0, 'M3.6 0H.6L.3 2.7C.8 2.3 1.4 2.1 2 2.1 3.2 2.1 4 2.9 4 4S3.2 6 2 6C1 6 .3 5.5 0 4.7'],
        '6' => [4.0, 'M3.4 .5C3 .2 2.6 0 2.1 0 .7 0 0 1.4 0 3.6 0 5.2 .8 6 2 6S4 5.2 4 4.1 3.2 2.3 2 2.3 .2 3 0 4'],
        '7' => [4.0, 'M0 0H4L1.4 6'],
        '8' => [4.0, 'M2 2.8C1 2.8 .4 2.2 .4 1.4S1 0 2 0 3.6 .6 3.6 1.4 3 2.8 2 2.8 0 3.4 0 4.4 .8 6 2 6 4 5.4 4 4.4 3 2.8 2 2.8'],
        '9' => [4.0, 'M.6 5.5C1 5.8 1.4 6 1.9 6 3.3 6 4 4.6 4 2.4 4 .8 3.2 0 2 0S0 .8 0 1.9 .8 3.7 2 3.7 3.8 3 4 2'],
        '.' => [0.8, 'M.4 5.7V6'],
        '/' => [3.0, 'M0 6.6L3 -.6'],
        'r' => [2.6, 'M.4 2V6M.4 3.7C.7 2.6 1.4 2 2.5 2'],
        'φ' => [4.0, 'M2 2.2C.8 2.2 0 3 0 4.1S.8 6 2 6 4 5.2 4 4.1 3.2 2.2 2 2.2M2 .8V7.4'],
        '²' => [2.0, 'M.1 .4C.1 -.1 .5 -.4 1 -.4S1.9 -.1 1.9 .4C1.9 1 .1 1.6 .1 2.5H2'],
        '=' => [3.4, 'M0 2.9H3.4M0 4.5H3.4'],
        ' ' => [1.2, ''],
    ];

    /**
     * @param  string  $text  of figures and the few signs beside them; others are left out
     * @param  float  $x  and $y where its middle lies
     * @param  float  $size  height of its figures
     * @param  string  $colour  and $ground, that it is kept free on
     */
    public static function centred(string $text, float $x, float $y, float $size, string $colour, string $ground): string
    {
        $scale = $size / self::HEIGHT;
        $at = 0.0;
        $strokes = '';
        foreach (mb_str_split($text) as $sign) {
            [$width, $path] = self::SIGNS[$sign] ?? [0.0, ''];
            $strokes .= $path === '' ? '' : sprintf('<path transform="translate(%s 0)" d="%s"/>', self::short($at), $path);
            $at += $width + self::GAP;
        }
        $left = $x - (($at - self::GAP) * $scale) / 2;
        $place = sprintf(
            'transform="translate(%s %s) scale(%s)" fill="none" stroke-linecap="round" stroke-linejoin="round"',
            self::short($left),
            self::short($y - $size / 2),
            self::short($scale),
        );

        return "<g $place stroke=\"$ground\" stroke-width=\"2.6\">$strokes</g>\n<g $place stroke=\"$colour\" stroke-width=\".62\">$strokes</g>\n";
    }

    /** How wide it is written, with figures of a height. */
    public static function width(string $text, float $size): float
    {
        $widths = array_map(static fn (string $sign): float => (self::SIGNS[$sign][0] ?? 0.0) + self::GAP, mb_str_split($text));

        return max(0.0, array_sum($widths) - self::GAP) * $size / self::HEIGHT;
    }

    private static function short(float $number): string
    {
        return rtrim(rtrim(sprintf('%.4F', $number), '0'), '.') ?: '0';
    }
}
