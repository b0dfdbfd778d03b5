<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Plan;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Edit\PlanEdit;
use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Tests\Sample;
use Sternbild\Core\View\SceneNumbers;
use Sternbild\Core\View\SceneView;

final class RandomPlansTest extends TestCase
{
    private const PLANS = 1600;

    /** @var array<string, int> */
    private static array $made = [];

    public function test_random_plans_are_evaluated_or_refused_and_never_anything_else(): void
    {
        $lot = new Randomizer(new Mt19937(1611));
        $evaluated = $refused = $failed = $drawn = $good = $mended = 0;
        for ($round = 0; $round < self::PLANS; $round++) {
            $plan = self::randomPlan($lot);
            try {
                $scene = Sample::scene($plan, budget: Budget::small());
            } catch (Unusable $fault) {
                self::assertStringStartsWith('/', $fault->pointer);
                $refused++;

                continue;
            }
            $evaluated++;
            $failed += count($scene->findings) > 0 ? 1 : 0;
            $drawn += count($scene->drawing) > 0 ? 1 : 0;
            $good += count($scene->known);
            self::assertJson(json_encode(SceneNumbers::list($scene), JSON_THROW_ON_ERROR));
            self::assertJson(json_encode(SceneView::describe($scene, []), JSON_THROW_ON_ERROR));
            self::assertStringNotContainsStringIgnoringCase('nan', $svg = SvgDrawing::writeWithGrids($scene));
            self::assertDoesNotMatchRegularExpression('/[ "MLAHV]-?inf/i', $svg);
            $mended += self::mended($plan, $scene);
        }
        // The mixture is worth something only while every outcome occurs.
        self::assertGreaterThan(500, $evaluated);
        self::assertGreaterThan(200, $refused);
        self::assertGreaterThan(300, $failed);
        self::assertGreaterThan(200, $drawn);
        self::assertGreaterThan(60, $mended);
        // Most steps come to something, so that others are built on them.
        self::assertGreaterThan(2.5, $good / $evaluated);
        self::assertSame([], array_diff(Kinds::all()->names(), array_keys(self::$made)));
    }

    /**
     * Each remedy by itself: it leaves no step with an error that had none, and its finding is gone.
     *
     * @param  array<string, mixed>  $plan
     */
    private static function mended(array $plan, Scene $scene): int
    {
        $errors = static fn (Scene $scene): array => array_map(
            static fn (Finding $one): string => $one->step,
            array_filter($scene->findings, static fn (Finding $one): bool => $one->isError()),
        );
        $mended = 0;
        foreach ($scene->findings as $finding) {
            if ($finding->remedy !== null) {
                $after = Sample::scene(PlanEdit::apply($plan, $finding->remedy->operations, Kinds::all())->plan(), budget: Budget::small());
                self::assertSame([], array_diff($errors($after), $errors($scene)), "$finding->step $finding->code");
                $same = static fn (Finding $one): bool => [$one->step, $one->code, $one->field] === [
                    $finding->step,
                    $finding->code,
                    $finding->field,
                ] && $one->at?->distanceTo($finding->at ?? Vec::zero()) < 1e-6;
                self::assertSame([], array_filter($after->findings, $same), "$finding->step $finding->code");
                $mended++;
            }
        }

        return $mended;
    }

    /**
     * Steps of all kinds in turn, each with what its fields give by lot; so no kind can be left out.
     *
     * @return array<string, mixed>
     */
    private static function randomPlan(Randomizer $lot): array
    {
        $sampling = new Sampling($lot);
        $kinds = Kinds::all()->list();
        $steps = [];
        for ($k = 1, $count = $lot->getInt(3, 12); $k <= $count; $k++) {
            // Something to build on first.
            $kind = $kinds[$lot->getInt(0, count($kinds) - 1)];
            if ($k <= 4) {
                $kind = Kinds::all()->get(['grid.polar', 'guide.circle', 'part.circle', 'part.polygon'][$k - 1]) ?? $kind;
            }
            $steps[] = $step = ['id' => "x$k", 'kind' => $kind->name(), ...self::parameters($kind, $sampling)];
            $sampling->learn("x$k", $kind->makes());
            self::$made[$kind->name()] = (self::$made[$kind->name()] ?? 0) + 1;
            if ($sampling->chance(3)) {
                $steps[$k - 1] = [
                    ...$step,
                    ...$sampling->one([
                        ['muted' => true],
                        ['hidden' => true],
                        ['name' => 'Σ'],
                        ['name' => '<i>'],
                        ['id' => 'x1'],
                        ['kind' => 'part.nothing'],
                        ['radius' => INF],
                        ['of' => ["x$k"]],
                    ]),
                ];
            }
        }

        return Sample::plan($steps, ['bar' => 40]);
    }

    /** @return array<string, mixed> what is required, and some of the rest */
    private static function parameters(Kind $kind, Sampling $sampling): array
    {
        $parameters = [];
        // Where a step can be said in several ways, most often in one that plans say it in.
        $ways = self::ways()[$kind->name()] ?? [];
        $wanted = $ways === [] ? [] : $sampling->one($ways);
        foreach ($kind->fields() as $field) {
            [$outer, $inner] = [...explode('.', $field->name), null];
            if ($field->required || in_array($outer, $wanted, true) ? ! $sampling->chance(2) : $sampling->chance($ways === [] ? 40 : 8)) {
                $value = $field->sample($sampling);
                $parameters[$outer] =
                    $inner === null ? $value : [...is_array($parameters[$outer] ?? null) ? $parameters[$outer] : [], $inner => $value];
            }
        }

        return $parameters;
    }

    /** @return array<string, list<list<string>>> by kind the fields that stored steps of it say */
    private static function ways(): array
    {
        /** @var array<string, list<list<string>>>|null $ways */
        static $ways = null;
        if ($ways === null) {
            $ways = [];
            /** @var list<array{plan: array{steps: list<array<string, mixed>>}}> $stored */
            $stored = json_decode((string) file_get_contents(__DIR__.'/../fixtures/stored-plans.json'), true, 64, JSON_THROW_ON_ERROR);
            foreach ($stored as ['plan' => $plan]) {
                foreach ($plan['steps'] as $step) {
                    $ways[is_string($step['kind']) ? $step['kind'] : ''][] = array_keys(
                        array_diff_key($step, ['id' => true, 'kind' => true, 'name' => true]),
                    );
                }
            }
            self::assertNotSame([], $ways);
            // Mostly plain ones: the more is said, the more can be wrong.
            foreach ($ways as $kind => $those) {
                usort($those, static fn (array $one, array $other): int => count($one) <=> count($other));
                $ways[$kind] = array_slice($those, 0, max(1, intdiv(count($those), 2)));
            }
        }

        return $ways;
    }
}
