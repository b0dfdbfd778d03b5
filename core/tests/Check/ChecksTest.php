<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Check;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Plan\Edit\PlanEdit;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Tests\Sample;

/** What designers would want to know of, its measure, and that the remedy mends it. */
final class ChecksTest extends TestCase
{
    /**
     * @param  list<array<string, mixed>>  $steps
     * @param  array<string, mixed>  $checks
     * @return array<string, mixed>
     */
    private static function plan(array $steps, array $checks = []): array
    {
        $plan = Sample::plan($steps);

        return $checks === [] ? $plan : [...$plan, 'sheet' => ['width' => 800, 'height' => 800, 'unit' => 'px', 'checks' => $checks]];
    }

    /**
     * @param  array<string, mixed>  $plan
     * @return list<Finding>
     */
    private static function findings(array $plan): array
    {
        return Sample::scene($plan)->findings;
    }

    /**
     * The only finding of a plan; after its remedy there is none.
     *
     * @param  array<string, mixed>  $plan
     */
    private function assertMended(array $plan, string $code, float $measure): Finding
    {
        $findings = self::findings($plan);
        self::assertSame([$code], array_map(static fn (Finding $finding): string => $finding->code, $findings));
        self::assertEqualsWithDelta($measure, $findings[0]->measure, 1e-6);
        self::assertNotNull($findings[0]->at);
        self::assertNotNull($findings[0]->remedy);
        self::assertSame([], self::findings(PlanEdit::apply($plan, $findings[0]->remedy->operations, Kinds::all())->plan()));

        return $findings[0];
    }

    public function test_an_end_that_misses_a_point_is_closed_to_it(): void
    {
        $finding = $this->assertMended(self::plan([
            Sample::rectangular(),
            ['id' => 'c1', 'kind' => 'guide.line', 'through' => ['g1@0,0', [179.7, 80.4]]],
        ]), 'near-miss', 0.5);
        self::assertStringContainsString('its end misses column 2, row 1 of grid 1 by 0.5 px', $finding->message);
        self::assertSame(
            [['op' => 'set', 'id' => 'c1', 'field' => 'through', 'value' => ['g1@0,0', 'g1@2,1']]],
            $finding->remedy?->operations,
        );
    }

    public function test_an_end_is_not_closed_to_what_stands_behind_it(): void
    {
        self::assertSame([], self::findings(self::plan([
            ['id' => 'c1', 'kind' => 'guide.line', 'through' => [[100, 50], [179.7, 80.4]]],
            Sample::rectangular(),
        ])));
    }

    public function test_an_end_that_misses_a_curve_is_closed_to_the_nearest_place_on_it(): void
    {
        $this->assertMended(self::plan([
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [400, 400], 'radius' => 200],
            ['id' => 'c2', 'kind' => 'guide.line', 'through' => [[50, 400], [199.6, 400]]],
        ]), 'near-miss', 0.4);
        $this->assertMended(self::plan([
            Sample::rectangular(),
            ['id' => 'c1', 'kind' => 'guide.line', 'through' => [[20, 91], [99.75, 91]]],
        ]), 'near-miss', 0.25);
    }

    public function test_ends_that_miss_one_another_are_closed(): void
    {
        $this->assertMended(self::plan([
            ['id' => 'c1', 'kind' => 'guide.line', 'through' => [[100, 100], [300, 200]]],
            ['id' => 'c2', 'kind' => 'guide.arc', 'through' => [[300.3, 200.4], [400, 250], [420, 400]]],
        ]), 'near-miss', 0.5);
    }

    public function test_what_meets_or_stays_clear_is_no_miss(): void
    {
        self::assertSame([], self::findings(self::plan([
            Sample::rectangular(),
            ['id' => 'c1', 'kind' => 'guide.line', 'through' => ['g1@0,0', 'g1@2,1']],
            ['id' => 'c2', 'kind' => 'guide.line', 'through' => ['c1@0.5', [600, 600]]],
            ['id' => 'c3', 'kind' => 'guide.line', 'through' => [[600, 700], [600, 602]]],
        ])));
    }

    public function test_circles_that_miss_touching_are_made_to_touch(): void
    {
        $circle = static fn (string $id, float $x, float $radius): array => [
            'id' => $id,
            'kind' => 'guide.circle',
            'center' => [$x, 300],
            'radius' => $radius,
        ];
        $this->assertMended(self::plan([$circle('c1', 200, 100), $circle('c2', 350, 49.5)]), 'almost-touching', 0.5);
        $this->assertMended(self::plan([$circle('c1', 200, 100), $circle('c2', 350, 50.25)]), 'almost-touching', 0.25);
        $this->assertMended(self::plan([$circle('c1', 200, 100), $circle('c2', 240, 59.8)]), 'almost-touching', 0.2);
        $this->assertMended(
            self::plan([['id' => 'c1', 'kind' => 'guide.line', 'through' => [[0, 351], [800, 351]]], $circle('c2', 350, 50.5)]),
            'almost-touching',
            0.5,
        );
        self::assertSame(
            [],
            self::findings(self::plan([$circle('c1', 200, 100), $circle('c2', 350, 50), $circle('c3', 600, 40), $circle('c4', 600, 40.5)])),
        );
    }

    public function test_lines_drawn_twice_are_named_and_taken_away(): void
    {
        $this->assertMended(self::plan([
            ['id' => 'c1', 'kind' => 'guide.line', 'through' => [[100, 100], [300, 200]]],
            ['id' => 'c2', 'kind' => 'guide.line', 'through' => [[300, 200], [100, 100]]],
        ]), 'doubled', hypot(200, 100));
        $this->assertMended(self::plan([
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [200, 200], 'radius' => 50],
            ['id' => 'c2', 'kind' => 'guide.circle', 'through' => [[250, 200], [200, 250], [150, 200]]],
        ]), 'doubled', 100 * M_PI);
        $partly = self::findings(self::plan([
            ['id' => 'c1', 'kind' => 'guide.line', 'through' => [[100, 100], [300, 200]]],
            ['id' => 'c2', 'kind' => 'guide.line', 'through' => [[200, 150], [600, 350]]],
        ]));
        self::assertSame(['doubled'], array_map(static fn (Finding $finding): string => $finding->code, $partly));
        self::assertEqualsWithDelta(hypot(100, 50), $partly[0]->measure, 1e-9);
        self::assertNull($partly[0]->remedy);
    }

    public function test_almost_square_cells_are_made_square(): void
    {
        $this->assertMended(self::plan([Sample::rectangular(['cell' => [40, 40.5]])]), 'almost-square', 0.5);
        $this->assertMended(
            self::plan([
                ['id' => 'g1', 'kind' => 'grid.rectangular', 'origin' => [10, 20], 'columns' => 8, 'rows' => 6, 'size' => [400, 303]],
            ]),
            'almost-square',
            0.5,
        );
        self::assertSame(
            [],
            self::findings(
                self::plan([Sample::rectangular(['cell' => [40, 40]]), [...Sample::rectangular(['cell' => [40, 30]]), 'id' => 'g2']]),
            ),
        );
    }

    public function test_slivers_are_named_with_their_width_from_the_limit_of_the_sheet_on(): void
    {
        $steps = [
            ['id' => 'c1', 'kind' => 'guide.line', 'through' => [[100, 100], [500, 100]], 'extend' => 'both'],
            ['id' => 'c2', 'kind' => 'guide.line', 'through' => [[100, 102], [500, 102]], 'extend' => 'both'],
            ['id' => 'c3', 'kind' => 'guide.line', 'through' => [[100, 50], [100, 500]], 'extend' => 'both'],
            ['id' => 'c4', 'kind' => 'guide.line', 'through' => [[700, 50], [700, 500]], 'extend' => 'both'],
            ['id' => 'o1', 'kind' => 'overlay', 'of' => ['c1', 'c2', 'c3', 'c4']],
        ];
        self::assertSame([], self::findings(self::plan($steps)));
        $found = self::findings(self::plan($steps, ['sliver' => '1mm', 'miss' => 0]));
        self::assertSame(['sliver'], array_map(static fn (Finding $finding): string => $finding->code, $found));
        self::assertEqualsWithDelta(2.0, $found[0]->measure, 0.02);
        self::assertEqualsWithDelta([400, 101], [$found[0]->at?->x, $found[0]->at?->y], 1e-6);
        self::assertSame([], self::findings(self::plan($steps, ['sliver' => 0])));
    }

    public function test_a_grid_names_its_thinnest_cells(): void
    {
        $width = static function (array $grid, float $limit): ?float {
            $found = self::findings(self::plan([['id' => 'g1', ...$grid]], ['sliver' => $limit]));

            return $found === [] ? null : $found[0]->measure;
        };
        // Of a strip of 400 × 2 twice the area over the perimeter is 1600/804.
        $strips = ['kind' => 'grid.rectangular', 'origin' => [0, 0], 'columns' => 1, 'rows' => 50, 'cell' => [400, 2]];
        self::assertEqualsWithDelta(1600 / 804, $width($strips, 3), 1e-9);
        self::assertNull($width($strips, 1.9));
        // A wedge of radius r and angle θ: r²θ over r(2 + θ).
        $polar = ['kind' => 'grid.polar', 'center' => [400, 400], 'radius' => 300, 'rings' => 30, 'sectors' => 90];
        $angle = 2 * M_PI / 90;
        self::assertEqualsWithDelta(10 * $angle / (2 + $angle), $width($polar, 3), 1e-9);
        // The thinnest of golden sections lie where the narrowest column crosses the narrowest row.
        self::assertNotNull($width(['kind' => 'grid.golden', 'origin' => [0, 0], 'size' => [800, 800], 'from' => 'both', 'depth' => 8], 3));
        self::assertNull($width(['kind' => 'grid.golden', 'origin' => [0, 0], 'size' => [800, 800], 'from' => 'both', 'depth' => 1], 3));
    }

    public function test_the_usual_limits_are_a_tenth_of_a_millimetre_and_an_eight_hundredth_of_the_sheet(): void
    {
        // A tenth of a millimetre is the least that prints (common practice).
        $plan = (new PlanReader(Kinds::all()))->fromArray([
            ...Sample::plan([]),
            'sheet' => ['width' => 210, 'height' => 297, 'unit' => 'mm'],
        ]);
        self::assertEqualsWithDelta([0.1, 297 / 800], [$plan->limit('checks.sliver'), $plan->limit('checks.miss')], 1e-12);
        foreach ([['sliver' => -1], ['miss' => 'wide'], ['miss' => 900], ['other' => 1], 7] as $bad) {
            try {
                (new PlanReader(Kinds::all()))->fromArray([
                    ...Sample::plan([]),
                    'sheet' => ['width' => 800, 'height' => 800, 'unit' => 'px', 'checks' => $bad],
                ]);
                self::fail('It was taken.');
            } catch (Unusable $fault) {
                self::assertStringStartsWith('/sheet/checks', $fault->pointer);
            }
        }
    }

    public function test_the_limits_are_set_like_any_property_of_the_sheet(): void
    {
        $plan = PlanEdit::apply(self::plan([]), [['op' => 'sheet', 'field' => 'checks.miss', 'value' => '0.2mm']], Kinds::all())->plan();
        self::assertSame(['miss' => '0.2mm'], $plan['sheet']['checks']);
        self::assertEqualsWithDelta((0.2 * 96) / 25.4, (new PlanReader(Kinds::all()))->fromArray($plan)->limit('checks.miss'), 1e-12);
        self::assertArrayNotHasKey(
            'checks',
            PlanEdit::apply($plan, [['op' => 'sheet', 'field' => 'checks.miss', 'value' => null]], Kinds::all())->plan()['sheet'],
        );
    }
}
