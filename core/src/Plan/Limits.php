<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** What counts as too thin or as missed on a sheet, in its units. Nought turns a check off. */
final readonly class Limits
{
    /** Millimetres: thinner lines and gaps fill in or break off in print (common practice). */
    private const PRINTABLE = 0.1;

    /** Degrees (common practice among sign makers and punch cutters; no source). */
    private const SHARPEST = 12.0;

    /** Pixels of the smallest usual icon. */
    private const SMALLEST = 16.0;

    /** Of the sheet's longer side; what misses by less was meant to meet. */
    private const MISSED = 1 / 800;

    /**
     * @param  float  $sliver  cells thinner than this are slivers
     * @param  float  $miss  what comes nearer than this without meeting is a near miss
     * @param  float  $corner  degrees; corners sharper than this break in print and cutting
     * @param  float  $small  pixels of the sheet's longer side at which details are still to be seen
     */
    public function __construct(public float $sliver, public float $miss, public float $corner = self::SHARPEST, public float $small = self::SMALLEST)
    {
    }

    /**
     * @param  float  $millimetre  in sheet units
     * @param  float  $side  the sheet's longer one
     * @param  bool  $isScreen  whether it is drawn for screens; what is printed is not seen at sixteen pixels
     */
    public static function usual(float $millimetre, float $side, bool $isScreen): self
    {
        return new self(min(self::PRINTABLE * $millimetre, $side * self::MISSED), $side * self::MISSED, self::SHARPEST, $isScreen ? self::SMALLEST : 0.0);
    }
}
