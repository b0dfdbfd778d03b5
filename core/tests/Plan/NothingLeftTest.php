<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Plan;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Tests\Sample;
use Sternbild\Core\View\SceneNumbers;
use Sternbild\Core\View\SceneView;

/** What was worked out and left nothing is an empty part, and others go on from it; what went wrong is lost for them. */
final class NothingLeftTest extends TestCase
{
    private const SQUARE = ['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => [[100, 100], [300, 300]]];

    private const SMALL = ['id' => 'q1', 'kind' => 'part.rectangle', 'corners' => [[150, 150], [170, 170]]];

    private const EMPTY = ['id' => 'e1', 'kind' => 'inset', 'of' => ['q1'], 'distance' => 30];

    /** @param  array<string, mixed>  ...$steps */
    private static function scene(array ...$steps): Scene
    {
        return Sample::scene(Sample::unchecked(Sample::plan([self::SQUARE, self::SMALL, ...array_values($steps)])));
    }

    /** @return list<array{string, string, string}> */
    private static function said(Scene $scene): array
    {
        return array_map(static fn (Finding $one): array => [$one->step, $one->level, $one->code], $scene->findings);
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function empty(): iterable
    {
        yield 'drawn in by more than there is room for' => [self::EMPTY];
        yield 'nothing in common' => [['id' => 'e1', 'kind' => 'common', 'of' => ['q1', 'd1']]];
        yield 'all of it cut away' => [['id' => 'e1', 'kind' => 'cut', 'from' => 'q1', 'with' => ['p1'], 'keep' => true]];
    }

    /** @param  array<string, mixed>  $step */
    #[DataProvider('empty')]
    public function test_it_is_a_part_of_no_area_with_a_warning(array $step): void
    {
        $scene = self::scene(['id' => 'd1', 'kind' => 'part.circle', 'center' => [600, 600], 'radius' => 50], $step, [
            'id' => 'm1',
            'kind' => 'part.circle',
            'center' => [400, 400],
            'radius' => '5 + e1.area',
        ]);
        self::assertSame([['e1', 'warning', 'empty']], self::said($scene));
        $part = $scene->parts()['e1'];
        self::assertTrue($part->isEmpty());
        self::assertSame([0.0, 0, 0], [$part->area(), $part->pieces(), $part->nodes()]);
        self::assertEqualsWithDelta(M_PI * 25, $scene->parts()['m1']->area(), 1e-9);
        $numbers = SceneNumbers::list($scene);
        self::assertJson(json_encode([$numbers, SceneView::describe($scene, [])], JSON_THROW_ON_ERROR));
        self::assertStringNotContainsString('id="e1"', SvgDrawing::write($scene));
    }

    public function test_others_go_on_without_it(): void
    {
        $is = static fn (array $step): array => [self::said($scene = self::scene(self::EMPTY, $step)), $scene->parts()['x1']->area()];
        $once = [['e1', 'warning', 'empty']];
        self::assertEqualsWithDelta([$once, 40000.0], $is(['id' => 'x1', 'kind' => 'cut', 'from' => 'p1', 'with' => ['e1']]), 1e-9);
        self::assertEqualsWithDelta([$once, 40000.0], $is(['id' => 'x1', 'kind' => 'join', 'of' => ['p1', 'e1']]), 1e-9);
        self::assertEqualsWithDelta([$once, 40000.0], $is(['id' => 'x1', 'kind' => 'either', 'of' => ['p1', 'e1']]), 1e-9);
        self::assertEqualsWithDelta(
            [$once, 40000.0],
            $is(['id' => 'x1', 'kind' => 'gap', 'behind' => ['p1'], 'front' => ['e1'], 'distance' => 5]),
            1e-9,
        );
        self::assertEqualsWithDelta(
            [$once, 80000.0],
            $is(['id' => 'x1', 'kind' => 'repeat.around', 'of' => ['p1', 'e1'], 'center' => [400, 400], 'count' => 2]),
            1e-9,
        );
        // Nothing has nothing in common with anything.
        self::assertEqualsWithDelta(
            [[...$once, ['x1', 'warning', 'empty']], 0.0],
            $is(['id' => 'x1', 'kind' => 'common', 'of' => ['p1', 'e1']]),
            1e-9,
        );
    }

    public function test_what_is_made_of_it_alone_is_empty_as_well(): void
    {
        $scene = self::scene(
            self::EMPTY,
            ['id' => 'x1', 'kind' => 'cut', 'from' => 'e1', 'with' => ['p1']],
            ['id' => 'x2', 'kind' => 'repeat.around', 'of' => ['x1'], 'center' => [400, 400], 'count' => 5],
            ['id' => 'x3', 'kind' => 'band', 'of' => ['x2'], 'width' => 4],
            ['id' => 's1', 'kind' => 'style', 'of' => ['x3'], 'fill' => 'ink'],
            ['id' => 'x4', 'kind' => 'common', 'of' => ['x3']],
        );
        self::assertSame(
            ['e1' => 'empty', 'x1' => 'empty', 'x2' => 'empty', 'x3' => 'empty', 's1' => 'empty', 'x4' => 'empty'],
            array_column($scene->findings, 'code', 'step'),
        );
        self::assertSame([], array_filter($scene->findings, static fn (Finding $one): bool => $one->isError()));
    }

    public function test_its_places_are_lost_and_so_is_what_has_an_error(): void
    {
        $scene = self::scene(self::EMPTY, ['id' => 'd1', 'kind' => 'part.circle', 'center' => 'e1!', 'radius' => 5]);
        self::assertSame([['e1', 'warning', 'empty'], ['d1', 'error', 'lost']], self::said($scene));
        $scene = self::scene(
            ['id' => 'e1', 'kind' => 'round', 'of' => ['q1'], 'radius' => 900],
            ['id' => 'x1', 'kind' => 'cut', 'from' => 'p1', 'with' => ['e1']],
        );
        self::assertSame([['e1', 'error', 'limit'], ['x1', 'error', 'lost']], self::said($scene));
    }
}
