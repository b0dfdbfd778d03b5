<?php

declare(strict_types=1);

namespace Sternbild\Core\Edit;

use Random\Engine\Mt19937;
use Random\Randomizer;
use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Plan\Edit\PlanEdit;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\ShortMemory;

/**
 * The same plan with other numbers, by lot: named numbers, counts and sizes, each about what it is. A seed gives the same ones again; those
 * with errors that the plan itself has not are dropped, and drawn anew, nearer to what the plan says.
 */
final readonly class Variations
{
    /** How far a number may be from what it is, as a share of it. */
    private const FAR = 0.35;

    /** By how much of that the next one is nearer when one came to errors. */
    private const NEARER = 0.7;

    /** How often one is drawn anew before fewer are given. */
    private const TRIES = 8;

    public const MOST = 100;

    /**
     * What may vary in a plan, and what people call it.
     *
     * @param  array<array-key, mixed>  $plan  as written
     * @return list<array{name: string, label: string}>
     *
     * @throws Unusable
     */
    public static function names(array $plan, Kinds $kinds): array
    {
        $read = (new PlanReader($kinds))->fromArray($plan);
        $labels = $read->labels();
        $names = [];
        foreach (array_keys(self::all($read, is_array($plan['values'] ?? null) ? $plan['values'] : [])) as $name) {
            $dot = strpos($name, '.');
            [$id, $field] = $dot === false ? ['', ''] : [substr($name, 0, $dot), substr($name, $dot + 1)];
            $names[] = [
                'name' => $name,
                'label' => $dot === false ? $name : ($read->steps[$id]->kind->field($field)->label ?? $field)." of $labels[$id]",
            ];
        }

        return $names;
    }

    /**
     * @param  array<array-key, mixed>  $plan  as written
     * @param  list<string>|null  $chosen  what may vary, `bar` for a named number and `g1.sectors` for one of a step; null for all that
     *   usually does
     * @param  float  $seconds  after which no more are drawn
     * @return list<array<array-key, mixed>> plans; fewer where too many come to errors, or it takes too long
     *
     * @throws Unusable
     */
    public static function drawnFrom(array $plan, int $seed, int $count, Kinds $kinds, ?array $chosen = null, float $seconds = INF): array
    {
        $reader = new PlanReader($kinds);
        $read = $reader->fromArray($plan);
        $evaluator = new Evaluator(new ShortMemory);
        $numbers = self::numbers($read, is_array($plan['values'] ?? null) ? $plan['values'] : [], $chosen);
        $errors = $evaluator->evaluate($read, Budget::large())->failures();
        $lot = new Randomizer(new Mt19937($seed));
        $found = [];
        $far = self::FAR;
        $end = hrtime(true) / 1e9 + $seconds;
        for ($try = 0; $try < $count * self::TRIES && count($found) < $count && $numbers !== [] && hrtime(true) / 1e9 < $end; $try++) {
            $operations = array_map(
                static fn (array $number): array => [...$number[0], 'value' => self::drawn($number[1], $number[2], $number[3], $far, $lot)],
                $numbers,
            );
            $varied = PlanEdit::apply($plan, $operations, $kinds)->plan();
            if ($evaluator->evaluate($reader->fromArray($varied), Budget::large())->failures() <= $errors) {
                $found[] = $varied;
                $far = self::FAR;
            } else {
                $far *= self::NEARER;
            }
        }

        return $found;
    }

    /**
     * The numbers of a plan that may vary.
     *
     * @param  array<array-key, mixed>  $values  as written
     * @param  list<string>|null  $chosen
     * @return list<array{array<string, mixed>, float, bool, float}> the operation that sets it, what it is, whether it is whole, and the
     *   least it may be
     *
     * @throws Unusable
     */
    private static function numbers(Plan $plan, array $values, ?array $chosen): array
    {
        $all = self::all($plan, $values);
        if ($chosen === null) {
            return array_values($all);
        }
        foreach ($chosen as $name) {
            if (! isset($all[$name])) {
                throw Unusable::at(
                    '',
                    "numbers that may vary: named ones, counts and sizes that are written as numbers; “{$name}” is none. There are ".
                        (implode(', ', array_slice(array_keys($all), 0, 20)) ?: 'none'),
                );
            }
        }

        return array_values(array_intersect_key($all, array_flip($chosen)));
    }

    /**
     * @param  array<array-key, mixed>  $values  as written
     * @return array<string, array{array<string, mixed>, float, bool, float}>
     */
    private static function all(Plan $plan, array $values): array
    {
        $all = [];
        foreach ($values as $name => $number) {
            if ((is_int($number) || is_float($number)) && (float) $number !== 0.0) {
                // A whole number as small as that counts something. Of nothing there is no share.
                $all[(string) $name] = [
                    ['op' => 'value', 'name' => (string) $name],
                    (float) $number,
                    (float) $number === round($number) && $number > 0 && $number <= 36,
                    1.0,
                ];
            }
        }
        foreach ($plan->steps as $id => $step) {
            foreach (self::ofStep($step) as $name => $number) {
                $all["$id.$name"] = $number;
            }
        }

        return $all;
    }

    /** @return iterable<string, array{array<string, mixed>, float, bool, float}> */
    private static function ofStep(Step $step): iterable
    {
        foreach ($step->kind->fields() as $field) {
            $raw = $step->raw($field->name);
            if (! $field instanceof NumberField || ! is_int($raw) && ! is_float($raw)) {
                continue;
            }
            $isCount = $field->measure === 'count';
            if ($isCount || $field->isSize()) {
                yield $field->name => [
                    ['op' => 'set', 'id' => $step->id, 'field' => $field->name],
                    (float) $raw,
                    $isCount,
                    $field->least(),
                ];
            }
        }
    }

    private static function drawn(float $number, bool $whole, float $least, float $far, Randomizer $lot): int|float
    {
        $share = 1.0 + $far * ($lot->getInt(-1000, 1000) / 1000);
        if ($whole) {
            $steps = max($far < self::FAR ? 0 : 1, (int) round(abs($number) * $far));

            return max((int) ceil($least), (int) $number + $lot->getInt(-$steps, $steps));
        }

        return (float) sprintf('%.4g', $number * $share);
    }
}
