<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Plan;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Command\FolderPictures;
use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Result\ShortMemory;
use Sternbild\Core\Tests\Sample;

/**
 * Every kind counts what it computes. A sample of each, in sizes that grow: what is spent grows with what is made of it. A kind without a
 * sample, or one that makes much and counts nothing, fails here.
 */
final class CountingTest extends TestCase
{
    /** Bytes of a result that may be made for a unit. */
    private const BYTES_A_UNIT = 100;

    /** What is made without being counted: a circle, say. */
    private const FREE_BYTES = 4000;

    /** @return array<string, callable(int): list<array<string, mixed>>> the steps of a sample of each size, the last one of the kind */
    private static function samples(): array
    {
        $discs = static fn (int $n): array => [
            ['id' => 'd1', 'kind' => 'part.circle', 'center' => [200, 400], 'radius' => 9],
            ['id' => 'd2', 'kind' => 'repeat.along', 'of' => ['d1'], 'by' => [11, 1], 'count' => $n],
        ];
        $wave = static fn (int $n): array => array_map(
            static fn (int $k): array => [10 + (700 * $k) / $n, 400 + ($k % 2 === 0 ? 90 : -90)],
            range(0, $n),
        );
        $star = static fn (int $n): array => array_map(
            static fn (int $k): array => [
                400 + (200 + 90 * ($k % 2)) * cos((2 * M_PI * $k) / (2 * $n)),
                400 + (200 + 90 * ($k % 2)) * sin((2 * M_PI * $k) / (2 * $n)),
            ],
            range(0, 2 * $n - 1),
        );
        $of = static fn (array $step): callable => static fn (int $n): array => [...$discs($n), ['id' => 'x', 'of' => ['d2'], ...$step]];
        $one = static fn (array $step): callable => static fn (int $n): array => [['id' => 'x', ...$step]];
        $two = static fn (array $step): callable => static fn (int $n): array => [
            ...$discs($n),
            ['id' => 'e1', 'kind' => 'part.rectangle', 'corners' => [[190, 398], [800, 500]]],
            ['id' => 'x', ...$step],
        ];

        return [
            'grid.polar' => static fn (int $n): array => [
                ['id' => 'x', 'kind' => 'grid.polar', 'center' => [400, 400], 'radius' => 300, 'rings' => $n, 'sectors' => $n],
            ],
            'grid.rectangular' => static fn (int $n): array => [
                ['id' => 'x', 'kind' => 'grid.rectangular', 'origin' => [0, 0], 'columns' => $n, 'rows' => $n, 'cell' => [3, 3]],
            ],
            'grid.twoaxis' => static fn (int $n): array => [
                [
                    'id' => 'x',
                    'kind' => 'grid.twoaxis',
                    'origin' => [0, 0],
                    'angles' => [45, 135],
                    'spacing' => [3, 3],
                    'columns' => $n,
                    'rows' => $n,
                ],
            ],
            'grid.triangular' => static fn (int $n): array => [
                ['id' => 'x', 'kind' => 'grid.triangular', 'origin' => [0, 0], 'side' => 3, 'columns' => $n, 'rows' => $n],
            ],
            'grid.golden' => static fn (int $n): array => [
                [
                    'id' => 'x',
                    'kind' => 'grid.golden',
                    'origin' => [0, 0],
                    'size' => [800, 800],
                    'form' => 'sections',
                    'depth' => min(5, 1 + intdiv($n, 20)),
                ],
            ],
            'grid.pixel' => static fn (int $n): array => [
                ['id' => 'x', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => $n, 'rows' => $n, 'cell' => 3],
            ],
            'guide.line' => $one(['kind' => 'guide.line', 'through' => [[0, 0], [9, 9]]]),
            'guide.circle' => static fn (int $n): array => [['id' => 'x', 'kind' => 'guide.circle', 'fit' => $star($n)]],
            'guide.arc' => $one(['kind' => 'guide.arc', 'through' => [[0, 0], [9, 9], [20, 9]]]),
            'guide.run' => static fn (int $n): array => [['id' => 'x', 'kind' => 'guide.run', 'points' => $wave($n)]],
            'guide.spiral' => static fn (int $n): array => [
                ['id' => 'g1', 'kind' => 'grid.golden', 'origin' => [0, 0], 'size' => [809, 500], 'form' => 'squares', 'depth' => 8],
                ['id' => 'x', 'kind' => 'guide.spiral', 'on' => 'g1'],
            ],
            'guide.letters' => $one(['kind' => 'guide.letters', 'baseline' => [0, 600], 'x' => 200, 'cap' => 300, 'overshoot' => 5]),
            'guide.clear' => $of(['kind' => 'guide.clear', 'distance' => 20]),
            'part.cells' => static fn (int $n): array => [
                ['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => $n, 'rows' => 2, 'cell' => 3],
                [
                    'id' => 'x',
                    'kind' => 'part.cells',
                    'cells' => array_map(static fn (int $k): string => 'g1#'.(1 + $k).','.(1 + ($k % 2)), range(0, $n - 1)),
                ],
            ],
            'part.inscribed' => static fn (int $n): array => [
                ['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => $n, 'rows' => 2, 'cell' => 3],
                [
                    'id' => 'x',
                    'kind' => 'part.inscribed',
                    'cells' => array_map(static fn (int $k): string => 'g1#'.(1 + $k).',1', range(0, $n - 1)),
                ],
            ],
            'part.svg' => static fn (int $n): array => [
                [
                    'id' => 'x',
                    'kind' => 'part.svg',
                    'path' => 'M'.
                        implode(
                            'L',
                            array_map(
                                static fn (int $k): string => round(100 * cos((2 * M_PI * $k) / $n), 6).
                                    ' '.
                                    round(100 * sin((2 * M_PI * $k) / $n), 6),
                                range(0, $n - 1),
                            ),
                        ).
                        'z',
                    'map' => [1, 0, 0, 1, 200, 200],
                ],
            ],
            'part.outline' => static fn (int $n): array => [['id' => 'x', 'kind' => 'part.outline', 'points' => $star($n)]],
            'part.circle' => static fn (int $n): array => [['id' => 'x', 'kind' => 'part.circle', 'fit' => $star($n)]],
            'part.ellipse' => $one(['kind' => 'part.ellipse', 'center' => [400, 400], 'radii' => [90, 60]]),
            'part.rectangle' => $one(['kind' => 'part.rectangle', 'corners' => [[20, 30], [140, 80]]]),
            'part.polygon' => static fn (int $n): array => [
                ['id' => 'x', 'kind' => 'part.polygon', 'center' => [400, 400], 'radius' => 300, 'corners' => $n],
            ],
            'part.piece' => static fn (int $n): array => [
                ...$discs($n),
                [
                    'id' => 'x',
                    'kind' => 'part.piece',
                    'of' => 'd2',
                    'at' => array_map(static fn (int $k): array => [200 + 11 * $k, 400 + $k], range(0, $n - 1)),
                ],
            ],
            'style' => $of(['kind' => 'style', 'fill' => 'ink']),
            'order' => $of(['kind' => 'order', 'to' => 'front']),
            'overlay' => static fn (int $n): array => [
                ['id' => 'g1', 'kind' => 'grid.polar', 'center' => [400, 400], 'radius' => 300, 'rings' => $n, 'sectors' => 3],
                ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [450, 400], 'radius' => 290],
                ['id' => 'x', 'kind' => 'overlay', 'of' => ['g1', 'c1']],
            ],
            'repeat.around' => static fn (int $n): array => [
                $discs(1)[0],
                ['id' => 'x', 'kind' => 'repeat.around', 'of' => ['d1'], 'center' => [400, 400], 'count' => $n],
            ],
            'repeat.along' => static fn (int $n): array => [
                $discs(1)[0],
                ['id' => 'x', 'kind' => 'repeat.along', 'of' => ['d1'], 'by' => [11, 1], 'count' => $n],
            ],
            'join' => $of(['kind' => 'join']),
            'cut' => $two(['kind' => 'cut', 'from' => 'e1', 'with' => ['d2']]),
            'common' => $two(['kind' => 'common', 'of' => ['d2', 'e1']]),
            'either' => $two(['kind' => 'either', 'of' => ['d2', 'e1']]),
            'split' => $two(['kind' => 'split', 'of' => ['d2'], 'by' => ['e1']]),
            'weave' => static fn (int $n): array => [
                ['id' => 'c1', 'kind' => 'guide.run', 'points' => [[0, 400], [800, 400]]],
                ['id' => 'c2', 'kind' => 'guide.run', 'points' => $wave($n)],
                ['id' => 'x', 'kind' => 'weave', 'of' => ['c1', 'c2'], 'width' => 1],
            ],
            'pattern' => static fn (int $n): array => [
                $discs(1)[0],
                ['id' => 'x', 'kind' => 'pattern', 'of' => ['d1'], 'group' => 'p2', 'a' => [11, 0], 'b' => [0, 11], 'across' => $n],
            ],
            'paint' => static fn (int $n): array => [
                ['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => $n, 'rows' => 2, 'cell' => 1],
                ['id' => 'x', 'kind' => 'paint', 'on' => 'g1', 'cells' => ['ink' => '1,1+'.($n - 1)]],
            ],
            'dots' => static fn (int $n): array => [
                ['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => $n, 'rows' => 2, 'cell' => 1],
                ['id' => 'x', 'kind' => 'dots', 'on' => 'g1', 'line' => [1, 1, $n, 2], 'colour' => 'ink'],
            ],
            'block' => static fn (int $n): array => [
                [
                    'id' => 'g1',
                    'kind' => 'grid.twoaxis',
                    'origin' => [400, 0],
                    'angles' => [30, 150],
                    'spacing' => [9, 9],
                    'columns' => $n,
                    'rows' => 1,
                ],
                ['id' => 'x', 'kind' => 'block', 'on' => 'g1', 'cells' => ['g1#*,1'], 'up' => 1, 'colour' => 'ink'],
            ],
            'speckle' => static fn (int $n): array => [
                ['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => $n, 'rows' => 4, 'cell' => 3],
                ['id' => 'p1', 'kind' => 'part.cells', 'cells' => ['g1#*,*']],
                ['id' => 'x', 'kind' => 'speckle', 'of' => 'p1', 'colours' => ['ink'], 'share' => 0.5],
            ],
            'picture' => static fn (int $n): array => [['id' => 'x', 'kind' => 'picture', 'source' => 'harbour.png']],
            'sample' => static fn (int $n): array => [
                ['id' => 'k1', 'kind' => 'picture', 'source' => 'harbour.png', 'width' => 1600],
                ['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => $n, 'rows' => 4, 'cell' => 10],
                ['id' => 'x', 'kind' => 'sample', 'picture' => 'k1', 'on' => 'g1', 'colours' => 4],
            ],
            'frames' => static fn (int $n): array => [
                ['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => $n, 'rows' => 2, 'cell' => 1],
                ['id' => 'x', 'kind' => 'frames', 'on' => 'g1', 'size' => [1, 1], 'count' => min(256, $n)],
            ],
            'dither' => static fn (int $n): array => [
                ['id' => 'g1', 'kind' => 'grid.pixel', 'origin' => [0, 0], 'columns' => $n, 'rows' => 2, 'cell' => 1],
                ['id' => 'x', 'kind' => 'dither', 'on' => 'g1', 'cells' => ['g1#*,1'], 'colours' => ['ink', 'lagoon'], 'level' => 0.5],
            ],
            'frieze' => static fn (int $n): array => [
                $discs(1)[0],
                ['id' => 'x', 'kind' => 'frieze', 'of' => ['d1'], 'group' => 'p11g', 'by' => [11, 0], 'count' => $n],
            ],
            'shade' => static fn (int $n): array => [
                ['id' => 'c1', 'kind' => 'guide.run', 'points' => [[0, 400], [800, 400]]],
                ['id' => 'c2', 'kind' => 'guide.run', 'points' => $wave($n)],
                ['id' => 'w1', 'kind' => 'weave', 'of' => ['c1', 'c2'], 'width' => 1],
                ['id' => 'x', 'kind' => 'shade', 'of' => 'w1'],
            ],
            'inset' => $of(['kind' => 'inset', 'distance' => -1]),
            'between' => static fn (int $n): array => [
                ['id' => 'p1', 'kind' => 'part.circle', 'center' => [100, 500], 'radius' => 10],
                ['id' => 'p2', 'kind' => 'part.circle', 'center' => [500, 500], 'radius' => 50],
                ['id' => 'x', 'kind' => 'between', 'of' => ['p1', 'p2'], 'steps' => $n],
            ],
            'band' => static fn (int $n): array => [
                ['id' => 'c1', 'kind' => 'guide.run', 'points' => $wave($n)],
                ['id' => 'x', 'kind' => 'band', 'of' => ['c1'], 'width' => 1],
            ],
            'round' => static fn (int $n): array => [
                ['id' => 'p1', 'kind' => 'part.outline', 'points' => $star($n)],
                ['id' => 'x', 'kind' => 'round', 'of' => ['p1'], 'radius' => 0.5],
            ],
            'gap' => $two(['kind' => 'gap', 'behind' => ['e1'], 'front' => ['d2'], 'distance' => 1]),
            'motif' => $of(['kind' => 'motif', 'anchor' => [0, 0]]),
            'place' => static fn (int $n): array => [
                $discs(1)[0],
                ['id' => 'f1', 'kind' => 'motif', 'of' => ['d1'], 'anchor' => [200, 400]],
                ['id' => 'x', 'kind' => 'place', 'motif' => 'f1', 'at' => $wave($n)],
            ],
            'measure.distance' => $one(['kind' => 'measure.distance', 'from' => [0, 0], 'to' => [9, 9]]),
            'measure.angle' => $one(['kind' => 'measure.angle', 'at' => [0, 0], 'from' => [9, 0], 'to' => [0, 9]]),
            'measure.width' => static fn (int $n): array => [
                ['id' => 'p1', 'kind' => 'part.polygon', 'center' => [400, 400], 'radius' => 300, 'corners' => $n],
                ['id' => 'x', 'kind' => 'measure.width', 'of' => 'p1', 'at' => [690, 420]],
            ],
            'measure.length' => $of(['kind' => 'measure.length']),
            'move' => $of(['kind' => 'move', 'by' => [5, 5]]),
            'turn' => $of(['kind' => 'turn', 'about' => [400, 400], 'angle' => 20]),
            'mirror' => $of(['kind' => 'mirror', 'axis' => [[0, 0], [1, 1]]]),
            'resize' => $of(['kind' => 'resize', 'about' => [400, 400], 'factor' => 0.5]),
            'onto' => $of(['kind' => 'onto', 'from' => [[100, 100], [300, 100], [100, 300]], 'to' => [[0, 0], [100, 100], [9, 300]]]),
        ];
    }

    public function test_there_is_a_sample_of_every_kind(): void
    {
        self::assertEqualsCanonicalizing(Kinds::all()->names(), array_keys(self::samples()));
    }

    /** @return iterable<string, array{string}> */
    public static function kinds(): iterable
    {
        foreach (array_keys(self::samples()) as $kind) {
            yield $kind => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function test_what_is_made_is_counted(string $kind): void
    {
        [$little, $littleBytes] = self::measured(self::samples()[$kind](10), $kind);
        [$much, $muchBytes] = self::measured(self::samples()[$kind](80), $kind);
        $made = $muchBytes - $littleBytes;
        self::assertGreaterThanOrEqual(
            max(0, $made - self::FREE_BYTES) / self::BYTES_A_UNIT,
            $much - $little,
            "$made bytes more were made.",
        );
    }

    /**
     * @param  list<array<string, mixed>>  $steps
     * @return array{float, int} units spent on the last step alone, bytes of its result
     */
    private static function measured(array $steps, string $kind): array
    {
        $evaluator = new Evaluator(new ShortMemory);
        // What the steps before make is kept, and is not counted again.
        if (count($steps) > 1) {
            self::evaluated($evaluator, array_slice($steps, 0, -1), Budget::ample());
        }
        $budget = Budget::ample();
        $step = $steps[count($steps) - 1];
        self::assertSame($kind, $step['kind']);
        $scene = self::evaluated($evaluator, $steps, $budget);

        return [$budget->spent(), strlen(serialize($scene->known[$step['id']]->result))];
    }

    /** @param  list<array<string, mixed>>  $steps */
    private static function evaluated(Evaluator $evaluator, array $steps, Budget $budget): Scene
    {
        $scene = $evaluator->evaluate(
            (new PlanReader(Kinds::all()->withPictures(new FolderPictures(__DIR__.'/../fixtures'))))->fromArray(Sample::plan($steps)),
            $budget,
        );
        self::assertSame([], array_values(array_filter($scene->findings, static fn (Finding $finding): bool => $finding->isError())));

        return $scene;
    }
}
