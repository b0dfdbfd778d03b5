<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** From one cell to another: `[column, row, column, row]`, in whole numbers. */
final class SpanField extends Field
{
    private const PARTS = ['column', 'row', 'last column', 'last row'];

    public function type(): string
    {
        return 'span';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_array($raw) || ! array_is_list($raw) || count($raw) !== 4) {
            throw Unusable::at($pointer, 'four whole numbers: column and row of a cell, and of another one');
        }
        foreach ($raw as $index => $one) {
            $this->number((int) $index)->check($one, "$pointer/$index");
        }
    }

    /** @return list<float> four whole numbers */
    public function resolve(mixed $raw, Scope $scope): array
    {
        $numbers = [];
        foreach (is_array($raw) ? array_values($raw) : [] as $index => $one) {
            $number = $this->number($index)->resolve($one, $scope);
            $numbers[] =
                $number === round($number)
                    ? $number
                    : throw new FieldFault($this->name, 'number', "{$this->label}: cells are counted in whole numbers; $number is none");
        }

        return $numbers;
    }

    public function references(mixed $raw): array
    {
        return is_array($raw) ? self::idsInArithmetic(array_values(array_filter($raw, is_string(...)))) : [];
    }

    public function renamed(mixed $raw, array $new): mixed
    {
        return is_array($raw) ? array_map(static fn (mixed $one): mixed => self::renamedInArithmetic($one, $new), $raw) : $raw;
    }

    /** @return list<int> */
    public function sample(Sampling $lot): array
    {
        return [$lot->whole(1, 6), $lot->whole(1, 6), $lot->whole(1, 8), $lot->whole(1, 8)];
    }

    public function schema(): array
    {
        return ['type' => 'array', 'items' => ['type' => ['number', 'string']], 'minItems' => 4, 'maxItems' => 4];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        $shown = array_map(
            static fn (mixed $one): string => is_scalar($one) ? (string) $one : '',
            is_array($raw) ? array_values($raw) : [],
        );

        return count($shown) === 4 ? "$shown[0], $shown[1] to $shown[2], $shown[3]" : implode(', ', $shown);
    }

    private function number(int $index): NumberField
    {
        return NumberField::coordinate("{$this->name}.$index", "{$this->label}, ".(self::PARTS[$index] ?? 'number'));
    }
}
