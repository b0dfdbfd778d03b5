<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Format;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Tests\Sample;

final class SvgDrawingTest extends TestCase
{
    public function test_a_document_says_nothing_twice(): void
    {
        $plan = Sample::plan([Sample::rectangular(), Sample::part('p1', ['g1#1,1', 'g1#2,1'])]);
        self::assertSame(
            '<svg xmlns="http://www.w3.org/2000/svg" width="800" height="800" viewBox="0 0 800 800">'."\n"
            .'<path id="p1" d="M100 50H180V80H100Z"/>'."\n</svg>\n",
            SvgDrawing::write(Sample::scene($plan)),
        );
    }

    public function test_the_written_paths_enclose_the_areas_of_the_parts(): void
    {
        mt_srand(8);
        for ($round = 0; $round < 25; $round++) {
            $cells = [];
            foreach (range(1, 6) as $ring) {
                foreach (range(1, 9) as $sector) {
                    if (mt_rand(0, 2) > 0) {
                        $cells[] = "g1#$ring,$sector";
                    }
                }
            }
            $scene = Sample::scene(
                Sample::plan([
                    Sample::polar(['rings' => 6, 'sectors' => 9, 'turn' => $round, 'inner' => ($round % 2) * 20]),
                    Sample::part('p1', $cells),
                ]),
            );
            self::assertEqualsWithDelta($scene->parts()['p1']->area(), PathReader::area(self::firstPath($scene)), 0.5);
        }
    }

    public function test_a_full_circle_is_written_so_that_it_can_be_read(): void
    {
        $scene = Sample::scene(Sample::plan([Sample::polar(), Sample::part('p1', ['g1#*,*'])]));
        self::assertSame(4, substr_count(self::firstPath($scene), 'A'));
        self::assertEqualsWithDelta(M_PI * 300 ** 2, PathReader::area(self::firstPath($scene)), 1.0);
    }

    public function test_physical_units_give_a_physical_size(): void
    {
        $plan = Sample::rosette();
        $plan['sheet'] = ['width' => 210, 'height' => 297, 'unit' => 'mm', 'background' => 'ink'];
        $svg = SvgDrawing::write(Sample::scene($plan));
        self::assertStringContainsString('width="210mm" height="297mm" viewBox="0 0 210 297"', $svg);
        self::assertStringContainsString('<rect width="210" height="297" fill="#1b2140"/>', $svg);
    }

    public function test_looks_are_shared_by_a_group_except_what_would_mean_something_else_there(): void
    {
        $plan = Sample::rosette();
        $plan['steps'][3] += [
            'opacity' => 0.5,
            'blend' => 'multiply',
            'stroke' => ['color' => 'ink', 'width' => 2.5, 'join' => 'round', 'cap' => 'round', 'dash' => [4, 2]],
        ];
        $svg = SvgDrawing::write(Sample::scene($plan));
        self::assertSame(1, substr_count($svg, '<g id="r1" fill="#0f6e84" stroke="#1b2140" stroke-width="2.5" stroke-linejoin="round" stroke-linecap="round" stroke-dasharray="4 2">'));
        self::assertSame(10, substr_count($svg, '<path opacity="0.5" style="mix-blend-mode:multiply" d='));
    }

    public function test_it_is_well_formed_whatever_the_names(): void
    {
        $plan = Sample::rosette();
        $plan['steps'][1]['name'] = 'A & B "x" \' s1';
        $plan['steps'][2]['name'] = 'A & B "x" \' s1';
        $svg = SvgDrawing::writeWithGrids(Sample::scene($plan));
        $document = new \DOMDocument;
        self::assertTrue($document->loadXML($svg));
        $ids = [];
        foreach ((new \DOMXPath($document))->query('//@id') ?: [] as $id) {
            $ids[] = $id->nodeValue;
        }
        self::assertSame($ids, array_unique($ids));
        self::assertCount(2, $ids);
    }

    private static function firstPath(Scene $scene): string
    {
        preg_match('/ d="([^"]+)"/', SvgDrawing::write($scene), $found);

        return $found[1] ?? self::fail('No path is drawn.');
    }

    public function test_grids_are_kept_on_request_only(): void
    {
        $scene = Sample::scene(Sample::rosette());
        self::assertStringNotContainsString('id="g1"', SvgDrawing::write($scene));
        self::assertStringContainsString('<path id="g1" fill="none"', SvgDrawing::writeWithGrids($scene));
    }

    public function test_opacities_and_stroke_widths_have_no_more_digits_than_show(): void
    {
        $plan = Sample::rosette();
        $plan['steps'][3] += ['opacity' => '1/3', 'stroke' => ['color' => 'ink', 'width' => '1e-5+2/3']];
        $svg = SvgDrawing::write(Sample::scene($plan));
        self::assertStringContainsString('<path opacity="0.3333" d=', $svg);
        self::assertStringContainsString('stroke-width="0.6667"', $svg);
        self::assertDoesNotMatchRegularExpression('/ d="[^"]*[eE]/', $svg);
    }
}
