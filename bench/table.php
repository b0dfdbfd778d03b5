<?php

declare(strict_types=1);

// Prints the results as one table. In: lines of NAME and JSON, tab between.

$results = [];
foreach (file($argv[1]) ?: [] as $line) {
    [$name, $json] = explode("\t", $line, 2);
    $results[$name] = json_decode($json, true, 16, JSON_THROW_ON_ERROR);
}
$row = static fn (string $what, string $value, string $aim): string => sprintf("%-62s %18s   %s\n", $what, $value, $aim);
$ms = static fn (float $milliseconds): string => sprintf('%.1f ms', $milliseconds);
['join' => $ours, 'polygon-clipping' => $clipping, 'shapely' => $shapely, 'server' => $server, 'editor' => $editor] = $results;

echo $row('measured', 'value', 'aim'), str_repeat('-', 110), "\n";
echo $row("join of {$ours['cells']} cells, evaluation included (median of 10)", $ms($ours['median']), '');
echo $row('  the same by polygon-clipping (best of 3)', $ms($clipping['best']), '');
echo $row('  the same by Shapely, unary_union (best of 5)', $ms($shapely['best']), '');
echo $row('  faster than the faster of the two', sprintf('%.1f times', min($clipping['best'], $shapely['best']) / $ours['median']), 'at least 4 times');
foreach ($server['times'] as $what => $times) {
    echo $row("round trip, $what (median)", $ms($times['median']), $what === 'nothing' ? 'reference' : '');
    echo $row("round trip, $what (95th percentile)", $ms($times['p95']), $what === 'nothing' ? 'reference' : 'under 80 ms where nothing takes 15 ms');
    if ($what !== 'nothing') {
        echo $row('  over nothing, median', sprintf('%.1f times', $times['median'] / $server['times']['nothing']['median']), '');
    }
}
echo $row('answer to a changed number, gzipped', sprintf('%.1f kB', $server['bytes of a changed number, gzipped'] / 1000), '');
echo $row('JavaScript, gzipped', sprintf('%.1f kB', $editor['gzipped'] / 1000), 'under 220 kB');
echo $row("dragging across {$editor['picked']} cells, frame time (median)", $ms($editor['median']), '');
echo $row("dragging across {$editor['picked']} cells, frame time (95th percentile)", $ms($editor['p95']), 'under 20 ms');
echo $row('opening a sheet of 5,000 cells until it is painted', $ms($editor['opening']), 'under 1000 ms');
