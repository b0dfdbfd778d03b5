<?php

declare(strict_types=1);

// The core loads by itself, by its own rule alone; no framework is booted and no database asked.
spl_autoload_register(static function (string $class): void {
    foreach (['Sternbild\\Core\\Tests\\' => __DIR__.'/', 'Sternbild\\Core\\' => __DIR__.'/../src/'] as $prefix => $folder) {
        $file = $folder.strtr(substr($class, strlen($prefix)), '\\', '/').'.php';
        if (str_starts_with($class, $prefix) && is_file($file)) {
            require $file;

            return;
        }
    }
});
