<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** What counts as the same place on a sheet, and how many digits of a coordinate are worth writing. */
final readonly class Tolerance
{
    /** A millionth of a millionth of the sheet: far above the rounding of doubles, far below what any output device shows. */
    private const RELATIVE = 1e-12;

    /** What a handful of operations on doubles may lose, relative to their size. */
    public const ROUNDING = 1e-14;

    /** Two directions that differ by less, in radians, are told apart by looking further along their curves. */
    public const SAME_HEADING = 1e-6;

    /** Files keep seven digits before and after the point together, at least two and at most nine after it. */
    private const WRITTEN_DIGITS = 7;

    private function __construct(public float $distance, public int $decimals)
    {
    }

    /** @param  float  $size the longer side of the sheet, in its units; positive and finite */
    public static function ofSheet(float $size): self
    {
        $before = (int) ceil(log10($size));

        return new self($size * self::RELATIVE, max(2, min(9, self::WRITTEN_DIGITS - $before)));
    }

    /** The same for a construction that reaches further out than the sheet does: doubles are coarser there. */
    public function reaching(float $extent): self
    {
        return new self(max($this->distance, $extent * self::RELATIVE), $this->decimals);
    }
}
