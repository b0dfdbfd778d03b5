<?php

declare(strict_types=1);

// Every family of grids at about 20,000 cells: evaluated, put into the answer that the editor gets, and gzipped. Prints milliseconds, best
// of five, and bytes; as the reference what it takes to encode and zip an answer of the same size that is already there.

require __DIR__.'/../vendor/autoload.php';

use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Result\ShortMemory;
use Sternbild\Core\View\SceneView;

$families = [
    'polar' => ['kind' => 'grid.polar', 'center' => [400, 400], 'radius' => 390, 'rings' => 100, 'sectors' => 200],
    'rectangular' => [
        'kind' => 'grid.rectangular',
        'origin' => [10, 10],
        'columns' => 200,
        'rows' => 100,
        'size' => [780, 780],
        'angle' => 3,
    ],
    'two-axis' => [
        'kind' => 'grid.twoaxis',
        'origin' => [400, 0],
        'angles' => [30, 150],
        'spacing' => [3, 3],
        'columns' => 200,
        'rows' => 100,
    ],
    'triangular' => [
        'kind' => 'grid.triangular',
        'origin' => [10, 10],
        'side' => 7,
        'columns' => 100,
        'rows' => 100,
        'field' => 'rectangle',
    ],
    'golden' => ['kind' => 'grid.golden', 'origin' => [0, 0], 'size' => [800, 800], 'from' => 'both', 'depth' => 8],
];
$reader = new PlanReader(Kinds::all());
$results = [];
foreach ($families as $name => $step) {
    $plan = $reader->fromArray([
        'format' => 'sternbild-plan',
        'version' => 1,
        'sheet' => ['width' => 800, 'height' => 800, 'unit' => 'px'],
        'steps' => [['id' => 'g1', ...$step]],
    ]);
    $times = ['evaluated' => INF, 'whole' => INF, 'encoded' => INF];
    for ($run = 0; $run < 5; $run++) {
        $start = hrtime(true);
        $scene = (new Evaluator(new ShortMemory))->evaluate($plan);
        $cells = count($scene->grids()['g1']->mesh()->cells);
        $times['evaluated'] = min($times['evaluated'], (hrtime(true) - $start) / 1e6);
        $view = SceneView::describe($scene, []);
        $zipped = gzencode(json_encode($view, JSON_THROW_ON_ERROR), 5);
        $times['whole'] = min($times['whole'], (hrtime(true) - $start) / 1e6);
        $start = hrtime(true);
        gzencode(json_encode($view, JSON_THROW_ON_ERROR), 5);
        $times['encoded'] = min($times['encoded'], (hrtime(true) - $start) / 1e6);
    }
    $results[$name] = ['cells' => $cells, 'bytes' => strlen((string) $zipped), ...$times];
}
echo json_encode($results, JSON_THROW_ON_ERROR), "\n";
