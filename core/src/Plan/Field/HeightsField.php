<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** One number for all, or a list with one for each. */
final class HeightsField extends Field
{
    /** Numbers in a list. */
    private const MOST = 2000;

    public function type(): string
    {
        return 'lengths';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (is_array($raw) && (! array_is_list($raw) || $raw === [] || count($raw) > self::MOST)) {
            throw Unusable::at($pointer, 'a number, or a list with one for each cell');
        }
        foreach (is_array($raw) ? $raw : [$raw] as $index => $one) {
            $this->number()->check($one, is_array($raw) ? "$pointer/$index" : $pointer);
        }
    }

    /** @return list<float> one, or one for each */
    public function resolve(mixed $raw, Scope $scope): array
    {
        return array_map(fn (mixed $one): float => $this->number()->resolve($one, $scope), is_array($raw) ? array_values($raw) : [$raw]);
    }

    public function references(mixed $raw): array
    {
        return self::idsInArithmetic(array_values(array_filter(is_array($raw) ? $raw : [$raw], is_string(...))));
    }

    public function renamed(mixed $raw, array $new): mixed
    {
        return is_array($raw)
            ? array_map(static fn (mixed $one): mixed => self::renamedInArithmetic($one, $new), $raw)
            : self::renamedInArithmetic($raw, $new);
    }

    /** @return float|list<float> */
    public function sample(Sampling $lot): float|array
    {
        return $lot->one([$lot->number(0, 3), [$lot->number(0, 3), $lot->number(1, 4)]]);
    }

    public function schema(): array
    {
        return [
            'oneOf' => [
                ['type' => ['number', 'string']],
                ['type' => 'array', 'items' => ['type' => ['number', 'string']], 'minItems' => 1, 'maxItems' => self::MOST],
            ],
        ];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        return implode(
            ' ',
            array_map(fn (mixed $one): string => $this->number()->text($one, $plan, $labels), is_array($raw) ? $raw : [$raw]),
        );
    }

    private function number(): NumberField
    {
        return NumberField::factor($this->name, $this->label);
    }
}
