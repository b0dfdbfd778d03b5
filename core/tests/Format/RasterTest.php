<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Format\Raster;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Tests\Sample;

/** Pictures and pages of sheets whose sides are no whole numbers of pixels. */
final class RasterTest extends TestCase
{
    /** @return iterable<string, array{float, float, string, float}> */
    public static function sheets(): iterable
    {
        yield 'in millimetres' => [480, 460, 'mm', 1.0];
        yield 'upright' => [460, 480, 'mm', 1.0];
        yield 'twice as fine' => [210, 297, 'mm', 2.0];
        yield 'in inches' => [3.3, 2.1, 'in', 1.0];
        yield 'whole pixels' => [800, 600, 'px', 1.5];
    }

    #[DataProvider('sheets')]
    public function test_a_picture_has_the_sides_of_its_page_and_no_half_pixels_at_its_edges(
        float $wide,
        float $high,
        string $unit,
        float $scale,
    ): void {
        $plan = Sample::plan([]);
        $plan['sheet'] = ['width' => $wide, 'height' => $high, 'unit' => $unit, 'background' => 'lagoon'];
        $svg = SvgDrawing::write(Sample::scene($plan));
        $picture = imagecreatefromstring(Raster::png($svg, $scale));
        self::assertNotFalse($picture);
        preg_match('/MediaBox\s*\[ 0 0 ([\d.]+) ([\d.]+) \]/', Raster::pdf($svg), $page);
        [, $across, $down] = [...$page, '', '', ''];
        [$width, $height] = [imagesx($picture), imagesy($picture)];
        // 96 pixels and 72 points to the inch.
        self::assertEqualsWithDelta((float) $across / 72 * 96 * $scale, $width, 0.5);
        self::assertSame((int) round($width * (float) $down / (float) $across), $height);
        foreach ([[0, 0], [$width - 1, 0], [0, $height - 1], [$width - 1, $height - 1]] as [$x, $y]) {
            self::assertSame(
                ['red' => 0x0F, 'green' => 0x6E, 'blue' => 0x84, 'alpha' => 0],
                imagecolorsforindex($picture, (int) imagecolorat($picture, $x, $y)),
            );
        }
    }

    public function test_gradients_that_are_seen_through_are_soft_masks_on_a_page(): void
    {
        $svg = SvgDrawing::write(
            Sample::scene(
                Sample::unchecked(
                    Sample::plan([
                        ['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => [[100, 100], [700, 700]]],
                        [
                            'id' => 's1',
                            'kind' => 'style',
                            'of' => ['p1'],
                            'fill' => ['gradient' => 'linear', 'stops' => [[0, 'ink', 0.2], [1, 'lagoon']]],
                        ],
                    ]),
                ),
            ),
        );
        self::assertStringContainsString('/SMask', Raster::pdf($svg));
    }
}
