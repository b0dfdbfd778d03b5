<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Grid\Overlay;
use Sternbild\Core\Plan\Field\Numerals;

/** Cells of an overlay that are too thin to be printed or cut. */
final class Slivers
{
    /** @return list<Finding> one for all of them, at the thinnest */
    public static function in(string $id, Overlay $overlay, float $limit, string $unit): array
    {
        $thin = $overlay->arrangement()->thinnerThan($limit);
        if ($thin === []) {
            return [];
        }
        asort($thin);
        $face = (int) array_key_first($thin);
        $count = count($thin);
        $width = Numerals::plain((float) sprintf('%.3g', $thin[$face]));

        return [Finding::warning($id, 'sliver', sprintf(
            $count === 1 ? 'a cell is only about %2$s %4$s wide, less than %3$s %4$s' : '%1$d cells are thinner than %3$s %4$s, the thinnest only about %2$s %4$s wide',
            $count, $width, Numerals::plain((float) sprintf('%.3g', $limit)), $unit,
        ))->at($overlay->arrangement()->placeInside($face), $thin[$face])];
    }
}
