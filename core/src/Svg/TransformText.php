<?php

declare(strict_types=1);

namespace Sternbild\Core\Svg;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Vec;

/** Transforms as SVG writes them: CSS Transforms 1, W3C, section 8; one after another from the right. */
final class TransformText
{
    /** @return Affine|null null where it is none */
    public static function read(string $text): ?Affine
    {
        $map = Affine::identity();
        $left = trim(
            (string) preg_replace_callback(
                '/([a-zA-Z]+)\s*\(([^()]*)\)[\s,]*/',
                static function (array $found) use (&$map): string {
                    $numbers = array_map(floatval(...), preg_split('/[\s,]+/', trim($found[2]), -1, PREG_SPLIT_NO_EMPTY) ?: []);
                    $one = self::one($found[1], $numbers);
                    $map = $one === null || $map === null ? null : $one->then($map);

                    return '';
                }, $text));

        return $left === '' ? $map : null;
    }

    /** @param  list<float>  $n */
    private static function one(string $name, array $n): ?Affine
    {
        $origin = Vec::zero();
        $skewed = static fn (float $degrees): float => tan(deg2rad($degrees));

        return array_filter($n, static fn (float $one): bool => ! is_finite($one) || abs($one) > PathText::FARTHEST) !== []
            ? null
            : match ([$name, count($n)]) {
                ['matrix', 6] => Affine::ofMatrix(...$n),
                ['translate', 1] => Affine::move(new Vec($n[0], 0.0)),
                ['translate', 2] => Affine::move(new Vec($n[0], $n[1])),
                ['scale', 1] => Affine::scaling($n[0], $n[0], $origin),
                ['scale', 2] => Affine::scaling($n[0], $n[1], $origin),
                ['rotate', 1] => Affine::turn($n[0], $origin),
                ['rotate', 3] => Affine::turn($n[0], new Vec($n[1], $n[2])),
                ['skewX', 1] => Affine::ofMatrix(1.0, 0.0, $skewed($n[0]), 1.0, 0.0, 0.0),
                ['skewY', 1] => Affine::ofMatrix(1.0, $skewed($n[0]), 0.0, 1.0, 0.0, 0.0),
                default => null,
            };
    }
}
