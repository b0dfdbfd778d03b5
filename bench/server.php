<?php

declare(strict_types=1);

// Round trips on a sheet with 5,000 cells and 50 steps, through nginx and php-fpm on loopback: a changed grid number, a new part, and
// for comparison a route that does next to nothing. Milliseconds, median and 95th percentile of 200 requests each.

$base = $argv[1];
$cookies = [];
$curl = curl_init();
$request = static function (string $method, string $path, ?array $body = null) use ($curl, $base, &$cookies): array {
    curl_reset($curl);
    curl_setopt_array($curl, [
        CURLOPT_URL => $base.$path,
        CURLOPT_CUSTOMREQUEST => $method,
        CURLOPT_RETURNTRANSFER => true,
        CURLOPT_ENCODING => 'gzip',
        CURLOPT_HTTPHEADER => [
            'Accept: application/json', 'Content-Type: application/json',
            'X-XSRF-TOKEN: '.urldecode($cookies['XSRF-TOKEN'] ?? ''),
            'Cookie: '.implode('; ', array_map(static fn (string $name, string $value): string => "$name=$value", array_keys($cookies), $cookies)),
        ],
        CURLOPT_HEADERFUNCTION => static function ($curl, string $line) use (&$cookies): int {
            if (preg_match('/^set-cookie: ([^=]+)=([^;]*)/i', $line, $found) === 1) {
                $cookies[$found[1]] = $found[2];
            }

            return strlen($line);
        },
    ]);
    if ($body !== null) {
        curl_setopt($curl, CURLOPT_POSTFIELDS, json_encode($body, JSON_THROW_ON_ERROR));
    }
    $start = hrtime(true);
    $answer = curl_exec($curl);
    $time = (hrtime(true) - $start) / 1e6;
    $status = curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
    if ($status >= 400 || $answer === false) {
        fwrite(STDERR, "$method $path: $status ".substr((string) $answer, 0, 300)."\n");
        exit(1);
    }

    return [$time, json_decode((string) $answer, true), curl_getinfo($curl, CURLINFO_SIZE_DOWNLOAD)];
};
$uuid = static function (): string {
    $hex = bin2hex(random_bytes(16));

    return substr($hex, 0, 8).'-'.substr($hex, 8, 4).'-4'.substr($hex, 13, 3).'-8'.substr($hex, 17, 3).'-'.substr($hex, 20, 12);
};

$request('GET', '/api/session');
$request('POST', '/api/sign-in', ['email' => 'demo@sternbild.test', 'password' => 'polar grid']);
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
$plan = ['format' => 'sternbild-plan', 'version' => 1, 'sheet' => ['width' => 800, 'height' => 800, 'unit' => 'px'], 'palette' => ['ink' => '#1b2140', 'lagoon' => '#0f6e84'], 'steps' => $steps];
[, $sheet] = $request('POST', '/api/sheets', ['name' => 'Bench', 'plan' => json_encode($plan, JSON_THROW_ON_ERROR)]);
$id = $sheet['id'];
[, $page] = $request('GET', "/api/sheets/$id");
$revision = $page['revision'];
$has = array_keys($page['scene']['geometry']);

$times = ['nothing' => [], 'changed number' => [], 'preview of a changed number' => [], 'new part' => []];
$bytes = [];
for ($run = 0; $run < 200; $run++) {
    [$times['nothing'][]] = $request('GET', '/up');
}
for ($run = 0; $run < 200; $run++) {
    $operations = [['op' => 'set', 'id' => 'g1', 'field' => 'radius', 'value' => 300 + $run / 10]];
    [$times['preview of a changed number'][]] = $request('POST', "/api/sheets/$id/preview", ['operations' => $operations, 'has' => $has]);
    [$time, $page, $size] = $request('POST', "/api/sheets/$id/changes", ['base' => $revision, 'change' => $uuid(), 'has' => $has, 'operations' => $operations]);
    $revision = $page['revision'];
    $times['changed number'][] = $time;
    $bytes[] = $size;
}
// The editor has by then what it was sent last.
$has = [...$has, ...array_keys($page['scene']['geometry'])];
for ($run = 0; $run < 200; $run++) {
    $cells = array_map(static fn (int $ring): string => "g1#$ring,".(1 + $run % 100), range(1 + $run % 20, 30 + $run % 20));
    [$time, $page] = $request('POST', "/api/sheets/$id/changes", ['base' => $revision, 'change' => $uuid(), 'has' => $has, 'operations' => [['op' => 'add', 'step' => ['kind' => 'part.cells', 'cells' => $cells]]]]);
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
echo json_encode(['steps' => count($steps), 'bytes of a changed number, gzipped' => max($bytes), 'times' => $table], JSON_THROW_ON_ERROR), "\n";
