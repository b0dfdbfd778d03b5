<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests\Plan;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sternbild\Core\Plan\Arithmetic;
use Sternbild\Core\Plan\ArithmeticFault;
use Sternbild\Core\Plan\Unit;

final class ArithmeticTest extends TestCase
{
    /** @return iterable<string, array{string, float}> */
    public static function sums(): iterable
    {
        yield 'division' => ['360/10', 36.0];
        // 1/φ = 0.6180339887… (OEIS A001622; recalled)
        yield 'golden ratio' => ['1/phi', 0.6180339887498949];
        yield 'a named value' => ['bar*2', 80.0];
        yield 'product before sum' => ['2+3*4', 14.0];
        yield 'power binds to the right' => ['2^3^2', 512.0];
        yield 'sign after power' => ['-2^2', -4.0];
        yield 'negative exponent' => ['2^-1', 0.5];
        yield 'nested' => ['((1+2)*(3+4))/7', 3.0];
        yield 'degrees' => ['sin(30)+cos(60)', 1.0];
        yield 'many numbers' => ['max(1, 7, 3) - min(4, 2)', 5.0];
        yield 'rounding' => ['round(2.5)+floor(-1.5)+ceil(1.2)', 3.0];
        yield 'typed signs' => ['6 × 2 ÷ 3 − 1', 3.0];
        yield 'a step’s number' => ['g1.sectors/2', 5.0];
        // 96 px = 1 in = 25.4 mm (CSS Values and Units)
        yield 'millimetres' => ['25.4mm', 96.0];
        yield 'with a blank' => ['2 in + 72 pt', 288.0];
        yield 'a length times a number' => ['2*1cm', 2 * 96 / 2.54];
    }

    #[DataProvider('sums')]
    public function test_it_works_out(string $text, float $expected): void
    {
        self::assertEqualsWithDelta($expected, self::evaluate($text), 1e-12);
    }

    public function test_lengths_come_out_in_the_sheets_unit(): void
    {
        self::assertEqualsWithDelta(12.0, self::evaluate('12 mm', Unit::Mm), 1e-12);
        self::assertEqualsWithDelta(25.4, self::evaluate('1in', Unit::Mm), 1e-12);
    }

    /** @return iterable<string, array{string, string}> */
    public static function faults(): iterable
    {
        yield 'nothing' => ['', 'is empty'];
        yield 'half a sum' => ['3+', 'number was expected'];
        yield 'unclosed' => ['(3+4', '“)” was expected'];
        yield 'unknown name' => ['foo+1', '“foo”'];
        yield 'unknown function' => ['exp(1)', '“exp”'];
        yield 'division by zero' => ['1/(2-2)', 'divides by zero'];
        yield 'zero to a negative power' => ['0^-1', 'divides by zero'];
        yield 'square root of less than nothing' => ['sqrt(-1)', 'negative'];
        yield 'too large' => ['10^400', 'no finite result'];
        yield 'not finite as a number' => ['1e999', 'no finite result'];
        yield 'two numbers' => ['3 4', 'operator was expected'];
        yield 'markup' => ['<b>3</b>', 'is not arithmetic'];
        yield 'too deep' => [str_repeat('(', 100).'1'.str_repeat(')', 100), 'nested deeper'];
        yield 'too long' => [str_repeat('1+', 300).'1', 'longer than'];
        yield 'the tangent of a right angle' => ['tan(90)', 'right angle'];
    }

    #[DataProvider('faults')]
    public function test_it_says_what_is_wrong(string $text, string $message): void
    {
        $this->expectException(ArithmeticFault::class);
        $this->expectExceptionMessage($message);
        self::evaluate($text);
    }

    public function test_random_texts_are_worked_out_or_refused_and_never_anything_else(): void
    {
        mt_srand(3);
        $parts = ['1', '2.5', 'bar', 'phi', 'sqrt(', 'min(', ')', '(', '+', '-', '*', '/', '^', ',', 'mm', ' ', '.', 'e5', '#', '×'];
        $good = 0;
        for ($k = 0; $k < 5000; $k++) {
            $text = '';
            for ($length = mt_rand(1, 9); $length > 0; $length--) {
                $text .= $parts[mt_rand(0, count($parts) - 1)];
            }
            try {
                self::assertTrue(is_finite(self::evaluate($text)), $text);
                $good++;
            } catch (ArithmeticFault $fault) {
                self::assertNotSame('', $fault->getMessage());
            }
        }
        self::assertGreaterThan(100, $good);
    }

    private static function evaluate(string $text, Unit $unit = Unit::Px): float
    {
        $names = ['bar' => 40.0, 'g1.sectors' => 10.0];

        return Arithmetic::evaluate(
            $text,
            static fn (string $name): float => $names[$name] ?? throw new ArithmeticFault("names “{$name}”"),
            $unit,
        );
    }
}
