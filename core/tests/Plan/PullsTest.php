<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Plan;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Tests\Sample;

/** What can be taken hold of on the sheet: each lies where its number puts it, and dragged elsewhere it is found there again. */
final class PullsTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, list<string>}> a step on p0 and c0, and the fields that it is pulled at */
    public static function steps(): iterable
    {
        yield 'polar grid' => [
            ['kind' => 'grid.polar', 'center' => [300, 320], 'radius' => 150, 'inner' => 40, 'rings' => 2, 'sectors' => 6, 'turn' => 15],
            ['radius', 'inner', 'turn'],
        ];
        yield 'rectangular grid by its cell' => [
            ['kind' => 'grid.rectangular', 'origin' => [90, 80], 'columns' => 3, 'rows' => 2, 'cell' => [40, 30], 'angle' => 20],
            ['cell', 'angle'],
        ];
        yield 'rectangular grid by its size' => [
            ['kind' => 'grid.rectangular', 'origin' => [90, 80], 'columns' => 3, 'rows' => 2, 'size' => [400, 300]],
            ['size', 'angle'],
        ];
        yield 'two-axis grid' => [
            ['kind' => 'grid.twoaxis', 'origin' => [90, 80], 'angles' => [30, 100], 'spacing' => [40, 30], 'columns' => 2, 'rows' => 2],
            ['spacing', 'spacing', 'angles', 'angles'],
        ];
        yield 'triangular grid' => [
            ['kind' => 'grid.triangular', 'origin' => [90, 80], 'side' => 30, 'columns' => 2, 'rows' => 2, 'angle' => 10],
            ['side', 'angle'],
        ];
        yield 'golden grid' => [['kind' => 'grid.golden', 'origin' => [90, 80], 'size' => [400, 300]], ['size']];
        yield 'circle' => [['kind' => 'guide.circle', 'center' => [300, 320], 'radius' => 70], ['radius']];
        yield 'circle through a point' => [['kind' => 'guide.circle', 'center' => [300, 320], 'on' => [340, 320]], []];
        yield 'line at an angle' => [['kind' => 'guide.line', 'at' => [300, 320], 'angle' => 30], ['angle']];
        yield 'line beside another' => [['kind' => 'guide.line', 'beside' => 'c0', 'distance' => -25], ['distance']];
        yield 'run' => [
            ['kind' => 'guide.run', 'points' => [[100, 100], [300, 120], [320, 300]], 'bends' => [['bulge' => 0.4]]],
            ['bends', 'bends'],
        ];
        yield 'outline' => [
            [
                'kind' => 'part.outline',
                'points' => [[100, 100], [300, 120], [320, 300]],
                'bends' => [['bulge' => -0.4], null, ['handles' => [[300, 350], [120, 200]]]],
            ],
            ['bends', 'bends', 'bends', 'bends'],
        ];
        yield 'disc' => [['kind' => 'part.circle', 'center' => [300, 320], 'radius' => 70], ['radius']];
        yield 'ellipse' => [
            ['kind' => 'part.ellipse', 'center' => [300, 320], 'radii' => [70, 40], 'angle' => 25],
            ['radii', 'radii', 'angle'],
        ];
        yield 'polygon' => [
            ['kind' => 'part.polygon', 'center' => [300, 320], 'radius' => 70, 'corners' => 5, 'turn' => 12],
            ['radius', 'turn'],
        ];
        yield 'star' => [
            ['kind' => 'part.polygon', 'center' => [300, 320], 'radius' => 70, 'inner' => 30, 'corners' => 5],
            ['radius', 'inner', 'turn'],
        ];
        yield 'rectangle' => [['kind' => 'part.rectangle', 'origin' => [300, 320], 'size' => [70, 50], 'angle' => 33], ['size', 'angle']];
        yield 'inset' => [['kind' => 'inset', 'of' => ['p0'], 'distance' => 3], ['distance']];
        yield 'widened' => [['kind' => 'inset', 'of' => ['p0'], 'distance' => -4, 'corner' => 'round'], ['distance']];
        yield 'rounding' => [['kind' => 'round', 'of' => ['p0'], 'radius' => 2], ['radius']];
        yield 'band' => [['kind' => 'band', 'of' => ['c0'], 'width' => 24], ['width']];
        yield 'band to one side' => [['kind' => 'band', 'of' => ['c0'], 'width' => 24, 'side' => 'right'], ['width']];
        yield 'row' => [
            ['kind' => 'repeat.along', 'of' => ['p0'], 'by' => [50, 10], 'count' => 3, 'across' => [0, 60], 'rows' => 2],
            ['by', 'across'],
        ];
        yield 'move' => [['kind' => 'move', 'of' => ['p0'], 'by' => [50, 10]], ['by']];
        yield 'turn' => [['kind' => 'turn', 'of' => ['p0'], 'about' => [300, 320], 'angle' => 40], ['angle']];
        yield 'resize' => [['kind' => 'resize', 'of' => ['p0'], 'about' => [300, 320], 'factor' => 1.5], ['factor']];
    }

    /**
     * @param  array<string, mixed>  $step
     * @param  list<string>  $fields
     */
    #[DataProvider('steps')]
    public function test_each_is_where_its_number_puts_it(array $step, array $fields): void
    {
        $pulls = self::pulls($step);
        self::assertSame($fields, array_map(static fn (Pull $pull): string => $pull->field, $pulls));
        foreach ($pulls as $pull) {
            // A way that is not bent has no bulge in the plan.
            $said = self::get($step[$pull->field] ?? null, $pull->path) ?? 0;
            self::assertEqualsWithDelta($said, self::number($pull, $pull->at), 1e-6, $pull->field);
        }
    }

    /**
     * @param  array<string, mixed>  $step
     * @param  list<string>  $fields
     */
    #[DataProvider('steps')]
    public function test_dragged_elsewhere_it_is_found_there(array $step, array $fields): void
    {
        self::assertCount(count($fields), self::pulls($step));
        foreach (array_keys($fields) as $number) {
            $pull = self::pulls($step)[$number];
            $to = $pull->at->plus(new Vec(9.0, 7.0));
            $changed = $step;
            $changed[$pull->field] = self::put($step[$pull->field] ?? null, $pull->path, self::number($pull, $to));
            $again = self::pulls($changed)[$number];
            self::assertEqualsWithDelta(self::number($pull, $to), self::number($again, $again->at), 1e-6, $pull->field);
            if (in_array($pull->sort, ['vector', 'place'], true)) {
                self::assertLessThan(1e-6, $again->at->distanceTo($to), $pull->field);
            }
        }
    }

    /**
     * @param  array<string, mixed>  $step
     * @return list<Pull>
     */
    private static function pulls(array $step): array
    {
        return self::scene($step)->known['x1']->pulls();
    }

    /** @param  array<string, mixed>  $step */
    private static function scene(array $step): Scene
    {
        $scene = Sample::scene(Sample::plan([
            ['id' => 'p0', 'kind' => 'part.rectangle', 'corners' => [[200, 200], [460, 440]]],
            ['id' => 'c0', 'kind' => 'guide.line', 'through' => [[100, 500], [500, 560]]],
            ['id' => 'x1', ...$step],
        ]));
        self::assertSame([], array_filter($scene->findings, static fn ($finding): bool => $finding->isError()));

        return $scene;
    }

    /** The number for a place, as Pull says it follows. */
    private static function number(Pull $pull, Vec $at): mixed
    {
        $way = $at->minus($pull->from);
        $unit = $pull->to->minus($pull->from);
        $turned = static fn (float $degrees): Vec => new Vec(cos(deg2rad($degrees)), sin(deg2rad($degrees)));
        $middle = $pull->from->towards($pull->to, 0.5);

        return match ($pull->sort) {
            'distance' => $way->length(),
            'along' => $way->dot($unit) / $unit->dot($unit),
            'angle' => fmod(rad2deg(atan2($way->y, $way->x)) - $pull->zero + 720.0 + 180.0, 360.0) - 180.0,
            'vector' => [$way->dot($turned($pull->zero)), $way->dot($turned($pull->zero + 90))],
            'bulge' => $at->minus($middle)->dot(new Vec($unit->y, -$unit->x)) / $unit->dot($unit) * 2,
            'place' => [$at->x, $at->y],
            'side' => self::fail('The sides of crops are pulled in the tests of pictures.'),
        };
    }

    /** @param  list<int|string>  $path */
    private static function get(mixed $value, array $path): mixed
    {
        foreach ($path as $key) {
            $value = is_array($value) ? $value[$key] ?? null : null;
        }

        return $value;
    }

    /** @param  list<int|string>  $path */
    private static function put(mixed $value, array $path, mixed $new): mixed
    {
        if ($path === []) {
            return $new;
        }
        $value = is_array($value) ? $value : [];
        for ($k = count($value); is_int($path[0]) && $k < $path[0]; $k++) {
            $value[$k] = null;
        }
        $value[$path[0]] = self::put($value[$path[0]] ?? null, array_slice($path, 1), $new);

        return $value;
    }
}
