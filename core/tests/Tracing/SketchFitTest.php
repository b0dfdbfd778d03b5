<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Tracing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Geometry\CircleFit;
use Sternbild\Core\Geometry\Degenerate;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Pixel\PictureFile;
use Sternbild\Core\Pixel\PlacedPicture;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Pictures;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Result\ShortMemory;
use Sternbild\Core\Tests\Sample;
use Sternbild\Core\Tracing\SketchFit;

/** Circles and lines fitted to lines of pictures, against those that were drawn. */
final class SketchFitTest extends TestCase
{
    /** @var list<string> */
    private array $files = [];

    protected function tearDown(): void
    {
        array_map(unlink(...), $this->files);
    }

    public function test_six_points_of_the_paper_lie_about_its_circle(): void
    {
        // W. Gander, G. Golub, R. Strebel, Least-Squares Fitting of Circles and Ellipses, BIT 34 (1994), section 2: centre 4.7398, 2.9835,
        // radius 4.7142 (recalled).
        $circle = CircleFit::to([new Vec(1, 7), new Vec(2, 6), new Vec(5, 8), new Vec(7, 7), new Vec(9, 5), new Vec(3, 7)]);
        self::assertEqualsWithDelta([4.7398, 2.9835, 4.7142], [$circle->center->x, $circle->center->y, $circle->radius], 1e-3);
    }

    /**
     * @return iterable<string, array{float, int, float}> how the line is drawn, from where to where it is seen, and what the radius may be
     *   off by
     */
    public static function drawn(): iterable
    {
        yield 'a pencil line, all round' => [4.0, 360, 0.1];
        yield 'a fine line, all round' => [1.5, 360, 0.1];
        yield 'an edge, all round' => [0.0, 360, 0.1];
        yield 'a quarter of a line' => [4.0, 90, 0.3];
        yield 'a quarter of an edge' => [0.0, 90, 0.3];
    }

    #[DataProvider('drawn')]
    public function test_circles_are_found_to_a_fraction_of_a_pixel_in_the_grain(float $thick, int $turn, float $off): void
    {
        mt_srand(310);
        for ($round = 0; $round < 5; $round++) {
            [$x, $y, $radius] = [300 + mt_rand(-3000, 3000) / 100, 300 + mt_rand(-3000, 3000) / 100, 120 + mt_rand(0, 6000) / 100];
            $picture = $this->picture(self::ring($x, $y, $radius, $thick));
            $start = mt_rand(0, 359);
            $way = [];
            for ($degrees = 0; $degrees <= $turn; $degrees += 10) {
                $angle = deg2rad($start + $degrees);
                $way[] = new Vec(
                    $x + ($radius + mt_rand(-40, 40) / 10) * cos($angle),
                    $y + ($radius + mt_rand(-40, 40) / 10) * sin($angle),
                );
            }
            $fit = SketchFit::circle($picture, $way, 12.0);
            self::assertNotNull($fit->circle);
            self::assertEqualsWithDelta($radius, $fit->circle->radius, $off);
            if ($turn === 360) {
                self::assertLessThan(0.1, $fit->circle->center->distanceTo(new Vec($x, $y)));
            }
            self::assertLessThan(0.6, $fit->deviation);
            self::assertGreaterThanOrEqual($fit->deviation, $fit->farthest);
        }
    }

    public function test_lines_that_cross_it_and_blots_are_left_out(): void
    {
        $ring = self::ring(300, 300, 150, 4.0);
        $picture = $this->picture(static function (int $x, int $y) use ($ring): float {
            $crossed = abs($x - 250) < 2 || abs($y - $x - 40) < 3 || hypot($x - 440, $y - 300) < 14;

            return $crossed ? 40.0 : $ring($x, $y);
        });
        $way = array_map(
            static fn (int $degrees): Vec => new Vec(300 + 152 * cos(deg2rad($degrees)), 300 + 152 * sin(deg2rad($degrees))),
            range(0, 360, 15),
        );
        $fit = SketchFit::circle($picture, $way, 15.0);
        self::assertEqualsWithDelta(150.0, $fit->circle?->radius, 0.15);
        self::assertLessThan(0.15, $fit->circle?->center->distanceTo(new Vec(300, 300)));
    }

    public function test_straight_lines_come_out_straight_and_where_they_are(): void
    {
        $slope = tan(deg2rad(17));
        $picture = $this->picture(
            static fn (int $x, int $y): float => abs($y + 0.5 - 120 - $slope * ($x + 0.5)) * cos(deg2rad(17)) < 1.5 ? 60.0 : 220.0,
        );
        $fit = SketchFit::line($picture, [new Vec(60, 142), new Vec(300, 209), new Vec(540, 281)], 12.0);
        foreach ($fit->line as $end) {
            self::assertEqualsWithDelta(120 + $slope * $end->x, $end->y, 0.15);
        }
        self::assertNull($fit->circle);
    }

    public function test_placed_otherwise_it_is_found_where_it_lies_on_the_sheet(): void
    {
        $picture = $this->picture(self::ring(300, 280, 140, 4.0), new Vec(50, 80), 300.0, 25.0);
        $map = $picture->map();
        $center = $map->apply(new Vec(300, 280));
        $way = array_map(
            static fn (int $degrees): Vec => $center->plus((new Vec(cos(deg2rad($degrees)), sin(deg2rad($degrees))))->times(71)),
            range(0, 350, 10),
        );
        $fit = SketchFit::circle($picture, $way, 6.0);
        self::assertEqualsWithDelta(70.0, $fit->circle?->radius, 0.05);
        self::assertLessThan(0.05, $fit->circle?->center->distanceTo($center));
    }

    public function test_a_longer_line_becomes_as_few_arcs_as_keep_within_the_deviation_each_tangent_to_the_one_before(): void
    {
        // An S of two half circles: about 200, 300 from the left over the top, then about 400, 300 through the bottom.
        $upper = self::ring(200, 300, 100, 4.0);
        $lower = self::ring(400, 300, 100, 4.0);
        $picture = $this->picture(
            static fn (int $x, int $y): float => $y < 300 && $x <= 305 ? $upper($x, $y) : ($y >= 300 && $x >= 295 ? $lower($x, $y) : 225.0),
        );
        $way = [];
        for ($degrees = 180; $degrees <= 360; $degrees += 10) {
            $way[] = new Vec(200 + 102 * cos(deg2rad($degrees)), 300 + 102 * sin(deg2rad($degrees)));
        }
        for ($degrees = 170; $degrees >= 0; $degrees -= 10) {
            $way[] = new Vec(400 + 98 * cos(deg2rad($degrees)), 300 + 98 * sin(deg2rad($degrees)));
        }
        [$curves, $facts] = SketchFit::chain($picture, $way, 12.0, 1.5);
        self::assertLessThanOrEqual(4, count($curves));
        self::assertGreaterThanOrEqual(2, count($curves));
        self::assertLessThan(3.0, $facts['farthest']);
        foreach (array_slice($curves, 1) as $k => $curve) {
            self::assertEqualsWithDelta($curves[$k]->end(), $curve->start(), 1e-9);
            self::assertEqualsWithDelta(1.0, $curves[$k]->tangentAt(1.0)->dot($curve->tangentAt(0.0)), 1e-9);
        }
        // The narrower, the more of them.
        self::assertGreaterThanOrEqual(count($curves), count(SketchFit::chain($picture, $way, 12.0, 0.7)[0]));
        self::assertLessThan(3.0, $curves[0]->start()->distanceTo(new Vec(100, 300)));
        self::assertLessThan(4.0, $curves[count($curves) - 1]->end()->distanceTo(new Vec(500, 300)));
    }

    public function test_what_is_fitted_to_a_sketch_is_a_step_with_its_deviation_as_a_number(): void
    {
        $file = $this->picture(self::ring(300, 300, 150, 4.0))->file;
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
        $along = [[450, 302], [301, 449], [152, 300], [300, 151]];
        $plan = Sample::plan([
            ['id' => 'k1', 'kind' => 'picture', 'source' => 'ring.png', 'width' => 600],
            ['id' => 'c1', 'kind' => 'guide.circle', 'sketch' => 'k1', 'along' => $along],
            ['id' => 'c2', 'kind' => 'guide.arc', 'sketch' => 'k1', 'along' => array_slice($along, 0, 3)],
            ['id' => 'c3', 'kind' => 'guide.run', 'sketch' => 'k1', 'along' => $along, 'reach' => 60],
            ['id' => 'c4', 'kind' => 'guide.line', 'sketch' => 'k1', 'along' => [[10, 10], [90, 10]]],
            ['id' => 'c5', 'kind' => 'guide.circle', 'center' => 'c1!', 'radius' => 'c1.radius - c1.farthest'],
        ]);
        $scene = (new Evaluator(new ShortMemory))->evaluate(
            (new PlanReader(Kinds::all()->withPictures($pictures)))->fromArray(Sample::unchecked($plan)),
        );
        self::assertEqualsWithDelta(150.0, $scene->known['c1']->number('radius'), 0.1);
        self::assertLessThan(0.6, $scene->known['c1']->number('deviation'));
        self::assertLessThan($scene->known['c1']->number('radius'), $scene->known['c5']->number('radius'));
        self::assertEqualsWithDelta(M_PI * 150, $scene->known['c2']->number('length'), 8.0);
        self::assertGreaterThan(0.0, $scene->known['c3']->number('farthest'));
        self::assertArrayNotHasKey('c4', $scene->known);
        self::assertStringContainsString('no line of the picture', implode(' ', array_column($scene->findings, 'message')));
        // What can be taken hold of is told of every one of them.
        foreach (['c1', 'c2', 'c3'] as $id) {
            self::assertSame([], $scene->known[$id]->pulls());
        }
    }

    public function test_circles_settle_on_a_centre_and_a_radius_where_that_costs_little_and_say_what(): void
    {
        $picture = $this->picture(self::ring(300.6, 299.5, 150.4, 4.0));
        $way = array_map(
            static fn (int $degrees): Vec => new Vec(300 + 151 * cos(deg2rad($degrees)), 300 + 151 * sin(deg2rad($degrees))),
            range(0, 360, 15),
        );
        $fit = SketchFit::circle($picture, $way, 10.0);
        $both = $fit->settled(new Vec(300, 300), [90.0, 150.0, 400.0], 1.0);
        self::assertEquals([new Vec(300, 300), 150.0], [$both->circle?->center, $both->circle?->radius]);
        self::assertGreaterThan(0.0, $both->facts()['costs'] ?? 0.0);
        self::assertLessThanOrEqual(1.0, $both->facts()['costs'] ?? 9.0);
        // Too dear together, the centre alone.
        $centred = $fit->settled(new Vec(300, 300), [140.0], 1.0);
        self::assertEquals(new Vec(300, 300), $centred->circle?->center);
        self::assertEqualsWithDelta(150.4, $centred->circle?->radius, 0.2);
        // Nor that: only the size; nor anything.
        self::assertSame(150.0, $fit->settled(new Vec(320, 300), [150.0], 1.0)->circle?->radius);
        self::assertSame($fit, $fit->settled(new Vec(320, 300), [120.0], 1.0));
        self::assertArrayNotHasKey('costs', $fit->facts());
    }

    public function test_where_no_line_is_that_is_said(): void
    {
        mt_srand(46);
        $picture = $this->picture(static fn (): float => 200.0);
        $those = [
            [new Vec(100, 100), new Vec(200, 120), new Vec(300, 180)],
            [new Vec(5000, 5000), new Vec(6000, 5000), new Vec(6000, 6000)],
        ];
        foreach ($those as $way) {
            try {
                SketchFit::circle($picture, $way, 10.0);
                self::fail('There is none.');
            } catch (Degenerate $fault) {
                self::assertMatchesRegularExpression('/no line of the picture|beside the picture/', $fault->getMessage());
            }
        }
    }

    /** @return \Closure(int, int): float grey of a dark ring, or of the edge of a dark disk, soft as a lens leaves it */
    private static function ring(float $x, float $y, float $radius, float $thick): \Closure
    {
        $soft = static fn (float $inside): float => max(0.0, min(1.0, 0.5 + $inside / 1.6));

        return static function (int $column, int $row) use ($x, $y, $radius, $thick, $soft): float {
            $far = hypot($column + 0.5 - $x, $row + 0.5 - $y);

            return 225 - 150 * ($thick > 0.0 ? $soft($thick / 2 - abs($far - $radius)) : $soft($radius - $far));
        };
    }

    /** @param  \Closure(int, int): float  $grey */
    private function picture(\Closure $grey, ?Vec $at = null, float $width = 600.0, float $turn = 0.0): PlacedPicture
    {
        $bytes = '';
        for ($row = 0; $row < 600; $row++) {
            for ($column = 0; $column < 600; $column++) {
                // Grain of film, as noise of a deviation of 8.
                $noise = (mt_rand(0, 1000) + mt_rand(0, 1000) + mt_rand(0, 1000) - 1500) / 1500 * 24;
                $bytes .= chr((int) max(0, min(255, round($grey($column, $row) + $noise))));
            }
        }
        $path = (string) tempnam(sys_get_temp_dir(), 'drawn');
        file_put_contents($path, "P5\n600 600\n255\n$bytes");
        $this->files[] = $path;

        return new PlacedPicture(
            new PictureFile($path, 600, 600, hash('sha256', $bytes)),
            $at ?? new Vec(0, 0),
            $width,
            $turn,
            0.0,
            'drawn',
            [600, 600],
            new Vec(0, 0),
        );
    }
}
