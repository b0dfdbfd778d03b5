<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Format\Raster;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Tests\Sample;

/** Colours over one another, in pixels, against the formulas of the W3C's Compositing and Blending Level 1, sections 5.1, 10.1 and 13. */
final class BlendTest extends TestCase
{
    /** @return iterable<string, array{string, \Closure(float, float): float}> B(cb, cs), of the backdrop and the source */
    public static function modes(): iterable
    {
        yield 'normal' => ['normal', static fn (float $b, float $s): float => $s];
        yield 'multiply' => ['multiply', static fn (float $b, float $s): float => $b * $s];
        yield 'screen' => ['screen', static fn (float $b, float $s): float => $b + $s - $b * $s];
        yield 'darken' => ['darken', static fn (float $b, float $s): float => min($b, $s)];
        yield 'lighten' => ['lighten', static fn (float $b, float $s): float => max($b, $s)];
    }

    /** @param  \Closure(float, float): float  $blend */
    #[DataProvider('modes')]
    public function test_a_part_is_blended_with_what_lies_under_it(string $mode, \Closure $blend): void
    {
        $under = [0x0F / 255, 0x6E / 255, 0x84 / 255];
        $over = [0xE5 / 255, 0x5D / 255, 0x30 / 255];
        foreach ([1.0, 0.4] as $opacity) {
            $plan = Sample::plan([
                ['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => [[0, 0], [60, 40]]],
                ['id' => 'p2', 'kind' => 'part.rectangle', 'corners' => [[20, 0], [80, 40]]],
                ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => '#0f6e84'],
                ['id' => 's2', 'kind' => 'style', 'of' => ['p2'], 'fill' => '#e55d30', 'blend' => $mode, 'opacity' => $opacity],
            ]);
            $plan['sheet'] = ['width' => 80, 'height' => 40, 'unit' => 'px', 'background' => '#ffffff'];
            $svg = SvgDrawing::write(Sample::scene($plan));
            self::assertSame($mode !== 'normal', str_contains($svg, 'isolation:isolate'));
            $picture = imagecreatefromstring(Raster::png($svg, 1.0));
            self::assertNotFalse($picture);
            $colour = (int) imagecolorat($picture, 40, 20);
            foreach ([$colour >> 16 & 255, $colour >> 8 & 255, $colour & 255] as $channel => $shown) {
                // Source over: co = cs·αs·(1 − αb) + αs·αb·B(cb, cs) + (1 − αs)·αb·cb, with a backdrop that covers.
                $expected = $opacity * $blend($under[$channel], $over[$channel]) + (1 - $opacity) * $under[$channel];
                self::assertEqualsWithDelta(255 * $expected, $shown, 1.6);
            }
        }
    }

    public function test_a_gradient_stays_one_in_a_pdf(): void
    {
        $plan = Sample::plan([
            ['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => [[100, 100], [300, 200]]],
            ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => ['gradient' => 'linear', 'stops' => [[0, 'lagoon'], [1, 'ink']]]],
        ]);
        $pdf = Raster::pdf(SvgDrawing::write(Sample::scene($plan)));
        self::assertStringContainsString('/ShadingType 2', $pdf, 'PDF 32000-1, 8.7.4.5.3: an axial shading.');
        self::assertStringNotContainsString('/Subtype /Image', $pdf);
    }

    public function test_pixels_of_a_gradient_are_those_that_oklab_mixes(): void
    {
        $plan = Sample::plan([
            ['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => [[0, 0], [400, 40]]],
            [
                'id' => 's1',
                'kind' => 'style',
                'of' => ['p1'],
                'fill' => ['gradient' => 'linear', 'stops' => [[0, '#0f6e84'], [1, '#e5c78f']]],
            ],
        ]);
        $plan['sheet'] = ['width' => 400, 'height' => 40, 'unit' => 'px', 'background' => null];
        $scene = Sample::scene($plan);
        $gradient = $scene->drawing[0]->styles[0]?->gradient;
        self::assertNotNull($gradient);
        $picture = imagecreatefromstring(Raster::png(SvgDrawing::write($scene), 1.0));
        self::assertNotFalse($picture);
        for ($x = 0; $x < 400; $x += 7) {
            $shown = (int) imagecolorat($picture, $x, 20);
            $right = (int) hexdec(substr($gradient->colourAt(($x + 0.5) / 400), 1));
            foreach ([16, 8, 0] as $shift) {
                self::assertEqualsWithDelta($right >> $shift & 255, $shown >> $shift & 255, 3.0, "at $x");
            }
        }
    }
}
