<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** Several colours that take turns. */
final class ColoursField extends Field
{
    private const MOST = 24;

    public function type(): string
    {
        return 'colours';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_array($raw) || ! array_is_list($raw) || $raw === [] || count($raw) > self::MOST) {
            throw Unusable::at($pointer, 'a list of 1 to '.self::MOST.' colours');
        }
        foreach ($raw as $index => $colour) {
            $this->colour((int) $index)->check($colour, "$pointer/$index");
        }
    }

    /** @return list<string> #rrggbb in small letters, or none */
    public function resolve(mixed $raw, Scope $scope): array
    {
        $colours = [];
        foreach (is_array($raw) ? array_values($raw) : [] as $index => $colour) {
            $colours[] = $this->colour($index)->resolve($colour, $scope);
        }

        return $colours;
    }

    public function recoloured(mixed $raw, string $from, string $to): mixed
    {
        return is_array($raw) ? array_map(static fn (mixed $one): mixed => $one === $from ? $to : $one, $raw) : $raw;
    }

    /** @return list<string> */
    public function sample(Sampling $lot): array
    {
        return ['lagoon', $lot->one(['ink', 'plum', '#abc123', 'none'])];
    }

    public function schema(): array
    {
        return ['type' => 'array', 'items' => ['$ref' => '#/$defs/colour'], 'minItems' => 1, 'maxItems' => self::MOST];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        return implode(', ', array_map(static fn (mixed $one): string => is_string($one) ? $one : 'none', is_array($raw) ? $raw : []));
    }

    private function colour(int $index): ColourField
    {
        return new ColourField($this->name, "{$this->label}, colour ".($index + 1));
    }
}
