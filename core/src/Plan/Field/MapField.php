<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Numerals;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** The six numbers a to f of an affine map: x′ = ax + cy + e, y′ = bx + dy + f. */
final class MapField extends Field
{
    private const IDENTITY = [1, 0, 0, 1, 0, 0];

    public function __construct(string $name, string $label)
    {
        parent::__construct($name, $label, false, self::IDENTITY);
    }

    public function type(): string
    {
        return 'map';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (
            ! is_array($raw) ||
            ! array_is_list($raw) ||
            count($raw) !== 6 ||
            array_filter($raw, static fn (mixed $one): bool => ! is_int($one) && (! is_float($one) || ! is_finite($one))) !== []
        ) {
            throw Unusable::at($pointer, 'six numbers a to f, of a map that takes x to ax + cy + e and y to bx + dy + f');
        }
    }

    public function resolve(mixed $raw, Scope $scope): Affine
    {
        $numbers = array_map(
            static fn (mixed $one): float => is_int($one) || is_float($one) ? (float) $one : 0.0,
            is_array($raw) ? array_values($raw) : [],
        );
        $map = Affine::ofMatrix(...[...$numbers, ...array_slice([1.0, 0.0, 0.0, 1.0, 0.0, 0.0], count($numbers))]);

        return abs($map->determinant()) > 0.0 ? $map : throw new FieldFault($this->name, 'degenerate', 'its map leaves nothing of it');
    }

    /** @return list<float> */
    public function sample(Sampling $lot): array
    {
        return [
            $lot->number(1, 2),
            $lot->number(0, 1),
            $lot->number(-1, 0),
            $lot->number(1, 2),
            $lot->number(0, 100),
            $lot->number(0, 100),
        ];
    }

    public function schema(): array
    {
        return ['type' => 'array', 'items' => ['type' => 'number'], 'minItems' => 6, 'maxItems' => 6];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        return implode(
            ' ',
            array_map(
                static fn (mixed $one): string => is_int($one) || is_float($one) ? Numerals::plain(round((float) $one, 4)) : '',
                is_array($raw) ? $raw : [],
            ),
        );
    }
}
