<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Geometry;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Geometry\Bernstein;
use Sternbild\Core\Geometry\Exact;
use Sternbild\Core\Geometry\Expansion;
use Sternbild\Core\Geometry\LinearSystem;
use Sternbild\Core\Geometry\Vec;

final class ExactArithmeticTest extends TestCase
{
    public function test_sums_and_products_of_whole_numbers_are_exact_beyond_what_a_double_holds(): void
    {
        mt_srand(2);
        for ($k = 0; $k < 500; $k++) {
            [$a, $b, $c, $d] = array_map(static fn (): int => mt_rand(-2 ** 30, 2 ** 30), range(1, 4));
            // Integers of 64 bits hold the truth; doubles would round it to 53.
            $truth = $a * $b - $c * $d;
            $exact = Expansion::of((float) $a)
                ->times(Expansion::of((float) $b))
                ->minus(Expansion::of((float) $c)->times(Expansion::of((float) $d)));
            self::assertSame((float) $truth, $exact->value());
            self::assertSame(
                0.0,
                $exact
                    ->minus(Expansion::of((float) $a)->times(Expansion::of((float) $b)))
                    ->plus(Expansion::of((float) $c)->times(Expansion::of((float) $d)))
                    ->value(),
            );
        }
    }

    public function test_what_cancels_leaves_what_is_left(): void
    {
        $large = Expansion::of(1e20)->plus(Expansion::of(1.0))->plus(Expansion::of(1e-20));
        self::assertSame(1e-20, $large->minus(Expansion::of(1e20))->minus(Expansion::of(1.0))->value());
        self::assertSame(0.0, Expansion::difference(0.1, 0.3)->plus(Expansion::difference(0.3, 0.1))->value());
        // 0.1 − 0.3 rounds; the difference of the doubles does not.
        self::assertNotSame(
            0.0,
            Expansion::difference(0.1, 0.3)->minus(Expansion::of(0.1 - 0.3))->value() +
                Expansion::difference(1e16, 0.3)->minus(Expansion::of(1e16 - 0.3))->value(),
        );
    }

    public function test_the_cross_product_changes_its_sign_with_the_order_and_keeps_it_under_moves_of_the_start(): void
    {
        mt_srand(8);
        for ($k = 0; $k < 300; $k++) {
            [$a, $b, $c] = array_map(
                static fn (): Vec => new Vec(0.5 + mt_rand(0, 31) * 2.0 ** -53, 0.5 + mt_rand(0, 31) * 2.0 ** -53),
                range(1, 3),
            );
            $side = Exact::side($a, $b, $c) <=> 0.0;
            self::assertSame($side, Exact::side($b, $c, $a) <=> 0.0);
            self::assertSame(-$side, Exact::side($b, $a, $c) <=> 0.0);
        }
    }

    public function test_all_roots_of_a_polynomial_are_found_also_where_it_only_touches(): void
    {
        mt_srand(5);
        foreach ([[0.5], [0.1, 0.9], [0.25, 0.25], [0.2, 0.2000001, 0.7], [0.0, 0.5, 1.0], [0.05, 0.3, 0.3, 0.61, 0.99]] as $wanted) {
            // The product of (t − root), each a line from −root to 1 − root.
            $polynomial = array_reduce(
                $wanted,
                static fn (?Bernstein $product, float $root): Bernstein => $product === null
                    ? new Bernstein([-$root, 1 - $root])
                    : $product->times(new Bernstein([-$root, 1 - $root])),
            );
            self::assertInstanceOf(Bernstein::class, $polynomial);
            $found = $polynomial->roots(1e-14);
            foreach ($wanted as $root) {
                self::assertLessThan(
                    1e-6,
                    min([INF, ...array_map(static fn (float $one): float => abs($one - $root), $found)]),
                    "root $root",
                );
                self::assertEqualsWithDelta(0.0, $polynomial->at($root), 1e-15);
            }
            self::assertLessThanOrEqual(count($wanted), count($found));
        }
        self::assertSame([], (new Bernstein([1.0, 0.2, 1.0]))->roots(1e-9));
    }

    public function test_linear_equations_are_solved_or_said_to_depend_on_one_another(): void
    {
        mt_srand(6);
        for ($k = 0; $k < 50; $k++) {
            $unknown = array_map(static fn (): float => mt_rand(-1000, 1000) / 100, range(1, 3));
            $rows = [];
            for ($i = 0; $i < 3; $i++) {
                $row = array_map(static fn (): float => mt_rand(-1000, 1000) / 100, range(1, 3));
                $rows[] = [...$row, $row[0] * $unknown[0] + $row[1] * $unknown[1] + $row[2] * $unknown[2]];
            }
            self::assertEqualsWithDelta($unknown, LinearSystem::solved($rows, 1e-12), 1e-6);
        }
        self::assertNull(LinearSystem::solved([[1.0, 2.0, 3.0], [2.0, 4.0, 6.0]], 1e-12));
        self::assertNull(LinearSystem::solved([[1.0, 2.0, 3.0], [2.0, 4.0, 7.0]], 1e-12));
        [$point, $way] = LinearSystem::solutions([[1.0, 1.0, 0.0, 2.0], [0.0, 1.0, 1.0, 3.0]], 1e-12) ?? [[0, 0, 0], [0, 0, 0]];
        foreach ([-2.0, 0.0, 1.5] as $share) {
            [$x, $y, $z] = [$point[0] + $share * $way[0], $point[1] + $share * $way[1], $point[2] + $share * $way[2]];
            self::assertEqualsWithDelta([2.0, 3.0], [$x + $y, $y + $z], 1e-12);
        }
    }
}
