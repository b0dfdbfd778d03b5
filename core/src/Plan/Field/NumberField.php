<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Plan\Arithmetic;
use Sternbild\Core\Plan\ArithmeticFault;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Naming;
use Sternbild\Core\Plan\Numerals;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** A number, or arithmetic that comes to one. */
final class NumberField extends Field
{
    /** Coordinates and lengths stay below this, in sheet units. */
    public const LARGEST = 1e7;

    private const LEAST_SIDE = 1e-3;

    /** How far from a whole number the result of arithmetic may lie where a whole number is asked for. */
    private const WHOLE = 1e-9;

    private bool $folds = false;

    /** @param  'length'|'angle'|'count'|'factor'  $measure */
    private function __construct(
        string $name,
        string $label,
        public readonly string $measure,
        private readonly float $least,
        private readonly bool $leastAllowed,
        public readonly float $most,
        bool $required,
        int|float|string|null $default,
    ) {
        parent::__construct($name, $label, $required, $default);
    }

    /** A length in sheet units that is more than nothing. */
    public static function size(string $name, string $label, bool $required = false, int|float|string|null $default = null): self
    {
        return new self($name, $label, 'length', 0.0, false, self::LARGEST, $required, $default);
    }

    /** The width or height of a sheet. */
    public static function side(string $name, string $label): self
    {
        return new self($name, $label, 'length', self::LEAST_SIDE, true, self::LARGEST, true, null);
    }

    /** A length in sheet units, zero allowed. */
    public static function length(string $name, string $label, int|float|string|null $default = null): self
    {
        return new self($name, $label, 'length', 0.0, true, self::LARGEST, false, $default);
    }

    /** A coordinate in sheet units. */
    public static function coordinate(string $name, string $label): self
    {
        return new self($name, $label, 'length', -self::LARGEST, true, self::LARGEST, true, null);
    }

    /** A whole number. */
    public static function count(
        string $name,
        string $label,
        int $least,
        int $most,
        bool $required = false,
        int|float|string|null $default = null,
    ): self {
        return new self($name, $label, 'count', $least, true, $most, $required, $default);
    }

    /** Degrees, clockwise on the screen. */
    public static function angle(string $name, string $label, int|float|string|null $default = null): self
    {
        return new self($name, $label, 'angle', -36_000.0, true, 36_000.0, false, $default);
    }

    /** From 0 to 1. */
    public static function share(string $name, string $label, int|float|string|null $default = null): self
    {
        return new self($name, $label, 'factor', 0.0, true, 1.0, false, $default);
    }

    /** How many times as large: more than nothing. */
    public static function scale(string $name, string $label, float $most, int|float $default): self
    {
        return new self($name, $label, 'factor', 0.0, false, $most, false, $default);
    }

    /** Any number. */
    public static function factor(string $name, string $label, bool $required = false, int|float|string|null $default = null): self
    {
        return new self($name, $label, 'factor', -self::LARGEST, true, self::LARGEST, $required, $default);
    }

    /** A length to either side, in sheet units. */
    public static function offset(string $name, string $label, int|float|string|null $default = null): self
    {
        return new self($name, $label, 'length', -self::LARGEST, true, self::LARGEST, false, $default);
    }

    /** The same number, from one to another only. */
    public function between(float $least, float $most): self
    {
        return new self(
            $this->name,
            $this->label,
            $this->measure,
            $least,
            true,
            $most,
            $this->required,
            is_int($this->default) || is_float($this->default) || is_string($this->default) ? $this->default : null,
        );
    }

    /** Whether it is a length that is more than nothing. */
    public function isSize(): bool
    {
        return $this->measure === 'length' && $this->least === 0.0 && ! $this->leastAllowed;
    }

    public function least(): float
    {
        return $this->least;
    }

    /** The same count, of copies around something: halves and doubles of it, and of the sectors there are, keep what lies in line. */
    public function ofFolds(): self
    {
        $copy = clone $this;
        $copy->folds = true;

        return $copy;
    }

    public function type(): string
    {
        return 'number';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_int($raw) && ! is_float($raw) && ! is_string($raw)) {
            throw Unusable::at($pointer, "a number or arithmetic for {$this->label}");
        }
        if (is_float($raw) && ! is_finite($raw)) {
            throw Unusable::at($pointer, "a finite number for {$this->label}");
        }
        if (is_string($raw) && (mb_strlen($raw) > Arithmetic::LONGEST || preg_match('/[\x00-\x1F\x7F]/', $raw) === 1)) {
            throw Unusable::at($pointer, 'arithmetic of at most '.Arithmetic::LONGEST.' characters without control characters');
        }
    }

    public function resolve(mixed $raw, Scope $scope): float
    {
        if (! is_int($raw) && ! is_float($raw) && ! is_string($raw)) {
            throw new FieldFault($this->name, 'number', "{$this->label} is not a number");
        }
        try {
            $number = $scope->number($raw);
            foreach ($scope->takeRough() as $label) {
                $scope->warn(
                    $this->name,
                    'overlaps',
                    "what the figures of $label overlap is counted for each of them: there are too many to be joined",
                );
            }
        } catch (ArithmeticFault $fault) {
            throw new FieldFault($this->name, 'arithmetic', "{$this->label} {$fault->getMessage()}");
        }
        if ($this->measure === 'count') {
            $number = $this->wholeNumber($number);
        }
        $written = Numerals::plain($number);
        if ($number < $this->least || ($number === $this->least && ! $this->leastAllowed)) {
            $bound = Numerals::plain($this->least);
            throw new FieldFault($this->name, 'number', $this->leastAllowed
                ? "{$this->label} must be at least $bound; it is $written"
                : "{$this->label} must be more than $bound; it is $written");
        }
        if ($number > $this->most) {
            throw new FieldFault($this->name, 'limit', "{$this->label} can be at most ".Numerals::plain($this->most)."; it is $written");
        }

        // A negative zero would give the same picture another fingerprint.
        return $number + 0.0;
    }

    public function references(mixed $raw): array
    {
        return is_string($raw) ? self::idsInArithmetic([$raw]) : [];
    }

    public function renamed(mixed $raw, array $new): mixed
    {
        return self::renamedInArithmetic($raw, $new);
    }

    public function sample(Sampling $lot): int|float|string
    {
        if ($lot->chance(4)) {
            return $lot->one(['bar', 'bar*2', '300/phi', '1/0', 'nope', '12mm', 'sheet.width/4']);
        }

        return match ($this->measure) {
            'count' => $lot->whole((int) $this->least, (int) min($this->most, $this->least + 11)),
            'angle' => $lot->number(-360, 360),
            'factor' => $lot->number(max($this->least, -2.0), min($this->most, 2.0)),
            default => $lot->number(max($this->least, -100.0), 400),
        };
    }

    public function schema(): array
    {
        return ['type' => ['number', 'string']];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        return is_string($raw) ? Naming::inArithmetic($raw, $labels) : Numerals::told(is_int($raw) || is_float($raw) ? (float) $raw : 0.0);
    }

    public function traits(): array
    {
        return [
            'measure' => $this->measure,
            'least' => $this->least,
            'leastAllowed' => $this->leastAllowed,
            'most' => $this->most,
            ...($this->folds ? ['folds' => true] : []),
        ];
    }

    /** @throws FieldFault */
    private function wholeNumber(float $number): float
    {
        $whole = round($number);
        if (abs($number - $whole) > self::WHOLE * max(1.0, abs($number))) {
            throw new FieldFault($this->name, 'number', "{$this->label} must be a whole number; it is ".Numerals::plain($number));
        }

        return $whole;
    }
}
