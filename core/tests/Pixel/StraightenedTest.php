<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Pixel;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Pixel\PictureFile;
use Sternbild\Core\Pixel\PlacedPicture;
use Sternbild\Core\Pixel\Straightened;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Pictures;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Result\ShortMemory;
use Sternbild\Core\Tests\Sample;
use Sternbild\Core\Tracing\SheetEdge;

/** Pictures placed, cropped, straightened, evened out. */
final class StraightenedTest extends TestCase
{
    /** @var list<string> */
    private array $files = [];

    protected function tearDown(): void
    {
        array_map(unlink(...), $this->files);
    }

    public function test_four_places_come_to_lie_at_the_corners_and_what_lies_between_where_the_closed_formula_has_it(): void
    {
        $corners = [new Vec(60, 40), new Vec(330, 70), new Vec(350, 260), new Vec(40, 240)];
        // A black disk about what the formula takes to the middle of the unit square, and a white one about a quarter of the way.
        $middle = self::quad($corners, 0.5, 0.5);
        $quarter = self::quad($corners, 0.25, 0.75);
        $file = $this->drawn(400, 300, static function (\ImagickDraw $draw) use ($middle, $quarter): void {
            foreach ([['black', $middle], ['white', $quarter]] as [$colour, $at]) {
                $draw->setFillColor($colour);
                $draw->circle($at->x, $at->y, $at->x + 6, $at->y);
            }
        });
        $straight = Straightened::made($file, $corners, null, false);
        [$wide, $high] = Straightened::size($file, $corners);
        self::assertSame([$wide, $high], [$straight->width, $straight->height]);
        // Its sides are as long as the opposite ones are in the mean.
        self::assertEqualsWithDelta([(271.66 + 310.64) / 2, (201.0 + 191.05) / 2], [$wide, $high], 1.0);
        $image = new \Imagick($straight->path);
        self::assertLessThan(0.15, self::grey($image, 0.5 * $wide, 0.5 * $high));
        self::assertGreaterThan(0.85, self::grey($image, 0.25 * $wide, 0.75 * $high));
        self::assertEqualsWithDelta(0.5, self::grey($image, 0.75 * $wide, 0.25 * $high), 0.06);
        self::assertEqualsWithDelta([$middle, new Vec(0, 0)], [self::centre($image, 0.0, 0.3, $corners), new Vec(0, 0)], 0.6);
        self::assertSame($straight->hash, Straightened::made($file, $corners, null, false)->hash);
        self::assertSame($file, Straightened::made($file, [], null, false));
    }

    public function test_light_that_falls_off_is_evened_out(): void
    {
        $file = $this->drawn(400, 300, static function (\ImagickDraw $draw): void {
            for ($x = 0; $x < 400; $x += 4) {
                $draw->setFillColor(sprintf('gray(%d)', 110 + intdiv($x, 4)));
                $draw->rectangle($x, 0, $x + 4, 300);
            }
            $draw->setFillColor('gray(30)');
            $draw->rectangle(198, 0, 200, 300);
        });
        $image = new \Imagick(Straightened::made($file, [], null, true)->path);
        $paper = array_map(static fn (int $x): float => self::grey($image, $x, 150), [60, 130, 270, 340]);
        self::assertLessThan(0.05, max($paper) - min($paper));
        self::assertGreaterThan(0.9, min($paper));
        self::assertLessThan(0.5, self::grey($image, 199, 150));
    }

    public function test_what_is_cropped_stays_where_it_lay(): void
    {
        $whole = $this->placed(['at' => [10, 20], 'width' => 200, 'turn' => 30]);
        $cropped = $this->placed(['at' => [10, 20], 'width' => 200, 'turn' => 30, 'crop' => [0.25, 0.5, 0.5, 0.25]]);
        self::assertSame([200, 75], [$cropped->file->width, $cropped->file->height]);
        self::assertEqualsWithDelta($whole->map()->apply(new Vec(100, 150)), $cropped->map()->apply(new Vec(0, 0)), 1e-9);
        self::assertEqualsWithDelta($whole->quantities(), $cropped->quantities(), 1e-9);
    }

    /** Each side's handle lies on the middle of that side as it is seen, and says by itself what the crop says. */
    public function test_a_crop_is_pulled_by_its_four_sides(): void
    {
        foreach ([null, [0.25, 0.5, 0.5, 0.25]] as $crop) {
            $known = $this->scene(['at' => [10, 20], 'width' => 200, 'turn' => 30, ...$crop === null ? [] : ['crop' => $crop]])->known[
                'k1'
            ];
            self::assertInstanceOf(PlacedPicture::class, $known->result);
            $file = $known->result->file;
            $sides = array_values(array_filter($known->pulls(), static fn (Pull $pull): bool => $pull->sort === 'side'));
            self::assertCount(4, $sides);
            $those = [[0, $file->height / 2], [$file->width / 2, 0], [$file->width, $file->height / 2], [$file->width / 2, $file->height]];
            foreach ($those as $k => [$x, $y]) {
                self::assertEqualsWithDelta($known->result->map()->apply(new Vec($x, $y)), $sides[$k]->at, 1e-9, "side $k");
                $way = $sides[$k]->to->minus($sides[$k]->from);
                $share = $sides[$k]->at->minus($sides[$k]->from)->dot($way) / $way->dot($way);
                [$left, $top, $width, $height] = $crop ?? [0.0, 0.0, 1.0, 1.0];
                self::assertEqualsWithDelta([$left, $top, $left + $width, $top + $height][$k], $share, 1e-12);
                self::assertSame([$k, [$left, $top, $width, $height]], [$sides[$k]->side, $sides[$k]->frame]);
            }
        }
    }

    public function test_two_known_places_lie_where_they_belong_and_nothing_is_skewed(): void
    {
        mt_srand(7);
        for ($round = 0; $round < 30; $round++) {
            $pixels = [[mt_rand(0, 400), mt_rand(0, 300)], [mt_rand(0, 400), mt_rand(0, 300)]];
            $places = [[mt_rand(0, 800), mt_rand(0, 800)], [mt_rand(0, 800), mt_rand(0, 800)]];
            if ($pixels[0] === $pixels[1] || $places[0] === $places[1]) {
                continue;
            }
            $map = $this->placed(['known' => [[$pixels[0], $places[0]], [$pixels[1], $places[1]]]])->map();
            foreach ([0, 1] as $k) {
                self::assertEqualsWithDelta(new Vec(...$places[$k]), $map->apply(new Vec(...$pixels[$k])), 1e-6);
            }
            self::assertTrue($map->isSimilarity());
            self::assertFalse($map->isMirrored());
        }
    }

    public function test_the_sheet_is_found_in_photographs_of_it(): void
    {
        mt_srand(11);
        for ($round = 0; $round < 6; $round++) {
            $corners = [
                new Vec(mt_rand(60, 160), mt_rand(50, 120)), new Vec(mt_rand(620, 740), mt_rand(50, 140)),
                new Vec(mt_rand(620, 740), mt_rand(470, 550)), new Vec(mt_rand(60, 160), mt_rand(470, 550)),
            ];
            $file = $this->drawn(800, 600, static function (\ImagickDraw $draw) use ($corners): void {
                $draw->setFillColor('gray(70)');
                $draw->rectangle(0, 0, 800, 600);
                $draw->setFillColor('gray(235)');
                $draw->polygon(array_map(static fn (Vec $one): array => ['x' => $one->x, 'y' => $one->y], $corners));
                $draw->setFillColor('gray(60)');
                for ($line = 0; $line < 6; $line++) {
                    $draw->rectangle(250, 150 + 50 * $line, 500, 154 + 50 * $line);
                }
            }, noise: true);
            $found = SheetEdge::find($file);
            self::assertNotNull($found, "round $round");
            foreach ($corners as $k => $corner) {
                // The grain is the library's, and another one in every run.
                self::assertLessThan(3.0, $found[$k]->distanceTo($corner), "round $round, corner $k");
            }
        }
        self::assertNull(SheetEdge::find($this->drawn(400, 300)));
        self::assertNull(SheetEdge::find($this->drawn(400, 300, static function (\ImagickDraw $draw): void {
            $draw->setFillColor('white');
            $draw->circle(200, 150, 200, 40);
        })));
    }

    public function test_what_cannot_be_placed_says_why(): void
    {
        $message = fn (array $said): string => $this->scene($said)->findings[0]->message ?? '';
        self::assertStringContainsString('go round clockwise', $message(['corners' => [[0, 0], [10, 90], [100, 100], [0, 100]]]));
        self::assertStringContainsString('lie within the picture', $message(['crop' => [0.5, 0, 0.6, 1]]));
        self::assertStringContainsString('different ones', $message(['known' => [[[5, 5], [1, 1]], [[5, 5], [9, 9]]]]));
    }

    /**
     * The projective map from the unit square: P. Heckbert, Fundamentals of Texture Mapping and Image Warping (1989), section 2.2.3.
     *
     * @param  list<Vec>  $p
     */
    private static function quad(array $p, float $u, float $v): Vec
    {
        $sum = $p[0]->minus($p[1])->plus($p[2])->minus($p[3]);
        [$one, $two] = [$p[1]->minus($p[2]), $p[3]->minus($p[2])];
        $g = $sum->cross($two) / $one->cross($two);
        $h = $one->cross($sum) / $one->cross($two);
        $w = $g * $u + $h * $v + 1;

        return new Vec(
            (($p[1]->x - $p[0]->x + $g * $p[1]->x) * $u + ($p[3]->x - $p[0]->x + $h * $p[3]->x) * $v + $p[0]->x) / $w,
            (($p[1]->y - $p[0]->y + $g * $p[1]->y) * $u + ($p[3]->y - $p[0]->y + $h * $p[3]->y) * $v + $p[0]->y) / $w,
        );
    }

    /**
     * The middle of what is so dark in a straightened picture, taken back by the formula.
     *
     * @param  list<Vec>  $corners
     */
    private static function centre(\Imagick $image, float $from, float $to, array $corners): Vec
    {
        [$x, $y, $count] = [0.0, 0.0, 0];
        [$wide, $high] = [$image->getImageWidth(), $image->getImageHeight()];
        foreach ($image->exportImagePixels(0, 0, $wide, $high, 'G', \Imagick::PIXEL_FLOAT) as $pixel => $grey) {
            if ($grey >= $from && $grey <= $to) {
                [$x, $y, $count] = [$x + $pixel % $wide + 0.5, $y + intdiv($pixel, $wide) + 0.5, $count + 1];
            }
        }
        self::assertGreaterThan(20, $count);

        return self::quad($corners, $x / $count / $wide, $y / $count / $high);
    }

    private static function grey(\Imagick $image, float $x, float $y): float
    {
        return $image->getImagePixelColor((int) $x, (int) $y)->getColorValue(\Imagick::COLOR_GREEN);
    }

    /** @param  (\Closure(\ImagickDraw): void)|null  $how */
    private function drawn(int $wide, int $high, ?\Closure $how = null, bool $noise = false): PictureFile
    {
        $image = new \Imagick;
        $image->newImage($wide, $high, 'gray(128)', 'png');
        if ($how !== null) {
            $draw = new \ImagickDraw;
            $how($draw);
            $image->drawImage($draw);
        }
        if ($noise) {
            $image->blurImage(0.0, 1.2);
            $image->addNoiseImage(\Imagick::NOISE_GAUSSIAN);
        }
        $path = (string) tempnam(sys_get_temp_dir(), 'drawn');
        $image->writeImage("png:$path");
        $this->files[] = $path;

        return new PictureFile($path, $wide, $high, (string) hash_file('sha256', $path));
    }

    /** @param  array<string, mixed>  $said */
    private function placed(array $said): PlacedPicture
    {
        $result = $this->scene($said)->known['k1']->result;
        self::assertInstanceOf(PlacedPicture::class, $result);

        return $result;
    }

    /** @param  array<string, mixed>  $said */
    private function scene(array $said): Scene
    {
        $file = $this->drawn(400, 300);
        $pictures = new class($file) implements Pictures
        {
            public function __construct(private readonly PictureFile $file)
            {
            }

            public function find(string $source): PictureFile
            {
                return $this->file;
            }
        };
        $plan = Sample::plan([['id' => 'k1', 'kind' => 'picture', 'source' => 'drawn.png', ...$said]]);

        return (new Evaluator(new ShortMemory))->evaluate((new PlanReader(Kinds::all()->withPictures($pictures)))->fromArray($plan));
    }
}
