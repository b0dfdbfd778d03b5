<?php

declare(strict_types=1);

// Cuts the plane by the diagonals of regular polygons, by circles and by random segments, and answers questions about places; prints
// milliseconds and counts. Writes the same polygons and circles for the reference library.

require __DIR__.'/../vendor/autoload.php';

use Sternbild\Core\Arrangement\Arrangement;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;

const RUNS = 5;

$best = static function (callable $work, int $runs = RUNS): array {
    $least = INF;
    for ($run = 0; $run < $runs; $run++) {
        $start = hrtime(true);
        $result = $work();
        $least = min($least, (hrtime(true) - $start) / 1e6);
    }

    return [$least, $result];
};
$cut = static function (array $curves): Arrangement {
    $arrangement = Arrangement::of($curves, Tolerance::ofSheet(800));
    $arrangement->mesh();

    return $arrangement;
};
$results = [];
$shared = ['polygons' => [], 'circles' => [], 'segments' => []];

foreach ([24, 30, 40] as $n) {
    $corners = array_map(
        static fn (int $k): Vec => new Vec(400 + 300 * cos((2 * M_PI * $k) / $n), 400 + 300 * sin((2 * M_PI * $k) / $n)),
        range(0, $n - 1),
    );
    $lines = [];
    for ($i = 0; $i < $n; $i++) {
        for ($j = $i + 1; $j < $n; $j++) {
            $lines[] = new Line($corners[$i], $corners[$j]);
        }
    }
    $shared['polygons'][$n] = array_map(
        static fn (Line $line): array => [[$line->start()->x, $line->start()->y], [$line->end()->x, $line->end()->y]],
        $lines,
    );
    [$time, $arrangement] = $best(static fn (): Arrangement => $cut($lines));
    $results["polygon $n"] = ['best' => $time, 'faces' => $arrangement->faceCount(), 'crossings' => $arrangement->pointCount() - $n];
}
$results['memory'] = memory_get_peak_usage() / 1e6;

mt_srand(1);
foreach ([100, 300, 1000] as $count) {
    $circles = [];
    for ($k = 0; $k < $count; $k++) {
        $circles[] = new Circle(
            new Vec(mt_rand(0, 800_000) / 1000, mt_rand(0, 800_000) / 1000),
            mt_rand(20_000, (int) (200_000 / sqrt($count / 100))) / 1000,
        );
    }
    $shared['circles'][$count] = array_map(
        static fn (Circle $circle): array => [$circle->center->x, $circle->center->y, $circle->radius],
        $circles,
    );
    $arcs = array_map(Arc::fullCircle(...), $circles);
    [$time, $arrangement] = $best(static fn (): Arrangement => $cut($arcs));
    $results["circles $count"] = ['best' => $time, 'faces' => $arrangement->faceCount()];
}

foreach ([1000, 2000, 4000, 8000, 16000] as $n) {
    $length = 800 * 1.5 / sqrt($n);
    $lines = [];
    for ($k = 0; $k < $n; $k++) {
        $angle = mt_rand(0, 6_283_185) / 1e6;
        $start = new Vec(mt_rand(0, 800_000) / 1000, mt_rand(0, 800_000) / 1000);
        $lines[] = new Line($start, $start->plus(new Vec($length * cos($angle), $length * sin($angle))));
    }
    $shared['segments'][$n] = array_map(
        static fn (Line $line): array => [[$line->start()->x, $line->start()->y], [$line->end()->x, $line->end()->y]],
        $lines,
    );
    [$time, $arrangement] = $best(static fn (): Arrangement => $cut($lines), 3);
    $results["segments $n"] = ['best' => $time, 'faces' => $arrangement->faceCount()];
    $crossings = $arrangement->pointCount() - 2 * $n;
    $results['growth'][$n] = 1000 * $time / (($n + $crossings) * log($n));
}

// A grid of 200 × 200 on one of 60 rings.
$grid = [];
for ($k = 0; $k <= 200; $k++) {
    array_push($grid, new Line(new Vec(0, $k * 4), new Vec(800, $k * 4)), new Line(new Vec($k * 4, 0), new Vec($k * 4, 800)));
}
$shared['grid'] = array_map(
    static fn (Line $line): array => [[$line->start()->x, $line->start()->y], [$line->end()->x, $line->end()->y]],
    $grid,
);
$shared['rings'] = array_map(static fn (int $ring): array => [400, 400, (380 * $ring) / 60], range(1, 60));
foreach ($shared['rings'] as [$x, $y, $radius]) {
    $grid[] = Arc::fullCircle(new Circle(new Vec($x, $y), $radius));
}
[$time, $arrangement] = $best(static fn (): Arrangement => $cut($grid), 3);
$results['grid on rings'] = ['best' => $time, 'faces' => $arrangement->faceCount()];

$lattice = [];
for ($k = 0; $k <= 142; $k++) {
    array_push($lattice, new Line(new Vec(0, $k * 5), new Vec(710, $k * 5)), new Line(new Vec($k * 5, 0), new Vec($k * 5, 710)));
}
$places = array_map(static fn (): Vec => new Vec(mt_rand(0, 710_000) / 1000, mt_rand(0, 710_000) / 1000), range(1, 10_000));
[$built] = $best(static fn (): Arrangement => Arrangement::of($lattice, Tolerance::ofSheet(800)));
$least = INF;
for ($run = 0; $run < RUNS; $run++) {
    $arrangement = Arrangement::of($lattice, Tolerance::ofSheet(800));
    $start = hrtime(true);
    foreach ($places as $place) {
        $arrangement->faceAt($place);
    }
    $least = min($least, (hrtime(true) - $start) / 1e6);
}
$results['location'] = ['faces' => $arrangement->faceCount(), 'build' => $built, 'questions' => $least];

file_put_contents($argv[1], json_encode($shared, JSON_THROW_ON_ERROR));
echo json_encode($results, JSON_THROW_ON_ERROR), "\n";
