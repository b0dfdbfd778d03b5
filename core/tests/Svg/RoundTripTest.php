<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Svg;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\SvgDrawing;
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
        yield 'rings of a grid' => [Sample::plan([Sample::polar(['rings' => 4, 'sectors' => 9]), Sample::part('p1', ['g1#*,1', 'g1#*,3', 'g1#*,5']), ['id' => 's1', 'kind' => 'style', 'of' => ['p1'], 'fill' => '#0f6e84', 'opacity' => 0.5]])];
        yield 'discs, cuts and rounded corners' => [Sample::plan([
            ['id' => 'p1', 'kind' => 'part.rectangle', 'origin' => [100, 100], 'size' => [400, 300], 'angle' => 10],
            ['id' => 'p2', 'kind' => 'part.circle', 'center' => [320, 260], 'radius' => 90],
            ['id' => 'x1', 'kind' => 'cut', 'from' => 'p1', 'with' => ['p2']],
            ['id' => 'f1', 'kind' => 'round', 'of' => ['x1'], 'radius' => 30],
            ['id' => 'p3', 'kind' => 'part.ellipse', 'center' => [600, 600], 'radii' => [120, 60], 'angle' => 20],
            ['id' => 's1', 'kind' => 'style', 'of' => ['f1'], 'fill' => '#d0683f', 'stroke' => ['color' => '#111111', 'width' => 3, 'join' => 'round']],
        ])];
        yield 'a repeat' => [Sample::plan([
            ['id' => 'p1', 'kind' => 'part.polygon', 'center' => [400, 200], 'radius' => 60, 'corners' => 5, 'inner' => 30],
            ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => [400, 400], 'count' => 7],
        ])];
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

    /** @return array<string, array{float, int}> area and nodes by look */
    private static function byLook(Scene $scene): array
    {
        $found = [];
        foreach ($scene->drawing as $drawn) {
            foreach ($drawn->styled() as [$figure, $style]) {
                $key = json_encode([$style->fill, $style->stroke, $style->strokeWidth, $style->join, round($style->opacity, 3)], JSON_THROW_ON_ERROR);
                $found[$key] = [($found[$key][0] ?? 0.0) + $figure->area(), ($found[$key][1] ?? 0) + array_sum(array_map(static fn ($outline): int => $outline->nodes(), $figure->outlines()))];
            }
        }
        ksort($found);
        self::assertNotSame([], SceneNumbers::list($scene)['drawing']);

        return $found;
    }
}
