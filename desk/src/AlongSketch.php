<?php

declare(strict_types=1);

namespace Sternbild\Desk;

use Sternbild\Core\Plan\Kind\Guide\SketchForm;

/** How a line, an arc or a circle is offered along a line of a picture. */
final class AlongSketch
{
    /** @param  int<1, 9>  $key */
    public static function offer(string $noun, int $key, int $least): Offer
    {
        $what = strtolower($noun);

        return new Offer(
            label: "$noun along a sketch", from: 'points', family: Family::Measure, key: $key,
            words: 'trace, fit to picture, follow a drawn line, redraw, least squares, edge, vectorise',
            says: "The {$what} that lies nearest to a line of the picture below, found along the picked places.",
            takes: 'along', preset: ['sketch' => '{last:picture}'], least: $least, most: SketchForm::MOST,
        );
    }
}
