<?php

declare(strict_types=1);

// Twelve variations of the sample mandala, and what they cost another designer: her changes of one number while somebody asks for
// variations again and again, and while nobody does. Milliseconds, median and 95th percentile.

const RUNS = 30;
const VARIED = 6;

$base = $argv[1];
require __DIR__.'/client.php';

$sample = json_decode((string) file_get_contents(__DIR__.'/../resources/demo/10-concourse-mandala.json'), true, 512, JSON_THROW_ON_ERROR);
[, $sheet] = $request('POST', '/api/sheets', ['name' => 'Bench, varied', 'plan' => json_encode($sample['plan'], JSON_THROW_ON_ERROR)]);
$vary = static fn (int $seed): float => $request('POST', "/api/sheets/{$sheet['id']}/variations", ['seed' => $seed, 'count' => 12])[0];
if (($argv[2] ?? '') === 'go on') {
    for ($seed = 1000; is_file($argv[3]); $seed++) {
        clearstatcache();
        $vary($seed);
    }
    exit(0);
}

$told = static function (array $times): array {
    sort($times);

    return ['median' => $times[intdiv(count($times), 2)], 'p95' => $times[(int) (0.95 * (count($times) - 1))]];
};
$varied = array_map($vary, range(1, VARIED));

[, $own] = $request('POST', '/api/sheets', ['name' => 'Bench, edited', 'plan' => json_encode($sample['plan'], JSON_THROW_ON_ERROR)]);
$revision = 1;
$edit = static function (int $run) use ($request, $uuid, $own, &$revision): float {
    [$time, $page] = $request('POST', "/api/sheets/{$own['id']}/changes", [
        'base' => $revision,
        'change' => $uuid(),
        'operations' => [['op' => 'set', 'id' => 'g1', 'field' => 'strength', 'value' => 0.1 + $run / 1000]],
    ]);
    $revision = $page['revision'];

    return $time;
};
$alone = array_map($edit, range(1, RUNS));
$goes = (string) tempnam(sys_get_temp_dir(), 'vary');
$other = proc_open([PHP_BINARY, __FILE__, $base, 'go on', $goes], [], $pipes);
usleep(1_000_000);
$beside = array_map($edit, range(RUNS + 1, 2 * RUNS));
unlink($goes);
proc_close($other);

echo json_encode(['varied' => $told($varied), 'alone' => $told($alone), 'beside' => $told($beside)], JSON_THROW_ON_ERROR), "\n";
