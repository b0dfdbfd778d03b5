<?php

declare(strict_types=1);

// A p6m pattern of 40 curves in one cell and in 1,000 (12,000 copies), against writing every copy out: evaluated and put into an answer, in
// milliseconds and bytes. A tile of 4,096 pixels against rsvg-convert on the same drawing with every copy written out. Medians and 95th
// percentiles.

require __DIR__.'/../vendor/autoload.php';

use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\PathData;
use Sternbild\Core\Format\Raster;
use Sternbild\Core\Format\Tile;
use Sternbild\Core\Format\TileRaster;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Result\ShortMemory;
use Sternbild\Core\View\SceneView;

const RUNS = 15;
const PIXELS = 4096;

/** A ring of 40 points around a middle, near enough to a mirror to be crowded and not on it. @return array<string, mixed> */
function plan(int $across, int $down): array
{
    $points = [];
    for ($k = 0; $k < 40; $k++) {
        $radius = $k % 2 === 0 ? 4.0 : 2.5;
        $points[] = [round(114 + $radius * cos($k * M_PI / 20), 4), round(105 + $radius * sin($k * M_PI / 20), 4)];
    }

    return [
        'format' => 'sternbild-plan',
        'version' => 1,
        'sheet' => [
            'width' => 2000,
            'height' => 2000,
            'unit' => 'px',
            'background' => '#fffdf8',
            'checks' => ['sliver' => 0, 'miss' => 0, 'corner' => 0, 'small' => 0],
        ],
        'palette' => [],
        'steps' => [
            ['id' => 'p1', 'kind' => 'part.outline', 'points' => $points],
            [
                'id' => 'w1',
                'kind' => 'pattern',
                'of' => ['p1'],
                'group' => 'p6m',
                'origin' => [100, 100],
                'a' => [40, 0],
                'across' => $across,
                'down' => $down,
                'colours' => ['#0f6e84', '#d0683f'],
            ],
        ],
    ];
}

function scene(int $across, int $down): Scene
{
    return (new Evaluator(new ShortMemory))->evaluate((new PlanReader(Kinds::all()))->fromArray(plan($across, $down)));
}

/**
 * @param  Closure(): mixed  $work
 * @return array{median: float, p95: float}
 */
function timed(Closure $work, int $runs = RUNS): array
{
    $times = [];
    for ($run = 0; $run < $runs; $run++) {
        $start = hrtime(true);
        $work();
        $times[] = (hrtime(true) - $start) / 1e6;
    }
    sort($times);

    return ['median' => $times[intdiv($runs, 2)], 'p95' => $times[(int) floor($runs * 0.95)]];
}

$answer = static fn (int $across, int $down): string => json_encode(SceneView::describe(scene($across, $down), []), JSON_THROW_ON_ERROR);
// Every copy by itself, as a repeat would have it.
$spelt = static function (): string {
    $scene = scene(40, 25);
    $paths = new PathData($scene->plan->tolerance()->decimals);
    $written = [];
    foreach ($scene->parts()['w1']->each() as $figure) {
        $written[] = $paths->ofOutlines($figure->outlines());
    }

    return json_encode($written, JSON_THROW_ON_ERROR);
};
$answer(1, 1);

$scene = scene(1, 1);
$tile = Tile::of($scene, 'w1');
$height = $tile->heightFor(PIXELS);
// The same drawing with every copy written out, as a picture of its own.
$paths = new PathData(6);
$out = sprintf('<svg xmlns="http://www.w3.org/2000/svg" width="%d" height="%d" viewBox="%.9F %.9F %.9F %.9F" preserveAspectRatio="none"><rect x="0" y="0" width="4000" height="4000" fill="#fffdf8"/>', PIXELS, $height, $tile->origin->x, $tile->origin->y, $tile->width, $tile->height);
foreach ($tile->patterns[0]->styled($tile->rangeOf($tile->patterns[0])) as [$figure, $style]) {
    $out .= "<path fill=\"$style->fill\" d=\"{$paths->ofOutlines($figure->outlines())}\"/>";
}
$out .= '</svg>';

echo json_encode([
    'one' => timed(static fn (): string => $answer(1, 1)),
    'many' => timed(static fn (): string => $answer(40, 25)),
    'spelt' => timed($spelt, 3),
    'bytes' => ['one' => strlen($answer(1, 1)), 'many' => strlen($answer(40, 25)), 'spelt' => strlen($spelt())],
    'tile' => timed(static fn (): string => TileRaster::png($scene, $tile, PIXELS), 3),
    'written out' => timed(static fn (): string => Raster::png($out, 1.0), 3),
], JSON_THROW_ON_ERROR);
