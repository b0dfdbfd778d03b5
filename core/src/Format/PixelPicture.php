<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Grid\RectangularGrid;
use Sternbild\Core\Plan\Unusable;

/** What is painted on a pixel grid as an exact bitmap: one pixel, or a square of them, for every cell. */
final class PixelPicture
{
    /** Colours that a picture with a table of them may have, beside what is seen through. */
    private const MOST_INDEXED = 255;

    private const PACKED = 9;

    /**
     * A PNG, with a table of colours where there are few; cells that are not painted are seen through.
     *
     * @param  string  $grid  the id of its step
     * @param  int  $scale  pixels to a cell's side
     *
     * @throws Unusable where it is no such grid, or the picture would be too large
     */
    public static function png(Scene $scene, string $grid, int $scale): string
    {
        $pixels = ($scene->known[$grid] ?? null)?->result;
        if (! $pixels instanceof RectangularGrid) {
            throw Unusable::at("/$grid", 'the id of a pixel or a rectangular grid');
        }
        [$wide, $high] = $pixels->size();
        if ($scale < 1 || max($wide, $high) * $scale > Raster::LARGEST_SIDE) {
            throw Unusable::at('/scale', 'a whole number of pixels to a cell, 1 or more, that gives at most '.Raster::LARGEST_SIDE.' a side');
        }
        $cells = self::cells($scene, $grid);
        $colours = array_values(array_unique($cells));
        $isIndexed = count($colours) <= self::MOST_INDEXED;
        [$across, $down] = [max(1, $wide * $scale), max(1, $high * $scale)];
        $picture = $isIndexed ? imagecreate($across, $down) : imagecreatetruecolor($across, $down);
        if ($picture === false) {
            throw Unusable::at('/scale', 'a picture that there is room for');
        }
        imagealphablending($picture, false);
        imagesavealpha($picture, true);
        // The first of a table is what all of it is filled with.
        $clear = (int) imagecolorallocatealpha($picture, 0, 0, 0, 127);
        $isIndexed ? imagecolortransparent($picture, $clear) : imagefill($picture, 0, 0, $clear);
        $numbers = [];
        foreach ($colours as $colour) {
            $numbers[$colour] = (int) imagecolorallocate($picture, (int) hexdec(substr($colour, 1, 2)) & 255, (int) hexdec(substr($colour, 3, 2)) & 255, (int) hexdec(substr($colour, 5, 2)) & 255);
        }
        foreach ($cells as $cell => $colour) {
            [$x, $y] = [$cell % $wide * $scale, intdiv($cell, $wide) * $scale];
            $scale === 1 ? imagesetpixel($picture, $x, $y, $numbers[$colour]) : imagefilledrectangle($picture, $x, $y, $x + $scale - 1, $y + $scale - 1, $numbers[$colour]);
        }
        ob_start();
        imagepng($picture, null, self::PACKED);

        return (string) ob_get_clean();
    }

    /** @return array<int, string> the colour that is seen of every painted cell, #rrggbb, by its number */
    private static function cells(Scene $scene, string $grid): array
    {
        $cells = [];
        foreach ($scene->drawing as $drawn) {
            $painted = $drawn->part->painted;
            if ($painted === null || $painted->grid !== $grid) {
                continue;
            }
            // Each colour is a figure, which a look may have given another one.
            $names = array_map(strval(...), array_keys($painted->counts()));
            foreach ($painted->cells as $cell => $name) {
                $figure = array_search($name, $names, true);
                $colour = $figure === false ? 'none' : ($drawn->styles[$figure]->fill ?? 'none');
                if ($colour !== 'none') {
                    $cells[$cell] = $colour;
                }
            }
        }

        return $cells;
    }
}
