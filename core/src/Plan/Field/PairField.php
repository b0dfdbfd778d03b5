<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** Two numbers of one measure: lengths across and down, or the angles of two axes. */
final class PairField extends Field
{
    /**
     * @param  array{NumberField, NumberField}  $parts
     * @param  array{int|float|string, int|float|string}|null  $default
     */
    private function __construct(
        string $name,
        string $label,
        private readonly array $parts,
        private readonly string $between,
        bool $required,
        ?array $default,
        private readonly bool $inCells = false,
    ) {
        parent::__construct($name, $label, $required, $default);
    }

    /** Two lengths that are more than nothing. */
    public static function sizes(string $name, string $label, bool $required = false): self
    {
        return new self(
            $name,
            $label,
            [NumberField::size("$name.0", "$label across"), NumberField::size("$name.1", "$label down")],
            ' × ',
            $required,
            null,
        );
    }

    /** Two lengths, zero allowed, that are nothing where they are not given. */
    public static function lengths(string $name, string $label): self
    {
        return new self(
            $name,
            $label,
            [NumberField::length("$name.0", "$label across"), NumberField::length("$name.1", "$label down")],
            ' × ',
            false,
            [0, 0],
        );
    }

    /** How far across and how far down, either way. */
    public static function way(string $name, string $label, bool $required = false): self
    {
        return new self(
            $name,
            $label,
            [NumberField::offset("$name.0", "$label across"), NumberField::offset("$name.1", "$label down")],
            ', ',
            $required,
            null,
        );
    }

    /** A way in cells of a grid, along its axes, by which arrow keys move. */
    public static function cells(string $name, string $label): self
    {
        return new self(
            $name,
            $label,
            [NumberField::factor("$name.0", "$label along the first axis"), NumberField::factor("$name.1", "$label along the second axis")],
            ' and ',
            false,
            [0, 0],
            true,
        );
    }

    /** Two whole numbers. */
    public static function counts(string $name, string $label, int $least, int $most, bool $required = false): self
    {
        return new self(
            $name,
            $label,
            [NumberField::count("$name.0", "$label across", $least, $most), NumberField::count("$name.1", "$label down", $least, $most)],
            ' × ',
            $required,
            null,
        );
    }

    public static function factors(string $name, string $label): self
    {
        return new self(
            $name,
            $label,
            [NumberField::factor("$name.0", "$label across"), NumberField::factor("$name.1", "$label down")],
            ' × ',
            false,
            null,
        );
    }

    /** Degrees, clockwise on the screen, 0 to the right. */
    public static function angles(string $name, string $label, bool $required): self
    {
        return new self(
            $name,
            $label,
            [NumberField::angle("$name.0", "first of the $label"), NumberField::angle("$name.1", "second of the $label")],
            ' and ',
            $required,
            null,
        );
    }

    public function type(): string
    {
        return 'pair';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_array($raw) || ! array_is_list($raw) || count($raw) !== 2) {
            throw Unusable::at($pointer, "two numbers for {$this->label}");
        }
        foreach ($this->parts as $index => $part) {
            $part->check($raw[$index], "$pointer/$index");
        }
    }

    public function resolve(mixed $raw, Scope $scope): Vec
    {
        $raw = is_array($raw) ? $raw : [];

        return new Vec($this->parts[0]->resolve($raw[0] ?? null, $scope), $this->parts[1]->resolve($raw[1] ?? null, $scope));
    }

    public function references(mixed $raw): array
    {
        return is_array($raw) ? self::idsInArithmetic(array_values(array_filter($raw, is_string(...)))) : [];
    }

    public function renamed(mixed $raw, array $new): mixed
    {
        return is_array($raw) ? array_map(static fn (mixed $one): mixed => self::renamedInArithmetic($one, $new), $raw) : $raw;
    }

    /** @return list<mixed> */
    public function sample(Sampling $lot): array
    {
        return array_map(static fn (NumberField $part): int|float|string => $part->sample($lot), $this->parts);
    }

    public function schema(): array
    {
        $number = $this->parts[0]->schema();

        return ['type' => 'array', 'prefixItems' => [$number, $number], 'minItems' => 2, 'maxItems' => 2];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        $raw = is_array($raw) ? $raw : [];

        return $this->parts[0]->text($raw[0] ?? 0, $plan, $labels).$this->between.$this->parts[1]->text($raw[1] ?? 0, $plan, $labels);
    }

    public function traits(): array
    {
        return ['between' => $this->between, ...$this->parts[0]->traits(), ...($this->inCells ? ['inCells' => true] : [])];
    }
}
