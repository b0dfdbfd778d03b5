<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Plan;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Address;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Naming;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Tests\Sample;

/** Every form in which a plan writes a place: where it lies, what it is called, which steps it names. */
final class PlacesTest extends TestCase
{
    private const STEPS = [
        ['id' => 'g1', 'kind' => 'grid.rectangular', 'origin' => [100, 100], 'columns' => 4, 'rows' => 4, 'cell' => [100, 100]],
        [
            'id' => 'g2',
            'kind' => 'grid.twoaxis',
            'origin' => [300, 100],
            'angles' => [45, 135],
            'spacing' => [100, 100],
            'columns' => 4,
            'rows' => 4,
        ],
        ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [300, 300], 'radius' => 150],
        ['id' => 'c2', 'kind' => 'guide.line', 'through' => [[100, 300], [500, 300]]],
        ['id' => 'c3', 'kind' => 'guide.run', 'points' => [[0, 0], [100, 0], [100, 300]]],
        ['id' => 'p1', 'kind' => 'part.rectangle', 'name' => 'frame', 'corners' => [[20, 30], [140, 80]]],
        ['id' => 'p2', 'kind' => 'part.circle', 'center' => [300, 300], 'radius' => 50],
        ['id' => 'r1', 'kind' => 'repeat.along', 'of' => ['p1', 'p2'], 'by' => [200, 0], 'count' => 3],
        ['id' => 'o1', 'kind' => 'overlay', 'of' => ['g1', 'g2']],
        ['id' => 'p3', 'kind' => 'part.rectangle', 'corners' => [[120, 0], [200, 200]]],
        ['id' => 'k1', 'kind' => 'cut', 'from' => 'p1', 'with' => ['p3'], 'keep' => true],
    ];

    /** @return iterable<string, array{mixed, float, float, string, list<string>}> */
    public static function places(): iterable
    {
        yield 'the second place of a part' => ['p1@2', 140, 30, 'point 2 of frame', ['p1']];
        yield 'the corner nearest to a place' => ['p1@90,100', 140, 80, 'the corner of frame near 90, 100', ['p1']];
        yield 'where the outlines of two parts meet' => ['k1@0,0;p1,p3', 120, 30, 'the corner of cut 1 near 0, 0', ['k1', 'p1', 'p3']];
        yield 'in the coordinates of a grid, which go on' => [
            'p1@g1:-0.9,-0.8',
            20,
            30,
            'the corner of frame near -0.9, -0.8 of grid 1',
            ['p1', 'g1'],
        ];
        yield 'the point of an overlay nearest to a place' => ['o1@295,110', 300, 100, 'the corner of overlay 1 near 295, 110', ['o1']];
        yield 'the point of an overlay in a grid' => [
            'o1@g1:1.95,0.1',
            300,
            100,
            'the corner of overlay 1 near 1.95, 0.1 of grid 1',
            ['o1', 'g1'],
        ];
        yield 'the crossing nearest to a place' => [
            'c1*c2@g1:0,2',
            150,
            300,
            'the crossing of circle 1 and line 1 near 0, 2 of grid 1',
            ['c1', 'c2', 'g1'],
        ];
        yield 'a numbered crossing' => ['c1*c2/1', 450, 300, 'crossing 1 of circle 1 and line 1', ['c1', 'c2']];
        yield 'a crossing with an outline, along the outline' => ['p2*c2/1', 350, 300, 'crossing 1 of disc 1 and line 1', ['p2', 'c2']];
        yield 'a crossing of two copies' => [
            'r1[2].2*c2/1',
            450,
            300,
            'crossing 1 of part 2 of copy 2 of repeat 1 and line 1',
            ['r1', 'c2'],
        ];
        yield 'a place of a copy' => ['r1[3]@2', 540, 30, 'point 2 of copy 3 of repeat 1', ['r1']];
        yield 'a place of the first part of a copy' => ['r1[3].1@4', 420, 80, 'point 4 of part 1 of copy 3 of repeat 1', ['r1']];
        yield 'the centre of a part of a copy' => ['r1[2].2!', 500, 300, 'the centre of part 2 of copy 2 of repeat 1', ['r1']];
        yield 'a share of the way along a run' => ['c3@0.5', 100, 100, 'the place at 0.5 of run 1', ['c3']];
        yield 'moved from another' => [['of' => 'p1@1', 'by' => [30, 'p1.high']], 50, 80, '30, frame.high from point 1 of frame', ['p1']];
        yield 'at an angle and distance' => [['of' => [0, 0], 'angle' => 90, 'distance' => 50], 0, 50, '50 at 90° from 0, 0', []];
        yield 'on the way between two' => [
            ['between' => ['c1!', [500, 0]], 'share' => 0.25],
            350,
            225,
            '0.25 of the way from the centre of circle 1 to 500, 0',
            ['c1'],
        ];
        yield 'in line with one, level with another' => [
            ['column' => 'p2!', 'row' => 'g1@0,1'],
            300,
            200,
            'in line with the centre of disc 1, level with column 0, row 1 of grid 1',
            ['p2', 'g1'],
        ];
    }

    /** @param  list<string>  $steps */
    #[DataProvider('places')]
    public function test_a_place_lies_where_it_says(mixed $raw, float $x, float $y, string $words, array $steps): void
    {
        $scene = Sample::scene(Sample::plan(self::STEPS));
        $field = new PlaceField('at', 'the place');
        $field->check($raw, '/at');
        $place = $field->resolve($raw, Sample::scope($scene));
        self::assertEqualsWithDelta([$x, $y], [$place->x, $place->y], 1e-9);
        self::assertSame($words, (new Naming($scene->plan, $scene->labels))->place($raw));
        self::assertSame($steps, array_values(array_unique($field->references($raw))));
    }

    /** @param  list<string>  $steps */
    #[DataProvider('places')]
    public function test_it_is_renamed_where_it_names_steps_and_nowhere_else(
        mixed $raw,
        float $x,
        float $y,
        string $words,
        array $steps,
    ): void {
        $field = new PlaceField('at', 'the place');
        $new = array_combine($steps, array_map(static fn (string $step): string => "x$step", $steps));
        $renamed = $field->renamed($raw, $new);
        $field->check($renamed, '/at');
        self::assertSame(array_values($new), array_values(array_unique($field->references($renamed))));
        self::assertSame($raw, $field->renamed($renamed, array_flip($new)));
    }

    public function test_what_is_lost_is_said_with_its_words(): void
    {
        $scope = Sample::scope(Sample::scene(Sample::plan(self::STEPS)));
        foreach ([
            'r1[4]@2' => 'copy 4 does not exist: repeat 1 has 3',
            'p2@1' => 'it was said without places',
            'c1*p1/1' => 'they do not meet',
            'c3@1.5' => 'is lost',
            'g1@9,9' => 'column 9 does not exist',
        ] as $raw => $words) {
            try {
                (new PlaceField('at', 'the place'))->resolve($raw, $scope);
                self::fail("$raw was found");
            } catch (FieldFault $fault) {
                self::assertStringContainsString($words, $fault->getMessage());
                self::assertSame('at', $fault->field);
            }
        }
    }

    public function test_what_is_no_place_is_refused_by_its_form(): void
    {
        foreach (
            [
                ['of' => [0, 0]],
                ['of' => [0, 0], 'by' => [1, 1], 'angle' => 3],
                ['between' => [[0, 0]], 'share' => 1],
                'o1~g1:1,2',
                'g1#2,3',
                'r1[3',
                'p1@@2',
                7,
                [1, 2, 3],
            ] as $raw
        ) {
            try {
                (new PlaceField('at', 'the place'))->check($raw, '/at');
                self::fail(json_encode($raw, JSON_THROW_ON_ERROR).' was let through');
            } catch (Unusable $fault) {
                self::assertStringStartsWith('/at', $fault->pointer);
            }
        }
    }

    public function test_an_address_of_cells_names_its_grids_guides_and_copies(): void
    {
        $address = 'o1~g1:2.5,3.5;g2:1.2,7.7;c1,-c2,-r1[3].2';
        self::assertTrue(Address::isOfCells($address));
        self::assertSame(['o1', 'g1', 'g2', 'c1', 'c2', 'r1'], Address::idsIn($address));
        self::assertSame(
            'o9~g8:2.5,3.5;g2:1.2,7.7;c1,-c7,-r6[3].2',
            Address::renamed($address, ['o1' => 'o9', 'g1' => 'g8', 'c2' => 'c7', 'r1' => 'r6']),
        );
    }

    /** Two shapes by lot on a grid, cut from one another; every corner where they cross is held, and all their numbers are changed. */
    public function test_a_corner_is_found_again_where_the_same_two_outlines_meet(): void
    {
        $asked = 0;
        for ($seed = 1; $seed <= 200; $seed++) {
            $before = Sample::scene(Sample::plan(self::twoShapes($seed, 0.0)));
            $snapper = $before->snapper();
            $held = [];
            foreach (($before->parts()['k1'] ?? null)?->corners() ?? [] as $corner) {
                $raw = $snapper->near($corner, 1e-6, ['corner'])[0]->raw ?? '';
                if (is_string($raw) && preg_match('/^k1@g1:.*;p1,p2$/', $raw) === 1) {
                    $held[] = $raw;
                }
            }
            for ($change = 1; $change <= 50; $change += 16) {
                $after = Sample::scene(Sample::plan(self::twoShapes($seed, $change * 0.006)));
                $part = $after->parts()['k1'] ?? null;
                $meet = static fn (Vec $place): bool => self::liesOn($after->parts()['p1'], $place) &&
                    self::liesOn($after->parts()['p2'], $place);
                if ($part === null || array_filter($part->corners(), $meet) === []) {
                    continue;
                }
                foreach ($held as $raw) {
                    $asked++;
                    $place = (new PlaceField('at', 'the corner'))->resolve($raw, Sample::scope($after));
                    self::assertTrue($meet($place), "seed $seed, change $change: $raw");
                }
            }
        }
        self::assertGreaterThan(1000, $asked);
    }

    private static function liesOn(Part $part, Vec $place): bool
    {
        foreach ($part->allCurves() as $curve) {
            if ($curve->pointAt($curve->nearest($place))->distanceTo($place) < 1e-7) {
                return true;
            }
        }

        return false;
    }

    /** @return list<array<string, mixed>> */
    private static function twoShapes(int $seed, float $change): array
    {
        mt_srand($seed);
        $at = static fn (): array => [mt_rand(250, 550), mt_rand(250, 550)];
        $size = static fn (): float => mt_rand(80, 220) * (1 + $change * mt_rand(-10, 10) / 10);
        $shape = static fn (string $id): array => match (mt_rand(0, 2)) {
            0 => ['id' => $id, 'kind' => 'part.circle', 'center' => $at(), 'radius' => $size()],
            1 => [
                'id' => $id,
                'kind' => 'part.polygon',
                'center' => $at(),
                'radius' => $size(),
                'corners' => mt_rand(3, 7),
                'turn' => 100 * $change,
            ],
            default => ['id' => $id, 'kind' => 'part.ellipse', 'center' => $at(), 'radii' => [$size(), $size()], 'angle' => 60 * $change],
        };

        return [
            [
                'id' => 'g1',
                'kind' => 'grid.rectangular',
                'origin' => [100, 100],
                'columns' => 6,
                'rows' => 6,
                'size' => [600 * (1 + $change), 600],
            ],
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => 'g1@3,3', 'radius' => 20],
            [...$shape('p1'), 'center' => ['of' => 'g1@3,3', 'by' => [mt_rand(-90, 90), mt_rand(-90, 90)]]],
            $shape('p2'),
            ['id' => 'k1', 'kind' => 'cut', 'from' => 'p1', 'with' => ['p2']],
        ];
    }
}
