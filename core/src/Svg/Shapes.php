<?php

declare(strict_types=1);

namespace Sternbild\Core\Svg;

use Sternbild\Core\Geometry\Vec;

/** Basic shapes as path data: Scalable Vector Graphics 2, W3C, chapter 10. */
final class Shapes
{
    /** @return array{string, array{string, list<float>}|null} path data, none where nothing is drawn, and what it is more simply */
    public static function written(\DOMElement $element, Vec $viewport): array
    {
        $diagonal = hypot($viewport->x, $viewport->y) / M_SQRT2;
        $x = static fn (string $name, float $default = 0.0): float => Lengths::read($element->getAttribute($name), $viewport->x, $default);
        $y = static fn (string $name, float $default = 0.0): float => Lengths::read($element->getAttribute($name), $viewport->y, $default);

        return match ($element->localName) {
            'path' => [trim($element->getAttribute('d')), null],
            'rect' => self::rectangle([$x('x'), $y('y'), $x('width'), $y('height')], $x('rx', -1.0), $y('ry', -1.0)),
            'circle' => self::ellipse($x('cx'), $y('cy'), $radius = Lengths::read($element->getAttribute('r'), $diagonal, 0.0), $radius),
            'ellipse' => self::ellipse($x('cx'), $y('cy'), $x('rx', $y('ry', 0.0)), $y('ry', $x('rx', 0.0))),
            'line' => [self::text('M%s %sL%s %s', $x('x1'), $y('y1'), $x('x2'), $y('y2')), null],
            default => [self::polygon($element->getAttribute('points'), $element->localName === 'polygon'), null],
        };
    }

    /**
     * @param  array{float, float, float, float}  $box
     * @return array{string, array{string, list<float>}|null}
     */
    private static function rectangle(array $box, float $rx, float $ry): array
    {
        [$x, $y, $wide, $high] = $box;
        if ($wide <= 0.0 || $high <= 0.0) {
            return ['', null];
        }
        [$rx, $ry] = [$rx < 0.0 ? max(0.0, $ry) : $rx, $ry < 0.0 ? max(0.0, $rx) : $ry];
        [$rx, $ry] = [min($rx, $wide / 2), min($ry, $high / 2)];
        if ($rx === 0.0 || $ry === 0.0) {
            return [self::text('M%s %sh%sv%sh%sz', $x, $y, $wide, $high, -$wide), ['rectangle', $box]];
        }
        $corner = static fn (float $dx, float $dy): string => self::text('a%s %s 0 0 1 %s %s', $rx, $ry, $dx, $dy);
        [$across, $down] = [$wide - 2 * $rx, $high - 2 * $ry];

        return [
            self::text('M%s %sh%s', $x + $rx, $y, $across).
            $corner($rx, $ry).
            self::text('v%s', $down).
            $corner(-$rx, $ry).
            self::text('h%s', -$across).
            $corner(-$rx, -$ry).
            self::text('v%s', -$down).
            $corner($rx, -$ry).
            'z',
            null,
        ];
    }

    /** @return array{string, array{string, list<float>}|null} */
    private static function ellipse(float $x, float $y, float $rx, float $ry): array
    {
        return $rx <= 0.0 || $ry <= 0.0
            ? ['', null]
            : [
                self::text('M%s %sa%s %s 0 1 1 %s 0a%s %s 0 1 1 %s 0z', $x - $rx, $y, $rx, $ry, 2 * $rx, $rx, $ry, -2 * $rx),
                [$rx === $ry ? 'circle' : 'ellipse', [$x, $y, $rx, $ry]],
            ];
    }

    private static function polygon(string $points, bool $closed): string
    {
        $numbers = Lengths::numbers($points);
        $places = array_chunk(count($numbers) % 2 === 0 ? $numbers : array_slice($numbers, 0, -1), 2);

        return count($places) < 2
            ? ''
            : 'M'.implode('L', array_map(static fn (array $at): string => self::text('%s %s', ...$at), $places)).($closed ? 'z' : '');
    }

    private static function text(string $format, float ...$numbers): string
    {
        return sprintf($format, ...array_map(PathText::number(...), $numbers));
    }
}
