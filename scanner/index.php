<?php

declare(strict_types=1);

// The simulated scanner, behind PHP's own server on loopback: SCANNER_HOME=… php -S 127.0.0.1:8470 scanner/index.php

use Sternbild\Scanner\Panel;
use Sternbild\Scanner\Tray;

require __DIR__.'/../vendor/autoload.php';

$home = getenv('SCANNER_HOME') ?: throw new RuntimeException('SCANNER_HOME names no folder.');
// A process of its own, which goes on when this request has its answer.
$light = static function (string $folder, string $id): void {
    exec(
        sprintf(
            'setsid php -d opcache.enable_cli=1 -d opcache.jit=tracing -d opcache.jit_buffer_size=16M %s %s %s >/dev/null 2>>%s &',
            escapeshellarg(__DIR__.'/lamp.php'),
            escapeshellarg($folder),
            escapeshellarg($id),
            escapeshellarg("$folder/log"),
        ),
    );
};
[$status, $told] = (new Panel($home, new Tray, $light))->answer(
    $_SERVER['REQUEST_METHOD'],
    (string) parse_url($_SERVER['REQUEST_URI'], PHP_URL_PATH),
    (string) file_get_contents('php://input'),
);
http_response_code($status);
if (is_string($told)) {
    header('Content-Type: '.(str_ends_with($told, '.svg') ? 'image/svg+xml' : 'image/jpeg'));
    header('Content-Length: '.filesize($told));
    readfile($told);
} else {
    header('Content-Type: application/json');
    echo json_encode($told, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
}
