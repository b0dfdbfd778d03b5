<?php

declare(strict_types=1);

// Insets of an outline of 1,000 lines and arcs, and of one of 200 cubics, at 20 distances inwards and outwards; prints milliseconds, nodes,
// and how far the result is from its distance. Writes the outlines flattened for the reference libraries, to the accuracy that is promised
// of cubics: a ten-thousandth of the smallest distance.

require __DIR__.'/../vendor/autoload.php';

use Sternbild\Core\Geometry\Bend;
use Sternbild\Core\Geometry\BentWay;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Shape\Corner;
use Sternbild\Core\Shape\Inset;

const RUNS = 3;

$place = static fn (int $k, int $count, float $wave): Vec => (new Vec(400, 400))->plus(
    Vec::heading((360 * $k) / $count)->times(280 + $wave * sin(($k / $count) * 2 * M_PI * 7)),
);
$points = array_map(static fn (int $k): Vec => $place($k, 1000, 40), range(0, 999));
$bends = array_map(static fn (int $k): ?Bend => $k % 2 === 0 ? Bend::bulge(0.25) : null, range(0, 999));
$smooth = array_map(static fn (int $k): Vec => $place($k, 200, 90), range(0, 199));
$handles = array_map(
    static fn (int $k): Bend => Bend::handles(
        $smooth[$k]->plus($smooth[($k + 1) % 200]->minus($smooth[($k + 199) % 200])->times(1 / 6)),
        $smooth[($k + 1) % 200]->minus($smooth[($k + 2) % 200]->minus($smooth[$k])->times(1 / 6)),
    ),
    range(0, 199),
);
$shapes = [
    '1,000 lines and arcs' => new Outline(BentWay::curves($points, $bends, true)),
    '200 cubics' => new Outline(BentWay::curves($smooth, $handles, true)),
];
$distances = array_map(static fn (int $k): float => ($k % 2 === 0 ? 1 : -1) * (1 + $k), range(0, 19));

$results = $flat = [];
foreach ($shapes as $name => $outline) {
    $outline = $outline->isHole() ? $outline->reversed() : $outline;
    $times = [];
    for ($run = 0; $run < RUNS; $run++) {
        $start = hrtime(true);
        $all = array_map(
            static fn (float $distance): array => (new Inset($distance, Corner::Round, 4.0, Tolerance::ofSheet(800)))->of([$outline]),
            $distances,
        );
        $times[] = (hrtime(true) - $start) / 1e6;
    }
    $nodes = $off = 0;
    foreach ($all as $k => $outlines) {
        foreach ($outlines as $one) {
            $nodes += $one->nodes();
            foreach (array_slice($one->curves, 0, 20) as $curve) {
                $at = $curve->pointAt(0.37);
                $away = min(
                    array_map(static fn (Curve $side): float => $at->distanceTo($side->pointAt($side->nearest($at))), $outline->curves),
                );
                $off = max($off, abs($away - abs($distances[$k])));
            }
        }
    }
    $results[$name] = ['best' => min($times), 'nodes' => $nodes, 'off' => $off];
    $ring = [];
    foreach ($outline->curves as $curve) {
        // A chord of a circle of radius r leaves it by r·(1 − cos(a/2)); the waves' tightest bends are about 3 units.
        $parts = max(1, (int) ceil($curve->length() / sqrt(8 * 3 * 1e-4)));
        for ($k = 0; $k < $parts; $k++) {
            $ring[] = [$curve->pointAt($k / $parts)->x, $curve->pointAt($k / $parts)->y];
        }
    }
    $flat[$name] = $ring;
}
file_put_contents($argv[1], json_encode(['rings' => $flat, 'distances' => $distances], JSON_THROW_ON_ERROR));
echo json_encode($results, JSON_THROW_ON_ERROR), "\n";
