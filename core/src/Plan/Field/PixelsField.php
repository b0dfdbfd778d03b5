<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** Four places of a picture, in pixels, clockwise from the upper left one: the corners of a sheet in a photograph. */
final class PixelsField extends Field
{
    private const FARTHEST = 40_000;

    public function type(): string
    {
        return 'pixels';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_array($raw) || ! array_is_list($raw) || count($raw) !== 4) {
            throw Unusable::at($pointer, 'four places of the picture in pixels, clockwise from the upper left one, such as [[12, 8], [990, 20], [1002, 1400], [5, 1388]]');
        }
        foreach ($raw as $k => $place) {
            self::checkPixel($place, "$pointer/$k");
        }
    }

    /** @throws Unusable */
    public static function checkPixel(mixed $place, string $pointer): void
    {
        $numbers =
            is_array($place) && array_is_list($place)
                ? array_filter($place, static fn (mixed $one): bool => (is_int($one) || is_float($one)) && abs($one) <= self::FARTHEST)
                : [];
        if (count($numbers) !== 2 || count((array) $place) !== 2) {
            throw Unusable::at($pointer, 'a place of the picture: [x, y] in pixels');
        }
    }

    /** @return list<Vec> */
    public function resolve(mixed $raw, Scope $scope): array
    {
        $corners = array_map(self::pixel(...), is_array($raw) ? array_values($raw) : []);
        foreach ($corners as $k => $corner) {
            [$before, $next] = [$corners[($k + 3) % 4], $corners[($k + 1) % 4]];
            if ($corner->minus($before)->cross($next->minus($corner)) <= 0.0) {
                throw new FieldFault(
                    $this->name,
                    'degenerate',
                    'its corners have to go round clockwise, from the upper left one, with none of them bent inwards',
                );
            }
        }

        return $corners;
    }

    public static function pixel(mixed $place): Vec
    {
        [$x, $y] = is_array($place) ? [...array_values($place), 0.0, 0.0] : [0.0, 0.0];

        return new Vec(is_numeric($x) ? (float) $x : 0.0, is_numeric($y) ? (float) $y : 0.0);
    }

    /** @return list<array{int, int}> */
    public function sample(Sampling $lot): array
    {
        return [[$lot->whole(0, 9), 2], [100, $lot->whole(0, 9)], [98, 90], [1, 95]];
    }

    public function schema(): array
    {
        return [
            'type' => 'array',
            'items' => ['type' => 'array', 'items' => ['type' => 'number'], 'minItems' => 2, 'maxItems' => 2],
            'minItems' => 4,
            'maxItems' => 4,
        ];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        return 'its four corners';
    }
}
