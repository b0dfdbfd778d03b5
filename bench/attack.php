<?php

declare(strict_types=1);

// What somebody does who means ill, or does not know better, and what becomes of an honest designer meanwhile. Prints a line for each:
// name, what was seen, whether it holds. Arguments: address, file with people as bench/crowd_people.php makes them. Ends with 1 where
// something does not hold.

[, $base, $file] = $argv;
$people = json_decode((string) file_get_contents($file), true, 64, JSON_THROW_ON_ERROR);
$people = [...$people['designers'], ...$people['others']];
$honest = array_shift($people);
$failed = false;

$tell = static function (string $what, string $seen, bool $holds) use (&$failed): void {
    $failed = $failed || ! $holds;
    printf("%-7s %-62s %s\n", $holds ? 'ok' : 'FAILED', $what, $seen);
};
$curl = static function (array $person, string $method, string $path, mixed $body = null) use ($base): CurlHandle {
    $handle = curl_init();
    curl_setopt_array(
        $handle,
        [
            CURLOPT_URL => $base.$path,
            CURLOPT_CUSTOMREQUEST => $method,
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_TIMEOUT => 30,
            CURLOPT_HTTPHEADER => [
                'Accept: application/json',
                'Content-Type: application/json',
                "X-CSRF-TOKEN: $person[token]",
                "Cookie: $person[cookie]",
            ],
        ] + ($body === null ? [] : [CURLOPT_POSTFIELDS => is_string($body) ? $body : json_encode($body, JSON_THROW_ON_ERROR)]),
    );

    return $handle;
};
/** @return array{int, float, string} status, seconds and body */
$ask = static function (CurlHandle $handle): array {
    $start = microtime(true);
    $answer = (string) curl_exec($handle);

    return [curl_getinfo($handle, CURLINFO_RESPONSE_CODE), microtime(true) - $start, $answer];
};
$uuid = static function (): string {
    $all = bin2hex(random_bytes(16));

    return substr($all, 0, 8).'-'.substr($all, 8, 4).'-4'.substr($all, 13, 3).'-8'.substr($all, 17, 3).'-'.substr($all, 20, 12);
};
$head = 1;
$change = static function () use ($curl, $ask, $honest, $uuid, &$head): float {
    [$status, $seconds] = $ask(
        $curl($honest, 'POST', "/api/sheets/$honest[sheet]/changes", [
            'base' => $head,
            'change' => $uuid(),
            'operations' => [['op' => 'set', 'id' => 'g1', 'field' => 'radius', 'value' => mt_rand(300, 380)]],
        ]),
    );
    $head += $status === 200 ? 1 : 0;

    return $status === 200 ? $seconds : 60.0;
};
$plan = static fn (array $steps): string => json_encode(
    [
        'format' => 'sternbild-plan',
        'version' => 1,
        'sheet' => ['width' => 800, 'height' => 800, 'unit' => 'px', 'background' => null],
        'palette' => ['ink' => '#1b2140', 'sand' => '#e7c98f'],
        'steps' => $steps,
    ],
    JSON_THROW_ON_ERROR,
);
$ring = static fn (int $count, float $x, float $y, float $reach): array => array_map(static function (int $k) use (
    $count,
    $x,
    $y,
    $reach,
): array {
    $away = ($reach * mt_rand(800, 1000)) / 1000;

    return [round($x + $away * cos(2 * M_PI * $k / $count), 3), round($y + $away * sin(2 * M_PI * $k / $count), 3)];
}, range(0, $count - 1));
$between = static fn (): string => $plan([
    ['id' => 'p1', 'kind' => 'part.outline', 'points' => $ring(1000, 300, 300, 200)],
    ['id' => 'p2', 'kind' => 'part.outline', 'points' => $ring(1000, 500, 500, 200)],
    ['id' => 'b1', 'kind' => 'between', 'of' => ['p1', 'p2'], 'steps' => 200],
]);
$median = static function (array $times): float {
    sort($times);

    return $times[intdiv(count($times), 2)];
};

// Three people keep two requests each going that take all that a request may.
$quiet = $median(array_map(static function () use ($change): float {
    // As somebody works who looks at what comes of it.
    usleep(400_000);

    return $change();
}, range(1, 5)));
$multi = curl_multi_init();
$sent = 0;
$add = static function (array $person) use ($multi, $curl, $between, &$sent): void {
    curl_multi_add_handle($multi, $curl($person, 'POST', '/api/sheets', ['name' => 'Heavy '.$sent++, 'plan' => $between()]));
};
foreach ([0, 1, 2] as $who) {
    $add($people[$who]);
    $add($people[$who]);
}
$until = microtime(true) + 25;
$times = $statuses = [];
$next = microtime(true) + 1;
while (microtime(true) < $until) {
    curl_multi_exec($multi, $running);
    while (($done = curl_multi_info_read($multi)) !== false) {
        $statuses[] = curl_getinfo($done['handle'], CURLINFO_RESPONSE_CODE);
        curl_multi_remove_handle($multi, $done['handle']);
        $add($people[count($statuses) % 3]);
    }
    if (microtime(true) > $next) {
        $times[] = $change();
        $next = microtime(true) + 0.8;
    }
    usleep(5000);
}
$tell(
    'three people with two heavy sheets each: an honest change',
    sprintf('median %.0f ms, slowest %.0f ms; %.0f ms alone', 1e3 * $median($times), 1e3 * max($times), 1e3 * $quiet),
    $median($times) < 2.0,
);
$tell(
    '… and none of their requests ends without a word',
    implode(
        ' ',
        array_map(
            static fn (int $status, int $count): string => "$count × $status",
            array_keys($counts = array_count_values($statuses)),
            $counts,
        ),
    ),
    array_intersect($statuses, [0, 500, 502, 504]) === [],
);
curl_multi_close($multi);

// Plans whose work no count shows: each whole, or with a finding, within five seconds.
$steps = static fn (int $count): array => array_map(
    static fn (int $k): array => ['id' => "p$k", 'kind' => 'part.circle', 'center' => [($k % 100) * 8, intdiv($k, 100) * 8], 'radius' => 3],
    range(1, $count),
);
$pixels = static fn (int $side): array => [
    'id' => 'g1',
    'kind' => 'grid.pixel',
    'origin' => [0, 0],
    'columns' => $side,
    'rows' => $side,
    'cell' => 0.8,
];
$dither = static fn (int $side): string => $plan([
    $pixels($side),
    ['id' => 'd1', 'kind' => 'dither', 'on' => 'g1', 'cells' => ['g1#*,*'], 'from' => 0, 'to' => 1, 'colours' => ['ink', 'sand']],
]);
$heavy = [
    'a dither of 300²' => $dither(300),
    'a dither of 1,000²' => $dither(1000),
    'in-betweens of a thousand nodes' => $between(),
    'a pattern of overlapping outlines, lapped' => $plan([
        ['id' => 'p1', 'kind' => 'part.outline', 'points' => $ring(100, 60, 40, 60)],
        ['id' => 'w1', 'kind' => 'pattern', 'of' => ['p1'], 'group' => 'p4m', 'a' => [60, 0], 'lap' => 'clockwise', 'show' => 'sheet'],
    ]),
    'a broad nib along two thousand cubics' => $plan([
        [
            'id' => 'c1',
            'kind' => 'guide.run',
            'points' => $ring(2001, 400, 400, 300),
            'bends' => array_map(
                static fn (): array => ['handles' => [[mt_rand(0, 800), mt_rand(0, 800)], [mt_rand(0, 800), mt_rand(0, 800)]]],
                range(1, 2000),
            ),
        ],
        ['id' => 'b1', 'kind' => 'band', 'of' => ['c1'], 'width' => 20, 'nib' => ['angle' => 30, 'thin' => 4]],
    ]),
    'blocks and twenty speckles' => $plan([
        [
            'id' => 'g1',
            'kind' => 'grid.twoaxis',
            'origin' => [400, 20],
            'angles' => [30, 150],
            'spacing' => [10, 10],
            'columns' => 34,
            'rows' => 34,
        ],
        ['id' => 'b1', 'kind' => 'block', 'on' => 'g1', 'cells' => ['g1#*,*'], 'up' => 1, 'colour' => 'sand'],
        ...array_map(
            static fn (int $k): array => ['id' => "s$k", 'kind' => 'speckle', 'of' => 'b1', 'colours' => ['ink'], 'seed' => $k],
            range(1, 20),
        ),
    ]),
    'nine thousand discs' => $plan($steps(9000)), 'fourteen thousand discs' => $plan($steps(14000)),
];
foreach (array_keys($heavy) as $number => $name) {
    // Somebody who had nothing yet.
    $person = $people[3 + $number % (count($people) - 3)];
    [$status, $seconds, $answer] = $ask($curl($person, 'POST', '/api/sheets', ['name' => $name, 'plan' => $heavy[$name]]));
    $sheet = json_decode($answer, true)['id'] ?? null;
    [$shown, $opening] = $status === 201 ? $ask($curl($person, 'GET', "/api/sheets/$sheet")) : [0, 0.0];
    $tell(
        $name,
        $status === 201
            ? sprintf('taken in %.1f s, shown (%d) in %.1f s', $seconds, $shown, $opening)
            : sprintf('%d in %.1f s: %s', $status, $seconds, substr($answer, 0, 90)),
        (($status === 201 && $shown === 200) || $status === 422) && max($seconds, $opening) < 8.0,
    );
}

// Connections that say half a request, and no more.
$half = [];
$address = str_replace('http://', 'tcp://', $base);
for ($k = 0; $k < 530; $k++) {
    $connection = @stream_socket_client($address, $error, $message, 2);
    if ($connection !== false) {
        fwrite($connection, "POST /api/sign-in HTTP/1.1\r\nHost: x\r\n");
        $half[] = $connection;
    }
}
[$status, $seconds] = $ask($curl($honest, 'GET', '/up'));
$tell(count($half).' half requests: the next one', sprintf('%d in %.0f ms', $status, 1e3 * $seconds), $status === 200 && $seconds < 1.0);
sleep(10);
$gone = count(array_filter($half, static function ($connection): bool {
    stream_set_blocking($connection, false);
    fread($connection, 1000);

    return feof($connection);
}));
$tell('… and after ten seconds', "$gone are let go", $gone === count($half));

// Wrong passwords from one address hold up nobody who follows a link, and nobody at another one's account.
for ($try = 0; $try < 8; $try++) {
    [$last] = $ask($curl($honest, 'POST', '/api/confirm', ['token' => 'wrong']));
}
[$other] = $ask($curl($honest, 'POST', '/api/confirm', ['token' => 'another']));
$tell('eight wrong links, then somebody else\'s', "$last, then $other", $last === 429 && $other === 422);

// What no editor sends.
foreach (
    [
        ['GET', '/api/sheets?cursor=broken', null],
        ['POST', "/api/sheets/$honest[sheet]/settle", '{"circle": [1e999, 0, 5]}'],
        ['POST', "/api/sheets/$honest[sheet]/corners", '{"step": []}'],
        ['GET', "/api/sheets/{$people[0]['sheet']}", null],
        ['GET', '/api/'.str_repeat('a', 3000), null],
    ] as [$method, $path, $body]
) {
    [$status, , $answer] = $ask($curl($honest, $method, $path, $body));
    $tell(
        substr("$method $path", 0, 60),
        "$status ".substr($answer, 0, 60),
        $status >= 400 && $status < 500 && is_array(json_decode($answer, true)),
    );
}
exit($failed ? 1 : 0);
