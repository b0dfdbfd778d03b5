<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Format;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Format\ConstructionDrawing;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Tests\Sample;

/** The result with the circles that it is made of, their radii and ratios. */
final class ConstructionDrawingTest extends TestCase
{
    /** @return array<string, mixed> a crescent in a ring */
    private static function crescent(): array
    {
        return Sample::plan([
            Sample::rectangular(),
            ['id' => 'c1', 'kind' => 'guide.circle', 'center' => [400, 400], 'radius' => 300],
            ['id' => 'p1', 'kind' => 'part.circle', 'center' => [400, 400], 'radius' => 200],
            ['id' => 'p2', 'kind' => 'part.circle', 'center' => [500, 400], 'radius' => 100],
            ['id' => 'p3', 'kind' => 'cut', 'from' => 'p1', 'with' => ['p2']],
            ['id' => 'c2', 'kind' => 'guide.arc', 'through' => [[700, 400], [400, 100], [100, 400]]],
        ]);
    }

    public function test_every_arc_is_completed_to_its_circle_once(): void
    {
        $circles = ConstructionDrawing::circles(Sample::scene(self::crescent()));
        $told = array_map(
            static fn (Circle $circle): array => [round($circle->center->x, 6), round($circle->center->y, 6), round($circle->radius, 6)],
            $circles,
        );
        self::assertEqualsCanonicalizing(
            [[400.0, 400.0, 300.0], [400.0, 400.0, 200.0], [500.0, 400.0, 100.0]],
            $told,
            'The arc lies on the circle of the guide, the crescent on both of its circles.',
        );
    }

    public function test_radii_are_told_as_multiples_of_the_smallest(): void
    {
        $circles = ConstructionDrawing::circles(Sample::scene(self::crescent()));
        self::assertSame(['r = 100', '200 = 2 r', '300 = 3 r'], array_column(ConstructionDrawing::radii($circles, 1e-6), 0));
    }

    public function test_ratios_are_said_as_people_say_them(): void
    {
        $phi = (1 + sqrt(5)) / 2;
        self::assertSame(
            ['1', '3', '3/2', '7/8', 'φ', 'φ²', '1.41', '2.24'],
            array_map(ConstructionDrawing::ratio(...), [1.0, 3.0, 1.5, 0.875, $phi, $phi + 1, sqrt(2), sqrt(5)]),
        );
    }

    public function test_it_is_a_document_with_the_result_its_lines_and_the_lettering(): void
    {
        $svg = ConstructionDrawing::write(Sample::scene(self::crescent()));
        $document = new \DOMDocument;
        self::assertTrue($document->loadXML($svg));
        self::assertSame(3, $document->getElementsByTagName('circle')->length);
        $path = new \DOMXPath($document);
        $path->registerNamespace('s', 'http://www.w3.org/2000/svg');
        $count = static function (string $query) use ($path): int {
            $found = $path->query($query);

            return $found === false ? -1 : $found->length;
        };
        self::assertSame(1, $count('//s:path[@id="p3"]'), 'The result itself.');
        self::assertSame(0, $count('//s:text'), 'No font is needed.');
        // Each of the three radii is written twice: its ground, and its strokes.
        self::assertSame(6, $count('//s:g[@id="radii"]/s:g'));
    }

    public function test_on_a_dark_ground_it_is_drawn_light(): void
    {
        $plan = self::crescent();
        $plan['sheet']['background'] = 'ink';
        self::assertStringContainsString('stroke="#fffdf8"', ConstructionDrawing::write(Sample::scene($plan)));
    }

    public function test_what_has_no_circle_has_no_radii(): void
    {
        $scene = Sample::scene(Sample::plan([['id' => 'p1', 'kind' => 'part.rectangle', 'corners' => [[10, 10], [90, 90]]]]));
        self::assertSame([], ConstructionDrawing::radii(ConstructionDrawing::circles($scene), 1e-6));
        self::assertTrue((new \DOMDocument())->loadXML(ConstructionDrawing::write($scene)));
        self::assertSame(
            ['r = 5'],
            array_column(ConstructionDrawing::radii([new Circle(Vec::zero(), 5.0), new Circle(new Vec(9, 9), 5.0)], 1e-6), 0),
            'Equal ones are told once.',
        );
    }
}
