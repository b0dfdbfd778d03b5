<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Result\Finding;

/** Something of painted cells that pixel work minds. */
abstract class PaintedCheck extends Check
{
    final public function looksAt(): Subject
    {
        return Subject::Steps;
    }

    final public function limits(): array
    {
        return [Limit::miss()];
    }

    final public function look(Looked $at): array
    {
        return array_merge([], ...array_map($this->of(...), $at->painted()));
    }

    /** @return list<Finding> at most so many of each sort as there are read */
    abstract protected function of(PaintedGrid $painted): array;

    /** @param  int|null  $owned  a cell of the step that it is about, where that one is of none */
    final protected function told(PaintedGrid $painted, string $code, int $cell, string $what, ?int $owned = null): Finding
    {
        return $painted->at($cell, $this->found($code, $painted->owner($owned ?? $cell), $what));
    }
}
