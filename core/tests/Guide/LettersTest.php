<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Guide;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Naming;
use Sternbild\Core\Snap\Candidate;
use Sternbild\Core\Snap\Snapper;
use Sternbild\Core\Tests\Sample;

/** Letter lines with their names, and the clear space around a mark. */
final class LettersTest extends TestCase
{
    private const LINES = ['id' => 'l1', 'kind' => 'guide.letters', 'baseline' => [0, 600], 'x' => 200, 'cap' => 320, 'overshoot' => 6];

    public function test_they_lie_at_their_heights_and_are_called_by_their_names(): void
    {
        $scene = Sample::scene(Sample::plan([self::LINES]));
        $heights = array_map(static fn ($run): float => $run->start()->y, $scene->guides()['l1']->runs);
        self::assertSame([600.0, 400.0, 280.0, 606.0, 394.0, 274.0], $heights);
        $naming = new Naming($scene->plan, $scene->labels);
        self::assertSame('x-height of letter lines 1', $naming->step('l1[2]'));
        self::assertSame('overshoot below of letter lines 1', $naming->step('l1[4]'));
        $near = array_map(
            static fn (Candidate $candidate): string => $candidate->name,
            $scene->snapper()->near(new Vec(300, 281), 5.0, Snapper::MEETABLE),
        );
        self::assertNotSame([], preg_grep('/cap height of letter lines 1/', $near) ?: []);
    }

    public function test_without_overshoot_there_are_three(): void
    {
        self::assertCount(3, Sample::scene(Sample::plan([[...self::LINES, 'overshoot' => 0]]))->guides()['l1']->runs);
    }

    public function test_what_is_built_on_them_follows(): void
    {
        $stem = [
            'id' => 'p1',
            'kind' => 'part.outline',
            'points' => ['l1[1]@0.5', 'l1[3]@0.5', ['column' => [480, 0], 'row' => 'l1[3]@0'], ['column' => [480, 0], 'row' => 'l1[1]@0']],
        ];
        $high = static fn (array $more): float => Sample::scene(Sample::plan([[...self::LINES, ...$more], $stem]))
            ->parts()['p1']->quantities()['high'];
        self::assertEqualsWithDelta(320.0, $high([]), 1e-9);
        self::assertEqualsWithDelta(350.0, $high(['cap' => 350]), 1e-9);
    }

    public function test_a_cap_height_below_the_x_height_is_refused(): void
    {
        $scene = Sample::scene(Sample::plan([[...self::LINES, 'cap' => 200]]));
        self::assertSame('cap', $scene->findings[0]->field);
    }

    public function test_the_clear_space_is_a_measure_of_the_mark_itself(): void
    {
        $scene = static fn (float $radius): array => Sample::scene(Sample::plan([
            ['id' => 'p1', 'kind' => 'part.circle', 'center' => [400, 400], 'radius' => $radius],
            ['id' => 'p2', 'kind' => 'part.rectangle', 'corners' => [[380, 500], [420, 560]]],
            ['id' => 'c1', 'kind' => 'guide.clear', 'of' => ['p1', 'p2'], 'distance' => 'p1.high/4'],
        ]))->guides()['c1']->bounds()->toArray();
        self::assertEqualsWithDelta([250, 250, 550, 610], $scene(100.0), 1e-9);
        self::assertEqualsWithDelta([280, 280, 520, 600], $scene(80.0), 1e-9);
    }
}
