<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Unusable;

/** A plan that is being changed, as it is written, and what the change has come to so far. */
final class Draft
{
    /** Steps of a change that are called by their names in its label, which tells one or two, and how many more. */
    private const NAMED = 20;

    /** @var array<string, string> placeholder to id */
    private array $named = [];

    /** @var list<string> ids of added steps */
    private array $added = [];

    /** @var array<string, true> ids of steps of which a parameter was set, or that are new */
    private array $touched = [];

    /** @var list<string> */
    private array $labels = [];

    public readonly StepList $steps;

    /** Of the steps as they are now; null where they have to be read anew. */
    private ?MeasureNames $measureNames = null;

    /** @param  array<array-key, mixed>  $plan */
    public function __construct(private array $plan, public readonly Kinds $kinds)
    {
        $this->steps = new StepList($plan, $kinds);
    }

    /** @return array<array-key, mixed> */
    public function plan(): array
    {
        $given = $this->steps->given();

        return [
            ...array_diff_key($this->plan, ['given' => true]),
            ...$given === [] ? [] : ['given' => $given],
            'steps' => $this->steps->all(),
        ];
    }

    /** @return array<array-key, mixed> all but its steps, which stand in their list */
    public function written(): array
    {
        return $this->plan;
    }

    /** @param  array<array-key, mixed>  $plan  the same, changed */
    public function replace(array $plan): void
    {
        $this->plan = $plan;
    }

    /** @return array<array-key, mixed> what the plan says under a key; nothing where it says none */
    public function part(string $key): array
    {
        return is_array($this->plan[$key] ?? null) ? $this->plan[$key] : [];
    }

    /** @param  array<array-key, mixed>  $part */
    public function put(string $key, array $part): void
    {
        $this->plan[$key] = $part;
    }

    /**
     * An entry of the named numbers or of the palette set, or taken away.
     *
     * @param  'values'|'palette'  $map
     * @param  array<array-key, mixed>  $operation
     *
     * @throws Unusable
     */
    public function setNamed(string $map, array $operation, string $pointer): void
    {
        $name = $operation['name'] ?? null;
        if (! is_string($name)) {
            throw Unusable::at("$pointer/name", 'a name');
        }
        $this->plan[$map] = Inside::with($this->part($map), [$name], $operation['value'] ?? null);
        $this->renames();
    }

    /** @return list<string> */
    public function added(): array
    {
        return $this->added;
    }

    /** @return list<string> ids of new steps, and of those of which a parameter was set */
    public function touched(): array
    {
        return array_map(strval(...), array_keys($this->touched));
    }

    /** What the change is called in the history. */
    public function label(): string
    {
        $labels = array_values(array_unique($this->labels));

        return match (count($labels)) {
            0 => 'Change nothing',
            1, 2 => implode(', ', $labels),
            default => "$labels[0] and ".(count($labels) - 1).' more',
        };
    }

    public function adds(string $id): void
    {
        $this->added[] = $id;
        $this->touch($id);
        $this->renames();
    }

    /** Steps are called otherwise from now on, or there are others: what is typed after this is read by their names. */
    public function renames(): void
    {
        $this->measureNames = null;
    }

    public function touch(string $id): void
    {
        $this->touched[$id] = true;
    }

    /** A placeholder stands for an id from now on. */
    public function stands(string $placeholder, string $id): void
    {
        $this->named[$placeholder] = $id;
    }

    /** What was done, as the history tells it. */
    public function call(string $label): void
    {
        $this->labels[] = $label;
    }

    /** The same, in the place of what was told last. */
    public function callInstead(string $label): void
    {
        $this->labels = [...array_slice($this->labels, 0, -1), $label];
    }

    /** @param  \Closure(): void  $change  of which nothing is told */
    public function silently(\Closure $change): void
    {
        $labels = $this->labels;
        $change();
        $this->labels = $labels;
    }

    /** @param  array<array-key, mixed>  $step */
    public function kindOf(array $step): ?Kind
    {
        return is_string($step['kind'] ?? null) ? $this->kinds->get($step['kind']) : null;
    }

    public function chapters(): Chapters
    {
        return Chapters::of($this->plan);
    }

    /**
     * A step as it is stored: what is typed by the names of others is said by their ids.
     *
     * @param  array<array-key, mixed>  $step
     * @return array<array-key, mixed>
     */
    public function spelt(array $step): array
    {
        $kind = $this->kindOf($step);
        if ($kind === null || ! MeasureNames::mayStandIn($step, $kind)) {
            return $step;
        }

        return ($this->measureNames ??= MeasureNames::of($this->steps->all(), $this->part('values'), $this->kinds))->spelt($step, $kind);
    }

    /** @param  array<int, true>  $gone  positions of steps that are about to go */
    public function putChapters(Chapters $chapters, array $gone = []): void
    {
        $listed = $chapters->isNone() ? [] : $chapters->listed(array_values(array_diff_key($this->steps->ids(), $gone)));
        if ($listed === []) {
            unset($this->plan['chapters']);
        } else {
            $this->plan['chapters'] = $listed;
        }
    }

    /** @throws Unusable */
    public function indexOf(mixed $id, string $pointer): int
    {
        $id = is_string($id) ? $this->named[$id] ?? $id : $id;

        return (is_string($id) ? $this->steps->positionOf($id) : null) ??
            throw Unusable::at(
                $pointer,
                'the id of a step of the plan'.(is_string($id) ? '; “'.mb_strimwidth(mb_scrub($id), 0, 40, '…').'” is none' : ''),
            );
    }

    /**
     * @param  array<array-key, mixed>  $operation
     *
     * @throws Unusable
     */
    public function indexBefore(array $operation, string $pointer): int
    {
        $before = $operation['before'] ?? null;

        return $before === null ? $this->steps->count() : (is_string($before) ? $this->steps->positionOf($before) : null)
            ?? throw Unusable::at("$pointer/before", 'the id of another step, or null for the end');
    }

    /**
     * Placeholders replaced by the ids they stand for, at any depth.
     *
     * @param  array<array-key, mixed>  $given
     * @return array<array-key, mixed>
     */
    public function withNames(array $given): array
    {
        return array_map(fn (mixed $value): mixed => match (true) {
            is_array($value) => $this->withNames($value),
            is_string($value) => $this->named[$value] ?? $this->withNamesInside($value),
            default => $value,
        }, $given);
    }

    /** A place or a number of a step that was just added: `+new!`, `+new.width*2`. */
    private function withNamesInside(string $text): string
    {
        return ! str_contains($text, '+') || $this->named === [] ? $text : preg_replace_callback(
            '/(?<![\w.)\s+])\+[a-z]\w*(?=[.!@#*~\[])/', fn (array $found): string => $this->named[$found[0]] ?? $found[0], $text,
        ) ?? $text;
    }

    /**
     * What the plan calls a step. Of a change of many only the first ones are named.
     *
     * @param  array<array-key, mixed>  $step
     */
    public function labelOf(array $step): string
    {
        return count($this->labels) < self::NAMED ? $this->steps->labelOf($step) : StepList::idOf($step);
    }
}
