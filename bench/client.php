<?php

declare(strict_types=1);

// Whoever includes this has `$base`, and gets `$request` (method, path, body: milliseconds, answer, bytes as they came) and `$uuid`, signed
// in as the sample designer.

$cookies = [];
$curl = curl_init();
$request = static function (string $method, string $path, ?array $body = null) use ($curl, $base, &$cookies): array {
    curl_reset($curl);
    curl_setopt_array($curl, [CURLOPT_TCP_NODELAY => true,
        CURLOPT_URL => $base.$path,
        CURLOPT_CUSTOMREQUEST => $method,
        CURLOPT_RETURNTRANSFER => true,
        CURLOPT_ENCODING => 'gzip',
        CURLOPT_HTTPHEADER => [
            'Accept: application/json',
            'Content-Type: application/json',
            'X-XSRF-TOKEN: '.urldecode($cookies['XSRF-TOKEN'] ?? ''),
            'Cookie: '.
            implode('; ', array_map(static fn (string $name, string $value): string => "$name=$value", array_keys($cookies), $cookies)),
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
