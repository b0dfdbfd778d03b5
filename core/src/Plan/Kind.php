<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Result\Result;
use Sternbild\Core\Result\Role;

/**
 * One sort of step: its parameters, its sentence, its computation. An attribute says what it is called; Kinds registers it.
 *
 * How a screen offers it stands beside the core, in `desk/`; the interface has no code of its own for any kind.
 */
abstract class Kind
{
    private ?Called $called = null;

    /** @var list<Field>|null */
    private ?array $fields = null;

    final public function name(): string
    {
        return $this->called()->name;
    }

    final public function label(): string
    {
        return $this->called()->label;
    }

    final public function word(): string
    {
        return $this->called()->word;
    }

    final public function idPrefix(): string
    {
        return $this->called()->prefix;
    }

    final public function purpose(): Purpose
    {
        return $this->called()->purpose;
    }

    /** @return list<Field> */
    final public function fields(): array
    {
        return $this->fields ??= $this->declared();
    }

    /** @return list<Field> what its steps may say */
    abstract protected function declared(): array;

    /**
     * The sentence: plain words, `{field}` for a parameter, `[…]` for what is left out while its parameters are not given,
     * and `{=value}` for a number that it comes to, `{=value|words|others}` with words before it, and others where it comes to none.
     *
     * @param  Step  $step  what is given can decide the wording
     */
    abstract public function sentence(Step $step): string;

    /**
     * @throws FieldFault
     */
    abstract public function evaluate(Arguments $given): Result;

    /**
     * What can be taken hold of on the sheet to change its numbers. Places need not be declared: their fields are dragged themselves.
     *
     * @param  Result  $result  that it came to
     * @return list<Pull>
     */
    public function pulls(Arguments $given, Result $result): array
    {
        return [];
    }

    /** What its steps come to, as far as that does not hang on what they are made of: a part. */
    public function makes(): Role
    {
        return Role::Part;
    }

    /** Whether a pointer can snap to what it comes to. */
    public function offersPlaces(): bool
    {
        return false;
    }

    /**
     * What it is made of. That is used up, unless the step says that it is kept.
     *
     * @return list<Evaluated>
     */
    public function sources(Arguments $given): array
    {
        return [];
    }

    /** Whether its sources go on being drawn by themselves. */
    public function keepsSources(Arguments $given): bool
    {
        return false;
    }

    /** Whether what it comes to is drawn where it lies; else only what is made of it is. */
    public function isDrawn(): bool
    {
        return true;
    }

    /**
     * How wide the bar is that it draws, where it draws one.
     *
     * @param  Evaluated  $known  what the step came to
     */
    public function bar(Step $step, Evaluated $known): ?Bar
    {
        return null;
    }

    /** @return string|null the field that names what is worked on in its place: of a placement the motif */
    public function opens(): ?string
    {
        return null;
    }

    /** Whether it lies where the topmost of its sources lay, not at its own step. */
    public function staysInPlace(): bool
    {
        return false;
    }

    /**
     * The step that it goes on being called as: what a move brings elsewhere is still the disc.
     *
     * @param  array<array-key, mixed>  $said  what the plan says for its fields
     * @return string|null its id
     */
    public function namesake(array $said): ?string
    {
        return null;
    }

    /**
     * What stands in its place when it goes on: of a copy a repeat of three, of a repeat one more.
     *
     * @param  array<array-key, mixed>  $said  what the plan says for its fields
     * @param  callable(string): (array<array-key, mixed>|null)  $other  what the plan says of another step, by its id
     * @return array<string, mixed>|null kind and fields; null where there is no going on
     */
    public function again(array $said, callable $other): ?array
    {
        return null;
    }

    /** Whether its copies go around a centre, in sectors where they go all the way. */
    public function goesAround(): bool
    {
        return false;
    }

    /** Whether it takes the look of the first of its sources, not of the topmost. */
    public function looksLikeFirst(): bool
    {
        return false;
    }

    /** @return list<string> what its copies are called, where they have names */
    public function copyNames(): array
    {
        return [];
    }

    /** @return list<string> fields that only say how the step itself is shown; its result does not hang on them */
    public function presentation(): array
    {
        return [];
    }

    /** @return list<string> of a grid what the coordinates of a cell's address count: ring and sector, column and row */
    public function cellWords(): array
    {
        return [];
    }

    /** @return list<string> of a grid what the coordinates of an intersection's address count */
    public function pointWords(): array
    {
        return [];
    }

    final public function field(string $name): ?Field
    {
        foreach ($this->fields() as $field) {
            if ($field->name === $name) {
                return $field;
            }
        }

        return null;
    }

    private function called(): Called
    {
        return $this->called ??= (new \ReflectionClass($this))->getAttributes(Called::class)[0]->newInstance();
    }
}
