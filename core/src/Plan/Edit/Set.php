<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

use Sternbild\Core\Plan\Unusable;

/**
 * `{op: "set", id, field, value}`
 *
 * Sets a parameter, or `name`, `muted`, `hidden`, `fast`; null takes it away.
 */
final class Set implements Operation
{
    public function name(): string
    {
        return 'set';
    }

    public function properties(): array
    {
        return [
            'id' => ['type' => 'string'],
            'field' => ['type' => 'string'],
            'value' => [],
        ];
    }

    public function required(): array
    {
        return ['id', 'field', 'value'];
    }

    public function apply(Draft $draft, array $operation, string $pointer): void
    {
        $index = $draft->indexOf($operation['id'] ?? null, "$pointer/id");
        $field = $operation['field'] ?? null;
        if (! is_string($field) || preg_match('/^[a-z]+(\.[a-z0-9]+)?$/D', $field) !== 1 || in_array($field, ['id', 'kind'], true)) {
            throw Unusable::at("$pointer/field", 'the name of a parameter');
        }
        $step = $draft->steps->step($index);
        $label = $draft->labelOf($step);
        $value = $draft->withNames(['value' => $operation['value'] ?? null])['value'];
        $step = $draft->spelt(Inside::with($step, explode('.', $field), $value));
        $draft->steps->replace($index, $step);
        self::bringMeasuresBefore($draft, $step, $field);
        if ($field === 'name') {
            $draft->renames();
        }
        if (! in_array($field, ['name', 'muted', 'hidden', 'fast'], true)) {
            $draft->touch(StepList::idOf($step));
        }
        $called = self::fieldLabel($draft, $step, $field);
        $draft->call($field === 'name' ? "Rename $label" : "Change {$called} of $label");
    }

    /**
     * A measure that a number takes has to stand before it; where it hangs on nothing that stands behind, it is moved there.
     *
     * @param  array<array-key, mixed>  $step  of which the field was set
     *
     * @throws Unusable
     */
    private static function bringMeasuresBefore(Draft $draft, array $step, string $field): void
    {
        $id = StepList::idOf($step);
        $named = json_encode($step[explode('.', $field)[0]] ?? null) ?: '';
        preg_match_all('/(?<![A-Za-z0-9_.])([a-z][a-z0-9]*)\.value/', $named, $found);
        foreach (array_unique($found[1]) as $measure) {
            $at = $draft->steps->positionOf($measure);
            $here = $draft->steps->positionOf($id);
            if ($at === null || $here === null || $at < $here || self::latestReference($draft, $draft->steps->step($at)) >= $here) {
                continue;
            }
            $draft->silently(static fn () => (new Move)->apply($draft, ['id' => $measure, 'before' => $id], ''));
        }
    }

    /**
     * @param  array<array-key, mixed>  $step
     * @return int the position of the last of the steps that it names; -1 where it names none
     */
    private static function latestReference(Draft $draft, array $step): int
    {
        $kind = $draft->kindOf($step);
        $latest = -1;
        foreach ($kind?->fields() ?? [] as $field) {
            foreach (isset($step[$field->name]) ? $field->references($step[$field->name]) : [] as $reference) {
                $latest = max($latest, $draft->steps->positionOf($reference) ?? -1);
            }
        }

        return $latest;
    }

    /** @param  array<array-key, mixed>  $step */
    private static function fieldLabel(Draft $draft, array $step, string $name): string
    {
        $kind = $draft->kindOf($step);
        foreach ($kind?->fields() ?? [] as $field) {
            if ($field->name === $name) {
                return $field->label;
            }
        }

        return $name;
    }
}
