<?php

declare(strict_types=1);

namespace Sternbild\Core\Edit;

use Sternbild\Core\Plan\Step;

/** Where a place stands in the plan. */
final readonly class Written
{
    /** @param  int|null  $index  in the field, where that holds several */
    private function __construct(public Step $step, public string $field, public ?int $index, public mixed $raw)
    {
    }

    public static function in(Step $step, string $field, int $index): self
    {
        $raw = $step->raw($field);
        $many = false;
        foreach ($step->kind->fields() as $one) {
            $many = $many || ($one->name === $field && $one->handle() !== 'place');
        }

        return new self($step, $field, $many ? $index : null, $many && is_array($raw) ? $raw[$index] ?? null : $raw);
    }

    /** What says which column it is in: of a place that says that apart, only that. */
    public function column(): mixed
    {
        return is_array($this->raw) && isset($this->raw['column']) ? $this->raw['column'] : $this->raw;
    }

    public function row(): mixed
    {
        return is_array($this->raw) && isset($this->raw['row']) ? $this->raw['row'] : $this->raw;
    }
}
