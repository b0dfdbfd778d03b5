<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Check;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Check\Checks;
use Sternbild\Core\Check\Sort;
use Sternbild\Core\Plan\Edit\PlanEdit;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Tests\Sample;

/** Every finding there is: a drawing that shows it, one that just does not, its measure, and a remedy that removes it. */
final class TableTest extends TestCase
{
    /**
     * What only says that not all was looked through or told, and needs drawings by the hundred; and what lies nowhere, of which
     * ColoursTest tells.
     */
    private const OF_CHECKS_THEMSELVES = ['unchecked', 'more', 'many-cells', 'many-colours', 'alike-colours'];

    /** @return array<string, mixed> */
    private static function disc(string $id, float $x, float $y, float $radius): array
    {
        return ['id' => $id, 'kind' => 'part.circle', 'center' => [$x, $y], 'radius' => $radius];
    }

    /**
     * @param  list<mixed>  $points
     * @return array<string, mixed>
     */
    private static function outline(string $id, array $points, mixed $bends = null): array
    {
        return ['id' => $id, 'kind' => 'part.outline', 'points' => $points, ...($bends === null ? [] : ['bends' => $bends])];
    }

    /**
     * @return array<string, array{string, list<array<string, mixed>>, list<array<string, mixed>>, float, bool}> what shows it, what just
     *   does not, its measure, whether there is a remedy
     */
    private static function rows(): array
    {
        $line = static fn (string $id, array $from, array $to): array => ['id' => $id, 'kind' => 'guide.line', 'through' => [$from, $to]];
        $circle = static fn (float $radius): array => ['id' => 'c2', 'kind' => 'guide.circle', 'center' => [400, 400], 'radius' => $radius];
        $cells = static fn (array $cell): array => [
            ['id' => 'g1', 'kind' => 'grid.rectangular', 'origin' => [100, 100], 'columns' => 4, 'rows' => 4, 'cell' => $cell],
        ];
        $bars = static fn (float $width): array => [
            ['id' => 'p1', 'kind' => 'part.rectangle', 'origin' => [100, 100], 'size' => [60, 500]],
            ['id' => 'c1', 'kind' => 'guide.run', 'points' => [[400, 100], [400, 600]]],
            ['id' => 'b1', 'kind' => 'band', 'of' => ['c1'], 'width' => $width],
        ];
        // A semicircle on the end of two lines leaves them without a corner; a bulge that is not quite 1 does not.
        $tongue = static fn (float $bulge): array => [
            self::outline('p1', [[100, 300], [400, 300], [400, 500], [100, 500]], [null, ['bulge' => $bulge], null, null]),
        ];
        $wedge = static fn (float $half): array => [self::outline('p1', [[100, 400 - $half], [700, 400], [100, 400 + $half]])];
        $square = static fn (float $off): array => [
            self::outline('p1', [[200, 200], [400, 200 + $off], [600, 200], [600, 600], [200, 600]]),
        ];
        $two = static fn (float $gap): array => [self::disc('p1', 250, 400, 100), self::disc('p2', 450 + $gap, 400, 100)];
        $petal = static fn (float $off): array => [
            self::outline('p1', [[400 + $off, 350], [460, 180], [400, 90]]),
            ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => [400, 400], 'count' => 5, 'mirror' => true],
        ];
        $cell = static fn (array $size, array $more = []): array => [
            ['id' => 'p1', 'kind' => 'part.rectangle', 'origin' => [200, 200], 'size' => $size],
            [
                'id' => 'w1',
                'kind' => 'pattern',
                'of' => ['p1'],
                'origin' => [200, 200],
                'a' => [40, 0],
                'b' => [0, 40],
                'across' => 3,
                'down' => 3,
                ...$more,
            ],
        ];
        $astride = static fn (float $right): array => [
            self::outline('p1', [[190, 210], [$right, 225], [192, 235]]),
            ['id' => 'w1', 'kind' => 'pattern', 'of' => ['p1'], 'group' => 'pm', 'origin' => [200, 200], 'a' => [40, 0], 'b' => [0, 40]],
        ];
        $painted = static fn (string ...$rows): array => [
            ['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [100, 100], 'columns' => 24, 'rows' => 12, 'cell' => 10],
            ['id' => 'd1', 'kind' => 'paint', 'on' => 'g1', 'cells' => self::drawn(array_values($rows))],
        ];
        $covered = static fn (float $x): array => [self::disc('p1', $x, 400, 60), self::disc('p2', 400, 400, 200)];

        return [
            'almost square cells' => ['almost-square', $cells([80, 81]), $cells([80, 84]), 1.0, true],
            'slivers' => [
                'sliver',
                [['id' => 'g1', 'kind' => 'grid.rectangular', 'origin' => [100, 100], 'columns' => 4, 'rows' => 4, 'cell' => [80, 0.3]]],
                $cells([80, 1]),
                (2 * 80 * 0.3) / 160.6,
                false,
            ],
            'doubled lines' => [
                'doubled',
                [$line('c1', [100, 100], [500, 100]), $line('c2', [100, 100], [500, 100])],
                [$line('c1', [100, 100], [500, 100]), $line('c2', [100, 130], [500, 130])],
                400.0,
                true,
            ],
            'a circle that almost touches a line' => [
                'almost-touching',
                [$line('c1', [50, 100], [750, 100]), $circle(299.6)],
                [$line('c1', [50, 100], [750, 100]), $circle(298)],
                0.4,
                true,
            ],
            'an end that misses' => [
                'near-miss',
                [$line('c1', [100, 100], [500, 100]), $line('c2', [300, 100.5], [300, 400])],
                [$line('c1', [100, 100], [500, 100]), $line('c2', [300, 110], [300, 400])],
                0.5,
                true,
            ],
            'bars almost equally wide' => ['almost-equal', $bars(58), $bars(56), 2.0, true],
            'curves that are almost tangent' => [
                'almost-tangent',
                $tongue(0.98),
                $tongue(0.9),
                rad2deg(abs((4 * atan(0.98)) / 2 - M_PI / 2)),
                true,
            ],
            'a corner that is too sharp' => ['sharp', $wedge(60), $wedge(70), rad2deg(2 * atan(0.1)), true],
            'a node that changes nothing' => ['spare-node', $square(0), $square(4), 0.0, true],
            'parts that almost meet' => ['almost-meeting', $two(0.7), $two(60), 0.7, true],
            'copies that almost close' => ['ajar', $petal(0.4), $petal(3), 0.8, true],
            'copies in cells that almost meet' => ['copies-miss', $cell([39.5, 39.5]), $cell([38, 38]), 0.5, false],
            'copies in cells that just overlap' => ['copies-overlap', $cell([40.5, 30]), $cell([40, 30]), 0.5, false],
            'a part astride a mirror' => ['astride', $astride(204), $astride(199), 4.0, false],
            'a stripe between rows' => ['stripe', $cell([40, 32.5]), $cell([40, 24]), 7.5, false],
            'a tile of broken pixels' => ['broken-pixels', $cell([20, 20], ['a' => [40.5, 0]]), $cell([20, 20]), 0.5, false],
            'a doubled corner' => [
                'doubled-corner',
                $painted('i....', 'i....', 'ii...', '.i...', '.i...'),
                $painted('i....', 'i....', 'i....', '.i...', '.i...'),
                10.0,
                true,
            ],
            'uneven runs' => [
                'uneven-runs',
                $painted('i...........', '.iiiii......', '......ii....', '........iiiii'),
                $painted('i...........', '.iii........', '....iiii....', '........iiiii'),
                10.0,
                true,
            ],
            'a cell by itself' => [
                'stray-pixel',
                $painted('iii...', 'iii..i', 'iii...'),
                $painted('iii...', 'iii...', 'iii...', '...i..'),
                10.0,
                true,
            ],
            'a hole of one cell' => ['pixel-hole', $painted('iiii', 'i.ii', 'iiii'), $painted('iiii', 'i..i', 'iiii'), 10.0, true],
            'an edge that would be softer' => [
                'hard-edge',
                $painted('iissss', 'iiisss', 'iiiiss', 'iiiiis', 'iiiiii'),
                $painted('iissss', 'iiisss', 'iiisss', 'iiisss'),
                10.0,
                true,
            ],
            'a band' => [
                'banding',
                $painted(
                    'iiii........iiiii',
                    'iiii........iiiii',
                    'llll........lllll',
                    'llll........lllll',
                    '.iiiii.......iiiiii',
                    '.iiiii.......iiiiii',
                    '.lllll.......llllll',
                    '.lllll.......llllll',
                ),
                $painted('iiii........iiiii', 'iiii........iiiii', 'lllll.......llll.', 'lllll.......llll.'),
                10.0,
                false,
            ],
            'a way that closes at 16 px' => ['closes', $two(24), $two(26), 24.0, false],
            'a part behind another' => ['hidden', $covered(400), $covered(250), sqrt(M_PI) * 60, true],
            'a detail that is gone at 16 px' => [
                'vanishes',
                [self::disc('p1', 400, 400, 200), self::disc('p2', 700, 700, 12)],
                [self::disc('p1', 400, 400, 200), self::disc('p2', 700, 700, 13)],
                24.0,
                false,
            ],
        ];
    }

    /**
     * @param  list<string>  $rows  a letter for each cell: i for ink, l for lagoon, s for what lies as far from it as ink does
     * @return array<string, string>
     */
    private static function drawn(array $rows): array
    {
        $cells = [];
        foreach ($rows as $row => $text) {
            foreach (str_split($text) as $column => $letter) {
                $name = ['i' => 'ink', 'l' => 'lagoon', 's' => '#00c4ce'][$letter] ?? null;
                if ($name !== null) {
                    $cells[$name] = trim(($cells[$name] ?? '').' '.($column + 1).','.($row + 1));
                }
            }
        }

        return $cells;
    }

    /** @return iterable<string, array{string}> */
    public static function names(): iterable
    {
        foreach (array_keys(self::rows()) as $name) {
            yield $name => [$name];
        }
    }

    public function test_every_finding_is_told_by_one_check_and_stands_in_the_table_of_the_docs(): void
    {
        $sorts = Checks::sorts();
        $codes = array_column($sorts, 'code');
        self::assertSame(array_values(array_unique($codes)), $codes);
        $table = implode(
            "\n",
            array_map(
                static fn (Sort $sort): string => "| `$sort->code` | $sort->found".
                    ($sort->mended === null ? '' : ": $sort->mended").
                    ' |',
                $sorts,
            ),
        );
        self::assertStringContainsString(
            "\n$table\n",
            (string) file_get_contents(__DIR__.'/../../../docs/plan-format.md'),
            "The table of findings in docs/plan-format.md is\n$table",
        );
    }

    public function test_a_limit_that_checks_share_is_one(): void
    {
        foreach (Checks::all() as $check) {
            foreach ($check->limits() as $limit) {
                self::assertStringStartsWith('checks.', $limit->name());
                self::assertEquals(Checks::limits()[$limit->name()]->field, $limit->field);
            }
        }
        self::assertEqualsCanonicalizing(['checks.corner', 'checks.miss', 'checks.sliver', 'checks.small'], array_keys(Checks::limits()));
    }

    public function test_every_finding_has_a_row(): void
    {
        $sorts = array_map(static fn (array $row): string => $row[0], array_values(self::rows()));
        self::assertEqualsCanonicalizing(
            array_values(array_diff(array_column(Checks::sorts(), 'code'), self::OF_CHECKS_THEMSELVES)),
            $sorts,
        );
    }

    #[DataProvider('names')]
    public function test_it_is_found_measured_and_mended(string $name): void
    {
        [$sort, $shows, $just, $measure, $mends] = self::rows()[$name];
        $found = self::findings(Sample::plan($shows), $sort);
        self::assertCount(1, $found);
        self::assertEqualsWithDelta($measure, $found[0]->measure, 0.01 * max(1.0, $measure));
        self::assertNotNull($found[0]->at);
        self::assertSame([], self::findings(Sample::plan($just), $sort), 'This one just does not show it.');
        self::assertSame($mends, $found[0]->remedy !== null);
        if ($found[0]->remedy !== null) {
            $mended = PlanEdit::apply(Sample::plan($shows), $found[0]->remedy->operations, Kinds::all())->plan();
            self::assertSame([], self::findings($mended, $sort));
            self::assertSame([], array_filter(Sample::scene($mended)->findings, static fn (Finding $finding): bool => $finding->isError()));
        }
    }

    public function test_a_check_that_is_turned_off_is_silent(): void
    {
        foreach (
            [
                'sliver',
                'almost-touching',
                'near-miss',
                'sharp',
                'almost-meeting',
                'ajar',
                'copies-miss',
                'copies-overlap',
                'astride',
                'stripe',
                'broken-pixels',
                'doubled-corner',
                'uneven-runs',
                'stray-pixel',
                'pixel-hole',
                'hard-edge',
                'banding',
                'closes',
                'vanishes',
            ] as $sort
        ) {
            foreach (self::rows() as [$of, $shows]) {
                if ($of === $sort) {
                    self::assertSame([], self::findings(Sample::unchecked(Sample::plan($shows)), $sort));
                }
            }
        }
    }

    /** @return iterable<string, array{list<array<string, mixed>>}> */
    public static function sharp(): iterable
    {
        $outline = static fn (array $points, array $bends = []): array => [
            'id' => 'p1',
            'kind' => 'part.outline',
            'points' => $points,
            ...$bends === [] ? [] : ['bends' => $bends],
        ];
        yield 'between a side and an arc that bends towards it' => [
            [$outline([[100, 400], [160, 400], [160, 396]], [['bulge' => 0.05], null, null])],
        ];
        yield 'two of them on one short side' => [[$outline([[100, 400], [104, 400], [102, 440]])]];
        yield 'a star of needles' => [
            [['id' => 'p1', 'kind' => 'part.polygon', 'center' => [400, 400], 'radius' => 200, 'corners' => 12, 'inner' => 12]],
        ];
        yield 'copies around' => [
            [
                $outline([[400, 100], [404, 300], [396, 300]]),
                ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => [400, 400], 'count' => 7],
            ],
        ];
        yield 'a lens of two arcs' => [
            [
                ['id' => 'p1', 'kind' => 'part.circle', 'center' => [300, 400], 'radius' => 150],
                ['id' => 'p2', 'kind' => 'part.circle', 'center' => [599, 400], 'radius' => 150],
                ['id' => 'k1', 'kind' => 'common', 'of' => ['p1', 'p2']],
            ],
        ];
    }

    /** @param  list<array<string, mixed>>  $steps */
    #[DataProvider('sharp')]
    public function test_sharp_corners_are_rounded_by_what_there_is_room_for(array $steps): void
    {
        $plan = Sample::plan($steps);
        $found = self::findings($plan, 'sharp');
        self::assertCount(1, $found);
        self::assertNotNull($found[0]->remedy);
        $mended = PlanEdit::apply($plan, $found[0]->remedy->operations, Kinds::all())->plan();
        self::assertSame(
            [],
            array_filter(
                Sample::scene($mended)->findings,
                static fn (Finding $finding): bool => $finding->isError() || $finding->code === 'sharp',
            ),
        );
    }

    public function test_what_is_made_equal_follows_from_then_on(): void
    {
        $plan = Sample::plan(self::rows()['bars almost equally wide'][1]);
        $plan = PlanEdit::apply($plan, self::findings($plan, 'almost-equal')[0]->remedy->operations ?? [], Kinds::all())->plan();
        self::assertSame('p1.wide', $plan['steps'][2]['width']);
    }

    public function test_clearances_are_compared_with_clearances(): void
    {
        $steps = [];
        foreach ([[100, 8.0], [400, 8.2]] as $k => [$x, $distance]) {
            array_push($steps, self::disc("a$k", $x, 300, 80), self::disc("b$k", $x + 60, 300, 80), [
                'id' => "k$k",
                'kind' => 'gap',
                'behind' => ["a$k"],
                'front' => ["b$k"],
                'distance' => $distance,
            ]);
        }
        $plan = Sample::plan([...$steps, ['id' => 'r9', 'kind' => 'part.rectangle', 'origin' => [10, 600], 'size' => [8.1, 90]]]);
        $found = self::findings($plan, 'almost-equal');
        self::assertSame(['k1'], array_column($found, 'step'), 'The thin bar is no clearance.');
        $mended = PlanEdit::apply($plan, $found[0]->remedy->operations ?? [], Kinds::all())->plan();
        self::assertSame('k0.distance', $mended['steps'][5]['distance']);
    }

    public function test_bars_that_are_equal_to_one_another_are_not_told_to_be_equal_to_a_third(): void
    {
        $bar = static fn (string $id, float $wide): array => [
            'id' => $id,
            'kind' => 'part.rectangle',
            'origin' => [100, 100],
            'size' => [$wide, 500],
        ];
        $found = self::findings(Sample::plan([$bar('p1', 60), $bar('p2', 61), $bar('p3', 61)]), 'almost-equal');
        self::assertSame(['p2'], array_column($found, 'step'));
    }

    /**
     * @param  array<string, mixed>  $plan
     * @return list<Finding>
     */
    private static function findings(array $plan, string $sort): array
    {
        return array_values(array_filter(Sample::scene($plan)->findings, static fn (Finding $finding): bool => $finding->code === $sort));
    }
}
