<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Svg;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Paint\Gradient;
use Sternbild\Core\Svg\DrawingPlan;
use Sternbild\Core\Svg\DrawnFile;
use Sternbild\Core\Tests\Sample;
use Sternbild\Core\View\SceneNumbers;

/** What is written with seams open and read back is the same drawing: areas, looks, nodes. */
final class RoundTripTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>}> */
    public static function plans(): iterable
    {
        yield 'a rosette' => [Sample::rosette()];
        yield 'rings of a grid' => [
            Sample::plan([
                Sample::polar(['rings' => 4, 'sectors' => 9]),
                Sample::part('p1', ['g1#*,1', 'g1#*,3', 'g1#*,5']),
                ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => '#0f6e84', 'opacity' => 0.5],
            ]),
        ];
        yield 'discs, cuts and rounded corners' => [
            Sample::plan([
                ['id' => 'p1', 'kind' => 'part.rectangle', 'origin' => [100, 100], 'size' => [400, 300], 'angle' => 10],
                ['id' => 'p2', 'kind' => 'part.circle', 'center' => [320, 260], 'radius' => 90],
                ['id' => 'x1', 'kind' => 'cut', 'from' => 'p1', 'with' => ['p2']],
                ['id' => 'f1', 'kind' => 'round', 'of' => ['x1'], 'radius' => 30],
                ['id' => 'p3', 'kind' => 'part.ellipse', 'center' => [600, 600], 'radii' => [120, 60], 'angle' => 20],
                [
                    'id' => 's1',
                    'kind' => 'style',
                    'of' => ['f1'],
                    'fill' => '#d0683f',
                    'stroke' => ['color' => '#111111', 'width' => 3, 'join' => 'round'],
                ],
            ]),
        ];
        yield 'a repeat' => [
            Sample::plan([
                ['id' => 'p1', 'kind' => 'part.polygon', 'center' => [400, 200], 'radius' => 60, 'corners' => 5, 'inner' => 30],
                ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => [400, 400], 'count' => 7],
            ]),
        ];
    }

    /** @param  array<string, mixed>  $plan */
    #[DataProvider('plans')]
    public function test_a_drawing_read_back_has_equal_areas_and_looks(array $plan): void
    {
        $plan['sheet'] = [...(is_array($plan['sheet']) ? $plan['sheet'] : []), 'seams' => 'open'];
        $first = Sample::scene(Sample::unchecked($plan));
        $drawing = DrawnFile::read(SvgDrawing::write($first));
        self::assertSame([], $drawing->left);
        $read = DrawingPlan::written($drawing);
        $again = Sample::scene(Sample::unchecked($read));
        self::assertSame([], array_filter($again->findings, static fn ($one): bool => $one->level === 'error'));
        [$one, $two] = [self::byLook($first), self::byLook($again)];
        self::assertSame(array_keys($one), array_keys($two));
        foreach ($one as $look => [$area, $nodes]) {
            self::assertEqualsWithDelta(1.0, $two[$look][0] / $area, 1e-5, $look);
            self::assertSame($nodes, $two[$look][1], $look);
        }
    }

    public function test_gradients_with_opacities_come_back_as_they_were(): void
    {
        $stops = [[0, '#d0683f', 0.2], [0.4, 'ink', 0.9], [1, 'lagoon']];
        $first = Sample::scene(
            Sample::unchecked([
                ...Sample::plan([
                    ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [300, 400], 'radius' => 150],
                    ['id' => 'c2', 'kind' => 'guide.circle', 'center' => [450, 400], 'radius' => 150],
                    ['id' => 'w1', 'kind' => 'weave', 'of' => ['c1', 'c2'], 'width' => 20],
                    ['id' => 'd1', 'kind' => 'shade', 'of' => 'w1'],
                    ['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => [[100, 600], [700, 700]]],
                    [
                        'id' => 's1',
                        'kind' => 'style',
                        'of' => ['p1'],
                        'fill' => ['gradient' => 'linear', 'from' => [100, 600], 'to' => [700, 700], 'stops' => $stops],
                        'stroke' => [
                            'color' => ['gradient' => 'radial', 'center' => [400, 650], 'radius' => 300, 'stops' => $stops],
                            'width' => 6,
                        ],
                    ],
                ]),
                'sheet' => ['width' => 800, 'height' => 800, 'unit' => 'px', 'background' => null, 'seams' => 'open'],
            ]),
        );
        self::assertSame([], $first->findings);
        $svg = SvgDrawing::write($first);
        self::assertStringContainsString('stop-color="#d0683f" stop-opacity="0.2"', $svg);
        $drawing = DrawnFile::read($svg);
        self::assertSame([], $drawing->left);
        $gradients = static function (Scene $scene): array {
            $found = [];
            foreach ($scene->drawing as $drawn) {
                foreach ($drawn->styled() as [, $style]) {
                    array_push($found, ...array_values(array_filter([$style->gradient, $style->strokeGradient])));
                }
            }

            return $found;
        };
        [$one, $two] = [$gradients($first), $gradients(Sample::scene(Sample::unchecked(DrawingPlan::written($drawing))))];
        self::assertCount(6, $one);
        self::assertCount(6, $two);
        foreach ($one as $number => $gradient) {
            self::assertSame($gradient->sort, $two[$number]->sort);
            foreach ([0.0, 0.1, 0.35, 0.4, 0.6, 0.99, 1.0] as $at) {
                self::assertEqualsWithDelta(self::mixed($gradient, $at), self::mixed($two[$number], $at), 2.0, "gradient $number at $at");
            }
        }
    }

    /** @return list<float> colour and opacity at a share of the way, in 255ths */
    private static function mixed(Gradient $gradient, float $at): array
    {
        $hex = $gradient->colourAt($at);

        return [hexdec(substr($hex, 1, 2)), hexdec(substr($hex, 3, 2)), hexdec(substr($hex, 5, 2)), 255 * $gradient->opacityAt($at)];
    }

    /** @return array<string, array{float, int}> area and nodes by look */
    private static function byLook(Scene $scene): array
    {
        $found = [];
        foreach ($scene->drawing as $drawn) {
            foreach ($drawn->styled() as [$figure, $style]) {
                $key = json_encode(
                    [$style->fill, $style->stroke, $style->strokeWidth, $style->join, round($style->opacity, 3)],
                    JSON_THROW_ON_ERROR,
                );
                $found[$key] = [
                    ($found[$key][0] ?? 0.0) + $figure->area(),
                    ($found[$key][1] ?? 0) + array_sum(array_map(static fn ($outline): int => $outline->nodes(), $figure->outlines())),
                ];
            }
        }
        ksort($found);
        self::assertNotSame([], SceneNumbers::list($scene)['drawing']);

        return $found;
    }
}
