<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

use Sternbild\Core\Plan\Unusable;

/** The sorts of changes that there are, by name. */
final readonly class Operations
{
    /** @param  array<string, Operation>  $all  by name */
    private function __construct(private array $all)
    {
    }

    /** Those that need nothing but the plan as it is written. */
    public static function plain(): self
    {
        return (new self([]))->with(
            new Add,
            new Set,
            new Remove,
            new Again,
            new Move,
            new NameChapter,
            new MoveChapter,
            new SetSheet,
            new SetValue,
            new SetColour,
            new RenameColour,
            new AddRamp,
            new Lay,
            new Paint,
            new Recolour,
        );
    }

    /** With more of them, or others in the place of those with their names. */
    public function with(Operation ...$more): self
    {
        $all = $this->all;
        foreach ($more as $one) {
            $all[$one->name()] = $one;
        }

        return new self($all);
    }

    /** @return list<Operation> */
    public function list(): array
    {
        return array_values($this->all);
    }

    /**
     * Carries out one after another, each on what the one before it left.
     *
     * @param  list<array<array-key, mixed>>  $operations  that another one comes to
     * @param  string  $pointer  to that one
     *
     * @throws Unusable
     */
    public function carryOut(Draft $draft, array $operations, string $pointer): void
    {
        foreach ($operations as $one) {
            $this->named($one['op'] ?? null, "$pointer/op")->apply($draft, $one, $pointer);
        }
    }

    /** @throws Unusable */
    public function named(mixed $name, string $pointer): Operation
    {
        return (is_string($name) ? $this->all[$name] ?? null : null) ??
            throw Unusable::at($pointer, 'one of '.implode(', ', array_keys($this->all)));
    }
}
