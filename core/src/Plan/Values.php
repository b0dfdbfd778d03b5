<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** The numbers that the designer named, and those of the sheet, worked out once. */
final readonly class Values
{
    /** Where light comes from unless said: degrees clockwise from straight up. */
    public const LIGHT = 315.0;

    /** @param  array<string, float>  $numbers */
    private function __construct(private array $numbers, public Unit $unit)
    {
    }

    /**
     * @param  array<string, int|float|string>  $raw  numbers or arithmetic
     * @param  float  $light  where it comes from, degrees clockwise from straight up
     *
     * @throws Unusable for arithmetic that cannot be read, unknown names and names that hang on themselves
     */
    public static function of(array $raw, float $width, float $height, Unit $unit, float $light = self::LIGHT): self
    {
        $known = ['sheet.width' => $width, 'sheet.height' => $height, 'sheet.light' => $light];
        $open = [];
        $workOut = function (string $name) use (&$workOut, &$known, &$open, $raw, $unit): float {
            if (isset($known[$name])) {
                return $known[$name];
            }
            if (! array_key_exists($name, $raw)) {
                throw new ArithmeticFault("names “{$name}”, which is not a value of this plan");
            }
            if (isset($open[$name])) {
                throw new ArithmeticFault('hangs on itself: '.implode(' → ', [...array_keys($open), $name]));
            }
            $open[$name] = true;
            $number = is_string($raw[$name]) ? Arithmetic::evaluate($raw[$name], $workOut, $unit) : (float) $raw[$name];
            unset($open[$name]);

            return $known[$name] = $number;
        };
        foreach (array_keys($raw) as $name) {
            try {
                $open = [];
                $workOut($name);
            } catch (ArithmeticFault $fault) {
                throw Unusable::at("/values/$name", "a number or arithmetic; it {$fault->getMessage()}");
            }
        }

        return new self($known, $unit);
    }

    /** @throws ArithmeticFault */
    public function get(string $name): float
    {
        return $this->numbers[$name] ?? throw new ArithmeticFault("names “{$name}”, which is not a value or a step of this plan");
    }

    public function has(string $name): bool
    {
        return isset($this->numbers[$name]);
    }

    /** @return array<string, float> */
    public function all(): array
    {
        return $this->numbers;
    }
}
