<?php

declare(strict_types=1);

// Evaluates a plan of 50 rings × 100 sectors with 4,285 picked cells and joins them; prints milliseconds, best and median of ten runs.
// Writes the same cells, arcs flattened to four chords each, for the reference libraries.

require __DIR__.'/../vendor/autoload.php';

use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Result\ShortMemory;

$cells = [];
for ($ring = 0; $ring < 50; $ring++) {
    for ($sector = 0; $sector < 100; $sector++) {
        if (($ring + $sector) % 7 !== 0) {
            $cells[] = 'g1#'.($ring + 1).','.($sector + 1);
        }
    }
}
$plan = (new PlanReader(Kinds::all()))->fromArray([
    'format' => 'sternbild-plan', 'version' => 1,
    'sheet' => ['width' => 800, 'height' => 800, 'unit' => 'px'],
    'steps' => [
        ['id' => 'g1', 'kind' => 'grid.polar', 'center' => [400, 400], 'radius' => 380, 'rings' => 50, 'sectors' => 100],
        ['id' => 'p1', 'kind' => 'part.cells', 'cells' => $cells],
    ],
]);
$times = [];
for ($run = 0; $run < 10; $run++) {
    $start = hrtime(true);
    $scene = (new Evaluator(new ShortMemory))->evaluate($plan);
    $times[] = (hrtime(true) - $start) / 1e6;
}
sort($times);

$rings = [];
$grid = $scene->grids()['g1'];
foreach ($cells as $address) {
    [$ring, $sector] = explode(',', substr($address, 3));
    $points = [];
    foreach ($grid->cellOutlines($grid->cellsAt([(int) $ring, (int) $sector])[0])[0]->curves as $curve) {
        $forward = $curve instanceof Arc && $curve->sweep() < 0 ? $curve->reversed() : $curve;
        for ($k = 0; $k < ($curve instanceof Arc ? 4 : 1); $k++) {
            $point = $k === 0 || ! $forward instanceof Arc ? $curve->start() : $forward->pointAt(($forward === $curve ? $k : 4 - $k) / 4);
            $points[] = [round($point->x, 9), round($point->y, 9)];
        }
    }
    $rings[] = $points;
}
file_put_contents($argv[1], json_encode($rings, JSON_THROW_ON_ERROR));
$part = $scene->parts()['p1'];
echo json_encode(
    [
        'cells' => count($cells),
        'best' => $times[0],
        'median' => $times[5],
        'pieces' => $part->pieces(),
        'holes' => $part->holes(),
        'area' => $part->area(),
    ],
    JSON_THROW_ON_ERROR,
),
"\n";
