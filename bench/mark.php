<?php

declare(strict_types=1);

// Round trips on the sample mark of 60 steps, the harbour gull, as the editor makes them: a change of its first number, which all hangs on,
// and of its last, beside a route that does next to nothing. Milliseconds, median and 95th percentile.

const RUNS = 60;

$base = $argv[1];
require __DIR__.'/client.php';
require __DIR__.'/known.php';

$plan = json_decode((string) file_get_contents(__DIR__.'/../resources/demo/6-harbour-gull.json'), true, flags: JSON_THROW_ON_ERROR)['plan'];
$plan['steps'][] = ['id' => 's99', 'kind' => 'style', 'of' => ['k1'], 'opacity' => 1];
[, $sheet] = $request('POST', '/api/sheets', ['name' => 'Bench', 'plan' => json_encode($plan, JSON_THROW_ON_ERROR)]);
$id = $sheet['id'];
[, $page] = $request('GET', "/api/sheets/$id");
$revision = $page['revision'];
$has = $known($page, []);
$times = ['nothing' => []];
for ($run = 0; $run < RUNS; $run++) {
    [$times['nothing'][]] = $request('GET', '/up');
}
$numbers = [
    'first number' => static fn (int $run): array => ['op' => 'value', 'name' => 'bar', 'value' => 44 + $run / 100],
    'last number' => static fn (int $run): array => ['op' => 'set', 'id' => 's99', 'field' => 'opacity', 'value' => 0.2 + $run / 100],
];
foreach ($numbers as $what => $operation) {
    for ($run = 1; $run <= RUNS; $run++) {
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
echo json_encode(['steps' => count($plan['steps']), 'times' => $summary($times)], JSON_THROW_ON_ERROR), "\n";
