<?php

declare(strict_types=1);

// Ten people who change a number of their sheet without a pause, as the editor does: what is not answered is asked again under the same
// name until it is. Every acknowledged change is noted, and at the end looked for in the database: there once, under its number, with its
// value. Arguments: address, file with the people, file that ends it when it appears.

[, $base, $file, $end] = $argv;
$people = json_decode((string) file_get_contents($file), true, 64, JSON_THROW_ON_ERROR)['designers'];
$uuid = static fn (): string => vsprintf('%s%s-%s-4%03x-8%03x-%s%s%s', [
    ...str_split(bin2hex(random_bytes(6)), 4),
    random_int(0, 4095),
    random_int(0, 4095),
    ...str_split(bin2hex(random_bytes(6)), 4),
]);
$multi = curl_multi_init();
$clients = $acknowledged = [];
foreach ($people as $person) {
    $clients[] = [
        'person' => $person,
        'revision' => 1,
        'change' => $uuid(),
        'value' => 300.5,
        'due' => 0.0,
        'curl' => curl_init(),
        'busy' => false,
    ];
}
$statuses = [];
$number = 0;
while (! file_exists($end) || array_filter(array_column($clients, 'busy')) !== []) {
    $ending = file_exists($end);
    foreach ($clients as &$client) {
        if ($client['busy'] || $ending || $client['due'] > microtime(true)) {
            continue;
        }
        $client['busy'] = true;
        curl_reset($client['curl']);
        curl_setopt_array($client['curl'], [
            CURLOPT_URL => "$base/api/sheets/{$client['person']['sheet']}/changes",
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_TIMEOUT => 10,
            CURLOPT_POSTFIELDS => json_encode(
                [
                    'base' => $client['revision'],
                    'change' => $client['change'],
                    'operations' => [['op' => 'set', 'id' => 'g1', 'field' => 'radius', 'value' => $client['value']]],
                ],
                JSON_THROW_ON_ERROR,
            ),
            CURLOPT_HTTPHEADER => [
                'Accept: application/json',
                'Content-Type: application/json',
                "X-CSRF-TOKEN: {$client['person']['token']}",
                "Cookie: {$client['person']['cookie']}",
            ],
        ]);
        curl_multi_add_handle($multi, $client['curl']);
    }
    unset($client);
    curl_multi_exec($multi, $running);
    while (($done = curl_multi_info_read($multi)) !== false) {
        foreach ($clients as &$client) {
            if ($client['curl'] !== $done['handle']) {
                continue;
            }
            $status = curl_getinfo($client['curl'], CURLINFO_RESPONSE_CODE);
            $answer = json_decode((string) curl_multi_getcontent($client['curl']), true);
            curl_multi_remove_handle($multi, $client['curl']);
            $client['busy'] = false;
            $client['due'] = microtime(true) + 0.1;
            $statuses[$status] = ($statuses[$status] ?? 0) + 1;
            if ($status === 200 && is_array($answer)) {
                $acknowledged[] = [$client['person']['sheet'], $client['change'], $answer['revision'], $client['value']];
                $client['revision'] = $answer['revision'];
                $client['change'] = $uuid();
                $client['value'] = 300 + (++$number % 800) / 10;
            } elseif (! in_array($status, [0, 429, 500, 502, 503, 504], true)) {
                fwrite(STDERR, "A change was refused: $status ".substr((string) json_encode($answer), 0, 300)."\n");
                exit(1);
            }
        }
        unset($client);
    }
    curl_multi_select($multi, 0.02);
}

$database = new PDO('pgsql:host=127.0.0.1;dbname=sternbild;port='.getenv('DB_PORT'), 'sternbild', (string) getenv('DB_PASSWORD'), [
    PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION,
]);
$find = $database->prepare("
    SELECT r.number, coalesce(
        (SELECT step ->> 'radius' FROM jsonb_array_elements(r.whole -> 'steps') AS step WHERE step ->> 'id' = 'g1'),
        (SELECT item #>> '{change,fields,radius,value}' FROM jsonb_array_elements(r.difference #> '{fields,steps,items}') AS item WHERE item #> '{change,fields,radius}' IS NOT NULL),
        'as in its base') AS radius
    FROM sheet_revisions r WHERE r.sheet_id = ? AND r.change = ?");
$wrong = [];
foreach ($acknowledged as [$sheet, $change, $revision, $value]) {
    $find->execute([$sheet, $change]);
    $rows = $find->fetchAll(PDO::FETCH_ASSOC);
    if (
        count($rows) !== 1 ||
        (int) $rows[0]['number'] !== $revision ||
        ($rows[0]['radius'] !== 'as in its base' && (float) $rows[0]['radius'] !== (float) $value)
    ) {
        $wrong[] = "$sheet $change: said revision $revision with $value, stored ".json_encode($rows);
    }
}
ksort($statuses);
echo count($acknowledged),
' changes acknowledged, ',
count($wrong),
' of them lost, altered or made twice; answers by status ',
json_encode($statuses),
"\n",
implode("\n", array_slice($wrong, 0, 5));
exit($wrong === [] && $acknowledged !== [] ? 0 : 1);
