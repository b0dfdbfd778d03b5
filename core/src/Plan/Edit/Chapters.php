<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

/** The chapters of a plan that is being changed: each reaches from its first step to the next chapter. */
final readonly class Chapters
{
    /** @param  array<string, string>  $names  by the id of the step that each begins with */
    private function __construct(private array $names)
    {
    }

    /** @param  array<array-key, mixed>  $plan */
    public static function of(array $plan): self
    {
        $names = [];
        foreach (is_array($plan['chapters'] ?? null) ? $plan['chapters'] : [] as $chapter) {
            if (is_array($chapter) && is_string($chapter['from'] ?? null) && is_string($chapter['name'] ?? null)) {
                $names[$chapter['from']] = $chapter['name'];
            }
        }

        return new self($names);
    }

    public function nameOf(string $from): ?string
    {
        return $this->names[$from] ?? null;
    }

    /** The chapter that begins with a step gets a name, or is begun there; null gives its steps to the one before. */
    public function named(string $from, ?string $name): self
    {
        $names = array_diff_key($this->names, [$from => true]);

        return new self($name === null ? $names : [...$names, $from => $name]);
    }

    /**
     * Steps go: the first that is left of a chapter takes the place at its head, and a chapter with no step left goes, too.
     *
     * @param  array<int, true>  $gone  their positions
     * @param  list<string>  $order  ids of the steps as long as they are there
     */
    public function withoutAll(array $gone, array $order): self
    {
        $names = $this->names;
        $lost = null;
        foreach ($order as $position => $id) {
            $own = $names[$id] ?? null;
            if ($own !== null) {
                $lost = null;
            }
            if (isset($gone[$position])) {
                $lost = $own ?? $lost;
                unset($names[$id]);
            } elseif ($lost !== null) {
                $names[$id] = $lost;
                $lost = null;
            }
        }

        return new self($names);
    }

    public function isNone(): bool
    {
        return $this->names === [];
    }

    /** Another step is the first of a chapter now. */
    public function led(string $by, string $before): self
    {
        $name = $this->names[$before] ?? null;

        return $name === null ? $this : $this->named($before, null)->named($by, $name);
    }

    /**
     * @param  list<string>  $order  ids of all steps
     * @return list<string> those from one on, to where the next chapter begins
     */
    public function steps(string $from, array $order): array
    {
        $begin = (int) array_search($from, $order, true);
        $end = $begin + 1;
        while ($end < count($order) && ! isset($this->names[$order[$end]])) {
            $end++;
        }

        return array_slice($order, $begin, $end - $begin);
    }

    /**
     * As the plan has them, in its order.
     *
     * @param  list<string>  $order  ids of all steps
     * @return list<array{name: string, from: string}>
     */
    public function listed(array $order): array
    {
        $listed = [];
        foreach ($order as $id) {
            if (isset($this->names[$id])) {
                $listed[] = ['name' => $this->names[$id], 'from' => $id];
            }
        }

        return $listed;
    }
}
