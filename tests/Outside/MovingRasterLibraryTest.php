<?php

namespace Tests\Outside;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Format\MovingRaster;
use Sternbild\Core\Format\PixelRaster;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Result\ShortMemory;

/** Moving pictures as another program reads them (Debian: python3-pil). */
final class MovingRasterLibraryTest extends TestCase
{
    use AsksPython;

    public function test_every_frame_is_read_back_pixel_by_pixel_with_its_time(): void
    {
        $plan = [
            'format' => 'sternbild-plan',
            'version' => 1,
            'sheet' => ['width' => 240, 'height' => 80, 'unit' => 'px', 'background' => null],
            'palette' => ['ink' => '#1b2140', 'lamp' => '#f2b33d'],
            'values' => [],
            'steps' => [
                ['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => 12, 'rows' => 4, 'cell' => 20],
                ['id' => 'f1', 'kind' => 'frames', 'on' => 'g1', 'size' => [4, 4], 'count' => 3, 'ms' => 130],
                ['id' => 'd1', 'kind' => 'paint', 'on' => 'g1', 'cells' => ['ink' => '1,1+3 5,2+3 9,3+3', 'lamp' => '2,4 7,4 12,4']],
            ],
        ];
        $scene = (new Evaluator(new ShortMemory))->evaluate((new PlanReader(Kinds::all()))->fromArray($plan));
        foreach ([1, 3] as $scale) {
            [$whole, $frames, $pictures] = PixelRaster::frames($scene, 'f1');
            $read = $this->python('frames.py', base64_encode(MovingRaster::apng($pictures, $scale, $frames->ms)));
            self::assertCount(3, $read);
            foreach ($read as $number => $frame) {
                self::assertIsArray($frame);
                self::assertEqualsWithDelta(130, $frame['ms'], 0.5);
                self::assertSame([4 * $scale, 4 * $scale], $frame['size']);
                foreach ($frame['pixels'] as $at => $pixel) {
                    [$column, $row] = [intdiv($at % (4 * $scale), $scale), intdiv(intdiv($at, 4 * $scale), $scale)];
                    $colour = $whole->cells[$row * 12 + $number * 4 + $column] ?? null;
                    $expected =
                        $colour === null
                            ? 0
                            : [hexdec(substr($colour, 1, 2)), hexdec(substr($colour, 3, 2)), hexdec(substr($colour, 5, 2)), 255];
                    self::assertSame($expected, $colour === null ? $pixel[3] : $pixel, "frame $number, cell $column, $row");
                }
            }
        }
    }
}
