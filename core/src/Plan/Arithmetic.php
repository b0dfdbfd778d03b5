<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Geometry\Angle;

/**
 * Arithmetic as designers type it into a number field: `360/10`, `800/phi`, `bar*2`, `12 mm`, `20%`.
 *
 * Precedence from loose to tight: sum, product, sign, power (to the right). So −2^2 is −4. Angles are degrees.
 */
final class Arithmetic
{
    public const FUNCTIONS = ['sqrt', 'sin', 'cos', 'tan', 'min', 'max', 'abs', 'round', 'floor', 'ceil'];

    public const CONSTANTS = ['pi' => M_PI, 'phi' => 1.618033988749894848];

    /** Long enough for any construction, short enough that no input exhausts the stack. */
    public const LONGEST = 400;

    private const DEEPEST = 60;

    /** @var list<array{string, string}> kind of token (number, name, sign, end) and its text */
    private array $tokens;

    private int $at = 0;

    private int $depth = 0;

    /** @param  callable(string): float  $lookUp the value of a name; throws ArithmeticFault for one it does not know */
    /** @return list<string> names that are taken for something else wherever a number is written */
    public static function reserved(): array
    {
        return [...array_keys(self::CONSTANTS), ...self::FUNCTIONS, ...array_column(Unit::cases(), 'value'), 'sheet'];
    }

    private function __construct(string $text, private readonly mixed $lookUp, private readonly Unit $unit)
    {
        $this->tokens = self::tokens($text);
    }

    /**
     * @param  callable(string): float  $lookUp  the value of a name; throws ArithmeticFault for one it does not know
     * @param  Unit  $unit  of the sheet, into which suffixed lengths are turned
     * @return float finite
     *
     * @throws ArithmeticFault
     */
    public static function evaluate(string $text, callable $lookUp, Unit $unit): float
    {
        if (strlen($text) > self::LONGEST) {
            throw new ArithmeticFault('is longer than '.self::LONGEST.' characters');
        }
        $parser = new self($text, $lookUp, $unit);
        $result = $parser->sum();
        if ($parser->peek() !== 'end') {
            throw new ArithmeticFault("has “{$parser->text()}” where an operator was expected");
        }

        return self::finite($result);
    }

    /** @throws ArithmeticFault */
    private static function finite(float $number): float
    {
        if (! is_finite($number)) {
            throw new ArithmeticFault('has no finite result');
        }

        return $number;
    }

    /**
     * @return list<array{string, string}>
     *
     * @throws ArithmeticFault
     */
    private static function tokens(string $text): array
    {
        $plain = strtr($text, ['×' => '*', '·' => '*', '÷' => '/', '−' => '-', '°' => ' ', 'φ' => 'phi', 'π' => 'pi']);
        $tokens = [];
        $offset = 0;
        $length = strlen($plain);
        while ($offset < $length) {
            if (preg_match('/\G\s+/', $plain, $found, 0, $offset)) {
                $offset += strlen($found[0]);

                continue;
            }
            $kind = match (true) {
                preg_match('/\G(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?/', $plain, $found, 0, $offset) === 1 => 'number',
                preg_match('/\G[A-Za-z][A-Za-z0-9_]*(?:\.[A-Za-z][A-Za-z0-9_]*)*/', $plain, $found, 0, $offset) === 1 => 'name',
                preg_match('/\G[-+*\/^(),%]/', $plain, $found, 0, $offset) === 1 => 'sign',
                default => throw new ArithmeticFault('is not arithmetic: “'.mb_strimwidth($text, 0, 40, '…').'”'),
            };
            $tokens[] = [$kind, $found[0]];
            $offset += strlen($found[0]);
        }
        if ($tokens === []) {
            throw new ArithmeticFault('is empty');
        }
        $tokens[] = ['end', 'the end'];

        return $tokens;
    }

    private function peek(): string
    {
        return $this->tokens[$this->at][0];
    }

    private function text(): string
    {
        return $this->tokens[$this->at][1];
    }

    private function take(string $sign): bool
    {
        if ($this->tokens[$this->at] === ['sign', $sign]) {
            $this->at++;

            return true;
        }

        return false;
    }

    /** @throws ArithmeticFault */
    private function sum(): float
    {
        if (++$this->depth > self::DEEPEST) {
            throw new ArithmeticFault('is nested deeper than '.self::DEEPEST.' levels');
        }
        $result = $this->product();
        while (true) {
            if ($this->take('+')) {
                $result += $this->product();
            } elseif ($this->take('-')) {
                $result -= $this->product();
            } else {
                $this->depth--;

                return $result;
            }
        }
    }

    /** @throws ArithmeticFault */
    private function product(): float
    {
        $result = $this->signed();
        while (true) {
            if ($this->take('*')) {
                $result *= $this->signed();
            } elseif ($this->take('/')) {
                $divisor = $this->signed();
                if ($divisor === 0.0) {
                    throw new ArithmeticFault('divides by zero');
                }
                $result /= $divisor;
            } else {
                return $result;
            }
        }
    }

    /** @throws ArithmeticFault */
    private function signed(): float
    {
        $negative = false;
        while (true) {
            if ($this->take('-')) {
                $negative = ! $negative;
            } elseif (! $this->take('+')) {
                return $negative ? -$this->power() : $this->power();
            }
        }
    }

    /** @throws ArithmeticFault */
    private function power(): float
    {
        $base = $this->operand();
        if (! $this->take('^')) {
            return $base;
        }
        if (++$this->depth > self::DEEPEST) {
            throw new ArithmeticFault('is nested deeper than '.self::DEEPEST.' levels');
        }
        $exponent = $this->signed();
        $this->depth--;
        if ($base === 0.0 && $exponent < 0.0) {
            throw new ArithmeticFault('divides by zero');
        }

        return self::finite($base ** $exponent);
    }

    /** @throws ArithmeticFault */
    private function operand(): float
    {
        [$kind, $text] = $this->tokens[$this->at];
        if ($kind === 'number') {
            $this->at++;

            return $this->withSuffix((float) $text);
        }
        if ($kind === 'name') {
            $this->at++;

            return $this->tokens[$this->at] === ['sign', '('] ? $this->call($text) : $this->named($text);
        }
        if ($this->take('(')) {
            $result = $this->sum();
            $this->expect(')');

            return $result;
        }
        throw new ArithmeticFault("has $text where a number was expected");
    }

    private function withSuffix(float $number): float
    {
        if ($this->take('%')) {
            return $number / 100;
        }
        [$kind, $text] = $this->tokens[$this->at];
        $suffix = $kind === 'name' ? Unit::tryFrom($text) : null;
        if ($suffix === null) {
            return $number;
        }
        $this->at++;

        return $number * $suffix->pixels() / $this->unit->pixels();
    }

    /** @throws ArithmeticFault */
    private function named(string $name): float
    {
        return self::CONSTANTS[$name] ?? ($this->lookUp)($name);
    }

    /** @throws ArithmeticFault */
    private function call(string $function): float
    {
        if (! in_array($function, self::FUNCTIONS, true)) {
            throw new ArithmeticFault("names the function “{$function}”; there are ".implode(', ', self::FUNCTIONS));
        }
        $this->expect('(');
        $arguments = [$this->sum()];
        while ($this->take(',')) {
            $arguments[] = $this->sum();
        }
        $this->expect(')');
        $many = in_array($function, ['min', 'max'], true);
        if (! $many && count($arguments) !== 1) {
            throw new ArithmeticFault("gives $function ".count($arguments).' numbers; it takes one');
        }

        return $this->apply($function, $arguments);
    }

    /**
     * @param  non-empty-list<float>  $arguments
     *
     * @throws ArithmeticFault
     */
    private function apply(string $function, array $arguments): float
    {
        $first = $arguments[0];

        return match ($function) {
            'sqrt' => $first < 0.0 ? throw new ArithmeticFault('takes the square root of a negative number') : sqrt($first),
            'sin' => Angle::sine($first),
            'cos' => Angle::cosine($first),
            'tan' => Angle::cosine($first) === 0.0
                ? throw new ArithmeticFault('takes the tangent of a right angle')
                : Angle::sine($first) / Angle::cosine($first),
            'min' => min($arguments),
            'max' => max($arguments),
            'abs' => abs($first),
            'round' => round($first),
            'floor' => floor($first),
            default => ceil($first),
        };
    }

    /** @throws ArithmeticFault */
    private function expect(string $sign): void
    {
        if (! $this->take($sign)) {
            throw new ArithmeticFault("has {$this->text()} where “{$sign}” was expected");
        }
    }
}
