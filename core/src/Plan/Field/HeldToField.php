<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** What a sheet's colours are held to: so many, those of the palette, or nothing. */
final class HeldToField extends Field
{
    public const MOST = 256;

    public const PALETTE = 'palette';

    public function type(): string
    {
        return 'held';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if ($raw !== self::PALETTE && ! (is_int($raw) && $raw >= 1 && $raw <= self::MOST)) {
            throw Unusable::at($pointer, 'how many colours there may be, 1 to '.self::MOST.', or "'.self::PALETTE.'"');
        }
    }

    public function resolve(mixed $raw, Scope $scope): mixed
    {
        return $raw;
    }

    public function sample(Sampling $lot): int|string
    {
        return $lot->chance(2) ? self::PALETTE : $lot->whole(1, 16);
    }

    public function schema(): array
    {
        return ['oneOf' => [['type' => 'integer', 'minimum' => 1, 'maximum' => self::MOST], ['enum' => [self::PALETTE]]]];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        return match (true) {
            $raw === self::PALETTE => 'the palette',
            is_int($raw) => (string) $raw,
            default => 'any',
        };
    }

    public function traits(): array
    {
        return ['most' => self::MOST];
    }
}
