<?php

declare(strict_types=1);

namespace Sternbild\Core\Paint;

/** Rows of colours, evenly spaced in Oklab, and so in lightness. */
final class Ramp
{
    /** How light the lightest of lighter ones gets, nearly, and how dark the darkest: 1 is white, 0 black. */
    private const LIGHTEST = 0.98;

    private const DARKEST = 0.12;

    /**
     * Colours between two others, these not among them.
     *
     * @return list<string> #rrggbb
     */
    public static function between(string $one, string $other, int $steps): array
    {
        return array_map(static fn (int $step): string => Oklab::mix($one, $other, $step / ($steps + 1)), range(1, $steps));
    }

    /**
     * The same hue, from just beside the colour towards white or black.
     *
     * @param  'lighter'|'darker'  $way
     * @return list<string> #rrggbb
     */
    public static function from(string $colour, string $way, int $steps): array
    {
        $begin = Oklab::coordinates($colour)[0];
        $end = $way === 'lighter' ? max($begin, self::LIGHTEST) : min($begin, self::DARKEST);

        return array_map(
            static fn (int $step): string => Oklab::withLightness($colour, $begin + (($end - $begin) * $step) / ($steps + 1)),
            range(1, $steps),
        );
    }
}
