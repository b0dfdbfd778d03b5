<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\View;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sternbild\Core\Command\FolderPictures;
use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Plan\Asking;
use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\Memory;
use Sternbild\Core\Result\ShortMemory;
use Sternbild\Core\Tests\Plan\StoredPlansTest;
use Sternbild\Core\Tests\Sample;
use Sternbild\Core\View\SceneView;

/** What is kept of one state of a sheet is never told of another. */
final class MemoryTest extends TestCase
{
    private const CHANGES = 14;

    public function test_along_chains_of_changes_every_answer_is_the_one_worked_out_from_nothing(): void
    {
        $lot = new Randomizer(new Mt19937(412));
        $answers = $recalled = 0;
        foreach (self::plans() as $name => $plan) {
            $memory = new CountingMemory;
            $done = [];
            for ($change = 0; $change < self::CHANGES; $change++) {
                $next = $change === 0 ? $plan : self::changed($lot, $plan, $done);
                try {
                    $now = self::answer($next, $memory);
                } catch (Unusable) {
                    continue;
                }
                self::assertSame(self::answer($next, new ShortMemory), $now, "$name: ".implode(', ', $done));
                $plan = $next;
                $answers++;
            }
            $recalled += $memory->recalled;
        }
        self::assertGreaterThan(500, $answers);
        self::assertGreaterThan(5 * $answers, $recalled);
    }

    public function test_what_is_kept_is_said_as_it_was_said_first(): void
    {
        foreach (StoredPlansTest::stored() as $name => [$plan]) {
            $memory = new ShortMemory;
            self::assertSame(self::answer($plan, $memory), self::answer($plan, $memory), $name);
        }
    }

    public function test_a_short_memory_begins_anew_before_it_grows_without_end(): void
    {
        $memory = new ShortMemory;
        for ($k = 0; $k <= 50_000; $k++) {
            $memory->keep("key $k", $k, 0.0, 0);
        }
        self::assertNull($memory->recall('key 0'));
        self::assertSame(50_000, $memory->recall('key 50000'));
    }

    /** @return iterable<string, array<string, mixed>> */
    private static function plans(): iterable
    {
        foreach (StoredPlansTest::stored() as $name => [$plan]) {
            yield $name => $plan;
        }
        // Lines and circles that almost meet, by more and by less.
        for ($k = 0; $k < 40; $k++) {
            yield "almost $k" => Sample::plan([
                ['id' => 'c1', 'kind' => 'guide.line', 'through' => [[0, 100], [400, 100]]],
                ['id' => 'c2', 'kind' => 'guide.line', 'through' => [[200, 100 + ($k % 6) / 2], [200, 300]]],
                ['id' => 'c3', 'kind' => 'guide.circle', 'center' => [100, 150], 'radius' => 50 - ($k % 6) / 3],
            ]);
        }
    }

    /** @param  array<string, mixed>  $plan */
    private static function answer(array $plan, Memory $memory): string
    {
        $kinds = Kinds::all()->withPictures(new FolderPictures(__DIR__.'/../fixtures'));
        $scene = (new Evaluator($memory))->evaluate((new PlanReader($kinds))->fromArray($plan), Budget::small());

        $asking = new class implements Asking
        {
            public function askedFor(Kind $kind): array
            {
                return array_column($kind->fields(), 'name');
            }
        };

        return json_encode(SceneView::describe($scene, [], asking: $asking), JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT);
    }

    /**
     * The plan with something else in it: of its numbers, its colours, its order, its sheet.
     *
     * @param  array<string, mixed>  $plan
     * @param  list<string>  $done  what was changed so far, and now this
     * @return array<string, mixed>
     */
    private static function changed(Randomizer $lot, array $plan, array &$done): array
    {
        /** @var list<array<string, mixed>> $steps */
        $steps = $plan['steps'];
        /** @var array<string, mixed> $sheet */
        $sheet = $plan['sheet'];
        $at = $lot->getInt(0, max(0, count($steps) - 1));
        $sorts = ['number', 'number', 'number', 'hidden', 'muted', 'name', 'order', 'without', 'wide', 'unit', 'checks', 'seams', ''];
        $sort = $sorts[$lot->getInt(0, count($sorts) - 1)];
        $done[] = "$sort $at";
        switch ($sort) {
            case 'number':
                $factor = [0.5, 0.9, 1.001, 1.1, 2.0][$lot->getInt(0, 4)];
                array_walk_recursive($steps[$at], static function (mixed &$value) use ($lot, $factor): void {
                    if ((is_int($value) || is_float($value)) && $lot->getInt(0, 2) === 0) {
                        $value = is_int($value) ? (int) ceil($value * $factor) : $value * $factor;
                    }
                });
                break;
            case 'hidden':
            case 'muted':
                $steps[$at][$sort] = ($steps[$at][$sort] ?? false) !== true;
                break;
            case 'name':
                $steps[$at]['name'] = 'called '.$lot->getInt(1, 3);
                break;
            case 'order':
                $other = $lot->getInt(0, max(0, count($steps) - 1));
                [$steps[$at], $steps[$other]] = [$steps[$other], $steps[$at]];
                break;
            case 'without':
                // One stays, to be changed.
                array_splice($steps, $at, count($steps) > 1 ? 1 : 0);
                break;
            case 'wide':
                $sheet['width'] = $lot->getInt(1, 4) * 200;
                break;
            case 'unit':
                $sheet['unit'] = ['px', 'mm'][$lot->getInt(0, 1)];
                break;
            case 'checks':
                $sheet['checks'] = ['miss' => $lot->getInt(0, 3), 'sliver' => $lot->getInt(0, 3)];
                break;
            case 'seams':
                $sheet['seams'] = ['open', 'closed'][$lot->getInt(0, 1)];
                break;
            default:
                $plan['palette'] = array_map(
                    static fn (): string => sprintf('#%06x', $lot->getInt(0, 0xFFFFFF)),
                    is_array($plan['palette'] ?? null) ? $plan['palette'] : [],
                );
        }

        return [...$plan, 'sheet' => $sheet, 'steps' => array_values($steps)];
    }
}
