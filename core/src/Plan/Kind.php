<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Plan\Field\Field;
use Sternbild\Core\Result\Result;

/**
 * One sort of step: its parameters, its sentence, its computation. Kinds registers it.
 *
 * A kind also declares how the interface offers it; the interface has no code of its own for any kind.
 */
abstract class Kind
{
    /** As plans name it, `grid.polar`. */
    abstract public function name(): string;

    /** What the interface calls it, `Polar grid`. */
    abstract public function label(): string;

    /** What an unnamed step of it is called, with its number behind: `grid`. */
    abstract public function word(): string;

    /** What the ids of new steps of it begin with; they go on with a number. */
    public function idPrefix(): string
    {
        return substr($this->word(), 0, 1);
    }

    /** @return list<Field> */
    abstract public function fields(): array;

    /**
     * The sentence: plain words, `{field}` for a parameter, and `[…]` for what is left out while its parameters are not given.
     *
     * @param  Step  $step  what is given can decide the wording
     */
    abstract public function sentence(Step $step): string;

    /**
     * @throws FieldFault
     */
    abstract public function evaluate(Arguments $given): Result;

    /** The chapter of the plan that it stands in. */
    abstract public function chapter(): Chapter;

    /** Whether a pointer can snap to what it comes to. */
    public function offersPlaces(): bool
    {
        return false;
    }

    /** @return list<string> fields whose parts are used up: not drawn by themselves any more */
    public function usesUp(): array
    {
        return [];
    }

    /** @return list<string> fields that only say how the step itself is shown; its result does not hang on them */
    public function presentation(): array
    {
        return [];
    }

    /**
     * How the interface offers to make such a step.
     *
     * @return list<Offer>
     */
    public function offers(): array
    {
        return [];
    }
}
