<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/**
 * How much work may be done, counted where it is done: pairs of curves looked at, entries in indexes, figures and cells made. A unit takes
 * about a microsecond on a machine of today, or keeps some dozens of bytes, so that a budget bounds time and memory alike, and the same for
 * the same plan on every machine.
 */
final class Budget
{
    private static ?self $current = null;

    /** Between two looks at the clock, in units. */
    private const LOOK = 10_000.0;

    /** @var (\Closure(): bool)|null whether the time is up, where somebody waits */
    private static ?\Closure $clock = null;

    private static float $sinceLook = 0.0;

    private static bool $isUp = false;

    private float $spent = 0.0;

    public function __construct(private readonly float $units)
    {
    }

    /** For what is only looked at, and follows a pointer. */
    public static function small(): self
    {
        return new self(2.5e6);
    }

    /** For what is kept. */
    public static function large(): self
    {
        return new self(3e6);
    }

    /** Where nobody else waits. */
    public static function ample(): self
    {
        return new self(40e6);
    }

    /**
     * From now on work ends when the time is up as well, whatever is left of a budget: units are counted before they are known to be right.
     *
     * @param  (\Closure(): bool)|null  $isUp  asked now and then; null for no clock
     */
    public static function setClock(?\Closure $isUp): void
    {
        [self::$clock, self::$sinceLook, self::$isUp] = [$isUp, 0.0, false];
    }

    /** What is left of it, as a budget of its own; what that spends is spent of this one as well. */
    public function share(float $share): self
    {
        return new self(max(0.0, min($this->units * $share, $this->units - $this->spent)));
    }

    public function spent(): float
    {
        return $this->spent;
    }

    /** What a share of it spent; what did not fit was not done. */
    public function add(self $other): void
    {
        $this->spent += min($other->spent, $other->units);
    }

    /**
     * Does something within a budget.
     *
     * @template T
     *
     * @param  callable(): T  $work
     * @return T
     *
     * @throws OverBudget
     */
    public static function within(self $budget, callable $work): mixed
    {
        $outer = self::$current;
        self::$current = $budget;
        try {
            return $work();
        } finally {
            self::$current = $outer;
        }
    }

    /**
     * Does something that there is another way for, within so much of the budget at hand as is left of it.
     *
     * @template T
     *
     * @param  float  $units  at most
     * @param  callable(): T  $work
     * @return T|null null where they do not reach
     */
    public static function tried(float $units, callable $work): mixed
    {
        $outer = self::$current;
        $own = new self($outer === null ? $units : max(0.0, min($units, $outer->units - $outer->spent)));
        try {
            return self::within($own, $work);
        } catch (OverBudget) {
            return null;
        } finally {
            $outer?->add($own);
        }
    }

    /**
     * Says that work is going to be done.
     *
     * @throws OverBudget where there is a budget, and it does not reach, or a clock, and the time is up
     */
    public static function spend(float $units): void
    {
        $budget = self::$current;
        if ($budget === null) {
            return;
        }
        if (self::$clock !== null && (self::$isUp || (self::$sinceLook += $units) > self::LOOK)) {
            self::$sinceLook = 0.0;
            self::$isUp = self::$isUp || (self::$clock)();
            if (self::$isUp) {
                throw new OverBudget('This takes more work than there is time for.');
            }
        }
        if (($budget->spent += $units) > $budget->units) {
            throw new OverBudget('This takes more work than there is time for.');
        }
    }
}
