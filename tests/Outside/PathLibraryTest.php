<?php

namespace Tests\Outside;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Tests\Sample;

/** Written paths against a general-purpose reader of SVG (Debian: python3-svgelements), which finds arcs as SVG 2, appendix B, has it. */
final class PathLibraryTest extends TestCase
{
    use AsksPython;

    public function test_written_paths_enclose_the_areas_of_the_scene_on_every_sheet_and_for_every_radius(): void
    {
        mt_srand(2611);
        $paths = $areas = $plans = [];
        for ($round = 0; $round < 220; $round++) {
            $side = 10 ** mt_rand(1, 6) * mt_rand(1, 9);
            $radius = $side * (mt_rand(0, 3) === 0 ? mt_rand(1, 999) / 1e6 : mt_rand(1_000_000, 49_999_999) / 1e8);
            $plan = Sample::plan([
                [
                    'id' => 'g1',
                    'kind' => 'grid.polar',
                    'center' => [$side / 2, $side / 2],
                    'radius' => $radius,
                    'rings' => mt_rand(1, 3),
                    'sectors' => mt_rand(1, 4),
                    ...mt_rand(0, 1) === 1 ? ['inner' => ($radius * mt_rand(1, 999)) / 1000] : [],
                    'turn' => mt_rand(0, 3600) / 10,
                ],
                ['id' => 'p1', 'kind' => 'part.cells', 'cells' => [['g1#1,1', 'g1#*,*', 'g1#*,1'][$round % 3]]],
            ]);
            $plan['sheet'] = ['width' => $side, 'height' => $side / 2, 'unit' => 'px', 'background' => null];
            $scene = Sample::scene($plan);
            $paths[] = self::path($scene);
            $areas[] = $scene->parts()['p1']->area();
            $plans[] = json_encode($plan, JSON_THROW_ON_ERROR);
        }
        // One that came out 267 too small: both halves of the circle lost a strip.
        $scene = Sample::scene(Sample::plan([
            ['id' => 'g1', 'kind' => 'grid.polar', 'center' => [400, 400], 'radius' => 355.12345, 'rings' => 1, 'sectors' => 1],
            ['id' => 'p1', 'kind' => 'part.cells', 'cells' => ['g1#1,1']],
        ]));
        $paths[] = self::path($scene);
        $areas[] = M_PI * 355.12345 ** 2;
        $plans[] = 'radius 355.12345';
        foreach ($this->python('paths.py', $paths) as $number => $read) {
            self::assertIsFloat($read);
            self::assertEqualsWithDelta(1.0, $read / $areas[$number], 1e-6, "$plans[$number]\n$paths[$number]");
            self::assertDoesNotMatchRegularExpression('/\d[eE]/', $paths[$number]);
        }
    }

    public function test_no_more_digits_are_written_than_hold(): void
    {
        $scene = Sample::scene(
            Sample::plan([
                ['id' => 'g1', 'kind' => 'grid.polar', 'center' => [400, 400], 'radius' => 300, 'rings' => 1, 'sectors' => 1],
                ['id' => 'p1', 'kind' => 'part.cells', 'cells' => ['g1#1,1']],
            ]),
        );
        self::assertSame(
            'M400 100A300 300 0 0 1 700 400A300 300 0 0 1 400 700A300 300 0 0 1 100 400A300 300 0 0 1 400 100Z',
            self::path($scene),
        );
    }

    private static function path(Scene $scene): string
    {
        preg_match('/ d="([^"]+)"/', SvgDrawing::write($scene), $found);

        return $found[1] ?? self::fail('No path is drawn.');
    }
}
