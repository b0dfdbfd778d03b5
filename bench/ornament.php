<?php

declare(strict_types=1);

// A rosette of 36 petals of 12 curves, each over the next one all the way round; a weave of 400 crossings; 2,000 neighbours in 12 colours
// with what lies under their edges. Milliseconds, medians, and area; bytes of the SVG with and without what lies under the edges. Writes
// petals and ways, flattened to 1e-4, for a library that takes straight sides only.

require __DIR__.'/../vendor/autoload.php';

use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Result\ShortMemory;
use Sternbild\Core\View\SceneView;

const RUNS = 5;
const FLAT = 1e-4;
const PETALS = 36;
const WIDTH = 12.0;

/** @param  list<array<string, mixed>>  $steps */
function scene(array $steps, string $seams = 'closed'): Scene
{
    return (new Evaluator(new ShortMemory))->evaluate(
        (new PlanReader(Kinds::all()))->fromArray([
            'format' => 'sternbild-plan',
            'version' => 1,
            'sheet' => [
                'width' => 1000,
                'height' => 1000,
                'unit' => 'px',
                'seams' => $seams,
                'checks' => ['sliver' => 0, 'miss' => 0, 'corner' => 0, 'small' => 0],
            ],
            'palette' => [],
            'steps' => $steps,
        ]),
    );
}

/** @param  Closure(): mixed  $work */
function median(Closure $work): float
{
    $times = [];
    for ($run = 0; $run < RUNS; $run++) {
        $start = hrtime(true);
        $work();
        $times[] = (hrtime(true) - $start) / 1e6;
    }
    sort($times);

    return $times[intdiv(RUNS, 2)];
}

/**
 * @param  iterable<Curve>  $curves
 * @return list<array{float, float}>
 */
function flattened(iterable $curves): array
{
    $line = [];
    foreach ($curves as $curve) {
        $parts = $curve instanceof Line ? 1 : (int) ceil($curve->length() / sqrt(8 * 60 * FLAT));
        for ($k = $line === [] ? 0 : 1; $k <= $parts; $k++) {
            $line[] = [$curve->pointAt($k / $parts)->x, $curve->pointAt($k / $parts)->y];
        }
    }

    return $line;
}

$points = $bends = [];
foreach ([[0, -120], [30, -190], [64, -260], [70, -330], [50, -400], [20, -440], [0, -460]] as $k => [$x, $y]) {
    $points[] = [500 + $x, 500 + $y];
}
foreach (array_reverse(array_slice($points, 1, 5)) as [$x, $y]) {
    $points[] = [1000 - $x, $y];
}
$petal = [
    'id' => 'p1',
    'kind' => 'part.outline',
    'points' => $points,
    'bends' => array_map(static fn (int $k): array => ['bulge' => 0.12], array_keys($points)),
];
$rosette = [
    $petal,
    ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => [500, 500], 'count' => PETALS, 'lap' => 'clockwise'],
];
$lap = median(static fn (): Scene => scene($rosette));
$alone = median(static fn (): Scene => scene([$petal]));

$ways = [];
for ($k = 0; $k < 20; $k++) {
    $at = 60 + 45 * $k;
    $ways[] = ['id' => "a$k", 'kind' => 'guide.run', 'points' => [[20, $at], [980, $at]], 'bends' => [['bulge' => 0.02]]];
    $ways[] = ['id' => "b$k", 'kind' => 'guide.run', 'points' => [[$at, 20], [$at, 980]], 'bends' => [['bulge' => 0.02]]];
}
$weaving = [...$ways, ['id' => 'w1', 'kind' => 'weave', 'of' => array_column($ways, 'id'), 'width' => WIDTH, 'gap' => 2]];
$weave = median(static fn (): Scene => scene($weaving));

$cells = [];
for ($column = 1; $column <= 50; $column++) {
    for ($row = 1; $row <= 40; $row++) {
        $cells[($column * 5 + $row * 7) % 12][] = "g1#$column,$row";
    }
}
$field = [
    ['id' => 'g1', 'kind' => 'grid.rectangular', 'origin' => [60, 20], 'columns' => 50, 'rows' => 40, 'cell' => [18, 18], 'angle' => 7],
];
foreach ($cells as $k => $of) {
    array_push(
        $field,
        ['id' => "p$k", 'kind' => 'part.cells', 'cells' => $of],
        ['id' => "s$k", 'kind' => 'style', 'of' => ["p$k"], 'fill' => sprintf('#%02x%02x%02x', 20 * $k, 255 - 15 * $k, (80 * $k) % 256)],
    );
}
[$closed, $open] = [scene($field), scene($field, 'open')];

$part = scene($rosette)->parts()['r1'];
$woven = scene($weaving)->parts()['w1'];
$petals = array_map(
    static fn ($figure): array => flattened($figure->outlines()[0]->curves),
    scene([$petal, [...$rosette[1], 'lap' => 'stack']])
        ->parts()['r1']->figures(),
);
file_put_contents(
    $argv[1],
    json_encode(
        [
            'petals' => $petals,
            'width' => WIDTH,
            'gap' => 2,
            'ways' => array_values(array_map(static fn ($guide): array => flattened($guide->curves()), scene($ways)->guides())),
        ],
        JSON_THROW_ON_ERROR,
    ),
);
echo json_encode(
    [
        'lap' => $lap - $alone,
        'lap area' => $part->area(),
        'weave' => $weave,
        'weave area' => $woven->area(),
        'crossings' => $woven->facts['crossings'],
        'seams' => median(static fn (): array => $closed->seams()),
        'encoding' => median(static fn (): string => json_encode(SceneView::describe($open, []), JSON_THROW_ON_ERROR)),
        'bytes' => strlen(SvgDrawing::write($closed)) / strlen(SvgDrawing::write($open)),
    ],
    JSON_THROW_ON_ERROR,
),
"\n";
