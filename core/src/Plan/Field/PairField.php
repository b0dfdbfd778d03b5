<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** Two lengths, across and down. */
final class PairField extends Field
{
    /** @param  array{int|float|string, int|float|string}|null  $default */
    public function __construct(string $name, string $label, private readonly bool $zeroAllowed, ?array $default = null)
    {
        parent::__construct($name, $label, false, $default);
    }

    public function type(): string
    {
        return 'pair';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_array($raw) || ! array_is_list($raw) || count($raw) !== 2) {
            throw Unusable::at($pointer, "two numbers for {$this->label}: [across, down]");
        }
        foreach ($this->parts() as $index => $part) {
            $part->check($raw[$index], "$pointer/$index");
        }
    }

    public function resolve(mixed $raw, Scope $scope): Vec
    {
        [$across, $down] = $this->parts();
        $raw = is_array($raw) ? $raw : [];

        return new Vec($across->resolve($raw[0] ?? null, $scope), $down->resolve($raw[1] ?? null, $scope));
    }

    public function references(mixed $raw): array
    {
        return is_array($raw) ? self::idsInArithmetic(array_values(array_filter($raw, is_string(...)))) : [];
    }

    public function schema(): array
    {
        $number = $this->parts()[0]->schema();

        return ['type' => 'array', 'prefixItems' => [$number, $number], 'minItems' => 2, 'maxItems' => 2];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        [$across, $down] = $this->parts();
        $raw = is_array($raw) ? $raw : [];

        return $across->text($raw[0] ?? 0, $plan, $labels).' × '.$down->text($raw[1] ?? 0, $plan, $labels);
    }

    public function traits(): array
    {
        return $this->parts()[0]->traits();
    }

    /** @return array{NumberField, NumberField} */
    private function parts(): array
    {
        $across = "{$this->label} across";
        $down = "{$this->label} down";

        return $this->zeroAllowed
            ? [NumberField::length("{$this->name}.0", $across), NumberField::length("{$this->name}.1", $down)]
            : [NumberField::size("{$this->name}.0", $across), NumberField::size("{$this->name}.1", $down)];
    }
}
