<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** Colours that are chosen from, or how many are to be found. */
final class ColoursOrCountField extends Field
{
    public const MOST = 256;

    public function type(): string
    {
        return 'tones';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (is_int($raw) && $raw >= 1 && $raw <= self::MOST) {
            return;
        }
        if (! is_array($raw) || ! array_is_list($raw) || $raw === [] || count($raw) > self::MOST) {
            throw Unusable::at($pointer, 'a list of 1 to '.self::MOST.' colours, or how many are to be found');
        }
        foreach ($raw as $index => $colour) {
            $this->colour()->check($colour, "$pointer/$index");
        }
    }

    /** @return list<array{string, string}>|float name and #rrggbb of each, or how many */
    public function resolve(mixed $raw, Scope $scope): array|float
    {
        if (! is_array($raw)) {
            return is_numeric($raw) ? (float) $raw : 1.0;
        }
        $colours = [];
        foreach (array_filter($raw, is_string(...)) as $name) {
            $hex = $this->colour()->resolve($name, $scope);
            $colours[$name] = [$name, $hex];
        }

        return array_values(array_filter($colours, static fn (array $one): bool => $one[1] !== 'none'));
    }

    public function references(mixed $raw): array
    {
        return [];
    }

    public function renamed(mixed $raw, array $new): mixed
    {
        return $raw;
    }

    public function recoloured(mixed $raw, string $from, string $to): mixed
    {
        return is_array($raw) ? array_map(static fn (mixed $one): mixed => $one === $from ? $to : $one, $raw) : $raw;
    }

    /** @return int|list<string> */
    public function sample(Sampling $lot): int|array
    {
        return $lot->one([$lot->whole(1, 12), ['lagoon', 'ink']]);
    }

    public function schema(): array
    {
        return [
            'oneOf' => [
                ['type' => 'integer', 'minimum' => 1, 'maximum' => self::MOST],
                ['type' => 'array', 'items' => ['$ref' => '#/$defs/colour'], 'minItems' => 1, 'maxItems' => self::MOST],
            ],
        ];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        return is_array($raw) ? implode(', ', array_filter($raw, is_string(...))) : (is_int($raw) ? "$raw colours" : '');
    }

    private function colour(): ColourField
    {
        return new ColourField($this->name, $this->label);
    }
}
