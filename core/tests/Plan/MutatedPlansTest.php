<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Plan;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Plan\Edit\PlanEdit;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\ShortMemory;
use Sternbild\Core\Tests\Mutator;
use Sternbild\Core\View\SceneView;

/**
 * Whatever is in a plan, or in a change of one: it is refused by its place, or worked out; nothing breaks, and no worker outgrows its
 * memory.
 */
final class MutatedPlansTest extends TestCase
{
    private const SEED = 20261126;

    private const PLANS = 1300;

    private const CHANGES = 1000;

    private const MEGABYTES = 230;

    public function test_a_mutated_plan_is_refused_or_worked_out(): void
    {
        $mutator = new Mutator(self::SEED, Mutator::seeds());
        $reader = new PlanReader(Kinds::all());
        $refused = 0;
        for ($round = 0; $round < self::PLANS; $round++) {
            $text = json_encode($mutator->plan(), JSON_THROW_ON_ERROR);
            try {
                $this->workOut($reader, PlanReader::decode($text), "round $round");
            } catch (Unusable $fault) {
                self::assertStringStartsWith('/', $fault->pointer === '' ? '/' : $fault->pointer);
                $refused++;
            }
        }
        // Neither all nor none: both ways are tried.
        self::assertGreaterThan(self::PLANS / 10, $refused);
        self::assertLessThan(self::PLANS * 9 / 10, $refused);
    }

    public function test_a_mutated_change_is_refused_or_made(): void
    {
        $mutator = new Mutator(self::SEED, Mutator::seeds());
        $seeds = Mutator::seeds();
        $plan = $seeds[count($seeds) - 1];
        $made = 0;
        for ($round = 0; $round < self::CHANGES; $round++) {
            try {
                $after = PlanEdit::apply($plan, $mutator->operations(), Kinds::all())->plan();
                $this->workOut(new PlanReader(Kinds::all()), $after, "round $round");
                $made++;
            } catch (Unusable) {
                continue;
            }
        }
        self::assertGreaterThan(self::CHANGES / 10, $made);
    }

    /**
     * @param  array<array-key, mixed>  $plan
     *
     * @throws Unusable
     */
    private function workOut(PlanReader $reader, array $plan, string $round): void
    {
        memory_reset_peak_usage();
        $before = memory_get_usage();
        $scene = (new Evaluator(new ShortMemory))->evaluate($reader->fromArray($plan), Budget::small());
        json_encode(SceneView::describe($scene, []), JSON_THROW_ON_ERROR);
        self::assertNotFalse(simplexml_load_string(SvgDrawing::write($scene), options: LIBXML_PARSEHUGE), $round);
        self::assertLessThan(self::MEGABYTES, (memory_get_peak_usage() - $before) / 1e6, $round);
    }
}
