<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** A parameter as a kind of step declares it: what may stand in the plan, what it means, and how a sentence says it. */
abstract class Field
{
    /**
     * @param  string  $name  as the plan has it; `stroke.width` for one inside another
     * @param  string  $label  as messages and the interface have it
     * @param  bool  $required  whether a plan without it is unusable
     * @param  mixed  $default  as a plan would write it; null for none
     */
    public function __construct(
        public readonly string $name,
        public readonly string $label,
        public readonly bool $required = false,
        public readonly mixed $default = null,
    ) {
    }

    /** @var array{field: string, is: string}|null the choice on which it depends whether this field means anything */
    private ?array $when = null;

    /** The same, of interest only where another field of the step has a certain value. */
    final public function onlyWhere(string $field, string $is): static
    {
        $copy = clone $this;
        $copy->when = ['field' => $field, 'is' => $is];

        return $copy;
    }

    /** Which editor the interface shows: number, pair, place, choice, switch, steps, step, cells, colour, paint. */
    abstract public function type(): string;

    /** Whether it means anything in a step, as that says the field on which this hangs. */
    final public function means(Step $step): bool
    {
        return $this->when === null || $step->raw($this->when['field']) === $this->when['is'];
    }

    /** @throws Unusable when it has not the form of such a parameter */
    abstract public function check(mixed $raw, string $pointer): void;

    /**
     * What it comes to: float, bool, string, Vec, Known, CellPick or a list of them.
     *
     * @param  mixed  $raw  of the right form
     *
     * @throws FieldFault
     */
    abstract public function resolve(mixed $raw, Scope $scope): mixed;

    /** @return list<string> ids of the steps that it names */
    public function references(mixed $raw): array
    {
        return [];
    }

    /**
     * The same with other ids of the steps that it names.
     *
     * @param  array<string, string>  $new  by old id
     */
    public function renamed(mixed $raw, array $new): mixed
    {
        return $raw;
    }

    /** The same with another name for a colour of the palette. */
    public function recoloured(mixed $raw, string $from, string $to): mixed
    {
        return $raw;
    }

    /**
     * How it can be dragged on the sheet.
     *
     * @return 'place'|'places'|'seats'|null null where it cannot; seats are places that a cell may stand for
     */
    public function handle(): ?string
    {
        return null;
    }

    /** A value that a plan could have there, by lot. */
    abstract public function sample(Sampling $lot): mixed;

    /** @return array<string, mixed> JSON Schema */
    abstract public function schema(): array;

    /**
     * How a sentence says it.
     *
     * @param  array<string, string>  $labels  of the steps
     */
    abstract public function text(mixed $raw, Plan $plan, array $labels): string;

    /**
     * The same in pieces, for fields that are edited piece by piece.
     *
     * @param  array<string, string>  $labels
     * @return list<string>|null null where it is edited as a whole
     */
    public function items(mixed $raw, Plan $plan, array $labels): ?array
    {
        return null;
    }

    /** @return array<string, mixed> what else the interface has to know to edit it */
    public function traits(): array
    {
        return [];
    }

    /** @return array<string, mixed> */
    final public function describe(): array
    {
        return [
            'name' => $this->name,
            'label' => $this->label,
            'type' => $this->type(),
            'required' => $this->required,
            'default' => $this->default,
            'when' => $this->when,
            'handle' => $this->handle() === 'seats' ? 'places' : $this->handle(),
            ...$this->traits(),
        ];
    }

    /**
     * @param  array<array-key, mixed>  $raw  of which the texts are arithmetic
     * @return list<string>
     */
    final protected static function idsInArithmetic(array $raw): array
    {
        $ids = [];
        foreach ($raw as $part) {
            if (is_string($part) && preg_match_all('/(?<![A-Za-z0-9_.])([a-z][a-z0-9]*)\.[A-Za-z]/', $part, $found) > 0) {
                array_push($ids, ...array_diff($found[1], ['sheet']));
            }
        }

        return $ids;
    }

    /** @param  array<string, string>  $new  by old id */
    final protected static function renamedInArithmetic(mixed $raw, array $new): mixed
    {
        return is_string($raw)
            ? preg_replace_callback(
                '/(?<![A-Za-z0-9_.])([a-z][a-z0-9]*)(?=\.[A-Za-z])/',
                static fn (array $found): string => $new[$found[1]] ?? $found[1],
                $raw,
            )
            : $raw;
    }
}
