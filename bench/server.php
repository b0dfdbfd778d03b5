<?php

declare(strict_types=1);

// Round trips on a sheet with 5,000 cells and 50 steps, through nginx and php-fpm on loopback: a changed grid number, a new part, and
// for comparison a route that does next to nothing. Milliseconds, median and 95th percentile of 100 requests each.

const RUNS = 100;

$base = $argv[1];
require __DIR__.'/client.php';
$steps = [['id' => 'g1', 'kind' => 'grid.polar', 'center' => [400, 400], 'radius' => 380, 'rings' => 50, 'sectors' => 100]];
for ($number = 1; $number <= 24; $number++) {
    $cells = [];
    for ($ring = 1; $ring <= 50; $ring++) {
        $cells[] = "g1#$ring,".(1 + ($number * 4 + intdiv($ring, 5)) % 100);
    }
    $steps[] = ['id' => "p$number", 'kind' => 'part.cells', 'cells' => $cells];
    $steps[] = ['id' => "s$number", 'kind' => 'style', 'of' => ["p$number"], 'fill' => ['ink', 'lagoon'][$number % 2]];
}
$steps[] = ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => 'g1@0', 'count' => 4];
$plan = [
    'format' => 'sternbild-plan',
    'version' => 1,
    'sheet' => ['width' => 800, 'height' => 800, 'unit' => 'px'],
    'palette' => ['ink' => '#1b2140', 'lagoon' => '#0f6e84'],
    'steps' => $steps,
];
[, $sheet] = $request('POST', '/api/sheets', ['name' => 'Bench', 'plan' => json_encode($plan, JSON_THROW_ON_ERROR)]);
$id = $sheet['id'];
[, $page] = $request('GET', "/api/sheets/$id");
$revision = $page['revision'];
$has = array_keys($page['scene']['geometry']);

$times = ['nothing' => [], 'changed number' => [], 'preview of a changed number' => [], 'new part' => []];
$bytes = [];
for ($run = 0; $run < RUNS; $run++) {
    [$times['nothing'][]] = $request('GET', '/up');
}
for ($run = 0; $run < RUNS; $run++) {
    $operations = [['op' => 'set', 'id' => 'g1', 'field' => 'radius', 'value' => 300 + $run / 10]];
    [$times['preview of a changed number'][]] = $request('POST', "/api/sheets/$id/preview", ['operations' => $operations, 'has' => $has]);
    [$time, $page, $size] = $request('POST', "/api/sheets/$id/changes", [
        'base' => $revision,
        'change' => $uuid(),
        'has' => $has,
        'operations' => $operations,
    ]);
    $revision = $page['revision'];
    $times['changed number'][] = $time;
    $bytes[] = $size;
}
// The editor has by then what it was sent last.
$has = [...$has, ...array_keys($page['scene']['geometry'])];
for ($run = 0; $run < RUNS; $run++) {
    $cells = array_map(static fn (int $ring): string => "g1#$ring,".(1 + ($run % 100)), range(1 + ($run % 20), 30 + ($run % 20)));
    [$time, $page] = $request('POST', "/api/sheets/$id/changes", [
        'base' => $revision,
        'change' => $uuid(),
        'has' => $has,
        'operations' => [['op' => 'add', 'step' => ['kind' => 'part.cells', 'cells' => $cells]]],
    ]);
    $times['new part'][] = $time;
    // Taken back, so that the sheet stays as large as it was.
    [, $page] = $request('POST', "/api/sheets/$id/undo", ['base' => $page['revision'], 'has' => $has]);
    $revision = $page['revision'];
}
$request('DELETE', "/api/sheets/$id");
$table = [];
foreach ($times as $what => $list) {
    sort($list);
    $table[$what] = ['median' => $list[(int) (count($list) * 0.5)], 'p95' => $list[(int) (count($list) * 0.95)]];
}
echo json_encode(['steps' => count($steps), 'bytes of a changed number, gzipped' => max($bytes), 'times' => $table], JSON_THROW_ON_ERROR),
"\n";
