<?php

declare(strict_types=1);

// Painted cells: a picture of 12 megapixels sampled into 160 × 96 cells in 16 colours, and a bitmap of 400 × 300 cells against GD drawing
// the same pixels. Out: medians and 95th percentiles in milliseconds, and the path of the picture, for the same by another library. In: a
// folder to work in.

require __DIR__.'/../vendor/autoload.php';

use Sternbild\Core\Command\FolderPictures;
use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Format\PixelRaster;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Result\ShortMemory;

const RUNS = 9;

$folder = $argv[1];
$view = new Imagick;
$view->newPseudoImage(4000, 3000, 'gradient:#2a2f5c-#f0a36b');
$draw = new ImagickDraw;
mt_srand(12);
for ($k = 0; $k < 400; $k++) {
    $draw->setFillColor(sprintf('#%06x', mt_rand(0, 0xFFFFFF)));
    [$x, $y, $radius] = [mt_rand(0, 4000), mt_rand(0, 3000), mt_rand(10, 160)];
    $draw->circle($x, $y, $x + $radius, $y);
}
$view->drawImage($draw);
$view->setImageFormat('jpeg');
$view->setImageCompressionQuality(90);
$view->writeImage("$folder/view.jpg");

/**
 * @param  Closure(): mixed  $work
 * @return array{median: float, p95: float}
 */
function timed(Closure $work): array
{
    $times = [];
    $work();
    for ($run = 0; $run < RUNS; $run++) {
        $start = hrtime(true);
        $work();
        $times[] = (hrtime(true) - $start) / 1e6;
    }
    sort($times);

    return ['median' => $times[intdiv(RUNS, 2)], 'p95' => $times[(int) floor(0.95 * (RUNS - 1))]];
}

$evaluated = static fn (array $steps) => (new Evaluator(new ShortMemory))->evaluate(
    (new PlanReader(Kinds::all()->withPictures(new FolderPictures($folder))))->fromArray([
        'format' => 'sternbild-plan',
        'version' => 1,
        'sheet' => [
            'width' => 1600,
            'height' => 960,
            'unit' => 'px',
            'checks' => ['sliver' => 0, 'miss' => 0, 'corner' => 0, 'small' => 0],
        ],
        'palette' => [],
        'steps' => $steps,
    ]),
);
$sample = timed(
    static fn () => $evaluated([
        ['id' => 'k1', 'kind' => 'picture', 'source' => 'view.jpg'],
        ['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => 160, 'rows' => 96, 'cell' => 10],
        ['id' => 'd1', 'kind' => 'sample', 'picture' => 'k1', 'on' => 'g1', 'colours' => 16],
    ]),
);

$cells = [];
for ($row = 1; $row <= 300; $row++) {
    for ($column = 1; $column <= 400; $column++) {
        $cells[['#171c3a', '#0f6e84', '#a0cecf', '#f2b33d'][intdiv($column * 7 + $row * 5, 40) % 4]][] = "$column,$row";
    }
}
$scene = $evaluated([
    ['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => 400, 'rows' => 300, 'cell' => 2],
    ['id' => 'd1', 'kind' => 'paint', 'on' => 'g1', 'cells' => array_map(static fn (array $those): string => implode(' ', $those), $cells)],
]);
$bitmap = timed(static fn (): string => PixelRaster::of($scene, 'g1')->png(1));
// GD, given the colours of all pixels in rows.
$rows = PixelRaster::of($scene, 'g1')->cells;
$gd = timed(static function () use ($rows): string {
    $picture = imagecreate(400, 300);
    imagecolorallocatealpha($picture, 0, 0, 0, 127);
    $numbers = [];
    foreach ($rows as $cell => $colour) {
        $numbers[$colour] ??= imagecolorallocate(
            $picture,
            (int) hexdec(substr($colour, 1, 2)),
            (int) hexdec(substr($colour, 3, 2)),
            (int) hexdec(substr($colour, 5, 2)),
        );
        imagesetpixel($picture, $cell % 400, intdiv($cell, 400), $numbers[$colour]);
    }
    ob_start();
    imagepng($picture, null, 9);

    return (string) ob_get_clean();
});

echo json_encode(['sample' => $sample, 'bitmap' => $bitmap, 'gd' => $gd], JSON_THROW_ON_ERROR);
