<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Overlay;
use Sternbild\Core\Plan\Numerals;
use Sternbild\Core\Result\Finding;

/** Cells that are too thin to be printed or cut. */
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

        return [Finding::warning($id, Sort::Sliver->value, sprintf(
            $count === 1 ? 'a cell is only about %2$s %4$s wide, less than %3$s %4$s' : '%1$d cells are thinner than %3$s %4$s, the thinnest only about %2$s %4$s wide',
            $count, self::short($thin[$face]), self::short($limit), $unit,
        ))->at($overlay->arrangement()->placeInside($face), $thin[$face])];
    }

    /** @return list<Finding> */
    public static function inGrid(string $id, Grid $grid, float $limit, string $unit): array
    {
        [$cell, $width] = $grid->thinnest();
        if ($width >= $limit) {
            return [];
        }

        return [Finding::warning($id, Sort::Sliver->value, sprintf(
            'its thinnest cells are only about %s %s wide, less than %s %2$s', self::short($width), $unit, self::short($limit),
        ))->at($grid->cellOutlines($cell)[0]->bounds()->center(), $width)];
    }

    private static function short(float $length): string
    {
        return Numerals::plain((float) sprintf('%.3g', $length));
    }
}
