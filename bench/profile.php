<?php

declare(strict_types=1);

// Put before a script or a request: samples what it does each millisecond of its processor, and writes that into the folder that
// STERNBILD_PROFILE names, one line for each way of calls: the way, and how many samples.

(static function (): void {
    $folder = (string) getenv('STERNBILD_PROFILE');
    $profiler = new ExcimerProfiler;
    $profiler->setPeriod(0.001);
    $profiler->setEventType(EXCIMER_CPU);
    $profiler->start();
    register_shutdown_function(static function () use ($profiler, $folder): void {
        $profiler->stop();
        file_put_contents("$folder/".getmypid().'.txt', $profiler->getLog()->formatCollapsed(), FILE_APPEND | LOCK_EX);
    });
})();
