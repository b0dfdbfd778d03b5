<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Pixel;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Command\FolderPictures;
use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Paint\Ciede2000;
use Sternbild\Core\Pixel\Clusters;
use Sternbild\Core\Pixel\Held;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Result\ShortMemory;
use Sternbild\Core\Tests\Sample;

final class SampleTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/pictures-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob("$this->folder/*") ?: []);
        rmdir($this->folder);
    }

    /** The test data of G. Sharma, W. Wu and E. N. Dalal (2005), table 1; written down from memory. */
    private const PAIRS = [
        [50, 2.6772, -79.7751, 50, 0, -82.7485, 2.0425],
        [50, 3.1571, -77.2803, 50, 0, -82.7485, 2.8615],
        [50, 2.8361, -74.02, 50, 0, -82.7485, 3.4412],
        [50, -1.3802, -84.2814, 50, 0, -82.7485, 1.0],
        [50, -1.1848, -84.8006, 50, 0, -82.7485, 1.0],
        [50, -0.9009, -85.5211, 50, 0, -82.7485, 1.0],
        [50, 0, 0, 50, -1, 2, 2.3669],
        [50, -1, 2, 50, 0, 0, 2.3669],
        [50, 2.49, -0.001, 50, -2.49, 0.0009, 7.1792],
        [50, 2.49, -0.001, 50, -2.49, 0.001, 7.1792],
        [50, 2.49, -0.001, 50, -2.49, 0.0011, 7.2195],
        [50, 2.49, -0.001, 50, -2.49, 0.0012, 7.2195],
        [50, -0.001, 2.49, 50, 0.0009, -2.49, 4.8045],
        [50, -0.001, 2.49, 50, 0.001, -2.49, 4.8045],
        [50, -0.001, 2.49, 50, 0.0011, -2.49, 4.7461],
        [50, 2.5, 0, 50, 0, -2.5, 4.3065],
        [50, 2.5, 0, 73, 25, -18, 27.1492],
        [50, 2.5, 0, 61, -5, 29, 22.8977],
        [50, 2.5, 0, 56, -27, -3, 31.903],
        [50, 2.5, 0, 58, 24, 15, 19.4535],
        [50, 2.5, 0, 50, 3.1736, 0.5854, 1.0],
        [50, 2.5, 0, 50, 3.2972, 0, 1.0],
        [50, 2.5, 0, 50, 1.8634, 0.5757, 1.0],
        [50, 2.5, 0, 50, 3.2592, 0.335, 1.0],
        [60.2574, -34.0099, 36.2677, 60.4626, -34.1751, 39.4387, 1.2644],
        [63.0109, -31.0961, -5.8663, 62.8187, -29.7946, -4.0864, 1.263],
        [61.2901, 3.7196, -5.3901, 61.4292, 2.248, -4.962, 1.8731],
        [35.0831, -44.1164, 3.7933, 35.0232, -40.0716, 1.5901, 1.8645],
        [22.7233, 20.0904, -46.694, 23.0331, 14.973, -42.5619, 2.0373],
        [36.4612, 47.858, 18.3852, 36.2715, 50.5065, 21.2231, 1.4146],
        [90.8027, -2.0831, 1.441, 91.1528, -1.6435, 0.0447, 1.4441],
        [90.9257, -0.5406, -0.9208, 88.6381, -0.8985, -0.7239, 1.5381],
        [6.7747, -0.2908, -2.4247, 5.8714, -0.0985, -2.2286, 0.6377],
        [2.0776, 0.0795, -1.135, 0.9033, -0.0636, -0.5514, 0.9082],
    ];

    public function test_differences_of_colours_are_those_of_the_thirty_four_published_pairs(): void
    {
        self::assertCount(34, self::PAIRS);
        foreach (self::PAIRS as $number => [$l1, $a1, $b1, $l2, $a2, $b2, $expected]) {
            self::assertEqualsWithDelta($expected, Ciede2000::between([$l1, $a1, $b1], [$l2, $a2, $b2]), 5e-5, 'pair '.($number + 1));
            self::assertEqualsWithDelta(
                $expected,
                Ciede2000::between([$l2, $a2, $b2], [$l1, $a1, $b1]),
                5e-5,
                'pair '.($number + 1).', the other way round',
            );
        }
        // sRGB's white is Lab's.
        self::assertEqualsWithDelta([100.0, 0.0, 0.0], Ciede2000::lab('#ffffff'), 0.02);
    }

    public function test_half_white_and_half_black_is_a_light_grey_in_linear_light(): void
    {
        $checker = new \Imagick;
        $checker->newImage(160, 160, 'black', 'png');
        $dots = new \ImagickDraw;
        $dots->setFillColor('white');
        for ($y = 0; $y < 160; $y++) {
            for ($x = $y % 2; $x < 160; $x += 2) {
                $dots->point($x, $y);
            }
        }
        $checker->drawImage($dots);
        $checker->writeImage("$this->folder/checker.png");
        foreach (
            [
                'grid.pixel' => ['origin' => [0, 0], 'columns' => 10, 'rows' => 10, 'cell' => 80],
                'grid.polar' => ['center' => [400, 400], 'radius' => 300, 'rings' => 2, 'sectors' => 6],
            ] as $kind => $grid
        ) {
            $cells = $this->cells('checker.png', ['kind' => $kind, ...$grid], ['colours' => 2]);
            self::assertSame(['#bcbcbc'], array_values(array_unique($cells)), $kind);
        }
    }

    public function test_every_cell_has_the_mean_the_middle_or_what_is_most_in_it_whatever_the_grid_and_the_turn(): void
    {
        // Four quarters; in the first one a small square of another colour in the middle.
        $image = new \Imagick;
        $image->newImage(200, 200, '#ff0000', 'png');
        $draw = new \ImagickDraw;
        $draw->setStrokeAntialias(false);
        foreach (
            [
                '#00ff00' => [100, 0, 199, 99],
                '#0000ff' => [0, 100, 99, 199],
                '#ffffff' => [100, 100, 199, 199],
                '#000000' => [45, 45, 54, 54],
            ] as $colour => [$left, $top, $right, $bottom]
        ) {
            $draw->setFillColor($colour);
            $draw->rectangle($left, $top, $right, $bottom);
        }
        $image->drawImage($draw);
        $image->writeImage("$this->folder/quarters.png");
        $grid = ['kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => 2, 'rows' => 2, 'cell' => 400];
        self::assertSame(
            ['#000000', '#00ff00', '#0000ff', '#ffffff'],
            $this->cells('quarters.png', $grid, ['by' => 'middle', 'colours' => 9]),
        );
        self::assertSame(
            ['#ff0000', '#00ff00', '#0000ff', '#ffffff'],
            $this->cells('quarters.png', $grid, ['by' => 'most', 'colours' => 9]),
        );
        // A hundredth of it is black: 0.99 of the light is left.
        self::assertSame(['#fe0000', '#00ff00', '#0000ff', '#ffffff'], $this->cells('quarters.png', $grid, ['colours' => 9]));
        // Turned by a quarter about the upper right corner of the sheet.
        self::assertSame(
            ['#0000ff', '#ff0000', '#ffffff', '#00ff00'],
            $this->cells('quarters.png', $grid, ['by' => 'most', 'colours' => 9], ['at' => [800, 0], 'turn' => 90]),
        );
        // Cells beyond the picture have none.
        self::assertSame([0 => '#ff0000'], $this->cells('quarters.png', $grid, ['by' => 'most', 'colours' => 9], ['width' => 600]));
    }

    public function test_colours_are_held_to_a_palette_or_to_as_many_as_are_found_the_same_each_time(): void
    {
        $image = new \Imagick;
        $image->newPseudoImage(320, 200, 'gradient:#0f6e84-#f2d9a0');
        $image->writeImage("png:$this->folder/sky.png");
        $grid = ['kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => 32, 'rows' => 20, 'cell' => 25];
        $found = $this->cells('sky.png', $grid, ['colours' => 5]);
        self::assertCount(5, array_unique($found));
        self::assertSame($found, $this->cells('sky.png', $grid, ['colours' => 5]));
        self::assertSame(
            ['lagoon'],
            array_values(array_unique($this->cells('sky.png', $grid, ['colours' => ['lagoon']]))),
            'A palette of one colour.',
        );
        $held = $this->cells('sky.png', $grid, ['colours' => ['lagoon', '#f2d9a0']]);
        self::assertSame('lagoon', $held[0]);
        self::assertSame('#f2d9a0', $held[639]);
        // Dithered, rows in between have both; and about as much of each as the gradient has.
        foreach (['ordered', 'spread'] as $dither) {
            $row = array_slice($this->cells('sky.png', $grid, ['colours' => ['lagoon', '#f2d9a0'], 'dither' => $dither]), 9 * 32, 64);
            self::assertCount(2, array_unique($row), $dither);
        }
    }

    public function test_what_is_found_is_near_to_what_there_is(): void
    {
        mt_srand(12);
        $colours = [];
        foreach (['#c0392f', '#0f6e84', '#f2d9a0', '#17172a'] as $centre) {
            for ($k = 0; $k < 60; $k++) {
                $hex = sprintf(
                    '#%02x%02x%02x',
                    ...array_map(static fn (int $at): int => max(0, min(255, (int) hexdec(substr($centre, $at, 2)) + mt_rand(-5, 5))), [
                        1,
                        3,
                        5,
                    ]),
                );
                $colours[$hex] = ($colours[$hex] ?? 0) + 1;
            }
        }
        $found = Clusters::find($colours, 4);
        self::assertCount(4, $found);
        $held = new Held($found, 'ciede2000');
        foreach (['#c0392f', '#0f6e84', '#f2d9a0', '#17172a'] as $centre) {
            self::assertLessThan(2.0, Ciede2000::between(Ciede2000::lab($centre), Ciede2000::lab($found[$held->nearest($centre)])));
        }
        self::assertCount(2, Clusters::find(['#ff0000' => 3, '#0000ff' => 1], 9), 'No more than there are.');
    }

    public function test_pictures_lie_beside_their_plan_and_nowhere_else(): void
    {
        file_put_contents("$this->folder/text.png", 'no picture');
        $pictures = new FolderPictures($this->folder);
        foreach (['nothing.png', 'text.png', '../../../../../../etc/hostname', '/etc/hostname', 'sha256:'.str_repeat('0', 64)] as $source) {
            self::assertNull($pictures->find($source), $source);
        }
        self::assertStringContainsString(
            'not there',
            self::scene($pictures, [['id' => 'k1', 'kind' => 'picture', 'source' => 'nothing.png']])->findings[0]->message,
        );
    }

    /**
     * @param  array<string, mixed>  $grid
     * @param  array<string, mixed>  $sample
     * @param  array<string, mixed>  $picture
     * @return array<int, string> the name of each cell's colour
     */
    private function cells(string $file, array $grid, array $sample, array $picture = []): array
    {
        $scene = self::scene(new FolderPictures($this->folder), [
            ['id' => 'k1', 'kind' => 'picture', 'source' => $file, ...$picture],
            ['id' => 'g1', ...$grid],
            ['id' => 'd1', 'kind' => 'sample', 'picture' => 'k1', 'on' => 'g1', ...$sample],
        ]);
        self::assertSame([], array_filter($scene->findings, static fn ($finding): bool => $finding->isError()));

        return $scene->parts()['d1']->painted->cells ?? [];
    }

    /** @param  list<array<string, mixed>>  $steps */
    private static function scene(FolderPictures $pictures, array $steps): Scene
    {
        return (new Evaluator(new ShortMemory))->evaluate(
            (new PlanReader(Kinds::all()->withPictures($pictures)))->fromArray(Sample::unchecked(Sample::plan($steps))),
        );
    }
}
