<?php

declare(strict_types=1);

// Many designers at once, and what becomes of them while a few others send the worst plans known. Each thinks one to two seconds, then
// previews (60 %), changes (25 %), opens a sheet (10 %) or looks at its picture (5 %). Answers of 429 and 503 with Retry-After are tried
// again as told, as the editor does; the wait counts. Milliseconds.

[, $base, $file] = $argv;
$seconds = (float) ($argv[3] ?? 30);
$people = json_decode((string) file_get_contents($file), true, 64, JSON_THROW_ON_ERROR);
mt_srand(20261126);

/** A request at a time: what is asked, since when, and what is done with the answer. */
final class Client
{
    public float $due = 0.0;

    public float $since = 0.0;

    /** @var array{string, string, array<string, mixed>|null, string} */
    public array $asked = ['', '', null, ''];

    public int $revision = 1;

    /** @var list<string> hashes that came last */
    public array $has = [];

    public bool $isOpen = false;

    public CurlHandle $curl;

    /** @param  array<string, mixed>  $person */
    public function __construct(public array $person, public bool $isOther)
    {
        $this->curl = curl_init();
    }

    public function choose(): void
    {
        $id = $this->person['sheet'];
        $dice = mt_rand(1, 100);
        $values = $this->person['values'];
        $operations = [
            ['op' => 'set', 'id' => $this->person['step'], 'field' => $this->person['field'], 'value' => $values[array_rand($values)]],
        ];
        $this->asked = match (true) {
            ! $this->isOpen => ['GET', "/api/sheets/$id", null, 'open'],
            $this->isOther || $dice <= 60 => [
                'POST',
                "/api/sheets/$id/preview",
                ['operations' => $operations, 'has' => $this->has],
                'preview',
            ],
            $dice <= 85 => [
                'POST',
                "/api/sheets/$id/changes",
                ['base' => $this->revision, 'change' => self::uuid(), 'operations' => $operations, 'has' => $this->has],
                'change',
            ],
            $dice <= 95 => ['GET', "/api/sheets/$id", null, 'open'],
            default => ['GET', "/api/sheets/$id/thumbnail.svg", null, 'picture'],
        };
    }

    public function ready(string $base): CurlHandle
    {
        [$method, $path, $body] = $this->asked;
        curl_reset($this->curl);
        curl_setopt_array($this->curl, [
            CURLOPT_URL => $base.$path, CURLOPT_CUSTOMREQUEST => $method, CURLOPT_RETURNTRANSFER => true, CURLOPT_HEADER => true,
            CURLOPT_TCP_NODELAY => true,
            CURLOPT_HTTPHEADER => [
                'Accept: application/json',
                'Content-Type: application/json',
                'Accept-Encoding: gzip',
                "X-CSRF-TOKEN: {$this->person['token']}",
                "Cookie: {$this->person['cookie']}",
            ],
        ]);
        if ($body !== null) {
            curl_setopt($this->curl, CURLOPT_POSTFIELDS, json_encode($body, JSON_THROW_ON_ERROR));
        }

        return $this->curl;
    }

    /** Reads an answer that it needs; the others cost the machine under test nothing more. */
    public function learn(string $body): void
    {
        if ($this->asked[3] === 'open' || $this->asked[3] === 'change') {
            $answer = json_decode(str_starts_with($body, "\x1f\x8b") ? (string) gzdecode($body) : $body, true, 512, JSON_THROW_ON_ERROR);
            $this->isOpen = true;
            $this->revision = $answer['revision'];
            $this->has = array_values(array_unique([...array_keys($answer['scene']['geometry']), ...$this->has]));
            $this->has = array_slice($this->has, 0, 400);
        }
    }

    private static function uuid(): string
    {
        return vsprintf('%s%s-%s-4%03x-8%03x-%s%s%s', [
            ...str_split(bin2hex(random_bytes(6)), 4),
            mt_rand(0, 4095),
            mt_rand(0, 4095),
            ...str_split(bin2hex(random_bytes(6)), 4),
        ]);
    }
}

/**
 * @param  list<Client>  $clients
 * @return array<string, mixed>
 */
$run = static function (array $clients) use ($base, $seconds): array {
    $multi = curl_multi_init();
    curl_multi_setopt($multi, CURLMOPT_MAX_TOTAL_CONNECTIONS, 400);
    $begin = microtime(true);
    foreach ($clients as $client) {
        $client->due = $begin + ($client->isOther ? 0 : mt_rand(0, 2000) / 1000);
        $client->since = 0.0;
    }
    $times = $others = $errors = [];
    $again = $inHand = 0;
    $byHandle = [];
    while (microtime(true) < $begin + $seconds || $inHand > 0) {
        $now = microtime(true);
        foreach ($clients as $client) {
            if ($client->due > 0.0 && $client->due <= $now && $now < $begin + $seconds) {
                if ($client->since === 0.0) {
                    $client->choose();
                    $client->since = $now;
                }
                $client->due = 0.0;
                $byHandle[spl_object_id($client->curl)] = $client;
                curl_multi_add_handle($multi, $client->ready($base));
                $inHand++;
            }
        }
        curl_multi_exec($multi, $running);
        while (($done = curl_multi_info_read($multi)) !== false) {
            $client = $byHandle[spl_object_id($done['handle'])];
            $text = (string) curl_multi_getcontent($client->curl);
            $status = curl_getinfo($client->curl, CURLINFO_RESPONSE_CODE);
            $head = substr($text, 0, (int) curl_getinfo($client->curl, CURLINFO_HEADER_SIZE));
            curl_multi_remove_handle($multi, $client->curl);
            $inHand--;
            $now = microtime(true);
            if (in_array($status, [429, 503], true) && preg_match('/^retry-after: (\d+)/mi', $head, $found) === 1) {
                $again++;
                $client->due = $now + (int) $found[1];

                continue;
            }
            if ($status >= 400 || $status === 0) {
                $errors[] = ($client->isOther ? 'other ' : '')."{$client->asked[3]}: $status ".substr($text, strlen($head), 120);
            } else {
                $client->learn(substr($text, strlen($head)));
            }
            if ($client->isOther) {
                $others[] = ($now - $client->since) * 1000;
            } elseif ($client->since > $begin + 3) {
                // The first seconds, in which everybody opens their sheet, are not looked at.
                $times[$client->asked[3]][] = ($now - $client->since) * 1000;
            }
            $client->since = 0.0;
            $client->due = $now + ($client->isOther ? 0.001 : mt_rand(1000, 2000) / 1000);
        }
        curl_multi_select($multi, 0.01);
    }
    $all = array_merge(...array_values($times));
    sort($all);
    sort($others);
    $at = static fn (array $list, float $share): float => $list === [] ? 0.0 : round($list[(int) (count($list) * $share)], 1);

    return [
        'requests a second' => round(count($all) / max(1.0, $seconds - 3), 1),
        'p50' => $at($all, 0.5),
        'p95' => $at($all, 0.95),
        'p99' => $at($all, 0.99),
        'others' => count($others),
        'p50 of the others' => $at($others, 0.5),
        'told to come back' => $again,
        'errors' => count($errors),
        'first errors' => array_slice($errors, 0, 3),
    ];
};

$designers = array_map(static fn (array $person): Client => new Client($person, false), $people['designers']);
$others = array_map(static fn (array $person): Client => new Client($person, true), [...$people['others'], ...$people['others']]);
$alone = $run($designers);
$beside = $run([...$designers, ...$others]);
echo json_encode(
    [
        'designers' => count($designers),
        'alone' => $alone,
        'beside three with the worst plans' => $beside,
        'median beside them, times' => round($beside['p50'] / max(0.1, $alone['p50']), 2),
    ],
    JSON_THROW_ON_ERROR,
),
"\n";
