<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Result\Role;

/** What fields draw samples of themselves from: numbers by lot, and the steps that a plan made by lot has so far. */
final class Sampling
{
    /** @var list<array{string, Role}> ids of earlier steps, and what they come to */
    private array $earlier = [];

    public function __construct(private readonly \Random\Randomizer $lot)
    {
    }

    public function learn(string $id, Role $role): void
    {
        $this->earlier[] = [$id, $role];
    }

    /** The id of an earlier step, most often one that comes to what is asked for. */
    public function step(Role ...$roles): string
    {
        $fitting = array_values(array_filter($this->earlier, static fn (array $step): bool => in_array($step[1], $roles, true)));
        $among = $fitting === [] || $this->chance(3) ? $this->earlier : $fitting;

        return $among === [] ? 'none' : $among[$this->lot->getInt(0, count($among) - 1)][0];
    }

    public function has(Role ...$roles): bool
    {
        return array_filter($this->earlier, static fn (array $step): bool => in_array($step[1], $roles, true)) !== [];
    }

    /** A number of one decimal. */
    public function number(float $least, float $most): float
    {
        return $this->lot->getInt((int) ceil($least * 10), (int) floor($most * 10)) / 10;
    }

    public function whole(int $least, int $most): int
    {
        return $this->lot->getInt($least, max($least, $most));
    }

    public function chance(int $percent): bool
    {
        return $this->lot->getInt(0, 99) < $percent;
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $choices
     * @return T
     */
    public function one(array $choices): mixed
    {
        return $choices[$this->lot->getInt(0, count($choices) - 1)];
    }
}
