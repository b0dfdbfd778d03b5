<?php

declare(strict_types=1);

// References: a picture of 24 megapixels taken in and shown, a drawing of 10,000 paths read, a circle fitted along a stroke of 400 pixels.
// Out: medians and 95th percentiles in milliseconds, and the path of the drawing, for the same by another library. In: a folder to work in.

require __DIR__.'/../vendor/autoload.php';

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Pixel\PictureFile;
use Sternbild\Core\Pixel\PlacedPicture;
use Sternbild\Core\Svg\DrawingPlan;
use Sternbild\Core\Svg\DrawnFile;
use Sternbild\Core\Tracing\GreyCopy;
use Sternbild\Core\Tracing\SketchFit;

const RUNS = 9;

$folder = $argv[1];

/**
 * @param  Closure(): mixed  $work
 * @return array{median: float, p95: float}
 */
function timed(Closure $work, int $runs = RUNS): array
{
    $times = [];
    $work();
    for ($run = 0; $run < $runs; $run++) {
        $start = hrtime(true);
        $work();
        $times[] = (hrtime(true) - $start) / 1e6;
    }
    sort($times);

    return ['median' => $times[intdiv($runs, 2)], 'p95' => $times[(int) floor(0.95 * ($runs - 1))]];
}

$svg = '<svg xmlns="http://www.w3.org/2000/svg" width="800" height="800">';
mt_srand(10_000);
for ($k = 0; $k < 10_000; $k++) {
    [$x, $y] = [mt_rand(0, 7800) / 10, mt_rand(0, 7800) / 10];
    $svg .= sprintf(
        '<path fill="#%06x" transform="rotate(%d %s %s)" d="M%s %sc3 -4 9 -4 12 0a6 6 0 0 1 0 8l-4 3h-4z"/>',
        mt_rand(0, 15) * 0x111111,
        mt_rand(0, 359),
        $x,
        $y,
        $x,
        $y,
    );
}
file_put_contents("$folder/drawing.svg", "$svg</svg>");
$text = "$svg</svg>";
$drawing = timed(static fn () => DrawingPlan::written(DrawnFile::read($text)), 5);

// A ring in grain, 1,200 pixels square.
$bytes = '';
for ($row = 0; $row < 1200; $row++) {
    for ($column = 0; $column < 1200; $column++) {
        $far = abs(hypot($column + 0.5 - 600, $row + 0.5 - 600) - 63.66) - 2;
        $bytes .= chr((int) max(0, min(255, 225 - 150 * max(0.0, min(1.0, 0.5 - $far)) + mt_rand(-12, 12))));
    }
}
file_put_contents("$folder/ring.pgm", "P5\n1200 1200\n255\n$bytes");
$file = new PictureFile("$folder/ring.pgm", 1200, 1200, hash('sha256', $bytes));
$picture = new PlacedPicture($file, Vec::zero(), 1200.0, 0.0, 0.0, 'ring', [1200, 1200], Vec::zero());
GreyCopy::of($file);
$way = array_map(
    static fn (int $degrees): Vec => new Vec(600 + 65 * cos(deg2rad($degrees)), 600 + 65 * sin(deg2rad($degrees))),
    range(0, 360, 12),
);
$fit = timed(static fn () => SketchFit::circle($picture, $way, 12.0));

$noise = new Imagick;
$noise->newPseudoImage(6000, 4000, 'plasma:#404860-#e0c090');
$noise->setImageFormat('jpeg');
$noise->setImageCompressionQuality(90);
$noise->writeImage("$folder/large.jpg");
$noise->clear();
$plain = timed(static function () use ($folder): void {
    $image = new Imagick("$folder/large.jpg");
    $image->resizeImage(2400, 1600, Imagick::FILTER_LANCZOS, 1.0);
    $image->clear();
}, 3);

echo json_encode(
    ['drawing' => $drawing, 'fit' => $fit, 'plain' => $plain, 'megabytes' => round(filesize("$folder/large.jpg") / 1e6, 1)],
    JSON_THROW_ON_ERROR,
);
