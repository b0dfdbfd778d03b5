<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Plan;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Tests\Sample;
use Sternbild\Core\View\SceneNumbers;
use Sternbild\Core\View\SceneView;

final class RandomPlansTest extends TestCase
{
    private const PLANS = 2500;

    public function test_random_plans_are_evaluated_or_refused_and_never_anything_else(): void
    {
        mt_srand(1611);
        $evaluated = $refused = $failed = $drawn = 0;
        for ($round = 0; $round < self::PLANS; $round++) {
            try {
                $scene = Sample::scene(self::randomPlan());
            } catch (Unusable $fault) {
                self::assertStringStartsWith('/', $fault->pointer);
                $refused++;

                continue;
            }
            $evaluated++;
            $failed += count($scene->findings) > 0 ? 1 : 0;
            $drawn += count($scene->drawing) > 0 ? 1 : 0;
            self::assertJson(json_encode(SceneNumbers::list($scene), JSON_THROW_ON_ERROR));
            self::assertJson(json_encode(SceneView::describe($scene, []), JSON_THROW_ON_ERROR));
            self::assertStringNotContainsStringIgnoringCase('nan', $svg = SvgDrawing::writeWithGrids($scene));
            self::assertDoesNotMatchRegularExpression('/[ "MLAHV]-?inf/i', $svg);
        }
        // The mixture is worth something only while every outcome occurs.
        self::assertGreaterThan(500, $evaluated);
        self::assertGreaterThan(200, $refused);
        self::assertGreaterThan(300, $failed);
        self::assertGreaterThan(200, $drawn);
    }

    /** @return array<string, mixed> */
    private static function randomPlan(): array
    {
        $steps = [];
        $count = mt_rand(1, 9);
        for ($k = 1; $k <= $count; $k++) {
            $steps[] = self::randomStep("x$k", $k);
        }

        return Sample::plan($steps, self::chance(20) ? ['bar' => self::number(), 'gap' => 'bar/2'] : []);
    }

    /** @return array<string, mixed> */
    private static function randomStep(string $id, int $number): array
    {
        $earlier = static fn (): string => 'x'.mt_rand(min(1, $number - 1), self::chance(2) ? $number + 1 : $number - 1);
        $maybe = static fn (array $more, int $percent = 30): array => self::chance($percent) ? $more : [];
        $place = static fn (): array|string => match (mt_rand(0, 7)) {
            0 => $earlier().'@'.mt_rand(0, 6).','.mt_rand(0, 12),
            1 => $earlier().'@0',
            2 => $earlier().'#'.mt_rand(1, 6).','.mt_rand(1, 12).'!',
            3 => $earlier().'!',
            default => [self::number(), self::number()],
        };
        $step = match (mt_rand(0, 13)) {
            0, 1, 2 => ['kind' => 'grid.polar', 'center' => $place(), 'radius' => self::number(), 'rings' => self::amount(), 'sectors' => self::amount(),
                ...$maybe(['inner' => self::number()]), ...$maybe(['axis' => 'sector']), ...$maybe(['turn' => self::number()]), ...$maybe(['spacing' => ['golden', 'equal-area'][mt_rand(0, 1)]])],
            3 => ['kind' => 'grid.rectangular', 'origin' => $place(), 'columns' => self::amount(), 'rows' => self::amount(), (self::chance(50) ? 'cell' : 'size') => [self::number(), self::number()],
                ...$maybe(['gutter' => [self::number(), 0]]), ...$maybe(['subdivisions' => self::amount()], 10), ...$maybe(['angle' => self::number()])],
            4, 5, 6 => ['kind' => 'part.cells', 'cells' => array_map(
                static fn (): string => $earlier().'#'.(self::chance(10) ? '*' : mt_rand(0, 6)).','.(self::chance(10) ? '*' : mt_rand(1, 12)),
                range(1, mt_rand(1, 8)),
            )],
            7 => ['kind' => 'repeat.around', 'of' => [$earlier(), $earlier()], 'center' => $place(), 'count' => self::amount(), ...$maybe(['mirror' => true]), ...$maybe(['angle' => self::number()])],
            8 => ['kind' => 'style', 'of' => [$earlier()], ...$maybe(['fill' => ['lagoon', 'none', '#abc123', 'plum'][mt_rand(0, 3)]], 70), ...$maybe(['stroke' => ['color' => 'ink', 'width' => self::number(), 'dash' => [self::number()]]]), ...$maybe(['opacity' => self::number()])],
            9 => ['kind' => 'grid.twoaxis', 'origin' => $place(), 'angles' => [self::number(), self::number()], 'spacing' => [self::number(), self::number()], 'columns' => self::amount(), 'rows' => self::amount()],
            10 => ['kind' => 'grid.triangular', 'origin' => $place(), 'side' => self::number(), 'columns' => self::amount(), 'rows' => self::amount(), ...$maybe(['angle' => 30])],
            11 => ['kind' => 'grid.golden', 'origin' => $place(), 'size' => [self::number(), self::number()], ...$maybe(['depth' => self::amount()]), ...$maybe(['from' => 'near'])],
            12 => ['kind' => 'grid.pixel', 'origin' => $place(), 'columns' => self::amount(), 'rows' => self::amount(), 'cell' => self::amount(), ...$maybe(['block' => self::amount()])],
            default => ['kind' => 'order', 'of' => [$earlier()], ...$maybe(['to' => 'front'], 60), ...$maybe(['above' => $earlier()])],
        };

        return ['id' => $id, ...$step, ...$maybe(['muted' => true], 4), ...$maybe(['hidden' => true], 4), ...$maybe(['name' => ['petal', 'Σ', 'leaf', '<i>'][mt_rand(0, 3)]], 4)];
    }

    private static function number(): mixed
    {
        return match (mt_rand(0, 99)) {
            0 => [0, -1, INF, NAN, 1e300, 1e-300, '', [], true, null, "a\0b"][mt_rand(0, 10)],
            1, 2, 3, 4 => ['bar*2', 'bar', '1/0', '300/phi', '12mm', 'x1.radius', 'x1.sectors*3', 'nope', 'sqrt(2)*100'][mt_rand(0, 8)],
            default => mt_rand(1, 4000) / 10,
        };
    }

    private static function amount(): mixed
    {
        return match (mt_rand(0, 299)) {
            0 => [0, -3, 1e9, 2.5, '10^9', 'x1.sectors', 3000][mt_rand(0, 6)],
            default => mt_rand(1, 12),
        };
    }

    private static function chance(int $percent): bool
    {
        return mt_rand(0, 99) < $percent;
    }
}
