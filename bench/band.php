<?php

declare(strict_types=1);

// Bands of 1,000 runs of lines and arcs; prints milliseconds and nodes. Writes the runs as SVG paths for the library that strokes true
// curves, and flattened, to a hundredth of a unit, for those that take straight sides only.

require __DIR__.'/../vendor/autoload.php';

use Sternbild\Core\Format\PathData;
use Sternbild\Core\Geometry\Bend;
use Sternbild\Core\Geometry\BentWay;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Shape\Band;
use Sternbild\Core\Shape\Corner;

const RUNS = 3;
const WIDTH = 6.0;
const FLAT = 0.01;

$ways = [];
for ($k = 0; $k < 1000; $k++) {
    [$x, $y] = [20 + 24 * ($k % 32), 20 + 24 * intdiv($k, 32)];
    $points = array_map(static fn (array $at): Vec => new Vec($x + $at[0], $y + $at[1]), [
        [0, 0],
        [10, 2 + ($k % 5)],
        [16, 12],
        [4 + ($k % 7), 18],
        [20, 20],
    ]);
    $ways[] = BentWay::curves($points, [Bend::bulge(0.3), null, Bend::bulge(-0.4), null], false);
}
$band = new Band(WIDTH / 2, WIDTH / 2, Corner::Miter, 'butt', 4.0, Tolerance::ofSheet(800));
$times = [];
for ($run = 0; $run < RUNS; $run++) {
    $start = hrtime(true);
    $all = array_map($band->of(...), $ways);
    $times[] = (hrtime(true) - $start) / 1e6;
}
$nodes = 0;
foreach ($all as $outlines) {
    foreach ($outlines as $outline) {
        $nodes += $outline->nodes();
    }
}
$paths = $flat = [];
foreach ($ways as $way) {
    $paths[] = (new PathData(6))->ofCurves($way);
    $line = [[$way[0]->start()->x, $way[0]->start()->y]];
    foreach ($way as $curve) {
        $parts = $curve instanceof Line ? 1 : (int) ceil($curve->length() / sqrt(8 * 5 * FLAT));
        for ($k = 1; $k <= $parts; $k++) {
            $line[] = [$curve->pointAt($k / $parts)->x, $curve->pointAt($k / $parts)->y];
        }
    }
    $flat[] = $line;
}
file_put_contents($argv[1], json_encode(['width' => WIDTH, 'flat' => FLAT, 'paths' => $paths, 'lines' => $flat], JSON_THROW_ON_ERROR));
echo json_encode(['best' => min($times), 'nodes' => $nodes], JSON_THROW_ON_ERROR), "\n";
