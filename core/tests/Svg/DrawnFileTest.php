<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Svg;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Svg\ColourText;
use Sternbild\Core\Svg\Document;
use Sternbild\Core\Svg\DrawingPlan;
use Sternbild\Core\Svg\DrawnFile;
use Sternbild\Core\Svg\NoDrawing;
use Sternbild\Core\Svg\TransformText;
use Sternbild\Core\Tests\Sample;
use Sternbild\Core\View\SceneNumbers;

/** SVG files as plans: Scalable Vector Graphics 2, W3C. */
final class DrawnFileTest extends TestCase
{
    /** @return array{Scene, list<string>} and what was left out */
    private static function read(string $inside, string $root = 'width="400" height="300"'): array
    {
        $drawing = DrawnFile::read(
            "<svg xmlns=\"http://www.w3.org/2000/svg\" xmlns:xlink=\"http://www.w3.org/1999/xlink\" $root>\n$inside\n</svg>",
        );
        $plan = DrawingPlan::written($drawing);

        return [Sample::scene(Sample::unchecked($plan)), $drawing->left];
    }

    /** @return list<array{string, float}> fill and area of what is drawn, from back to front */
    private static function drawn(Scene $scene): array
    {
        return array_map(static fn (array $one): array => [$one['fill'], round($one['area'], 4)], SceneNumbers::list($scene)['drawing']);
    }

    public function test_basic_shapes_come_in_as_the_steps_that_draw_them(): void
    {
        [$scene, $left] = self::read(<<<'SVG'
            <rect x="10" y="20" width="80" height="40" fill="#0f6e84"/>
            <circle cx="200" cy="100" r="30" fill="tomato"/>
            <ellipse cx="300" cy="100" rx="40" ry="20" fill="rgb(10%, 20%, 30%)"/>
            <polygon points="0,0 100,0 100,50"/>
            <rect x="10" y="200" width="80" height="40" rx="10"/>
            SVG);
        self::assertSame([], $left);
        self::assertSame(
            ['part.rectangle', 'part.circle', 'part.ellipse', 'part.svg', 'part.svg', 'style', 'style', 'style', 'style'],
            array_values(array_map(static fn ($step): string => $step->kind->name(), $scene->plan->steps)),
        );
        self::assertEqualsWithDelta(
            [
                ['#0f6e84', 3200.0],
                ['#ff6347', M_PI * 900],
                ['#1a334d', M_PI * 800],
                ['#000000', 2500.0],
                ['#000000', 3200 - (4 - M_PI) * 100],
            ],
            self::drawn($scene),
            0.02,
        );
    }

    public function test_transforms_nest_from_the_outermost_in(): void
    {
        // Appendix by hand: scaled by 2, moved, turned by a quarter about 0 0, in this order from the right.
        [$scene] = self::read('<g transform="translate(100 50)"><g transform="rotate(90) scale(2)"><rect width="10" height="20"/></g></g>');
        $box = $scene->parts()['p1']->bounds();
        self::assertEqualsWithDelta([60.0, 50.0, 100.0, 70.0], $box->toArray(), 1e-6);
        self::assertNull(TransformText::read('rotate(90'));
        self::assertNull(TransformText::read('turn(90)'));
        $skewed = TransformText::read('skewX(45), matrix(1 0 0 1 5 5)');
        self::assertNotNull($skewed);
        self::assertEqualsWithDelta([1.0, 0.0, 1.0, 1.0, 10.0, 5.0], $skewed->toArray(), 1e-9);
    }

    public function test_units_and_the_view_box_say_how_large_the_sheet_is(): void
    {
        [$scene] = self::read('<rect width="120" height="90"/>', 'width="120mm" height="90mm" viewBox="0 0 240 180"');
        self::assertSame([120.0, 90.0, 'mm'], [(float) $scene->plan->width, (float) $scene->plan->height, $scene->plan->unit->value]);
        self::assertEqualsWithDelta(60 * 45, self::drawn($scene)[0][1], 1e-6);
        // Without one user units are pixels, 96 to an inch.
        [$scene] = self::read('<rect width="1in" height="96"/>', 'width="50.8mm" height="50.8mm"');
        self::assertEqualsWithDelta(25.4 ** 2, self::drawn($scene)[0][1], 1e-3);
        [$scene] = self::read('<rect width="100%" height="50%"/>', 'viewBox="0 0 200 100" width="400" height="400"');
        self::assertEqualsWithDelta([0.0, 100.0, 400.0, 200.0], $scene->parts()['p1']->bounds()->toArray(), 1e-6);
    }

    public function test_uses_and_symbols_are_placed_as_often_as_they_are_named(): void
    {
        [$scene, $left] = self::read(<<<'SVG'
            <defs><symbol id="dot" viewBox="0 0 10 10"><circle cx="5" cy="5" r="5"/></symbol><rect id="bar" width="10" height="4"/></defs>
            <use href="#dot" x="100" y="100" width="40" height="40" fill="#0f6e84"/>
            <use xlink:href="#bar" x="7" transform="scale(3)"/>
            <use href="#nobody"/><use href="other.svg#dot"/>
            <g id="self"><use href="#self"/></g>
            SVG);
        self::assertEqualsWithDelta([['#0f6e84', M_PI * 400], ['#000000', 360.0]], self::drawn($scene), 1e-3);
        self::assertEqualsWithDelta([21.0, 0.0, 51.0, 12.0], $scene->parts()['p2']->bounds()->toArray(), 1e-6);
        self::assertSame(
            [
                'use, line 5: what it uses, “#nobody”, is not in the file',
                'use, line 5: what it uses, “other.svg#dot”, is outside the file, and nothing is fetched',
                'use, line 6: it uses itself',
            ],
            $left,
        );
    }

    public function test_looks_are_said_by_attributes_sheets_and_at_the_element_in_this_order(): void
    {
        [$scene, $left] = self::read(<<<'SVG'
            <style>/* a note */ rect { fill: #0a0a0a } svg > rect { fill: #111111 } .b { fill: #222222 } #c { fill: #333333 }
            rect.b { opacity: .5 } rect ~ rect { fill: red } @media print { rect { fill: red } }
            g path { fill-opacity: .5 !important } path { fill-opacity: 1 }</style>
            <rect width="1" height="1" fill="#999999"/>
            <rect class="a b" width="2" height="1"/>
            <rect id="c" class="b" width="3" height="1"/>
            <rect id="c2" class="b" width="4" height="1" style="fill: currentColor !important; opacity: 1" color="#444444"/>
            <g fill="#555555"><path d="M0 0h5v1h-5z"/></g>
            <rect width="6" height="1" display="none"/>
            SVG
            ,
        );
        self::assertEqualsWithDelta(
            [['#111111', 1.0], ['#222222', 2.0], ['#333333', 3.0], ['#444444', 4.0], ['#555555', 5.0]],
            self::drawn($scene),
            1e-6,
        );
        self::assertSame([1.0, 0.5, 0.5, 1.0, 0.5], array_map(static fn ($one): ?float => $one->styles[0]?->opacity, $scene->drawing));
        self::assertSame(
            ['style sheet: “rect ~ rect” was not read', 'style sheet: “@media print” was not read'],
            $left,
        );
    }

    /** CSS 2.2, 6.4.2: what is important in a sheet goes before what stands at the element, unless that is important as well. */
    public function test_what_is_important_goes_before_what_stands_at_the_element(): void
    {
        [$scene] = self::read(<<<'SVG'
            <style>rect { fill: #111111 !important } g > rect.b { fill: #222222 } g g rect { fill: #333333 !important }</style>
            <rect width="1" height="1" style="fill: #999999"/>
            <rect width="2" height="1" style="fill: #999999 !important"/>
            <g><a><rect class="b" width="3" height="1"/></a><rect class="b" width="4" height="1"/>
            <g><a><rect width="5" height="1"/></a></g></g>
            SVG
            ,
        );
        self::assertEqualsWithDelta(
            [['#111111', 1.0], ['#999999', 2.0], ['#111111', 3.0], ['#111111', 4.0], ['#333333', 5.0]],
            self::drawn($scene),
            1e-6,
        );
    }

    public function test_more_rules_for_more_elements_than_there_is_time_for_are_refused(): void
    {
        $rules = implode('', array_map(static fn (int $k): string => ".a$k .b { fill: red } ", range(1, 900)));
        $this->expectException(NoDrawing::class);
        $this->expectExceptionMessage('more rules in its style sheets');
        self::read("<style>$rules rect ~ rect { fill: red }</style>".str_repeat('<rect class="b" width="1" height="1"/>', 1200));
    }

    public function test_style_sheets_that_are_none_are_no_harm(): void
    {
        $sheets = [
            'rect {',
            '}}} rect { fill: #0f6e84 }',
            '@import url(https://sternbild.test/a.css); @media {',
            str_repeat('a{', 400),
            '"\\',
            '<!-- --> {}',
            ':not(:not(:not(*',
            str_repeat('.a,', 5000),
        ];
        foreach ($sheets as $sheet) {
            [$scene] = self::read('<style><![CDATA['.$sheet.']]></style><rect width="4" height="2" fill="#333333"/>');
            self::assertCount(1, self::drawn($scene), $sheet);
        }
    }

    public function test_fill_rules_and_clip_paths_are_geometry(): void
    {
        $path = 'M0 0h100v100h-100z M25 25h50v50h-50z';
        [$scene] = self::read(
            "<path d=\"$path\"/><path d=\"$path\" fill-rule=\"evenodd\"/><clipPath id=\"half\"><rect width=\"50\" height=\"100\"/><circle cx=\"80\" cy=\"50\" r=\"10\"/></clipPath><g clip-path=\"url(#half)\"><path d=\"$path\"/></g>",
        );
        self::assertEqualsWithDelta(
            [['#000000', 10_000.0], ['#000000', 7_500.0], ['#000000', 5_000 + M_PI * 100]],
            self::drawn($scene),
            1e-3,
        );
    }

    public function test_a_rectangle_behind_all_else_is_the_ground_of_a_sheet_of_its_own(): void
    {
        $file = static fn (string $ground): DrawnFile => DrawnFile::read("<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 80 60\" width=\"160\" height=\"120\">$ground<circle cx=\"20\" cy=\"20\" r=\"5\" fill=\"#0f6e84\"/></svg>");
        $ground = '<g id="ground"><rect width="80" height="60" fill="#f8f5ec"/></g>';
        $plan = DrawingPlan::written($file($ground));
        self::assertSame(
            ['#f8f5ec', ['part.circle', 'style'], []],
            [$plan['sheet']['background'], array_column($plan['steps'], 'kind'), $plan['chapters'] ?? []],
        );
        self::assertSame('colour 1', DrawingPlan::written($file('<rect width="80" height="60" fill="#0f6e84"/>'))['sheet']['background']);
        // On a sheet that is there already it is a part like any other.
        self::assertSame(
            ['part.rectangle', 'part.circle', 'style', 'style'],
            array_column(DrawingPlan::steps($file($ground), [])['steps'], 'kind'),
        );
        foreach (
            [
                '<rect width="80" height="59" fill="#f8f5ec"/>',
                '<rect width="80" height="60" fill="#f8f5ec" opacity=".5"/>',
                '<rect width="80" height="60" fill="#f8f5ec" stroke="red"/>',
                '<rect width="80" height="60" fill="none" stroke="red"/>',
                '<rect x="15" y="5" width="50" height="50" transform="rotate(45 40 30) scale(1)" fill="#f8f5ec"/>',
            ] as $other
        ) {
            self::assertNull(DrawingPlan::written($file($other))['sheet']['background'], $other);
        }
    }

    /** In shares of the box around what is clipped, before it is clipped or transformed: SVG 1.1, 14.3.5 and 7.11; CSS Masking 1, 6.1. */
    public function test_clip_paths_can_be_measured_by_what_they_clip(): void
    {
        [$scene, $left] = self::read(<<<'SVG'
            <clipPath id="quarter" clipPathUnits="objectBoundingBox"><rect width=".5" height=".5"/></clipPath>
            <clipPath id="round" clipPathUnits="objectBoundingBox"><circle cx=".5" cy=".5" r=".5"/></clipPath>
            <rect x="100" y="100" width="80" height="40" fill="#111111" clip-path="url(#quarter)"/>
            <rect x="10" y="20" width="30" height="20" fill="#222222" clip-path="url(#round)" transform="rotate(30) scale(2)"/>
            <g clip-path="url(#quarter)"><rect x="200" y="0" width="10" height="10" fill="#333333"/>
            <g clip-path="url(#round)"><rect x="290" y="190" width="10" height="10"/></g>
            <circle cx="225" cy="25" r="15" fill="#444444"/></g>
            <g clip-path="url(#quarter)"><text>nothing</text></g>
            SVG
            ,
        );
        self::assertEqualsWithDelta(
            [
                ['#111111', 40 * 20.0],
                ['#222222', 4 * M_PI * 15 * 10],
                ['#333333', 100.0],
                // Of the box from (200, 0) to (300, 200) the upper left quarter; the square of the inner group lies outside it.
                ['#444444', M_PI * 225],
            ],
            self::drawn($scene),
            0.02,
        );
        self::assertSame(
            [
                'g, line 9: its clip path, which is measured by what it clips, and that has no size',
                'text, line 9: text “nothing” has to be outlined first',
                'rect, line 7: it is clipped away, and is not seen',
            ],
            $left,
        );
    }

    public function test_gradients_that_are_seen_through_stay_so_evenly_or_stop_by_stop(): void
    {
        [$scene, $left] = self::read(<<<'SVG'
            <linearGradient id="even"><stop stop-color="red" stop-opacity="50%"/>
            <stop offset="1" stop-color="blue" style="stop-opacity:.5"/></linearGradient>
            <linearGradient id="ends"><stop stop-color="red"/><stop offset="1" stop-color="rgba(0, 0, 255, 0)"/></linearGradient>
            <rect width="10" height="10" fill="url(#even)" fill-opacity=".5"/>
            <rect width="10" height="10" fill="url(#ends)"/>
            SVG);
        self::assertSame([0.25, 1.0], array_map(static fn ($one): ?float => $one->styles[0]?->opacity, $scene->drawing));
        self::assertSame([], $left);
        $stops = array_map(static fn ($one): array => array_column($one->styles[0]?->gradient->stops ?? [], 2), $scene->drawing);
        self::assertSame([1.0, 1.0, 1.0, 1.0, 1.0], $stops[0]);
        self::assertEqualsWithDelta([1.0, 0.75, 0.5, 0.25, 0.0], $stops[1], 1e-9);
    }

    public function test_open_strokes_become_bands_and_closed_ones_stay_strokes(): void
    {
        [$scene, $left] = self::read(<<<'SVG'
            <path d="M10 10H110V60" fill="none" stroke="#0f6e84" stroke-width="10"/>
            <line x1="10" y1="200" x2="60" y2="200" stroke="#d0683f" stroke-width="4" stroke-linecap="square"/>
            <rect x="200" y="100" width="50" height="50" fill="none" stroke="#111111" stroke-width="3" stroke-dasharray="4 2"/>
            <path d="M300 100a20 20 0 0 1 40 0" stroke="#111111" fill="none" transform="scale(1 2)"/>
            SVG);
        self::assertEqualsWithDelta([['#0f6e84', 1500.0], ['#d0683f', 54 * 4.0]], array_slice(self::drawn($scene), 0, 2), 1e-6);
        self::assertSame(
            ['#111111', 3.0, [4.0, 2.0]],
            [$scene->drawing[2]->styles[0]?->stroke, $scene->drawing[2]->styles[0]?->strokeWidth, $scene->drawing[2]->styles[0]?->dash],
        );
        self::assertCount(1, $left);
        self::assertStringContainsString('wider one way than the other', $left[0]);
    }

    public function test_gradients_lie_where_they_lay(): void
    {
        [$scene, $left] = self::read(<<<'SVG'
            <linearGradient id="base"><stop offset="0" stop-color="#ff0000"/><stop offset="1" stop-color="#0000ff"/></linearGradient>
            <linearGradient id="g" href="#base" gradientTransform="rotate(45)"/>
            <radialGradient id="r" xlink:href="#base" gradientUnits="userSpaceOnUse" cx="200" cy="100" r="50" fx="190"/>
            <rect x="100" y="50" width="100" height="50" fill="url(#base)"/>
            <g transform="translate(10 10) scale(2)"><rect width="10" height="10" fill="url(#g)"/></g>
            <circle cx="200" cy="100" r="50" fill="url(#r)"/>
            <rect width="5" height="5" fill="url(#nothing) green"/>
            SVG);
        [$linear, $turned, $radial, $green] = array_map(static fn ($one) => $one->styles[0], $scene->drawing);
        self::assertEqualsWithDelta([100.0, 200.0], [$linear?->gradient?->from?->x, $linear?->gradient?->to?->x], 1e-6);
        // In the box of the shape: from a corner, by √½ towards the other one.
        self::assertEqualsWithDelta([10.0, 10.0], [$turned?->gradient?->from?->x, $turned?->gradient?->from?->y], 1e-5);
        self::assertEqualsWithDelta(
            [10 + 20 * M_SQRT1_2, 10 + 20 * M_SQRT1_2],
            [$turned?->gradient?->to?->x, $turned?->gradient?->to?->y],
            1e-5,
        );
        self::assertEqualsWithDelta(
            [200.0, 50.0, 190.0],
            [$radial?->gradient?->from?->x, $radial?->gradient?->radius, $radial?->gradient?->focus?->x],
            1e-6,
        );
        self::assertSame('#008000', $green?->fill);
        self::assertSame(['rect, line 8: its fill, which the file does not hold; it is green here'], $left);
    }

    public function test_what_cannot_be_kept_is_listed_with_its_place(): void
    {
        [, $left] = self::read(<<<'SVG'
            <text id="word" x="1" y="2">Line   K</text>
            <image href="https://example.test/a.png"/>
            <script>alert(1)</script>
            <foreignObject/>
            <rect width="5" height="5" fill="none"/>
            <rect width="5" height="5" filter="url(#blur)" onclick="alert(1)"/>
            <path d="M0 0h10v10z M5"/>
            <path d="M0 0h10v10z" marker-end="url(#arrow)" transform="scale(0)"/>
            SVG);
        self::assertSame([
            'text “word”, line 2: text “Line K” has to be outlined first',
            'image, line 3: a picture in it, which is brought in by itself',
            'script, line 4: a script, which is never run',
            'foreignObject, line 5: “foreignObject” is no shape',
            'rect, line 7: its “onclick”, which is never run',
            'rect, line 7: its filter, so that it looks otherwise',
            'path, line 8: at character 15 a number of its M is missing; it is kept as far as that',
            'path, line 9: its transform “scale(0)” cannot be read, or leaves nothing of it',
            'rect, line 6: it has neither fill nor stroke, and is not seen',
        ], $left);
    }

    /** @return iterable<string, array{string, string}> */
    public static function hostile(): iterable
    {
        $svg = static fn (string $inside, string $before = ''): string => "$before<svg xmlns=\"http://www.w3.org/2000/svg\">$inside</svg>";
        yield 'nothing' => ['', 'it is empty'];
        yield 'no XML' => ['<svg><path', 'no SVG: in line 1'];
        yield 'another document' => ['<html/>', 'called “html”'];
        yield 'a bomb of entities' => [
            $svg('<text>&a;</text>', '<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]>'),
            'declares entities',
        ];
        yield 'a million elements' => [$svg(str_repeat('<g/>', 1_000_000)), 'at most 100,000 elements'];
        yield 'groups without end' => [
            $svg(str_repeat('<g>', 240).'<rect width="1" height="1"/>'.str_repeat('</g>', 240)),
            'more than 200 deep',
        ];
        yield 'a picture in a picture' => [$svg('<image href="data:image/svg+xml;base64,PHN2Zy8+"/>'), 'no shape in it'];
        yield 'uses that double without end' => [
            $svg(
                '<defs><g id="a0"><rect width="1" height="1"/></g>'.
                    implode(
                        '',
                        array_map(
                            static fn (int $k): string => "<g id=\"a$k\"><use href=\"#a".
                                ($k - 1).
                                '"/><use href="#a'.
                                ($k - 1).
                                '"/></g>',
                            range(1, 18),
                        ),
                    ).
                    '</defs><use href="#a18"/>',
            ),
            'more than 10,000 shapes',
        ];
        yield 'too many bytes' => [str_repeat(' ', Document::LARGEST + 1), 'at most 20 MB'];
        yield 'nothing but numbers that are none' => [
            $svg('<path d="MNaN 3"/><circle r="1e400"/><rect width="1e308" height="1e308"/>'),
            'no shape in it',
        ];
    }

    #[DataProvider('hostile')]
    public function test_hostile_files_end_in_messages(string $file, string $message): void
    {
        $this->expectException(NoDrawing::class);
        $this->expectExceptionMessage($message);
        DrawnFile::read($file);
    }

    public function test_files_that_were_changed_at_random_end_in_a_drawing_or_a_message(): void
    {
        mt_srand(2026);
        $whole = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><style>.a{fill:#0f6e84;stroke:red}</style><defs><linearGradient id="g"><stop offset="0" stop-color="#f00"/><stop offset="1"/></linearGradient><clipPath id="c"><circle cx="50" cy="50" r="30"/></clipPath><clipPath id="b" clipPathUnits="objectBoundingBox"><rect width=".5" height="1"/></clipPath></defs><g transform="rotate(30 50 50) scale(.5)" opacity=".5" clip-path="url(#b)"><rect class="a" x="10" y="10" width="40" height="20" rx="5"/><path d="M10 10C20 0 40 30 50 50S90 90 90 10A20 30 40 1 0 10 10z" fill="url(#g)" clip-path="url(#c)"/></g><use href="#c"/><polyline points="1 1 2 9 8 3" fill="none" stroke="rgb(1,2,3)" stroke-width="2"/></svg>';
        [$read, $refused] = [0, 0];
        for ($round = 0; $round < 300; $round++) {
            $file = $whole;
            for ($change = mt_rand(1, 4); $change > 0; $change--) {
                $at = mt_rand(0, strlen($file) - 1);
                // Mostly numbers and words inside, which leave it an SVG file.
                $file = match (mt_rand(0, 9)) {
                    0 => substr($file, 0, $at).chr(mt_rand(32, 126)).substr($file, $at + 1),
                    1 => substr($file, 0, $at).substr($file, $at + mt_rand(1, 20)),
                    2 => substr($file, 0, $at).
                        ['1e99', '-', 'NaN', '"', '>', '#', '0', '%', 'z', '<g>'][mt_rand(0, 9)].
                        substr($file, $at),
                    3, 4, 5, 6, 7, 8 => (string) preg_replace_callback(
                        '/(?<=[ ",(])-?[\d.]+|(?<=")[a-z]+(?=")/',
                        static fn (array $found): string => mt_rand(0, 12) > 0
                            ? $found[0]
                            : ['-3', '0', '99999', '1e30', '.5', 'NaN', 'none', '50%', ''][mt_rand(0, 8)],
                        $file,
                    ),
                    default => substr($file, 0, $at).substr($file, mt_rand(0, strlen($file) - 1), 30).substr($file, $at),
                };
            }
            try {
                Sample::scene(Sample::unchecked(DrawingPlan::written(DrawnFile::read($file))));
                $read++;
            } catch (NoDrawing) {
                $refused++;
            }
        }
        self::assertGreaterThan(40, $read);
        self::assertGreaterThan(40, $refused);
    }

    public function test_colours_are_read_in_every_notation(): void
    {
        self::assertSame(['#aabbcc', 1.0], ColourText::read('#abc'));
        self::assertSame(['#663399', 1.0], ColourText::read('RebeccaPurple'));
        self::assertSame(['#ff0000', 0.5], ColourText::read('rgba(255, 0, 0, .5)'));
        self::assertSame(['#0080ff', 1.0], ColourText::read('rgb(0 128 255 / 100%)'));
        self::assertSame(['#40bf40', 1.0], ColourText::read('hsl(120, 50%, 50%)'));
        self::assertSame('#112233', ColourText::read('#11223380')[0] ?? null);
        self::assertNull(ColourText::read('reddish'));
        self::assertNull(ColourText::read('#12345'));
    }
}
