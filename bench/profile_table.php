<?php

declare(strict_types=1);

// Prints where the time went. In: the folder with what was sampled. Of each function how much of the whole was spent in it, and in it with
// all that it called.

const SHOWN = 120;

$own = $with = [];
$all = 0;
foreach (glob("$argv[1]/*.txt") ?: [] as $file) {
    foreach (file($file, FILE_IGNORE_NEW_LINES) ?: [] as $line) {
        $space = (int) strrpos($line, ' ');
        [$way, $samples] = [explode(';', substr($line, 0, $space)), (int) substr($line, $space + 1)];
        $all += $samples;
        $own[end($way)] = ($own[end($way)] ?? 0) + $samples;
        foreach (array_unique($way) as $function) {
            $with[$function] = ($with[$function] ?? 0) + $samples;
        }
    }
}
foreach (['in it' => $own, 'in it and in what it called' => $with] as $how => $samples) {
    echo "\nTime $how, of $all ms\n";
    arsort($samples);
    foreach (array_slice($samples, 0, SHOWN, true) as $function => $count) {
        printf("%6.1f %%  %s\n", 100 * $count / max(1, $all), $function);
    }
}
