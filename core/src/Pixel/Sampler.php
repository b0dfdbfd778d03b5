<?php

declare(strict_types=1);

namespace Sternbild\Core\Pixel;

use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Rectangles;

/**
 * The colour of a picture under every cell of a grid.
 *
 * Means are taken in linear light, IEC 61966-2-1: half black, half white is #bcbcbc. Cells of which the middle does not lie on the picture
 * have none, nor those that are seen through for the most part.
 */
final class Sampler
{
    /** Pixels to a cell's side from which on it is scaled down first. */
    private const FINE = 8;

    /** Pixels that are looked at one by one. */
    private const MOST_PIXELS = 1_200_000;

    /** Of a cell, from which on it has a colour. */
    private const LEAST_COVERED = 0.5;

    /**
     * @param  'mean'|'middle'|'most'  $by
     * @return array<int, string> #rrggbb by the number of the cell
     *
     * @throws Unreadable
     */
    public static function colours(PlacedPicture $picture, Grid $grid, string $by): array
    {
        try {
            $image = self::read($picture->file);
            $colours =
                $by === 'middle'
                    ? self::middles($image, $picture, $grid)
                    : self::inRows($image, $picture, $grid, $by) ?? self::cellByCell($image, $picture, $grid, $by);
            $image->clear();

            return $colours;
        } catch (\ImagickException $fault) {
            throw new Unreadable('the picture cannot be read: '.$fault->getMessage(), previous: $fault);
        }
    }

    /** @throws \ImagickException */
    private static function read(PictureFile $file): \Imagick
    {
        $image = new \Imagick;
        $image->readImage($file->path.'[0]');
        if ($image->getImageColorspace() === \Imagick::COLORSPACE_CMYK) {
            $image->transformImageColorspace(\Imagick::COLORSPACE_SRGB);
        }
        $image->setImageType($image->getImageAlphaChannel() ? \Imagick::IMGTYPE_TRUECOLORMATTE : \Imagick::IMGTYPE_TRUECOLOR);

        return $image;
    }

    /**
     * Of eight bits each value is looked up, which is ten times as fast as working it out.
     *
     * @throws \ImagickException
     */
    private static function makeLinear(\Imagick $image): void
    {
        if ($image->getImageDepth() > 8) {
            $image->transformImageColorspace(\Imagick::COLORSPACE_RGB);

            return;
        }
        $values = [];
        for ($value = 0; $value < 256; $value++) {
            $code = $value / 255;
            array_push($values, ...array_fill(0, 3, $code <= 0.04045 ? $code / 12.92 : (($code + 0.055) / 1.055) ** 2.4));
        }
        $table = new \Imagick;
        $table->newImage(256, 1, new \ImagickPixel('black'));
        $table->importImagePixels(0, 0, 256, 1, 'RGB', \Imagick::PIXEL_FLOAT, $values);
        $image->clutImage($table);
    }

    /**
     * Cells that lie as the pixels do are pixels of a smaller picture.
     *
     * @return array<int, string>|null null where they do not
     *
     * @throws \ImagickException
     */
    private static function inRows(\Imagick $image, PlacedPicture $picture, Grid $grid, string $by): ?array
    {
        if ($by !== 'mean' || ! $grid instanceof Rectangles || $picture->turn !== 0.0) {
            return null;
        }
        [$columns, $rows] = $grid->size();
        $back = $picture->map()->inverse();
        [$from, $to] = [$back->apply($grid->placeAt(0.0, 0.0)), $back->apply($grid->placeAt((float) $columns, (float) $rows))];
        $aside = $back->apply($grid->placeAt((float) $columns, 0.0));
        [$wide, $high] = [($to->x - $from->x) / $columns, ($to->y - $from->y) / $rows];
        $even = $back->apply($grid->placeAt(1.0, 1.0));
        $isEven =
            abs($aside->y - $from->y) < 1e-6 * $columns &&
            abs($even->x - $from->x - $wide) < 1e-6 &&
            abs($even->y - $from->y - $high) < 1e-6;
        if (! $isEven || $wide < 4.0 || $high < 4.0) {
            return null;
        }
        // Those of which at least half lies on the picture.
        [$left, $top] = [
            max(0, (int) ceil(-$from->x / $wide - self::LEAST_COVERED)),
            max(0, (int) ceil(-$from->y / $high - self::LEAST_COVERED)),
        ];
        [$right, $bottom] = [
            min($columns, (int) floor(($picture->file->width - $from->x) / $wide + self::LEAST_COVERED)),
            min($rows, (int) floor(($picture->file->height - $from->y) / $high + self::LEAST_COVERED)),
        ];
        if ($right <= $left || $bottom <= $top) {
            return [];
        }
        Budget::spend(10 * ($right - $left) * ($bottom - $top) + $picture->file->width * $picture->file->height / 400);
        $clear = new \ImagickPixel('transparent');
        $image->setImageBackgroundColor($clear);
        $image->cropImage(
            (int) round(($right - $left) * $wide),
            (int) round(($bottom - $top) * $high),
            (int) round($from->x + $left * $wide),
            (int) round($from->y + $top * $high),
        );
        $image->setImagePage(0, 0, 0, 0);
        self::makeLinear($image);
        $image->resizeImage($right - $left, $bottom - $top, \Imagick::FILTER_BOX, 1.0);
        $values = $image->exportImagePixels(0, 0, $right - $left, $bottom - $top, 'RGBA', \Imagick::PIXEL_FLOAT);
        $colours = [];
        for ($k = 0; $k < ($right - $left) * ($bottom - $top); $k++) {
            if ($values[4 * $k + 3] >= self::LEAST_COVERED) {
                $colours[($top + intdiv($k, $right - $left)) * $columns + $left + ($k % ($right - $left))] = self::hex(
                    $values[4 * $k],
                    $values[4 * $k + 1],
                    $values[4 * $k + 2],
                );
            }
        }

        return $colours;
    }

    /**
     * @param  'mean'|'middle'|'most'  $by
     * @return array<int, string>
     *
     * @throws \ImagickException
     */
    private static function cellByCell(\Imagick $image, PlacedPicture $picture, Grid $grid, string $by): array
    {
        $side = sqrt($grid->area() / max(1, $grid->cellCount())) / $picture->scale();
        $scale = min(1.0, self::FINE / $side, sqrt(self::MOST_PIXELS / ($picture->file->width * $picture->file->height)));
        [$wide, $high] = [max(1, (int) round($picture->file->width * $scale)), max(1, (int) round($picture->file->height * $scale))];
        Budget::spend($wide * $high / 2 + $picture->file->width * $picture->file->height / 400);
        if ($by === 'mean') {
            self::makeLinear($image);
        }
        if ($scale < 1.0) {
            $by === 'mean' ? $image->resizeImage($wide, $high, \Imagick::FILTER_BOX, 1.0) : $image->sampleImage($wide, $high);
        }
        $map = $picture->map();
        $sums = $seen = [];
        for ($row = 0; $row < $high; $row++) {
            $values = $image->exportImagePixels(0, $row, $wide, 1, 'RGBA', \Imagick::PIXEL_FLOAT);
            for ($column = 0; $column < $wide; $column++) {
                $cell = $grid->cellAt(
                    $map->apply(
                        new Vec((($column + 0.5) / $wide) * $picture->file->width, (($row + 0.5) / $high) * $picture->file->height),
                    ),
                );
                if ($cell === null) {
                    continue;
                }
                [$r, $g, $b, $alpha] = [$values[4 * $column], $values[4 * $column + 1], $values[4 * $column + 2], $values[4 * $column + 3]];
                if ($by === 'mean') {
                    $sum = $sums[$cell] ?? [0.0, 0.0, 0.0, 0.0, 0];
                    $sums[$cell] = [$sum[0] + $alpha * $r, $sum[1] + $alpha * $g, $sum[2] + $alpha * $b, $sum[3] + $alpha, $sum[4] + 1];
                } elseif ($alpha >= self::LEAST_COVERED) {
                    $hex = self::coded($r, $g, $b);
                    $seen[$cell][$hex] = ($seen[$cell][$hex] ?? 0) + 1;
                }
            }
        }
        $colours = [];
        foreach ($sums as $cell => [$r, $g, $b, $alpha, $count]) {
            if ($alpha >= self::LEAST_COVERED * $count) {
                $colours[$cell] = self::hex($r / $alpha, $g / $alpha, $b / $alpha);
            }
        }
        foreach ($seen as $cell => $counts) {
            // The first of those that are as frequent, whatever order they were met in.
            ksort($counts);
            $colours[$cell] = (string) array_search(max($counts), $counts, true);
        }
        $colours = array_filter(
            $colours,
            static fn (int $cell): bool => self::isOn($picture, self::middleOf($grid, $cell)),
            ARRAY_FILTER_USE_KEY,
        );
        // Cells that are finer than the pixels have the one that they lie in.
        if (count($colours) < $grid->cellCount() && $side < 3.0) {
            $colours += self::middles(self::read($picture->file), $picture, $grid);
        }
        ksort($colours);

        return $colours;
    }

    /**
     * @return array<int, string>
     *
     * @throws \ImagickException
     */
    private static function middles(\Imagick $image, PlacedPicture $picture, Grid $grid): array
    {
        $back = $picture->map()->inverse();
        $rows = [];
        Budget::spend(12 * $grid->cellCount() + $picture->file->width * $picture->file->height / 400);
        for ($cell = 0; $cell < $grid->cellCount(); $cell++) {
            $at = $back->apply(self::middleOf($grid, $cell));
            [$x, $y] = [(int) floor($at->x + 1e-9), (int) floor($at->y + 1e-9)];
            if ($x >= 0 && $y >= 0 && $x < $picture->file->width && $y < $picture->file->height) {
                $rows[$y][$cell] = $x;
            }
        }
        $colours = [];
        foreach ($rows as $y => $cells) {
            $values = $image->exportImagePixels(0, $y, $picture->file->width, 1, 'RGBA', \Imagick::PIXEL_FLOAT);
            foreach ($cells as $cell => $x) {
                if ($values[4 * $x + 3] >= self::LEAST_COVERED) {
                    $colours[$cell] = self::coded($values[4 * $x], $values[4 * $x + 1], $values[4 * $x + 2]);
                }
            }
        }
        ksort($colours);

        return $colours;
    }

    private static function isOn(PlacedPicture $picture, Vec $place): bool
    {
        $at = $picture->map()->inverse()->apply($place);

        return $at->x >= 0.0 && $at->y >= 0.0 && $at->x < $picture->file->width && $at->y < $picture->file->height;
    }

    private static function middleOf(Grid $grid, int $cell): Vec
    {
        if (! $grid instanceof Rectangles) {
            return $grid->cellOutlines($cell)[0]->centroid();
        }
        [$column, $row] = $grid->cellCoordinates($cell);

        return $grid->placeAt($column - 0.5, $row - 0.5);
    }

    /** #rrggbb of linear light. */
    private static function hex(float $r, float $g, float $b): string
    {
        $code = static fn (float $one): float => $one <= 0.0031308 ? 12.92 * $one : 1.055 * $one ** (1 / 2.4) - 0.055;

        return self::coded($code(max(0.0, $r)), $code(max(0.0, $g)), $code(max(0.0, $b)));
    }

    private static function coded(float $r, float $g, float $b): string
    {
        return sprintf(
            '#%02x%02x%02x',
            ...array_map(static fn (float $one): int => max(0, min(255, (int) round(255 * $one))), [$r, $g, $b]),
        );
    }
}
