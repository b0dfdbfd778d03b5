<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** Lengths of dashes and gaps in turn. */
final class DashField extends Field
{
    private const MOST = 16;

    public function type(): string
    {
        return 'lengths';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_array($raw) || ! array_is_list($raw) || $raw === [] || count($raw) > self::MOST) {
            throw Unusable::at($pointer, 'a list of 1 to '.self::MOST.' lengths: dash, gap, dash, …');
        }
        foreach ($raw as $index => $length) {
            NumberField::length("{$this->name}.$index", $this->label)->check($length, "$pointer/$index");
        }
    }

    /** @return list<float> */
    public function resolve(mixed $raw, Scope $scope): array
    {
        $lengths = [];
        foreach (is_array($raw) ? array_values($raw) : [] as $index => $length) {
            $lengths[] = NumberField::length("{$this->name}.$index", $this->label)->resolve($length, $scope);
        }
        if (array_sum($lengths) === 0.0) {
            throw new FieldFault($this->name, 'number', "{$this->label} must not be zero throughout");
        }

        return $lengths;
    }

    public function references(mixed $raw): array
    {
        return is_array($raw) ? self::idsInArithmetic(array_values(array_filter($raw, is_string(...)))) : [];
    }

    public function renamed(mixed $raw, array $new): mixed
    {
        return is_array($raw) ? array_map(static fn (mixed $one): mixed => self::renamedInArithmetic($one, $new), $raw) : $raw;
    }

    /** @return list<float> */
    public function sample(Sampling $lot): array
    {
        return [$lot->number(1, 20), $lot->number(1, 20)];
    }

    public function schema(): array
    {
        return ['type' => 'array', 'items' => ['type' => ['number', 'string']], 'minItems' => 1, 'maxItems' => self::MOST];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        $length = NumberField::length($this->name, $this->label);

        return implode(' ', array_map(
            static fn (mixed $part): string => $length->text($part, $plan, $labels),
            is_array($raw) ? $raw : [],
        ));
    }
}
