<?php

declare(strict_types=1);

namespace Sternbild\Core\Edit;

use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Address;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\Role;
use Sternbild\Core\Shape\Part;

/**
 * Points of outlines, runs and guides brought into line, spread or moved, where they are written in the plan: as composed places and named
 * numbers, so that they go on following.
 *
 * `{op: "arrange", points: [place, …], way: "row", "column", "spread" or "shift", by?: [dx, dy], cells?: [columns, rows], of?: id}`: the
 * points are
 * found by where they lie, of the step `of` where it has any, else of the steps that have the most of them. An address says that exactly;
 * two
 * coordinates are those that somebody was told, with as many digits as are told.
 */
final class Arranging
{
    /** Within so many tolerances a written place lies where it was picked. */
    private const HERE = 64;

    private const MOST = 200;

    /** @var array<string, int> */
    private readonly array $order;

    /** @var array<string, array<string, mixed>> what fields are set to, by step and field */
    private array $set = [];

    /** @var array<string, float> new named numbers */
    private array $values = [];

    private function __construct(private readonly Scene $scene, private readonly string $pointer)
    {
        $this->order = array_flip(array_map(strval(...), array_keys($scene->plan->steps)));
    }

    /**
     * @param  Scene  $scene  of the plan before the change
     * @param  array<array-key, mixed>  $operation
     * @return list<array<string, mixed>> operations of PlanEdit
     *
     * @throws Unusable with a pointer into the operations
     */
    public static function operations(Scene $scene, array $operation, string $pointer): array
    {
        return (new self($scene, $pointer))->arranged($operation);
    }

    /**
     * @param  array<array-key, mixed>  $operation
     * @return list<array<string, mixed>>
     *
     * @throws Unusable
     */
    private function arranged(array $operation): array
    {
        $places =
            $this->places($operation['points'] ?? null) ??
            throw Unusable::at("{$this->pointer}/points", 'a list of 1 to '.self::MOST.' places, each [x, y] or an address');
        $way = $operation['way'] ?? null;
        $hits = $this->found($places, is_string($operation['of'] ?? null) ? $operation['of'] : null);
        match ($way) {
            'row', 'column' => $this->align($hits, $way),
            'spread' => $this->spread($hits),
            'shift' => $this->shift($hits, self::pair($operation['cells'] ?? null), $operation['by'] ?? null),
            default => throw Unusable::at("{$this->pointer}/way", 'one of row, column, spread, shift'),
        };
        $operations = [];
        foreach ($this->values as $name => $value) {
            $operations[] = ['op' => 'value', 'name' => $name, 'value' => $value];
        }
        foreach ($this->set as $id => $fields) {
            foreach ($fields as $field => $value) {
                $operations[] = ['op' => 'set', 'id' => $id, 'field' => $field, 'value' => $value];
            }
        }

        return $operations;
    }

    /** @return list<array{Vec, float}>|null where each lies, and within how much of that */
    private function places(mixed $raw): ?array
    {
        if (! is_array($raw) || $raw === [] || count($raw) > self::MOST) {
            return null;
        }
        $tolerance = $this->scene->plan->tolerance();
        $exactly = self::HERE * $tolerance->distance;
        $places = [];
        foreach ($raw as $one) {
            $told = self::pair($one);
            $place = $told === null ? $this->resolved($one) : new Vec($told[0], $told[1]);
            if ($place === null) {
                return null;
            }
            $places[] = [$place, $told === null ? $exactly : max($exactly, 10 ** -$tolerance->decimals)];
        }

        return $places;
    }

    /** A place as a plan writes it; null of what is none, or lost. */
    private function resolved(mixed $raw): ?Vec
    {
        $field = new PlaceField('points', 'point', true);
        $scope = new Scope($this->scene->plan, $this->scene->labels);
        foreach ($this->scene->known as $known) {
            $scope->learn($known);
        }
        try {
            $field->check($raw, $this->pointer);

            return $field->resolve($raw, $scope);
        } catch (Unusable|FieldFault) {
            return null;
        }
    }

    /** @return array{float, float}|null */
    private static function pair(mixed $raw): ?array
    {
        return is_array($raw) && is_numeric($raw[0] ?? null) && is_numeric($raw[1] ?? null) ? [(float) $raw[0], (float) $raw[1]] : null;
    }

    /**
     * Where the picked places are written.
     *
     * @param  list<array{Vec, float}>  $places  with how near is there
     * @return list<list<Written>> for each place
     *
     * @throws Unusable
     */
    private function found(array $places, ?string $of): array
    {
        $all = $count = [];
        foreach ($places as $number => [$place, $reach]) {
            $all[$number] = [];
            foreach ($this->scene->known as $id => $known) {
                if (! in_array($known->result->role(), [Role::Part, Role::Guide], true)) {
                    continue;
                }
                foreach ($known->places as $field => $seats) {
                    foreach ($seats as $index => $at) {
                        if ($at->distanceTo($place) <= $reach) {
                            $all[$number][] = Written::in($this->scene->plan->steps[$id], $field, $index);
                            $count[$id] = ($count[$id] ?? 0) + 1;
                        }
                    }
                }
            }
        }
        $most = $count === [] ? 0 : max($count);
        $wanted =
            $of !== null && isset($count[$of])
                ? [$of => true]
                : array_fill_keys(array_map(strval(...), array_keys($count, $most, true)), true);
        $found = [];
        foreach ($all as $number => $hits) {
            // What the most have is meant; a point that they do not have is whoever has it.
            $among = array_values(array_filter($hits, static fn (Written $hit): bool => isset($wanted[$hit->step->id])));
            $found[] = $among !== [] ? $among : $hits;
            if ($hits === []) {
                throw Unusable::at("{$this->pointer}/points/$number", 'a place that an outline, a run or a guide is written with; corners that came out of an operation follow what they were made of');
            }
        }

        return $found;
    }

    /**
     * @param  list<list<Written>>  $hits
     * @param  'row'|'column'  $way
     *
     * @throws Unusable
     */
    private function align(array $hits, string $way): void
    {
        if (count($hits) < 2) {
            throw Unusable::at("{$this->pointer}/points", 'two places at least, to bring the others into line with the first');
        }
        $first = $hits[0][0];
        foreach (array_merge(...array_slice($hits, 1)) as $hit) {
            if ($hit->step === $first->step && is_array($first->raw) && array_is_list($first->raw)) {
                $this->share($first, $hit, $way);

                continue;
            }
            $to = $this->seenFrom($first, $hit->step);
            $this->put($hit, $way === 'row' ? ['column' => $hit->column(), 'row' => $to] : ['column' => $to, 'row' => $hit->row()]);
        }
    }

    /**
     * Two points of one outline, which cannot name one another, get the same named number.
     *
     * @param  'row'|'column'  $way
     */
    private function share(Written $first, Written $hit, string $way): void
    {
        $axis = $way === 'row' ? 1 : 0;
        $now = $this->now($first);
        $raw = is_array($now) ? array_values($now) : [0, 0];
        $shared = $raw[$axis];
        if (! is_string($shared)) {
            $name = $this->freeName($way);
            $this->values[$name] = is_int($shared) || is_float($shared) ? (float) $shared : 0.0;
            $shared = $raw[$axis] = $name;
            $this->put($first, $raw);
        }
        $own = $this->now($hit);
        if (is_array($own) && array_is_list($own) && count($own) === 2) {
            $own[$axis] = $shared;
            $this->put($hit, $own);
        } else {
            $this->put(
                $hit,
                $way === 'row' ? ['column' => $hit->column(), 'row' => [0, $shared]] : ['column' => [$shared, 0], 'row' => $hit->row()],
            );
        }
    }

    /**
     * @param  list<list<Written>>  $hits
     *
     * @throws Unusable
     */
    private function spread(array $hits): void
    {
        $last = count($hits) - 1;
        if ($last < 2) {
            throw Unusable::at(
                "{$this->pointer}/points",
                'three places at least: the first and the last stay, the others are spread between them',
            );
        }
        for ($number = 1; $number < $last; $number++) {
            foreach ($hits[$number] as $hit) {
                $this->put($hit, [
                    'between' => [$this->seenFrom($hits[0][0], $hit->step), $this->seenFrom($hits[$last][0], $hit->step)],
                    'share' => "$number/$last",
                ]);
            }
        }
    }

    /**
     * @param  list<list<Written>>  $hits
     * @param  array{float, float}|null  $cells
     *
     * @throws Unusable
     */
    private function shift(array $hits, ?array $cells, mixed $by): void
    {
        foreach (array_merge(...$hits) as $hit) {
            $this->put($hit, $cells !== null ? $this->shiftedByCells($hit, $cells) : $this->shiftedBy($hit, $by));
        }
    }

    /**
     * @param  array{float, float}  $cells
     *
     * @throws Unusable
     */
    private function shiftedByCells(Written $hit, array $cells): string
    {
        $raw = $hit->raw;
        $address = is_string($raw) ? Address::parse($raw) : null;
        if (
            ! is_string($raw) ||
            $address === null ||
            $address->sort !== '@' ||
            count($address->coordinates) !== 2 ||
            fmod($cells[0], 1.0) !== 0.0 ||
            fmod($cells[1], 1.0) !== 0.0
        ) {
            throw Unusable::at(
                "{$this->pointer}/cells",
                'whole numbers of cells, for points at intersections of a grid; others are moved by a way',
            );
        }

        return "{$address->of}@".((int) $address->coordinates[0] + (int) $cells[0]).','.((int) $address->coordinates[1] + (int) $cells[1]);
    }

    /** @throws Unusable */
    private function shiftedBy(Written $hit, mixed $by): mixed
    {
        if (! is_array($by) || ! array_is_list($by) || count($by) !== 2) {
            throw Unusable::at("{$this->pointer}/by", 'a way, [across, down]');
        }
        $raw = $hit->raw;
        $both = is_array($raw) && array_is_list($raw) ? $raw : (is_array($raw) && is_array($raw['by'] ?? null) ? $raw['by'] : null);
        if ($both === null) {
            return ['of' => $raw, 'by' => $by];
        }
        $sum = array_map(self::sum(...), $both, $by);

        return is_array($raw) && ! array_is_list($raw) ? [...$raw, 'by' => $sum] : $sum;
    }

    private static function sum(mixed $one, mixed $other): mixed
    {
        return match (true) {
            is_numeric($one) && is_numeric($other) => $one + $other,
            (float) (is_numeric($other) ? $other : 1) === 0.0 => $one,
            default => '('.(is_scalar($one) ? $one : 0).') + ('.(is_scalar($other) ? $other : 0).')',
        };
    }

    /**
     * A place as another step can name it.
     *
     * @throws Unusable
     */
    private function seenFrom(Written $place, Step $step): mixed
    {
        $at = $this->order[$place->step->id];
        $here = $this->order[$step->id];
        $result = $this->scene->known[$place->step->id]->result;
        if (
            $at < $here &&
            $place->index !== null &&
            $result instanceof Part &&
            count($result->places) === count((array) $place->step->raw($place->field))
        ) {
            return "{$place->step->id}@".($place->index + 1);
        }
        if ($at < $here && $place->index === null && $place->field === 'center') {
            return "{$place->step->id}!";
        }
        $names = is_string($place->raw) ? Address::idsIn($place->raw) : [];
        $inside = json_encode($place->raw) ?: '';
        foreach ($this->scene->plan->steps as $id => $one) {
            if ($this->order[$id] >= $here && (in_array($id, $names, true) || preg_match('/"'.$id.'[@#!*~.]/', $inside) === 1)) {
                throw Unusable::at(
                    "{$this->pointer}/points",
                    "places that stand before one another; the one to follow hangs on {$this->scene->labels[$id]}, which comes later",
                );
            }
        }

        return $place->raw;
    }

    private function put(Written $hit, mixed $raw): void
    {
        $id = $hit->step->id;
        if ($hit->index === null) {
            $this->set[$id][$hit->field] = $raw;

            return;
        }
        $all = $this->set[$id][$hit->field] ?? $hit->step->raw($hit->field);
        $all = is_array($all) ? $all : [];
        $all[$hit->index] = $raw;
        $this->set[$id][$hit->field] = $all;
    }

    /** As it is written by now. */
    private function now(Written $hit): mixed
    {
        $all = $this->set[$hit->step->id][$hit->field] ?? null;

        return $all === null ? $hit->raw : ($hit->index === null ? $all : (is_array($all) ? $all[$hit->index] ?? null : null));
    }

    private function freeName(string $word): string
    {
        for ($number = 1; $this->scene->plan->values->has($word.$number) || isset($this->values[$word.$number]); $number++);

        return $word.$number;
    }
}
