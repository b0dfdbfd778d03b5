<?php

declare(strict_types=1);

// Round trips on a plan of 200 steps (50 outlines, 40 operations, 60 looks, a grid and 49 guides), as the editor makes them: with the
// hashes of what it has. A preview and a change of the first number (everything follows) and of the last (nothing does), and for comparison
// a route that does next to nothing. Milliseconds, median and 95th percentile; bytes as they are sent, without gzip, and how many of them
// are geometry.

const RUNS = 60;

$base = $argv[1];
require __DIR__.'/client.php';
require __DIR__.'/known.php';

$steps = [['id' => 'g1', 'kind' => 'grid.rectangular', 'origin' => [40, 40], 'columns' => 20, 'rows' => 20, 'cell' => [36, 36]]];
for ($k = 1; $k < 50; $k++) {
    $steps[] = ['id' => "c$k", 'kind' => 'guide.circle', 'center' => 'g1@'.($k % 20).','.intdiv($k, 3), 'radius' => 20 + $k];
}
for ($k = 0; $k < 50; $k++) {
    [$x, $y] = [$k % 16, 3 * intdiv($k, 12)];
    $steps[] = [
        'id' => "p$k",
        'kind' => 'part.outline',
        'points' => ["g1@$x,$y", 'g1@'.($x + 3).",$y", 'g1@'.($x + 4).','.($y + 2), "g1@$x,".($y + 3)],
        'bends' => [['bulge' => 0.3], null, ['bulge' => -0.2]],
    ];
}
for ($k = 0; $k < 40; $k++) {
    $steps[] = match ($k % 4) {
        0 => ['id' => "k$k", 'kind' => 'cut', 'from' => "p$k", 'with' => ['p'.($k + 1)], 'keep' => true],
        1 => ['id' => "j$k", 'kind' => 'join', 'of' => ["p$k", 'p'.($k + 2)], 'keep' => true],
        2 => ['id' => "m$k", 'kind' => 'common', 'of' => ["p$k", 'p'.($k + 1)], 'keep' => true],
        default => ['id' => "v$k", 'kind' => 'turn', 'of' => ["p$k"], 'about' => 'g1@10,10', 'angle' => 9 * $k, 'copy' => true],
    };
}
$parts = array_values(array_filter(array_column($steps, 'id'), static fn (string $id): bool => ! in_array($id[0], ['g', 'c'], true)));
for ($k = 0; $k < 59; $k++) {
    $steps[] = ['id' => "s$k", 'kind' => 'style', 'of' => [$parts[$k]], 'fill' => ['ink', 'lagoon', 'brick'][$k % 3]];
}
$steps[] = ['id' => 's59', 'kind' => 'style', 'of' => [$parts[59]], 'fill' => 'ink', 'opacity' => 0.5];
$plan = [
    'format' => 'sternbild-plan',
    'version' => 1,
    'sheet' => ['width' => 800, 'height' => 800, 'unit' => 'px'],
    'palette' => ['ink' => '#1b2140', 'lagoon' => '#0f6e84', 'brick' => '#c65f3c'],
    'steps' => $steps,
];
[, $sheet] = $request('POST', '/api/sheets', ['name' => 'Bench', 'plan' => json_encode($plan, JSON_THROW_ON_ERROR)]);
$id = $sheet['id'];
[, $page] = $request('GET', "/api/sheets/$id");
$revision = $page['revision'];
$has = $known($page, []);

$times = ['nothing' => []];
$bytes = [];
for ($run = 0; $run < RUNS; $run++) {
    [$times['nothing'][]] = $request('GET', '/up');
}
$numbers = [
    'first number' => static fn (int $run): array => ['op' => 'set', 'id' => 'g1', 'field' => 'cell', 'value' => [36 + $run / 100, 36]],
    'last number' => static fn (int $run): array => ['op' => 'set', 'id' => 's59', 'field' => 'opacity', 'value' => 0.2 + $run / 100],
];
foreach ($numbers as $what => $operation) {
    for ($run = 1; $run <= RUNS; $run++) {
        [$time, $seen] = $request('POST', "/api/sheets/$id/preview", ['operations' => [$operation($run)], 'has' => $has, 'handles' => []]);
        $times["preview of the $what"][] = $time;
        $whole = strlen(json_encode($seen, JSON_THROW_ON_ERROR));
        $geometry = strlen(json_encode($seen['scene']['geometry'], JSON_THROW_ON_ERROR));
        $bytes["preview of the $what"] = ['geometry' => $geometry, 'beyond' => $whole - $geometry];
        [$time, $page] = $request('POST', "/api/sheets/$id/changes", [
            'base' => $revision,
            'change' => $uuid(),
            'has' => $has,
            'operations' => [$operation($run)],
        ]);
        $times["change of the $what"][] = $time;
        $revision = $page['revision'];
        $has = $known($page, $has);
    }
}
$request('DELETE', "/api/sheets/$id");
echo json_encode(['steps' => count($steps), 'bytes' => $bytes, 'times' => $summary($times)], JSON_THROW_ON_ERROR), "\n";
