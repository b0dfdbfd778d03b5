<?php

declare(strict_types=1);

namespace Sternbild\Core\Edit;

use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\NoSuchPlace;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Address;
use Sternbild\Core\Plan\CellDomain;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Sector;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Shape\Part;

/**
 * What is drawn while a repeat is worked on: it is brought into the first sector or cell, stands before the repeat, and is one of the parts
 * that this repeats.
 *
 * `{op: "add", step, into: id}`: places and cells lie in any of the sectors or cells. Intersections of a grid become the ones that lie
 * there in the first sector,
 * so that outlines which reach the edge of a sector close with their neighbours; what is built of other steps, and looks, stay as they are.
 */
final class DrawingIn
{
    /** Within this share of the sheet an intersection is the one that is meant. */
    private const HERE = 1e-7;

    /**
     * @param  Scene  $scene  of the plan with the step in it
     * @param  string  $new  the id that it got
     * @param  array<array-key, mixed>  $operation
     * @return list<array<array-key, mixed>> operations of PlanEdit
     *
     * @throws Unusable with a pointer into the operations
     */
    public static function operations(Scene $scene, string $new, array $operation, string $pointer): array
    {
        $repeat = $scene->plan->steps[is_string($operation['into'] ?? null) ? $operation['into'] : ''] ?? null;
        $sector = $repeat === null ? null : Sector::ofRepeat($scene->known, $repeat) ?? CellDomain::ofPattern($scene->known, $repeat);
        if ($repeat === null || $sector === null || ! ($scene->known[$repeat->id]->result ?? null) instanceof Part) {
            throw Unusable::at("$pointer/into", 'the id of a pattern, a frieze, or a repeat of parts all the way around a centre');
        }
        $step = is_array($operation['step'] ?? null) ? $operation['step'] : [];
        $known = $scene->known[$new] ?? null;
        unset($operation['into']);
        $moved = self::broughtBefore($scene, $new, $repeat->id);
        if ($known?->result instanceof Guide) {
            // A line is what parts are drawn along: it comes where they can name it, and is no part that is repeated.
            return $moved === null ? [$operation] : [...$moved, ['op' => 'add', 'step' => $step, 'before' => $repeat->id]];
        }
        if (! $known?->result instanceof Part || $scene->sources[$new] !== [] || $moved === null) {
            return [$operation];
        }
        $places = array_merge(...array_values($known->places), ...[self::middles($scene, $step)]);
        if ($places !== []) {
            $map = $sector->home($places);
            $step = self::mapped($scene, $known, $step, $map, $repeat->id);
        }
        $step['id'] ??= '+drawn';

        return [
            ...$moved,
            ['op' => 'add', 'step' => $step, 'before' => $repeat->id],
            [
                'op' => 'set',
                'id' => $repeat->id,
                'field' => 'of',
                'value' => [...is_array($repeat->raw('of')) ? $repeat->raw('of') : [], $step['id']],
            ],
        ];
    }

    /**
     * The steps that a new one is made of, and that stand behind the repeat, come before it. Places that it names there become places of
     * their own.
     *
     * @return list<array<array-key, mixed>>|null operations of PlanEdit; null where that hangs on the repeat itself
     */
    private static function broughtBefore(Scene $scene, string $new, string $repeat): ?array
    {
        $steps = $scene->plan->steps;
        $order = array_flip(array_map(strval(...), array_keys($steps)));
        $wanted = [];
        $open = [];
        foreach (isset($steps[$new]) ? $steps[$new]->kind->fields() : [] as $field) {
            if (in_array($field->type(), ['step', 'steps'], true) && $steps[$new]->says($field->name)) {
                array_push($open, ...$field->references($steps[$new]->raw($field->name)));
            }
        }
        while ($open !== []) {
            $id = array_pop($open);
            if ($id === $repeat) {
                return null;
            }
            if (($order[$id] ?? -1) > $order[$repeat] && ! isset($wanted[$id])) {
                $wanted[$id] = $order[$id];
                array_push($open, ...$steps[$id]->references());
            }
        }
        asort($wanted);

        return array_map(
            static fn (string $id): array => ['op' => 'move', 'id' => $id, 'before' => $repeat],
            array_map(strval(...), array_keys($wanted)),
        );
    }

    /**
     * @param  array<array-key, mixed>  $step
     * @return array<array-key, mixed>
     */
    private static function mapped(Scene $scene, Evaluated $known, array $step, Affine $map, string $before): array
    {
        $order = array_flip(array_keys($scene->plan->steps));
        $isEarlier = static fn (mixed $raw): bool => ! is_string($raw) ||
            array_filter(Address::idsIn($raw), static fn (string $id): bool => ($order[$id] ?? 0) >= $order[$before]) === [];
        foreach ($known->places as $field => $places) {
            $raw = $step[$field] ?? null;
            if (
                is_array($raw) &&
                array_is_list($raw) &&
                count($raw) === count($places) &&
                $scene->plan->steps[$known->id]->kind->field($field)?->handle() !== 'place'
            ) {
                $step[$field] = array_map(
                    static fn (mixed $one, Vec $place): mixed => $map->isIdentity() && $isEarlier($one)
                        ? $one
                        : self::written($scene, $one, $map->apply($place)),
                    $raw,
                    $places,
                );
            } elseif ($raw !== null && count($places) === 1) {
                $step[$field] = $map->isIdentity() && $isEarlier($raw) ? $raw : self::written($scene, $raw, $map->apply($places[0]));
            }
        }
        if (is_array($step['cells'] ?? null) && ! $map->isIdentity()) {
            $step['cells'] = self::cells($scene, $step['cells'], $map);
        }
        // A mirror image bends the other way.
        if ($map->isMirrored() && is_array($step['bends'] ?? null)) {
            foreach ($step['bends'] as $number => $bend) {
                if (is_array($bend) && is_numeric($bend['bulge'] ?? null)) {
                    $step['bends'][$number]['bulge'] = -$bend['bulge'];
                }
            }
        }

        return $step;
    }

    /** The intersection of the same grid that lies there, or the place itself. */
    private static function written(Scene $scene, mixed $raw, Vec $place): mixed
    {
        $size = max($scene->plan->width, $scene->plan->height);
        $grid = is_string($raw) ? $scene->grids()[explode('@', $raw)[0]] ?? null : null;
        if ($grid !== null && is_string($raw)) {
            $near = $grid->pointsNear($place, self::HERE * $size)[0] ?? null;
            if ($near !== null) {
                return explode('@', $raw)[0].'@'.implode(',', $near[0]);
            }
        }
        $decimals = $scene->plan->tolerance()->decimals;

        return [round($place->x, $decimals) + 0.0, round($place->y, $decimals) + 0.0];
    }

    /**
     * @param  array<array-key, mixed>  $cells
     * @return list<mixed>
     */
    private static function cells(Scene $scene, array $cells, Affine $map): array
    {
        $moved = [];
        foreach ($cells as $cell) {
            foreach (self::meant($scene, $cell) as [$id, $grid, $number]) {
                $there = $grid->cellAt($map->apply($grid->cellOutlines($number)[0]->centroid()));
                $moved[] = $there === null ? $cell : $id.$grid->cellAddress($there);
            }
        }

        return $moved === [] ? array_values($cells) : array_values(array_unique($moved));
    }

    /**
     * @param  array<array-key, mixed>  $step
     * @return list<Vec> the middles of its cells
     */
    private static function middles(Scene $scene, array $step): array
    {
        $middles = [];
        foreach (is_array($step['cells'] ?? null) ? $step['cells'] : [] as $cell) {
            foreach (self::meant($scene, $cell) as [, $grid, $number]) {
                $middles[] = $grid->cellOutlines($number)[0]->centroid();
            }
        }

        return $middles;
    }

    /** @return list<array{string, Grid, int}> cells of grids that an address means */
    private static function meant(Scene $scene, mixed $raw): array
    {
        $address = is_string($raw) ? Address::parse($raw) : null;
        $id = is_string($raw) ? explode('#', $raw)[0] : '';
        $grid = $scene->grids()[$id] ?? null;
        if ($address === null || $address->sort !== '#' || $grid === null) {
            return [];
        }
        try {
            return array_map(static fn (int $cell): array => [$id, $grid, $cell], $grid->cellsAt($address->coordinates));
        } catch (NoSuchPlace) {
            return [];
        }
    }
}
