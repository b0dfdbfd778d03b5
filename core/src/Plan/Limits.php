<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** What counts as too thin or as missed on a sheet, in its units. Nought turns a check off. */
final readonly class Limits
{
    /** Millimetres: thinner lines and gaps fill in or break off in print (common practice). */
    private const PRINTABLE = 0.1;

    /** Of the sheet's longer side; what misses by less was meant to meet. */
    private const MISSED = 1 / 800;

    /**
     * @param  float  $sliver  cells thinner than this are slivers
     * @param  float  $miss  what comes nearer than this without meeting is a near miss
     */
    public function __construct(public float $sliver, public float $miss)
    {
    }

    /**
     * @param  float  $millimetre  in sheet units
     * @param  float  $side  the sheet's longer one
     */
    public static function usual(float $millimetre, float $side): self
    {
        return new self(min(self::PRINTABLE * $millimetre, $side * self::MISSED), $side * self::MISSED);
    }
}
