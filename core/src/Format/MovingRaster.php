<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Pixel\Frames;
use Sternbild\Core\Plan\Unusable;

/**
 * Frames as one file that moves, and what a program needs to cut them from one picture.
 *
 * The file is an animated PNG: Portable Network Graphics (third edition), W3C 2025, sections 11.3.6 and 12.8.
 */
final class MovingRaster
{
    /** Each frame takes the place of the one before, whatever is seen through in it. */
    private const DISPOSE_TO_BACKGROUND = 1;

    private const BLEND_SOURCE = 0;

    /**
     * @param  non-empty-list<PixelRaster>  $pictures  of one size
     * @param  int  $scale  pixels to a cell's side
     * @param  int  $ms  for which each is shown; they go on without end
     *
     * @throws Unusable where a picture would be too large
     */
    public static function apng(array $pictures, int $scale, int $ms): string
    {
        // Of one form, so that each of them fits the first one's header.
        $files = array_map(static fn (PixelRaster $picture): array => PngChunks::read($picture->png($scale, false)), $pictures);
        [$wide, $high] = [$pictures[0]->wide * $scale, $pictures[0]->high * $scale];
        $file =
            PngChunks::SIGNATURE.
            PngChunks::written('IHDR', self::dataOf($files[0], 'IHDR')).
            PngChunks::written('acTL', pack('NN', count($files), 0));
        $number = 0;
        foreach ($files as $frame => $chunks) {
            $file .= PngChunks::written(
                'fcTL',
                pack('NNNNNnnCC', $number++, $wide, $high, 0, 0, $ms, 1000, self::DISPOSE_TO_BACKGROUND, self::BLEND_SOURCE),
            );
            $data = self::dataOf($chunks, 'IDAT');
            $file .= $frame === 0 ? PngChunks::written('IDAT', $data) : PngChunks::written('fdAT', pack('N', $number++).$data);
        }

        return $file.PngChunks::written('IEND', '');
    }

    /** Where every frame lies in a picture of them all, and how long it is shown; in pixels and milliseconds. */
    public static function json(Frames $frames, PixelRaster $whole, string $image, int $scale): string
    {
        return json_encode(
            [
                'image' => $image,
                'size' => ['width' => $whole->wide * $scale, 'height' => $whole->high * $scale],
                'scale' => $scale,
                'frames' => array_map(
                    static fn (array $at): array => [
                        'x' => $at[0] * $scale,
                        'y' => $at[1] * $scale,
                        'width' => $frames->wide * $scale,
                        'height' => $frames->high * $scale,
                        'ms' => $frames->ms,
                    ],
                    $frames->corners(),
                ),
            ],
            JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
        )."\n";
    }

    /** @param  list<array{string, string}>  $chunks */
    private static function dataOf(array $chunks, string $type): string
    {
        return implode('', array_map(static fn (array $chunk): string => $chunk[0] === $type ? $chunk[1] : '', $chunks));
    }
}
