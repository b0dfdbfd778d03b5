<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Plan;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Format\PlanJson;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Tests\Sample;

final class PlanReaderTest extends TestCase
{
    public function test_the_sample_plan_is_read(): void
    {
        $plan = (new PlanReader(Kinds::all()))->fromArray(Sample::rosette());
        self::assertSame(['g1', 'p1', 'r1', 's1'], array_keys($plan->steps));
        self::assertSame(['g1' => 'grid 1', 'p1' => 'petal', 'r1' => 'repeat 1', 's1' => 'look 1'], $plan->labels());
    }

    public function test_what_is_written_is_read_back_the_same(): void
    {
        $text = PlanJson::pretty(Sample::rosette());
        self::assertSame($text, PlanJson::pretty(PlanReader::decode($text)));
        self::assertStringContainsString('"values": {}', $text);
        self::assertStringStartsWith("{\n    \"format\"", $text);
    }

    /** @return iterable<string, array{\Closure(array<string, mixed>): mixed, string, string}> */
    public static function faults(): iterable
    {
        $step = static fn (int $index, string $key, mixed $value): \Closure => static function (array $plan) use (
            $index,
            $key,
            $value,
        ): array {
            $plan['steps'][$index][$key] = $value;

            return $plan;
        };
        $top = static fn (string $key, mixed $value): \Closure => static fn (array $plan): array => [...$plan, $key => $value];

        yield 'another format' => [$top('format', 'x'), '/format', 'sternbild-plan'];
        yield 'another version' => [$top('version', 2), '/version', '1'];
        yield 'an unknown key' => [$top('layers', []), '/layers', 'known here are'];
        yield 'no sheet' => [$top('sheet', null), '/sheet', 'width'];
        yield 'a sheet of nothing' => [$top('sheet', ['width' => 0, 'height' => 5, 'unit' => 'px']), '/sheet/width', 'from 0.001'];
        yield 'a sheet without end' => [$top('sheet', ['width' => 5, 'height' => INF, 'unit' => 'px']), '/sheet/height', 'from 0.001'];
        yield 'an unknown unit' => [$top('sheet', ['width' => 5, 'height' => 5, 'unit' => 'furlong']), '/sheet/unit', 'mm'];
        yield 'a background that the palette lacks' => [
            $top('sheet', ['width' => 5, 'height' => 5, 'unit' => 'px', 'background' => 'plum']),
            '/sheet/background',
            'plum',
        ];
        yield 'a cycle of values' => [$top('values', ['a' => 'b+1', 'b' => 'a*2']), '/values/a', 'a → b → a'];
        yield 'a value that hangs on itself' => [$top('values', ['a' => 'a']), '/values/a', 'hangs on itself'];
        yield 'a value named like a function' => [$top('values', ['sin' => 4]), '/values/sin', 'name'];
        yield 'a wrong colour' => [$top('palette', ['lagoon' => '#12']), '/palette/lagoon', '#rrggbb'];
        yield 'chapters that are no list' => [$top('chapters', ['a' => 1]), '/chapters', 'a list of chapters'];
        yield 'a chapter without a name' => [$top('chapters', [['from' => 'p1']]), '/chapters/0/name', 'a name of 1 to 80'];
        yield 'a chapter that begins nowhere' => [
            $top('chapters', [['name' => 'Wing', 'from' => 'x9']]),
            '/chapters/0/from',
            'id of a step',
        ];
        yield 'two chapters with one beginning' => [
            $top('chapters', [['name' => 'A', 'from' => 'p1'], ['name' => 'B', 'from' => 'p1']]),
            '/chapters/1/from',
            'no other chapter begins',
        ];
        yield 'a chapter with more' => [$top('chapters', [['name' => 'A', 'from' => 'p1', 'to' => 'p1']]), '/chapters/0/to', 'name, from'];
        yield 'a colour name with markup' => [$top('palette', ['<b>' => '#112233']), '/palette/<b>', 'colour name'];
        yield 'steps that are no list' => [$top('steps', ['a' => 1]), '/steps', 'list'];
        yield 'an unknown kind' => [$step(1, 'kind', 'part.spline'), '/steps/1/kind', 'part.cells'];
        yield 'an id twice' => [$step(1, 'id', 'g1'), '/steps/1/id', 'stands twice'];
        yield 'an id with capitals' => [$step(1, 'id', 'P1'), '/steps/1/id', 'small letter'];
        yield 'a name with markup' => [$step(1, 'name', '<script>alert(1)</script>'), '/steps/1/name', 'markup'];
        yield 'a name that is too long' => [$step(1, 'name', str_repeat('x', 81)), '/steps/1/name', '80'];
        yield 'a forward reference' => [$step(0, 'radius', 'r1.count*20'), '/steps/0/radius', 'stands behind'];
        yield 'a reference to itself' => [$step(2, 'of', ['r1']), '/steps/2/of', 'is the step itself'];
        yield 'a missing parameter' => [$step(0, 'radius', null), '/steps/0/radius', 'missing'];
        yield 'an unknown parameter' => [$step(0, 'diameter', 5), '/steps/0/diameter', 'known here are'];
        yield 'a list for a number' => [$step(0, 'rings', [5]), '/steps/0/rings', 'number or arithmetic'];
        yield 'an unknown choice' => [$step(0, 'axis', 'north'), '/steps/0/axis', '"sector"'];
        yield 'what is not an address' => [$step(1, 'cells', ['g1#2,1', 'g1@2,1']), '/steps/1/cells/1', 'address of a cell'];
        yield 'a place of three numbers' => [$step(0, 'center', [1, 2, 3]), '/steps/0/center', 'place'];
        yield 'a cell for a place' => [$step(2, 'center', 'g1#1,1'), '/steps/2/center', 'place'];
        yield 'an empty list of parts' => [$step(2, 'of', []), '/steps/2/of', 'ids'];
        yield 'muted by a word' => [$step(1, 'muted', 'yes'), '/steps/1/muted', 'true or false'];
        yield 'held fast by a number' => [$step(1, 'fast', 1), '/steps/1/fast', 'true or false'];
        yield 'a number without end' => [$step(0, 'radius', INF), '/steps/0/radius', 'finite'];
        yield 'no number' => [$step(0, 'center', [NAN, 0]), '/steps/0/center/0', 'finite'];
        yield 'arithmetic with control characters' => [$step(0, 'radius', "3\0"), '/steps/0/radius', 'control characters'];
        yield 'an unknown key inside a stroke' => [$step(3, 'stroke', ['colour' => 'ink']), '/steps/3/stroke/colour', 'known here are'];
        yield 'a list for a stroke' => [$step(3, 'stroke', ['ink']), '/steps/3/stroke', 'object'];
    }

    /** @param  \Closure(array<string, mixed>): array<string, mixed>  $spoil */
    #[DataProvider('faults')]
    public function test_an_unusable_plan_is_refused_at_the_place_of_the_fault(\Closure $spoil, string $pointer, string $expected): void
    {
        try {
            (new PlanReader(Kinds::all()))->fromArray($spoil(Sample::rosette()));
            self::fail('The plan was read.');
        } catch (Unusable $fault) {
            self::assertSame($pointer, $fault->pointer);
            self::assertStringContainsString($expected, $fault->expected);
        }
    }

    public function test_what_is_not_json_is_refused(): void
    {
        foreach (['', '{', 'plan', '[1,', '{"a": NaN}', "\xff"] as $text) {
            try {
                PlanReader::decode($text);
                self::fail("Read: $text");
            } catch (Unusable $fault) {
                self::assertStringContainsString('JSON', $fault->getMessage());
            }
        }
    }

    public function test_what_is_too_large_is_refused_unread(): void
    {
        $this->expectException(Unusable::class);
        $this->expectExceptionMessage('at most 5 MB');
        PlanReader::decode(str_repeat(' ', PlanReader::LARGEST_FILE + 1));
    }
}
