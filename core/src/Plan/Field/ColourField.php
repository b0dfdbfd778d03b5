<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** A colour: the name of one in the palette, #rrggbb, or none. */
final class ColourField extends Field
{
    public const HEX = '^#[0-9a-fA-F]{6}$';

    public const NAME = '^[\p{L}][\p{L}\p{N} _-]{0,39}$';

    public function type(): string
    {
        return 'colour';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_string($raw) || ! self::isColour($raw)) {
            throw Unusable::at($pointer, 'the name of a palette colour, #rrggbb or "none"');
        }
    }

    /** @return string #rrggbb in small letters, or none */
    public function resolve(mixed $raw, Scope $scope): string
    {
        $raw = is_string($raw) ? $raw : 'none';
        if ($raw === 'none') {
            return $raw;
        }
        $colour = str_starts_with($raw, '#') ? $raw : $scope->plan->palette[$raw] ?? null;
        if ($colour === null) {
            throw new FieldFault($this->name, 'lost', "{$this->label}: the palette has no colour “{$raw}”");
        }

        return strtolower($colour);
    }

    public function recoloured(mixed $raw, string $from, string $to): mixed
    {
        return $raw === $from ? $to : $raw;
    }

    public function sample(Sampling $lot): string
    {
        return $lot->one(['lagoon', 'ink', 'none', '#abc123', 'plum']);
    }

    public function schema(): array
    {
        return ['$ref' => '#/$defs/colour'];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        return is_string($raw) ? $raw : 'none';
    }

    /** Whether it has the form of a colour, whatever the palette holds. */
    public static function isColour(string $text): bool
    {
        return $text === 'none' || preg_match('/'.self::HEX.'/D', $text) === 1 || preg_match('/'.self::NAME.'/uD', $text) === 1;
    }
}
