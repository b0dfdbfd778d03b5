<?php

// Each of the processes that tests run in has a database and a folder of its own: bin/test makes the one, this the other.
require __DIR__.'/../vendor/autoload.php';

$token = getenv('TEST_TOKEN');
$home = getenv('STERNBILD_TEST_HOME').'/phpunit'.($token === false ? '' : "-$token");
foreach (['framework/cache/data', 'framework/sessions', 'framework/views', 'logs', 'app'] as $folder) {
    is_dir("$home/$folder") || mkdir("$home/$folder", recursive: true);
}
$own = ['LARAVEL_STORAGE_PATH' => $home, ...($token === false ? [] : ['DB_DATABASE' => "sternbild_$token"])];
foreach ($own as $name => $value) {
    putenv("$name=$value");
    $_ENV[$name] = $_SERVER[$name] = $value;
}
