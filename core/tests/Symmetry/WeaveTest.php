<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Symmetry;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Shape\Band;
use Sternbild\Core\Shape\Combination;
use Sternbild\Core\Shape\Corner;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Shape\Strand;
use Sternbild\Core\Symmetry\Weave;
use Sternbild\Core\Tests\Sample;

/** Strands over and under one another in turn. */
final class WeaveTest extends TestCase
{
    /**
     * The star polygon {n/k} as one closed run, woven.
     *
     * @param  array<string, mixed>  $more
     */
    private static function star(int $n, int $k, array $more = [], float $width = 8.0): Scene
    {
        $points = array_map(
            static fn (int $i): array => [400 + 300 * sin((2 * M_PI * $i * $k) / $n), 400 - 300 * cos((2 * M_PI * $i * $k) / $n)],
            range(0, $n),
        );

        return Sample::scene(Sample::plan([
            ['id' => 'c1', 'kind' => 'guide.run', 'points' => $points],
            ['id' => 'w1', 'kind' => 'weave', 'of' => ['c1'], 'width' => $width, ...$more],
        ]));
    }

    /** @return iterable<string, array{int, int}> */
    public static function stars(): iterable
    {
        foreach ([[5, 2], [7, 2], [7, 3], [8, 3], [9, 4], [11, 5], [12, 5]] as [$n, $k]) {
            yield "{{$n}/$k}" => [$n, $k];
        }
    }

    #[DataProvider('stars')]
    public function test_a_star_polygon_crosses_itself_as_often_as_it_is_known_to(int $n, int $k): void
    {
        $scene = self::star($n, $k, width: 4.0);
        // n(k − 1) crossings, n and k without common factor (recalled; CHECKS).
        self::assertSame((float) ($n * ($k - 1)), $scene->parts()['w1']->quantities()['crossings']);
        self::assertSame(
            [],
            array_filter($scene->findings, static fn ($finding): bool => $finding->code === 'no-turn'),
            'The alternating weave of a closed curve exists (Tait; recalled).',
        );
    }

    #[DataProvider('stars')]
    public function test_along_the_strand_over_and_under_alternate(int $n, int $k): void
    {
        $part = self::star($n, $k, ['gap' => 2], width: 3.0)->parts()['w1'];
        // Counted independently: walked along each side, a stretch ends where it dives, and between two ends lies one crossing that goes
        // over.
        self::assertSame($n * ($k - 1), $part->pieces(), 'As many stretches as crossings, for each is dived under once.');
        foreach ($part->figures()[0]->outlines() as $outline) {
            $on = count(array_filter($part->places, static fn (Vec $at): bool => $outline->windingsAround($at) !== 0));
            self::assertSame(1, $on, 'Every stretch goes over exactly one.');
        }
    }

    public function test_without_a_clearance_the_union_is_that_of_the_strands(): void
    {
        $rings = [
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [340, 400], 'radius' => 150],
            ['id' => 'c2', 'kind' => 'guide.circle', 'center' => [460, 400], 'radius' => 150],
            ['id' => 'c3', 'kind' => 'guide.circle', 'center' => [400, 300], 'radius' => 150],
            ['id' => 'b1', 'kind' => 'band', 'of' => ['c1', 'c2', 'c3'], 'width' => 24, 'keep' => true],
        ];
        $scene = Sample::scene(Sample::plan([...$rings, ['id' => 'w1', 'kind' => 'weave', 'of' => ['b1'], 'keep' => true]]));
        $woven = $scene->parts()['w1'];
        self::assertSame(6.0, $woven->quantities()['crossings']);
        self::assertEqualsWithDelta(self::union($scene->parts()['b1']), self::union($woven), 1e-4);
        self::assertEqualsWithDelta(self::union($woven), $woven->area(), 1e-4, 'No strand lies on another.');
        $clear = Sample::scene(Sample::plan([...$rings, ['id' => 'w1', 'kind' => 'weave', 'of' => ['b1'], 'gap' => 6]]))->parts()['w1'];
        self::assertLessThan($woven->area() - 6 * 2 * 6 * 20, $clear->area());
    }

    public function test_where_crossings_lie_close_together_the_border_lies_half_way(): void
    {
        $rings = static fn (float $x): array => [
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [300, 400], 'radius' => 150],
            ['id' => 'c2', 'kind' => 'guide.circle', 'center' => [$x, 400], 'radius' => 150],
            ['id' => 'b1', 'kind' => 'band', 'of' => ['c1'], 'width' => 20, 'keep' => true],
            ['id' => 'b2', 'kind' => 'band', 'of' => ['c2'], 'width' => 20, 'keep' => true],
            ['id' => 'w1', 'kind' => 'weave', 'of' => ['b1', 'b2']],
        ];
        // From where the inner rims just cross to where the outer ones only touch.
        foreach ([575.0, 579.99, 580.01, 588.0, 596.0, 599.99, 600.01, 619.0] as $x) {
            $scene = Sample::scene(Sample::unchecked(Sample::plan($rings($x))));
            $half = ($x - 300) / 2;
            $lens = static fn (float $r, float $q): float => $half * 2 >= $r + $q ? 0.0 : self::lens($r, $q, 2 * $half);
            // What two rings have in common, by the formula for two discs: outer with outer, less outer with inner twice, and inner with
            // inner again.
            $common = $lens(160, 160) - 2 * $lens(160, 140) + $lens(140, 140);
            self::assertEqualsWithDelta(2 * M_PI * (160 ** 2 - 140 ** 2) - $common, $scene->parts()['w1']->area(), 1e-4, "at $x");
        }
        $woven = Sample::scene(Sample::unchecked(Sample::plan($rings(596.0))))->parts()['w1'];
        $lies = static fn (int $strand, float $y): int => array_sum(
            array_map(
                static fn (Outline $outline): int => $outline->windingsAround(new Vec(448, $y)),
                $woven->figures()[$strand]->outlines(),
            ),
        );
        self::assertSame([1, 0, 0, 1], [$lies(0, 400.1), $lies(1, 400.1), $lies(0, 399.9), $lies(1, 399.9)]);
    }

    /** What two discs have in common. */
    private static function lens(float $r, float $q, float $apart): float
    {
        $part = static fn (float $one, float $other): float => $one ** 2 *
            acos(($apart ** 2 + $one ** 2 - $other ** 2) / (2 * $apart * $one));

        return $part($r, $q) + $part($q, $r) - sqrt((-$apart + $r + $q) * ($apart + $r - $q) * ($apart - $r + $q) * ($apart + $r + $q)) / 2;
    }

    public function test_of_a_thousand_fields_of_rings_and_bands_nothing_is_lost_and_nothing_seen_twice(): void
    {
        $lot = new Randomizer(new Mt19937(2411));
        $tolerance = Tolerance::ofSheet(800);
        $between = static fn (float $least, float $most): float => $lot->getInt((int) (100 * $least), (int) (100 * $most)) / 100;
        $at = static fn (): Vec => new Vec($between(50, 750), $between(50, 750));
        $crossed = 0;
        for ($field = 0; $field < 1000; $field++) {
            $strands = $whole = [];
            $count = $lot->getInt(2, 5);
            for ($k = 0; $k < $count; $k++) {
                $half = $between(2, 30);
                $way = $lot->getInt(0, 2) < 2
                    ? [Arc::fullCircle(new Circle(new Vec($between(250, 550), $between(250, 550)), $between(60, 220)))]
                    : [new Line($a = $at(), $b = $at()), ...($lot->getInt(0, 1) === 0 ? [] : [new Line($b, $c = $at()), new Line($c, $a)])];
                $strands[] = $strand = new Strand($way, $half, $half, Corner::Miter);
                $whole[] = (new Band($half, $half, $strand->join, 'butt', 4.0, $tolerance))->of($way);
            }
            assert($strands !== [] && $whole !== []);
            $woven = Weave::woven($strands, $whole, $lot->getInt(0, 1) === 0, 0.0, $lot->getInt(0, 1) === 0 ? [] : [$at()], $tolerance);
            $seen = array_map(static fn (?array $outlines, array $all): array => $outlines ?? $all, $woven->strands, $whole);
            $area = static fn (array $outlines): float => array_sum(
                array_map(static fn (Outline $outline): float => $outline->area(), $outlines),
            );
            self::assertEqualsWithDelta(
                $area(Combination::join($whole, $tolerance)),
                array_sum(array_map($area, $seen)),
                1e-3,
                "field $field",
            );
            foreach ($woven->crossings as $crossing) {
                $crossed++;
                $above = array_filter(
                    $seen,
                    static fn (array $outlines): bool => array_sum(
                        array_map(static fn (Outline $outline): int => $outline->windingsAround($crossing), $outlines),
                    ) !== 0,
                );
                self::assertCount(1, $above, "field $field at $crossing->x, $crossing->y");
            }
        }
        self::assertGreaterThan(2000, $crossed);
    }

    public function test_the_first_strand_goes_over_or_under_first_and_a_crossing_is_swapped(): void
    {
        $plan = static fn (array $more): Part => Sample::scene(
            Sample::plan([
                ['id' => 'c1', 'kind' => 'guide.run', 'points' => [[100, 300], [700, 300]]],
                ['id' => 'c2', 'kind' => 'guide.run', 'points' => [[250, 100], [250, 700], [550, 700], [550, 100]]],
                ['id' => 'w1', 'kind' => 'weave', 'of' => ['c1', 'c2'], 'width' => 20, 'gap' => 5, ...$more],
            ]),
        )->parts()['w1'];
        $lies = static fn (Part $part, int $strand, float $x): bool => array_filter(
            $part->figures()[$strand]->outlines(),
            static fn (Outline $outline): bool => $outline->windingsAround(new Vec($x, 300)) !== 0,
        ) !== [];
        $over = static fn (Part $part): array => [$lies($part, 0, 250), $lies($part, 0, 550), $lies($part, 1, 250), $lies($part, 1, 550)];
        self::assertSame([true, false, false, true], $over($plan([])));
        self::assertSame([false, true, true, false], $over($plan(['first' => 'under'])));
        self::assertSame([true, true, false, false], $over($plan(['swap' => [[552, 301]]])));
        // What dives ends by the clearance beside what lies over it.
        $under = $plan([])->figures()[1]->outlines();
        self::assertEqualsWithDelta(
            300 - 10 - 5,
            max(
                array_map(
                    static fn (Outline $outline): float => $outline->bounds()->top < 200 && $outline->bounds()->right < 300
                        ? $outline->bounds()->bottom
                        : 0.0,
                    $under,
                ),
            ),
            1e-6,
        );
    }

    public function test_where_over_and_under_cannot_alternate_the_crossing_is_named(): void
    {
        $spokes = array_map(
            static fn (int $k): array => [
                'id' => "l$k",
                'kind' => 'guide.run',
                'points' => [[400 + 50 * cos($k * 2.1), 400 + 50 * sin($k * 2.1)], [400 + 300 * cos($k * 2.1), 400 + 300 * sin($k * 2.1)]],
            ],
            [1, 2, 3],
        );
        $scene = Sample::scene(
            Sample::plan([
                ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [400, 400], 'radius' => 150],
                ...$spokes,
                ['id' => 'w1', 'kind' => 'weave', 'of' => ['c1', 'l1', 'l2', 'l3'], 'width' => 12],
            ]),
        );
        self::assertSame(
            ['no-turn'],
            array_values(
                array_map(
                    static fn ($finding): string => $finding->code,
                    array_filter($scene->findings, static fn ($finding): bool => $finding->level === 'warning'),
                ),
            ),
        );
        self::assertSame(3.0, $scene->parts()['w1']->quantities()['crossings']);
    }

    public function test_ends_inside_others_touches_and_stretches_alongside_are_no_crossings(): void
    {
        $weave = static fn (array $one, array $two): float => Sample::scene(Sample::plan([
            ['id' => 'c1', ...$one], ['id' => 'c2', ...$two], ['id' => 'w1', 'kind' => 'weave', 'of' => ['c1', 'c2'], 'width' => 10],
        ]))->parts()['w1']->quantities()['crossings'];
        $run = static fn (array ...$points): array => ['kind' => 'guide.run', 'points' => $points];
        $circle = static fn (float $x): array => ['kind' => 'guide.circle', 'center' => [$x, 400], 'radius' => 100];
        self::assertSame(0.0, $weave($run([100, 400], [400, 400]), $run([400, 100], [400, 700])), 'It ends on the other.');
        self::assertSame(0.0, $weave($circle(300), $circle(500)), 'They touch.');
        self::assertSame(0.0, $weave($run([100, 400], [500, 400]), $run([300, 400], [700, 400])), 'They run along one another.');
        self::assertSame(
            1.0,
            $weave($run([100, 400], [400, 400], [700, 400]), $run([400, 100], [400, 700])),
            'A crossing at a joint is one.',
        );
    }

    public function test_four_hundred_crossings_are_woven_at_once(): void
    {
        $runs = array_merge(
            array_map(
                static fn (int $k): array => ['id' => "a$k", 'kind' => 'guide.run', 'points' => [[20, 40 + 36 * $k], [780, 40 + 36 * $k]]],
                range(0, 19),
            ),
            array_map(
                static fn (int $k): array => ['id' => "b$k", 'kind' => 'guide.run', 'points' => [[40 + 36 * $k, 20], [40 + 36 * $k, 780]]],
                range(0, 19),
            ),
        );
        $scene = Sample::scene(
            Sample::plan([...$runs, ['id' => 'w1', 'kind' => 'weave', 'of' => array_column($runs, 'id'), 'width' => 14, 'gap' => 2]]),
        );
        self::assertSame(400.0, $scene->parts()['w1']->quantities()['crossings']);
        self::assertSame(400 + 40, $scene->parts()['w1']->pieces(), 'Each crossing parts a strand once.');
    }

    public function test_what_is_no_strand_is_said(): void
    {
        $square = ['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => [[100, 100], [300, 300]]];
        $scene = Sample::scene(Sample::plan([$square, ['id' => 'w1', 'kind' => 'weave', 'of' => ['p1']]]));
        self::assertSame(['of', 'choice'], [$scene->findings[0]->field, $scene->findings[0]->code]);
        $scene = Sample::scene(
            Sample::plan([
                ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [400, 400], 'radius' => 100],
                ['id' => 'w1', 'kind' => 'weave', 'of' => ['c1']],
            ]),
        );
        self::assertSame(['width', 'choice'], [$scene->findings[0]->field, $scene->findings[0]->code]);
    }

    private static function union(Part $part): float
    {
        $operands = array_map(static fn ($figure): array => $figure->outlines(), $part->figures());
        $joined = $operands === [] ? [] : Combination::join(array_values($operands), Sample::scene(Sample::plan([]))->plan->tolerance());

        return array_sum(array_map(static fn (Outline $outline): float => ($outline->isHole() ? -1 : 1) * abs($outline->area()), $joined));
    }

    public function test_a_shade_lies_on_what_dives_and_fades_away_from_what_lies_over_it(): void
    {
        $lines = [];
        foreach (range(0, 2) as $k) {
            $lines[] = ['id' => "a$k", 'kind' => 'guide.line', 'through' => [[100, 200 + 150 * $k], [700, 200 + 150 * $k]]];
            $lines[] = ['id' => "b$k", 'kind' => 'guide.line', 'through' => [[250 + 150 * $k, 100], [250 + 150 * $k, 700]]];
        }
        $scene = Sample::scene(Sample::unchecked(Sample::plan([
            ...$lines,
            ['id' => 'w1', 'kind' => 'weave', 'of' => ['a0', 'a1', 'a2', 'b0', 'b1', 'b2'], 'width' => 40, 'gap' => 4],
            ['id' => 'd1', 'kind' => 'shade', 'of' => 'w1', 'colour' => 'ink', 'reach' => 30, 'opacity' => 0.5],
        ])));
        self::assertSame([], $scene->findings);
        [$weave, $shade] = [$scene->parts()['w1'], $scene->parts()['d1']];
        self::assertCount(18, $shade->figures(), 'On both sides of each of nine crossings.');
        foreach ($shade->figures() as $figure) {
            // 40 wide and 30 long, behind half of what lies over it and the clearance.
            self::assertEqualsWithDelta(40 * 30, $figure->area(), 1e-3);
            $gradient = $figure->tint;
            self::assertNotNull($gradient);
            self::assertSame(
                [['#1b2140', 0.5], ['#1b2140', 0.0]],
                array_map(static fn (array $stop): array => [$stop[1], $stop[2]], $gradient->stops),
            );
            [$from, $to] = [$gradient->from, $gradient->to];
            self::assertNotNull($from);
            self::assertNotNull($to);
            self::assertEqualsWithDelta(30.0, $from->distanceTo($to), 1e-4);
            $nearest = min(INF, ...array_map(static fn (Vec $at): float => $at->distanceTo($from), $weave->places));
            self::assertEqualsWithDelta(24.0, $nearest, 1e-4, 'It is deepest where the strand comes out.');
        }
        // All of it lies on strands: what the weave and the shade have in common is the shade.
        $common = Combination::common(
            [
                array_merge(...array_map(static fn ($figure): array => $figure->outlines(), $weave->figures())),
                array_merge(...array_map(static fn ($figure): array => $figure->outlines(), $shade->figures())),
            ],
            $scene->plan->tolerance(),
        );
        self::assertEqualsWithDelta(
            $shade->area(),
            array_sum(array_map(static fn (Outline $outline): float => $outline->area(), $common)),
            0.01,
        );
    }

    public function test_only_the_crossings_that_are_said_are_shaded_and_only_weaves_have_some(): void
    {
        $weave = ['id' => 'w1', 'kind' => 'weave', 'of' => ['c1', 'c2'], 'width' => 20];
        $rings = [
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [300, 400], 'radius' => 150],
            ['id' => 'c2', 'kind' => 'guide.circle', 'center' => [450, 400], 'radius' => 150],
        ];
        $scene = Sample::scene(
            Sample::unchecked(Sample::plan([...$rings, $weave, ['id' => 'd1', 'kind' => 'shade', 'of' => 'w1', 'at' => [[375, 270]]]])),
        );
        self::assertSame([], $scene->findings);
        self::assertCount(2, $scene->parts()['d1']->figures());
        self::assertLessThan(400, $scene->parts()['d1']->bounds()->bottom);
        $wrong = Sample::scene(
            Sample::plan([
                ...$rings,
                ['id' => 'b1', 'kind' => 'band', 'of' => ['c1'], 'width' => 9],
                ['id' => 'd1', 'kind' => 'shade', 'of' => 'b1'],
            ]),
        );
        self::assertStringContainsString('only a weave', $wrong->findings[0]->message);
    }
}
