<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Paint;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Paint\Oklab;
use Sternbild\Core\Paint\Ramp;
use Sternbild\Core\Plan\Edit\PlanEdit;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Tests\Sample;

/** Rows of colours, evenly spaced in lightness. */
final class RampTest extends TestCase
{
    /** @param  list<string>  $colours */
    private static function assertEven(array $colours): void
    {
        $lightness = array_map(static fn (string $hex): float => Oklab::coordinates($hex)[0], $colours);
        $step = ($lightness[count($lightness) - 1] - $lightness[0]) / (count($lightness) - 1);
        foreach ($lightness as $number => $one) {
            // A 255th of a channel is up to 0.004 of lightness.
            self::assertEqualsWithDelta($lightness[0] + $number * $step, $one, 0.006);
        }
    }

    public function test_between_two_colours_lightness_goes_in_even_steps(): void
    {
        foreach ([['#0f6e84', '#e5c78f'], ['#000000', '#ffffff'], ['#c65d3b', '#1b2140']] as [$one, $other]) {
            $ramp = Ramp::between($one, $other, 6);
            self::assertCount(6, $ramp);
            self::assertEven([$one, ...$ramp, $other]);
        }
    }

    /** @return iterable<string, array{string, 'lighter'|'darker'}> */
    public static function ways(): iterable
    {
        foreach (['#0f6e84', '#c65d3b', '#7b2f8a', '#888888'] as $colour) {
            yield "$colour lighter" => [$colour, 'lighter'];
            yield "$colour darker" => [$colour, 'darker'];
        }
    }

    /** @param  'lighter'|'darker'  $way */
    #[DataProvider('ways')]
    public function test_lighter_and_darker_ones_keep_their_hue(string $colour, string $way): void
    {
        $ramp = Ramp::from($colour, $way, 5);
        self::assertEven([$colour, ...$ramp]);
        [$light, $a, $b] = Oklab::coordinates($colour);
        foreach ($ramp as $one) {
            [$there, $c, $d] = Oklab::coordinates($one);
            self::assertTrue($way === 'lighter' ? $there > $light : $there < $light);
            if (hypot($a, $b) > 0.02 && hypot($c, $d) > 0.02) {
                self::assertLessThan(
                    5.0,
                    abs(rad2deg(acos(min(1.0, ($a * $c + $b * $d) / hypot($a, $b) / hypot($c, $d))))),
                    "$one is of another hue.",
                );
            }
        }
    }

    public function test_a_ramp_is_one_change_of_the_palette_and_names_are_never_taken(): void
    {
        $plan = Sample::plan([]);
        $once = PlanEdit::apply($plan, [['op' => 'ramp', 'of' => 'lagoon', 'to' => 'ink', 'steps' => 2]], Kinds::all())->plan();
        self::assertSame(['lagoon', 'ink', 'lagoon to ink 1', 'lagoon to ink 2'], array_keys($once['palette']));
        $twice = PlanEdit::apply(
            $once,
            [
                ['op' => 'ramp', 'of' => 'lagoon', 'to' => 'ink', 'steps' => 1],
                ['op' => 'ramp', 'of' => 'ink', 'to' => 'lighter', 'steps' => 1],
            ],
            Kinds::all(),
        )->plan();
        self::assertSame(['lagoon to ink 3', 'ink lighter 1'], array_slice(array_keys($twice['palette']), -2));
        foreach (
            [
                ['of' => 'plum', 'to' => 'ink', 'steps' => 2],
                ['of' => 'ink', 'to' => 'ink', 'steps' => 2],
                ['of' => 'ink', 'to' => 'plum', 'steps' => 2],
                ['of' => 'ink', 'to' => 'darker', 'steps' => 0],
                ['of' => 'ink', 'to' => 'darker', 'steps' => 25],
            ] as $wrong
        ) {
            try {
                PlanEdit::apply($plan, [['op' => 'ramp', ...$wrong]], Kinds::all());
                self::fail('It was taken.');
            } catch (Unusable $fault) {
                self::assertStringStartsWith('/operations/0/', $fault->pointer);
            }
        }
    }
}
