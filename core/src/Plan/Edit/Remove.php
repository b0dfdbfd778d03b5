<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

use Sternbild\Core\Plan\Address;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\Role;

/**
 * `{op: "remove", ids}`
 *
 * Takes steps out; with them go the looks and orders that were theirs alone, and the numbers that arranging named for them.
 */
final class Remove implements Operation
{
    public function name(): string
    {
        return 'remove';
    }

    public function properties(): array
    {
        return [
            'ids' => ['type' => 'array', 'items' => ['type' => 'string']],
        ];
    }

    public function required(): array
    {
        return ['ids'];
    }

    public function apply(Draft $draft, array $operation, string $pointer): void
    {
        $ids = $operation['ids'] ?? null;
        if (! is_array($ids) || $ids === []) {
            throw Unusable::at("$pointer/ids", 'a list of step ids');
        }
        $gone = [];
        foreach (array_values($ids) as $number => $id) {
            $index = $draft->indexOf($id, "$pointer/ids/$number");
            if (isset($gone[$index])) {
                throw Unusable::at("$pointer/ids/$number", 'ids of steps, each once');
            }
            $gone[$index] = true;
            $draft->call('Delete '.self::goneLabel($draft, $draft->steps->step($index)));
        }
        $lone = self::withoutTheirLooks($draft, $gone);
        $chapters = $draft->chapters();
        $draft->putChapters($chapters->isNone() ? $chapters : $chapters->withoutAll($lone, $draft->steps->ids()), $lone);
        $before = $draft->plan();
        $draft->steps->remove($lone);
        $draft->renames();
        self::dropLoneNumbers($draft, $before);
    }

    /**
     * Looks and orders name what they are about; of what is gone they do not speak any more.
     *
     * @param  array<int, true>  $gone  positions of steps that are about to go
     * @return array<int, true> the same with the looks and orders that speak of nothing else
     */
    private static function withoutTheirLooks(Draft $draft, array $gone): array
    {
        $ids = array_fill_keys(
            array_map(static fn (int $index): string => StepList::idOf($draft->steps->step($index)), array_keys($gone)),
            true,
        );
        foreach ($draft->steps->all() as $index => $step) {
            $kind = $draft->kindOf($step);
            if ($kind?->makes() !== Role::Look || isset($gone[$index]) || ! is_array($step['of'] ?? null)) {
                continue;
            }
            $isGone = static fn (mixed $name): bool => is_string($name) &&
                array_filter(Address::idsIn($name), static fn (string $id): bool => isset($ids[$id])) !== [];
            $left = array_values(array_filter($step['of'], static fn (mixed $name): bool => ! $isGone($name)));
            $beside = array_filter([$step['above'] ?? null, $step['below'] ?? null], $isGone);
            if ($left === [] || $beside !== []) {
                $gone[$index] = true;
            } elseif (count($left) < count($step['of'])) {
                $draft->steps->replace($index, [...$step, 'of' => $left]);
            }
        }

        return $gone;
    }

    /**
     * Numbers that arranging named go with the last place that they stood in.
     *
     * @param  array<array-key, mixed>  $before  the plan with what has gone
     */
    private static function dropLoneNumbers(Draft $draft, array $before): void
    {
        $values = $draft->part('values');
        $named = array_filter(
            array_map(strval(...), array_keys($values)),
            static fn (string $name): bool => preg_match('/^(row|column)\d+$/D', $name) === 1,
        );
        foreach ($named as $name) {
            $isIn = static fn (mixed $plan): bool => preg_match(
                '/(?<![A-Za-z0-9_.])'.$name.'(?![A-Za-z0-9_.])/',
                json_encode($plan) ?: '',
            ) === 1;
            $others = array_diff_key($values, [$name => true]);
            if ($isIn($before['steps'] ?? []) && ! $isIn([$draft->steps->all(), $others])) {
                unset($values[$name]);
                $draft->put('values', $values);
            }
        }
    }

    /**
     * What goes may be the move of a part, not the part.
     *
     * @param  array<array-key, mixed>  $step
     */
    private static function goneLabel(Draft $draft, array $step): string
    {
        $kind = $draft->kindOf($step);

        return ($kind?->namesake($step) === null || isset($step['name']) ? '' : "the {$kind->word()} of ").$draft->labelOf($step);
    }
}
