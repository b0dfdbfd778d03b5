<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Evaluation\DrawnPart;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Shape\Figure;

/**
 * A tile in pixels.
 *
 * It is cut out of a larger picture: where outlines run off a picture, `rsvg-convert` draws them a little otherwise than where they go on,
 * and the left edge would not be what lies beyond the right one.
 */
final class TileRaster
{
    /** Pixels around it at most. */
    private const MOST_AROUND = 256;

    /** How hard a PNG is packed, from 0 to 9: beyond this it takes twice as long to be a third smaller. */
    private const PACKED = '3';

    /** Bytes in memory; what is larger is worked on in a file. */
    private const MEMORY = 300_000_000;

    /**
     * A PNG.
     *
     * @param  (\Closure(): void)|null  $meanwhile  called again and again
     *
     * @throws RenderFailed
     */
    public static function png(Scene $scene, Tile $tile, int $width, ?\Closure $meanwhile = null): string
    {
        $cut = self::image($scene, $tile, $width, 1, $meanwhile);
        try {
            $cut->setOption('png:compression-level', self::PACKED);
            // A ground hides all that could be seen through.
            $cut->setImageFormat($scene->background() === null ? 'PNG32' : 'PNG24');
            $cut->stripImage();

            return $cut->getImageBlob();
        } catch (\ImagickException) {
            throw new RenderFailed('The picture cannot be written.');
        }
    }

    /**
     * @param  int  $times  so many tiles side by side, and above one another
     * @param  (\Closure(): void)|null  $meanwhile
     * @param  int  $deadline  seconds
     *
     * @throws RenderFailed
     */
    public static function image(
        Scene $scene,
        Tile $tile,
        int $width,
        int $times,
        ?\Closure $meanwhile = null,
        int $deadline = Raster::DEADLINE,
    ): \Imagick {
        $height = $tile->heightFor($width);
        $around = self::around($tile, $width);
        $svg = SvgDrawing::writeTileInPixels(
            $scene,
            $tile->laid($times)->withMargin(($around * $tile->width) / $width, ($around * $tile->height) / $height),
            [$times * $width + 2 * $around, $times * $height + 2 * $around],
        );
        \Imagick::setResourceLimit(\Imagick::RESOURCETYPE_MEMORY, self::MEMORY);
        try {
            $picture = new \Imagick;
            $picture->readImageBlob(Raster::png($svg, 1.0, $deadline, $meanwhile));
            $picture->cropImage($times * $width, $times * $height, $around, $around);
            $picture->setImagePage(0, 0, 0, 0);

            return $picture;
        } catch (\ImagickException) {
            throw new RenderFailed('The picture cannot be read.');
        }
    }

    /** As far as anything reaches that lies across an edge. */
    private static function around(Tile $tile, int $width): int
    {
        $reach = 0.0;
        foreach ($tile->patterns as $drawn) {
            foreach (self::boxes($drawn) as $box) {
                $reach = max($reach, $box->right - $box->left, $box->bottom - $box->top);
            }
        }

        return (int) min(self::MOST_AROUND, ceil($reach * $width / $tile->width) + 2);
    }

    /** @return list<Bounds> */
    private static function boxes(DrawnPart $drawn): array
    {
        return array_map(static fn (Figure $figure): Bounds => $figure->bounds(), $drawn->part->spread?->ofCell() ?? []);
    }
}
