<?php

declare(strict_types=1);

// What round trips as the editor makes them have in common.

/** What the editor has after an answer: what it shows, and some of what it had. */
$known = static function (array $page, array $had): array {
    $hash = static fn (array|int|string|null $one): ?string => is_int($one) ? $had[$one] : (is_array($one) ? $one['hash'] : $one);
    $shown = array_map($hash, [
        ...$page['scene']['steps'],
        ...$page['scene']['drawing'],
        ...$page['scene']['geometries'],
        ...$page['written'] ?? [],
        ...array_values(array_intersect_key($page['scene'], ['said' => true])),
    ]);
    $handles = array_map(static fn (array|int|string|null $one): string => 'handles-'.$hash($one), $page['scene']['geometries']);

    return array_slice(
        array_values(array_unique(array_filter([...$shown, ...$handles, ...array_keys($page['scene']['geometry']), ...$had]))),
        0,
        1200,
    );
};
/**
 * Median and 95th percentile of each list.
 *
 * @param  array<string, list<float>>  $times
 */
$summary = static function (array $times): array {
    $table = [];
    foreach ($times as $what => $list) {
        sort($list);
        $table[$what] = ['median' => $list[(int) (count($list) * 0.5)], 'p95' => $list[(int) (count($list) * 0.95)]];
    }

    return $table;
};
