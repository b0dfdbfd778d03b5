<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Plan\Property;
use Sternbild\Core\Result\Finding;

/**
 * Something that is looked for. A file of this folder is all that a new one needs: Checks finds it there, and whatever lists checks or
 * limits reads it from them.
 */
abstract class Check
{
    /** @return non-empty-list<Sort> what it tells */
    abstract public function tells(): array;

    abstract public function looksAt(): Subject;

    /** @return list<Property> numbers of the sheet from which on it speaks up; where all of them are nought it is not asked */
    public function limits(): array
    {
        return [];
    }

    /** @return list<Finding> */
    abstract public function look(Looked $at): array;

    /** @param  string  $code  of what it tells */
    final protected function found(string $code, string $step, string $message, ?string $field = null): Finding
    {
        foreach ($this->tells() as $sort) {
            if ($sort->code === $code) {
                return $sort->level === 'note'
                    ? Finding::note($step, $code, $message, $field)
                    : Finding::warning($step, $code, $message, $field);
            }
        }
        throw new \LogicException(static::class." does not say that it tells $code.");
    }
}
