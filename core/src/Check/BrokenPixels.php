<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\WholePixels;
use Sternbild\Core\Plan\Numerals;
use Sternbild\Core\Plan\Unit;
use Sternbild\Core\Result\Finding;

/** A tile that is no whole number of pixels wide or high, on sheets in px. */
final class BrokenPixels extends Check
{
    /** Of a tile's size in pixels: what rounding leaves. */
    private const WHOLE = 1e-6;

    public function tells(): array
    {
        return [
            Sort::note(
                'broken-pixels',
                'a tile whose sides are no whole pixels, on sheets in px; with the sizes next to it that are exact',
            ),
        ];
    }

    public function looksAt(): Subject
    {
        return Subject::Steps;
    }

    public function limits(): array
    {
        return [Limit::small()];
    }

    public function look(Looked $at): array
    {
        return $at->plan->unit !== Unit::Px ? [] : array_merge([], ...array_map($this->of(...), LaidPattern::patterns($at)));
    }

    /** @return list<Finding> */
    private function of(LaidPattern $pattern): array
    {
        [$wide, $high] = [$pattern->part->facts['wide'] ?? null, $pattern->part->facts['high'] ?? null];
        $off = $wide === null || $high === null ? 0.0 : max(abs($wide - round($wide)), abs($high - round($high)));
        if ($wide === null || $high === null || $off <= self::WHOLE) {
            return [];
        }
        $near = WholePixels::near($wide, $high, max(1, (int) round($wide)));
        $sizes = implode(' or ', array_map(static fn (array $one): string => "$one[0] × $one[1]", $near));
        $exact = $sizes === '' ? '' : "; as a picture $sizes is exact";

        return [
            $this->found(
                'broken-pixels',
                $pattern->id,
                sprintf('its tile is %s × %s px, no whole pixels%s', self::short($wide), self::short($high), $exact),
            )->at($pattern->spread->lattice->origin, $off),
        ];
    }

    private static function short(float $length): string
    {
        return Numerals::plain((float) sprintf('%.6g', $length));
    }
}
