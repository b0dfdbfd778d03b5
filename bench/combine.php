<?php

declare(strict_types=1);

// Joins, cuts and commons of outlines with many curves; prints milliseconds and nodes. Writes the same outlines for the reference
// libraries: as path data with true curves, and flattened to a ten-thousandth of the radius.

require __DIR__.'/../vendor/autoload.php';

use Sternbild\Core\Format\PathData;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Bend;
use Sternbild\Core\Geometry\BentWay;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Shape\Combination;

const RUNS = 5;
const FLAT = 1e-4;

mt_srand(5);
$wavy = static function (float $x, float $y): array {
    $points = $bends = [];
    for ($k = 0; $k < 1000; $k++) {
        $points[] = (new Vec($x, $y))->plus(Vec::heading($k * 0.36)->times(250 + 40 * sin($k / 1000 * 2 * M_PI * 9)));
        $bends[] = Bend::bulge($k % 2 === 0 ? 0.5 : -0.5);
    }

    return [new Outline(BentWay::curves($points, $bends, true))];
};
$blob = static function (): array {
    $center = new Vec(mt_rand(0, 800_000) / 1000, mt_rand(0, 800_000) / 1000);
    $points = $bends = [];
    for ($k = 0; $k < 8; $k++) {
        $points[] = $center->plus(Vec::heading($k * 45)->times(mt_rand(40, 90)));
    }
    foreach ($points as $k => $point) {
        $next = $points[($k + 1) % 8];
        // Handles along the way from the point before to the one after.
        $bends[] = Bend::handles(
            $point->plus($next->minus($points[($k + 7) % 8])->times(1 / 6)),
            $next->minus($points[($k + 2) % 8]->minus($point)->times(1 / 6)),
        );
    }

    return [new Outline(BentWay::curves($points, $bends, true))];
};
$circles = [];
for ($k = 0; $k < 300; $k++) {
    $circles[] = [
        new Outline([
            Arc::fullCircle(new Circle(new Vec(mt_rand(0, 800_000) / 1000, mt_rand(0, 800_000) / 1000), mt_rand(20_000, 120_000) / 1000)),
        ]),
    ];
}
$work = [
    'two outlines of 1,000 arcs' => [[$wavy(390, 400), $wavy(423, 411)], ['join', 'cut', 'common']],
    '300 circles' => [$circles, ['join']],
    '100 outlines of cubics' => [array_map(static fn (): array => $blob(), range(1, 100)), ['join']],
];
$flattened = static function (Outline $outline): array {
    $points = [];
    foreach ($outline->curves as $curve) {
        // A chord over an angle θ leaves its circle by r(1 − cos θ/2); cubics are taken for a quarter circle.
        $count = $curve instanceof Line ? 1 : (int) ceil(($curve instanceof Arc ? abs($curve->sweep()) : M_PI_2) / (2 * acos(1 - FLAT)));
        for ($k = 0; $k < $count; $k++) {
            $point = $curve->pointAt($k / $count);
            $points[] = [$point->x, $point->y];
        }
    }

    return $points;
};
$shared = $results = [];
$paths = new PathData(6);
foreach ($work as $name => [$operands, $operations]) {
    $shared[$name] = [
        'paths' => array_map(static fn (array $outlines): string => $paths->ofOutlines($outlines), $operands),
        'rings' => array_map(static fn (array $outlines): array => $flattened($outlines[0]), $operands),
        'operations' => $operations,
    ];
    foreach ($operations as $operation) {
        $times = [];
        for ($run = 0; $run < RUNS; $run++) {
            $start = hrtime(true);
            $outlines = Combination::$operation($operands, Tolerance::ofSheet(800));
            $times[] = (hrtime(true) - $start) / 1e6;
        }
        sort($times);
        $results["$operation of $name"] = [
            'median' => $times[intdiv(RUNS, 2)], 'best' => $times[0],
            'nodes' => array_sum(array_map(static fn (Outline $outline): int => $outline->nodes(), $outlines)),
            'area' => array_sum(array_map(static fn (Outline $outline): float => $outline->area(), $outlines)),
        ];
    }
}
file_put_contents($argv[1], json_encode($shared, JSON_THROW_ON_ERROR));
echo json_encode($results, JSON_THROW_ON_ERROR), "\n";
