<?php

declare(strict_types=1);

namespace Sternbild\Core\Edit;

use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Measure\Measurement;
use Sternbild\Core\Plan\Edit\PlanEdit;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Numerals;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\ShortMemory;

/**
 * Which number of a plan has to follow a measure, and how, so that a second measure comes to the same.
 *
 * Tried are the written numbers of the steps that the second measure hangs on and the first does not, the nearest first.
 */
final readonly class Equalising
{
    /** Numbers that are tried; each takes a few evaluations. */
    private const MOST = 40;

    private const ROUNDS = 8;

    /** How equal, as a share of the measure. */
    private const EQUAL = 1e-9;

    private const TYPES = ['number', 'pair', 'place', 'places'];

    private Evaluator $evaluator;

    /** @param  array<array-key, mixed>  $raw  the plan as written */
    private function __construct(private array $raw, private Kinds $kinds)
    {
        $this->evaluator = new Evaluator(new ShortMemory);
    }

    /**
     * @param  array<array-key, mixed>  $plan
     * @param  string  $keep  id of the measure that stays, and $change of the one that follows it
     * @return list<array<string, mixed>>|null operations; null where no number makes them equal
     *
     * @throws Unusable
     */
    public static function operations(array $plan, string $keep, string $change, Kinds $kinds): ?array
    {
        return (new self($plan, $kinds))->search($keep, $change);
    }

    /**
     * @return list<array<string, mixed>>|null
     *
     * @throws Unusable
     */
    private function search(string $keep, string $change): ?array
    {
        $scene = $this->scene([]);
        $goal = self::value($scene, $keep);
        $now = self::value($scene, $change);
        if ($goal === null || $now === null) {
            return null;
        }
        $plan = $scene->plan;
        $spared = self::ancestry($plan, $keep);
        $tried = 0;
        foreach (array_diff(self::ancestry($plan, $change), $spared, [$change]) as $id) {
            foreach (self::numbers($plan->steps[$id]) as [$field, $path, $number]) {
                if (++$tried > self::MOST) {
                    return null;
                }
                $set = fn (int|float|string $to): array => [
                    'op' => 'set',
                    'id' => $id,
                    'field' => $field,
                    'value' => self::put($plan->steps[$id]->raw($field), $path, $to),
                ];
                $line = $this->solved($scene, $change, $goal, $now, $number, $set);
                if ($line !== null) {
                    return $this->live($plan, $keep, $id, $line, $set);
                }
            }
        }

        return null;
    }

    /**
     * The number for which the measure comes to the goal.
     *
     * @param  callable(float): array<string, mixed>  $set
     * @return array{float, float, bool}|null it, how the measure grows with it, and whether it does so evenly
     *
     * @throws Unusable
     */
    private function solved(Scene $scene, string $change, float $goal, float $now, float $number, callable $set): ?array
    {
        $errors = $scene->failures();
        $measure = function (float $to) use ($change, $set, $errors): ?float {
            $scene = $this->scene([$set($to)]);

            return $scene->failures() > $errors ? null : self::value($scene, $change);
        };
        $step = max(abs($number), 1.0) * 1e-3;
        $beside = $measure($number + $step);
        $slope = $beside === null ? 0.0 : ($beside - $now) / $step;
        if (abs($slope) < 1e-6) {
            return null;
        }
        $equal = self::EQUAL * max(1.0, abs($goal));
        [$first, $at, $value] = [$slope, $number, $now];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $next = $at + ($goal - $value) / $slope;
            $came = $measure($next);
            if ($came === null) {
                return null;
            }
            if (abs($came - $goal) <= $equal) {
                return [$next, $first, $round === 0];
            }
            $slope = $next === $at ? 0.0 : ($came - $value) / ($next - $at);
            [$at, $value] = [$next, $came];
            if (abs($slope) < 1e-6) {
                return null;
            }
        }

        return null;
    }

    /**
     * As arithmetic with the measure in it where the number grows evenly with it, so that it goes on following; else as it is.
     *
     * @param  array{float, float, bool}  $line
     * @param  callable(int|float|string): array<string, mixed>  $set
     * @return list<array<string, mixed>>
     *
     * @throws Unusable
     */
    private function live(Plan $plan, string $keep, string $id, array $line, callable $set): array
    {
        [$number, $slope, $even] = $line;
        $order = array_flip(array_keys($plan->steps));
        $latest = max([
            -1,
            ...array_map(static fn (string $reference): int => $order[$reference] ?? -1, $plan->steps[$keep]->references()),
        ]);
        if (! $even || $latest >= $order[$id]) {
            return [$set($number)];
        }
        $goal = self::value($this->scene([]), $keep) ?? 0.0;
        $slope = round($slope, 9) + 0.0;
        $times = match ($slope) {
            1.0 => "$keep.value",
            -1.0 => "-$keep.value",
            default => "$keep.value/".Numerals::plain($slope),
        };
        $rest = round($number - $goal / $slope, 9) + 0.0;
        $written = $rest === 0.0 ? $times : $times.($rest < 0.0 ? ' - ' : ' + ').Numerals::plain(abs($rest));
        $moved = $order[$keep] > $order[$id] ? [['op' => 'move', 'id' => $keep, 'before' => $id]] : [];
        $operations = [...$moved, $set($written)];
        $scene = $this->scene($operations);
        foreach ($scene->findings as $finding) {
            if ($finding->isFatal() && $finding->step === $id) {
                return [$set($number)];
            }
        }

        return $operations;
    }

    /**
     * @param  list<array<string, mixed>>  $operations
     *
     * @throws Unusable
     */
    private function scene(array $operations): Scene
    {
        $plan = $operations === [] ? $this->raw : PlanEdit::apply($this->raw, $operations, $this->kinds)->plan();

        return $this->evaluator->evaluate((new PlanReader($this->kinds))->fromArray($plan), Budget::small());
    }

    private static function value(Scene $scene, string $id): ?float
    {
        $result = ($scene->known[$id] ?? null)?->result;

        return $result instanceof Measurement ? $result->value : null;
    }

    /** @return list<string> ids of a step and of all that it hangs on, the nearest first */
    private static function ancestry(Plan $plan, string $id): array
    {
        $found = [$id => true];
        $queue = [$id];
        while ($queue !== []) {
            $at = array_shift($queue);
            foreach (($plan->steps[$at] ?? null)?->references() ?? [] as $reference) {
                if (isset($plan->steps[$reference]) && ! isset($found[$reference])) {
                    $found[$reference] = true;
                    $queue[] = $reference;
                }
            }
        }

        return array_map(strval(...), array_keys($found));
    }

    /** @return iterable<array{string, list<int|string>, float}> the written numbers of a step: field, path inside it, number */
    private static function numbers(Step $step): iterable
    {
        foreach ($step->kind->fields() as $field) {
            $raw = $step->raw($field->name);
            if ($raw === null || ! in_array($field->type(), self::TYPES, true) || ($field->traits()['measure'] ?? '') === 'count') {
                continue;
            }
            foreach (self::literals($raw, []) as [$path, $number]) {
                yield [$field->name, $path, $number];
            }
        }
    }

    /**
     * @param  list<int|string>  $path
     * @return iterable<array{list<int|string>, float}>
     */
    private static function literals(mixed $raw, array $path): iterable
    {
        if (is_int($raw) || is_float($raw)) {
            yield [$path, (float) $raw];
        }
        foreach (is_array($raw) ? $raw : [] as $key => $inner) {
            yield from self::literals($inner, [...$path, $key]);
        }
    }

    /** @param  list<int|string>  $path */
    private static function put(mixed $raw, array $path, int|float|string $to): mixed
    {
        if ($path === []) {
            return $to;
        }
        $raw = is_array($raw) ? $raw : [];
        $raw[$path[0]] = self::put($raw[$path[0]] ?? null, array_slice($path, 1), $to);

        return $raw;
    }
}
