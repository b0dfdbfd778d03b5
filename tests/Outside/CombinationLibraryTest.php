<?php

namespace Tests\Outside;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Bend;
use Sternbild\Core\Geometry\BentWay;
use Sternbild\Core\Geometry\CannotBend;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Shape\Combination;
use Sternbild\Core\Shape\Outlining;

/**
 * Joins of outlines by lot against a general-purpose polygon library (Debian: python3-shapely) on flattened outlines, and against
 * themselves.
 */
final class CombinationLibraryTest extends TestCase
{
    use AsksPython;

    private const PAIRS = 1000;

    /** Chords to a curve; they leave out about this share of what lies between a curve and its chord, squared. */
    private const CHORDS = 300;

    /** @var list<array{list<Outline>, list<Outline>}> */
    private static array $pairs = [];

    public static function setUpBeforeClass(): void
    {
        mt_srand(41);
        while (count(self::$pairs) < self::PAIRS) {
            $one = self::shape();
            self::$pairs[] = [$one, self::beside($one)];
        }
    }

    public function test_areas_agree_with_the_library(): void
    {
        $flat = array_map(
            static fn (array $pair): array => array_map(
                static fn (array $outlines): array => array_map(self::flattened(...), $outlines),
                $pair,
            ),
            self::$pairs,
        );
        foreach ($this->python('combine.py', $flat) as $number => $areas) {
            self::assertIsArray($areas);
            $pair = self::$pairs[$number];
            $size = max(self::area($pair[0]), self::area($pair[1]));
            $ours = [self::joined($pair), self::common($pair), self::cut($pair), self::either($pair)];
            foreach ($ours as $which => $area) {
                self::assertEqualsWithDelta(
                    $areas[$which],
                    $area,
                    2e-4 * $size + 0.05,
                    "pair $number, ".['union', 'intersection', 'difference', 'symmetric difference'][$which],
                );
            }
        }
    }

    public function test_join_and_common_have_the_sum_of_both_areas_and_cut_and_common_make_up_the_first(): void
    {
        foreach (self::$pairs as $number => $pair) {
            [$a, $b] = [self::area($pair[0]), self::area($pair[1])];
            $common = self::common($pair);
            self::assertEqualsWithDelta($a + $b, self::joined($pair) + $common, 1e-7 * ($a + $b), "pair $number");
            self::assertEqualsWithDelta($a, self::cut($pair) + $common, 1e-7 * ($a + $b), "pair $number");
            self::assertEqualsWithDelta(self::joined($pair), self::either($pair) + $common, 1e-7 * ($a + $b), "pair $number");
        }
    }

    public function test_order_and_turning_change_nothing(): void
    {
        foreach (self::$pairs as $number => $pair) {
            if ($number % 4 > 0) {
                continue;
            }
            $join = Combination::join($pair, Tolerance::ofSheet(800));
            $swapped = Combination::join([$pair[1], $pair[0]], Tolerance::ofSheet(800));
            self::assertSame(serialize($join), serialize($swapped), "pair $number");
            $turn = Affine::turn(37.3, new Vec(311, 402));
            $turned = Combination::join(
                array_map(
                    static fn (array $outlines): array => array_map(
                        static fn (Outline $outline): Outline => $outline->mapped($turn),
                        $outlines,
                    ),
                    $pair,
                ),
                Tolerance::ofSheet(800),
            );
            self::assertEqualsWithDelta(self::area($join), self::area($turned), 1e-6 * self::area($join), "pair $number");
            self::assertCount(count($join), $turned, "pair $number");
        }
    }

    public function test_no_node_is_added_but_where_outlines_cross(): void
    {
        foreach (self::$pairs as $number => [$one, $other]) {
            $common = Combination::common([$one, $one], Tolerance::ofSheet(800));
            $nodes = static fn (array $outlines): int => array_sum(
                array_map(static fn (Outline $outline): int => $outline->nodes(), $outlines),
            );
            self::assertLessThanOrEqual($nodes($one), $nodes($common), "pair $number");
        }
    }

    /** @return list<Outline> with corners on a lattice as often as not, so that edges and corners are shared */
    private static function shape(): array
    {
        if (mt_rand(0, 4) === 0) {
            return [new Outline([Arc::fullCircle(new Circle(self::place(), 50.0 * mt_rand(1, 5)))])];
        }
        while (true) {
            $points = array_map(static fn (): Vec => self::place(), range(1, mt_rand(3, 6)));
            $bends = array_map(static fn (): ?Bend => match (mt_rand(0, 7)) {
                0 => Bend::bulge(mt_rand(-10, 10) / 10),
                1 => Bend::handles(self::place(), self::place()),
                default => null,
            }, $points);
            try {
                $curves = BentWay::curves($points, $bends, true);
                $outlines = $curves === [] ? [] : Outlining::of($curves, Tolerance::ofSheet(800))->outlines;
                if ($outlines !== [] && self::area($outlines) > 100) {
                    return $outlines;
                }
            } catch (CannotBend) {
                // The next ones can be.
            }
        }
    }

    /**
     * @param  list<Outline>  $one
     * @return list<Outline> something else by lot, or the same in a smaller size, in its mirror, moved along the lattice, or touching it
     */
    private static function beside(array $one): array
    {
        $at = $one[0]->curves[0]->start();
        $map = match (mt_rand(0, 9)) {
            0 => Affine::scaling(0.5, 0.5, $one[0]->centroid()),
            1 => Affine::mirrorUpright($at),
            2 => Affine::move(new Vec(100, 0)),
            3 => Affine::turn(180, $one[0]->curves[0]->pointAt(0.5)),
            4 => Affine::turn(90, $at),
            default => null,
        };

        return $map === null ? self::shape() : array_map(static fn (Outline $outline): Outline => $outline->mapped($map), $one);
    }

    private static function place(): Vec
    {
        return mt_rand(0, 1) === 1
            ? new Vec(100.0 * mt_rand(0, 8), 100.0 * mt_rand(0, 8))
            : new Vec(mt_rand(0, 8000) / 10, mt_rand(0, 8000) / 10);
    }

    /** @return list<array{float, float}> */
    private static function flattened(Outline $outline): array
    {
        $points = [];
        foreach ($outline->curves as $curve) {
            $chords = $curve instanceof Line ? 1 : self::CHORDS * ($curve instanceof Arc && $curve->isFullCircle() ? 4 : 1);
            for ($k = 0; $k < $chords; $k++) {
                $point = $curve->pointAt($k / $chords);
                $points[] = [$point->x, $point->y];
            }
        }

        return $points;
    }

    /** @param  array{list<Outline>, list<Outline>}  $pair */
    private static function joined(array $pair): float
    {
        return self::area(Combination::join($pair, Tolerance::ofSheet(800)));
    }

    /** @param  array{list<Outline>, list<Outline>}  $pair */
    private static function common(array $pair): float
    {
        return self::area(Combination::common($pair, Tolerance::ofSheet(800)));
    }

    /** @param  array{list<Outline>, list<Outline>}  $pair */
    private static function cut(array $pair): float
    {
        return self::area(Combination::cut($pair, Tolerance::ofSheet(800)));
    }

    /** @param  array{list<Outline>, list<Outline>}  $pair */
    private static function either(array $pair): float
    {
        return self::area(Combination::either($pair, Tolerance::ofSheet(800)));
    }

    /** @param  list<Outline>  $outlines */
    private static function area(array $outlines): float
    {
        return array_sum(array_map(static fn (Outline $outline): float => $outline->area(), $outlines));
    }
}
