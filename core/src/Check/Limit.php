<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Property;
use Sternbild\Core\Plan\Unit;

/** The limits that several checks share. A check may have one of its own. */
final class Limit
{
    /** Millimetres: thinner lines and gaps fill in or break off in print (common practice). */
    private const PRINTABLE = 0.1;

    /** Degrees (common practice among sign makers and punch cutters; no source). */
    private const SHARPEST = 12.0;

    /** Pixels of the smallest usual icon. */
    private const SMALLEST = 16.0;

    /** Of the sheet's longer side; what misses by less was meant to meet. */
    private const MISSED = 1 / 800;

    /** Cells that are thinner are slivers. */
    public static function sliver(): Property
    {
        return self::property(
            NumberField::length('checks.sliver', 'thinnest cell'),
            'cells thinner than {checks.sliver}',
            'a length from 0 to the sheet’s longer side',
            static fn (float $side, Unit $unit): float => min(
                (self::PRINTABLE * Unit::Mm->pixels()) / $unit->pixels(),
                $side * self::MISSED,
            ),
        );
    }

    /** What comes nearer without meeting is a near miss. */
    public static function miss(): Property
    {
        return self::property(
            NumberField::length('checks.miss', 'widest miss'),
            'misses below {checks.miss}',
            'a length from 0 to the sheet’s longer side',
            static fn (float $side): float => $side * self::MISSED,
        );
    }

    /** Corners that are sharper, in degrees, break in print and cutting. */
    public static function corner(): Property
    {
        return self::property(
            NumberField::angle('checks.corner', 'sharpest corner')->between(0, 180),
            'corners sharper than {checks.corner}',
            'degrees from 0 to 180',
            static fn (): float => self::SHARPEST,
        );
    }

    /** Pixels of the sheet's longer side at which details are still to be seen; what is printed is not seen at sixteen. */
    public static function small(): Property
    {
        return self::property(
            NumberField::factor('checks.small', 'smallest size in pixels')->between(0, 1000),
            'details lost at {checks.small} px',
            'pixels from 0 to 1000',
            static fn (float $side, Unit $unit): float => $unit === Unit::Px ? self::SMALLEST : 0.0,
        );
    }

    /**
     * @param  NumberField  $field  `checks.` and its name
     * @param  string  $says  what it is that is told
     * @param  string  $expected  in messages
     * @param  \Closure(float, Unit): float  $usual  by the sheet's longer side and its unit
     */
    public static function property(NumberField $field, string $says, string $expected, \Closure $usual): Property
    {
        return new Property(
            $field,
            $expected,
            static fn (float $width, float $height, Unit $unit): float => $usual(max($width, $height), $unit),
            'checks',
            $says,
            static fn (mixed $value, float $width, float $height): bool => $field->measure !== 'length' || $value <= max($width, $height),
        );
    }
}
