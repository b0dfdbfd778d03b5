<?php

declare(strict_types=1);

// Reads the sheet that is under a desk's lamp: php scanner/lamp.php FOLDER SCAN

use Sternbild\Scanner\Lamp;
use Sternbild\Scanner\Tray;

require __DIR__.'/../vendor/autoload.php';

ini_set('memory_limit', '256M');
set_time_limit(60);
Lamp::read($argv[1], $argv[2], new Tray);
