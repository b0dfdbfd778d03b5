<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Symmetry;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Edit\DrawingIn;
use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\CellDomain;
use Sternbild\Core\Symmetry\Elements;
use Sternbild\Core\Symmetry\PlaneGroup;
use Sternbild\Core\Tests\Sample;

/** Fundamental cells, what groups are made of, and drawing in any cell. */
final class DomainTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function plane(): iterable
    {
        foreach (PlaneGroup::names() as $group) {
            yield $group => [$group];
        }
    }

    /** @param  list<array{float, float}>  $corners */
    private static function area(array $corners): float
    {
        $area = 0.0;
        foreach ($corners as $number => [$x, $y]) {
            [$nextX, $nextY] = $corners[($number + 1) % count($corners)];
            $area += ($x * $nextY - $nextX * $y) / 2;
        }

        return $area;
    }

    /** @param  list<array{float, float}>  $corners */
    private static function holds(array $corners, Vec $at): bool
    {
        foreach ($corners as $number => [$x, $y]) {
            [$nextX, $nextY] = $corners[($number + 1) % count($corners)];
            if (($nextX - $x) * ($at->y - $y) - ($nextY - $y) * ($at->x - $x) < 0.0) {
                return false;
            }
        }

        return true;
    }

    #[DataProvider('plane')]
    public function test_images_of_the_fundamental_cell_fill_the_plane_once(string $group): void
    {
        $corners = PlaneGroup::domain($group);
        $positions = PlaneGroup::positions($group);
        self::assertEqualsWithDelta(1 / count($positions), self::area($corners), 1e-12);
        mt_srand(41);
        for ($k = 0; $k < 60; $k++) {
            $at = new Vec(mt_rand() / mt_getrandmax(), mt_rand() / mt_getrandmax());
            $holding = 0;
            foreach ($positions as $position) {
                for ($row = -2; $row <= 2; $row++) {
                    for ($column = -2; $column <= 2; $column++) {
                        $holding += self::holds($corners, $position->inverse()->apply($at->minus(new Vec($column, $row)))) ? 1 : 0;
                    }
                }
            }
            self::assertSame(1, $holding, "$group at $at->x, $at->y");
        }
    }

    /**
     * Orders of the turning centres that a cell has, and how many mirrors and glides, as the diagrams of the International Tables show them
     * (recalled).
     *
     * @return iterable<string, array{string, array<int, int>}>
     */
    public static function centres(): iterable
    {
        yield 'p1' => ['p1', []];
        yield 'p2' => ['p2', [2 => 4]];
        yield 'pmg' => ['pmg', [2 => 4]];
        yield 'cmm' => ['cmm', [2 => 8]];
        yield 'p4' => ['p4', [2 => 2, 4 => 2]];
        yield 'p4g' => ['p4g', [2 => 2, 4 => 2]];
        yield 'p3' => ['p3', [3 => 3]];
        yield 'p31m' => ['p31m', [3 => 3]];
        yield 'p6' => ['p6', [2 => 3, 3 => 2, 6 => 1]];
        yield 'p6m' => ['p6m', [2 => 3, 3 => 2, 6 => 1]];
    }

    /** @param  array<int, int>  $wanted */
    #[DataProvider('centres')]
    public function test_turning_centres_are_those_of_the_tables(string $group, array $wanted): void
    {
        $found = array_count_values(array_column(Elements::ofGroup($group, PlaneGroup::positions($group), false)['centres'], 2));
        ksort($found);
        self::assertSame($wanted, $found);
    }

    public function test_mirrors_and_glides_are_told_apart(): void
    {
        $sorts = static function (string $group): array {
            $lines = Elements::ofGroup($group, PlaneGroup::positions($group), false)['lines'];

            return [
                count(array_filter($lines, static fn (array $line): bool => ! $line[4])) > 0,
                count(array_filter($lines, static fn (array $line): bool => $line[4])) > 0,
            ];
        };
        foreach (
            [
                'p1' => [false, false],
                'p4' => [false, false],
                'pm' => [true, false],
                'pg' => [false, true],
                'cm' => [true, true],
                'pmm' => [true, false],
                'pmg' => [true, true],
                'pgg' => [false, true],
                'p4g' => [true, true],
                'p6m' => [true, true],
            ] as $group => $wanted
        ) {
            self::assertSame($wanted, $sorts($group), $group);
        }
        // Through the origin of p3m1 run no mirrors along its ways, through that of p31m they do.
        $along = static fn (string $group): bool => array_filter(
            Elements::ofGroup($group, PlaneGroup::positions($group), false)['lines'],
            static fn (array $line): bool => ! $line[4] && abs($line[3]) < 1e-9,
        ) !== [];
        self::assertFalse($along('p3m1'));
        self::assertTrue($along('p31m'));
    }

    #[DataProvider('plane')]
    public function test_what_is_drawn_anywhere_lies_in_the_cell_of_the_motif(string $group): void
    {
        $free = in_array(PlaneGroup::lattice($group), ['oblique', 'rectangular'], true);
        $pattern = [
            'id' => 'w1',
            'kind' => 'pattern',
            'of' => ['a1'],
            'group' => $group,
            'origin' => [300, 300],
            'a' => [90, 0],
            ...$free ? ['b' => [0, 70]] : [],
            'across' => 3,
            'down' => 3,
        ];
        $scene = Sample::scene(
            Sample::unchecked(
                Sample::plan([['id' => 'a1', 'kind' => 'part.outline', 'points' => [[412, 303], [418, 305], [415, 309]]], $pattern]),
            ),
        );
        $domain = CellDomain::ofPattern($scene->known, $scene->plan->steps['w1']);
        self::assertNotNull($domain);
        /** @var list<array{float, float}> $corners */
        $corners = $domain->describe()['domain'];
        $corners = self::area($corners) < 0 ? array_reverse($corners) : $corners;
        self::assertTrue(self::holds($corners, new Vec(415, 305.7)), 'The cell that is shown is the one of the motif.');
        mt_srand(7);
        $spread = $scene->parts()['w1']->spread;
        self::assertNotNull($spread);
        for ($k = 0; $k < 40; $k++) {
            $at = new Vec(100 + 600 * mt_rand() / mt_getrandmax(), 100 + 600 * mt_rand() / mt_getrandmax());
            $home = $domain->home([$at]);
            self::assertTrue(self::holds($corners, $home->apply($at)));
            // And what brings it there is one of the group's own maps: it brings the pattern's own places to such.
            $one = $spread->lattice->coordinates($home->apply(new Vec(300, 300)));
            $fits = array_filter(PlaneGroup::positions($group), static function (Affine $position) use ($one): bool {
                $there = $position->apply(Vec::zero());

                return abs(fmod(abs($there->x - $one->x) + 0.5, 1.0) - 0.5) < 1e-6 &&
                    abs(fmod(abs($there->y - $one->y) + 0.5, 1.0) - 0.5) < 1e-6;
            });
            self::assertNotEmpty($fits);
        }
    }

    public function test_a_shape_drawn_in_another_cell_comes_into_the_motif(): void
    {
        $steps = [
            ['id' => 'a1', 'kind' => 'part.outline', 'points' => [[312, 303], [318, 305], [315, 309]]],
            [
                'id' => 'w1',
                'kind' => 'pattern',
                'of' => ['a1'],
                'group' => 'pm',
                'origin' => [300, 300],
                'a' => [100, 0],
                'b' => [0, 80],
                'across' => 2,
            ],
            ['id' => 'n1', 'kind' => 'part.outline', 'points' => [[470, 310], [460, 310], [465, 330]]],
        ];
        $scene = Sample::scene(Sample::unchecked(Sample::plan($steps)));
        $operations = DrawingIn::operations($scene, 'n1', ['op' => 'add', 'step' => $steps[2], 'into' => 'w1'], '/0');
        // The mirror of the second cell lies at 400: 470 comes to 330.
        self::assertSame(
            [[330.0, 310.0], [340.0, 310.0], [335.0, 330.0]],
            is_array($operations[0]['step']) ? $operations[0]['step']['points'] : null,
        );
        self::assertSame('w1', $operations[0]['before']);
        self::assertSame(['a1', 'n1'], $operations[1]['value']);
    }

    public function test_friezes_have_cells_too(): void
    {
        foreach (PlaneGroup::friezes() as $group) {
            $scene = Sample::scene(
                Sample::unchecked(
                    Sample::plan([
                        ['id' => 'a1', 'kind' => 'part.outline', 'points' => [[312, 303], [318, 305], [315, 309]]],
                        [
                            'id' => 'w1',
                            'kind' => 'frieze',
                            'of' => ['a1'],
                            'group' => $group,
                            'origin' => [300, 300],
                            'by' => [60, 0],
                            'count' => 4,
                        ],
                    ]),
                ),
            );
            $domain = CellDomain::ofPattern($scene->known, $scene->plan->steps['w1']);
            self::assertNotNull($domain);
            $home = $domain->home([new Vec(433, 297)])->apply(new Vec(433, 297));
            self::assertGreaterThanOrEqual(300.0 - 1e-6, $home->x);
            self::assertLessThanOrEqual(360.0 + 1e-6, $home->x);
        }
    }
}
