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
final class MovingPicture
{
    private const SIGNATURE = "\x89PNG\r\n\x1a\n";

    /** Each frame takes the place of the one before, whatever is seen through in it. */
    private const DISPOSE_TO_BACKGROUND = 1;

    private const BLEND_SOURCE = 0;

    /**
     * @param  non-empty-list<PixelPicture>  $pictures  of one size
     * @param  int  $scale  pixels to a cell's side
     * @param  int  $ms  for which each is shown; they go on without end
     *
     * @throws Unusable where a picture would be too large
     */
    public static function apng(array $pictures, int $scale, int $ms): string
    {
        // Of one form, so that each of them fits the first one's header.
        $files = array_map(static fn (PixelPicture $picture): array => self::chunks($picture->png($scale, false)), $pictures);
        [$wide, $high] = [$pictures[0]->wide * $scale, $pictures[0]->high * $scale];
        $file = self::SIGNATURE.self::chunk('IHDR', self::dataOf($files[0], 'IHDR')).self::chunk('acTL', pack('NN', count($files), 0));
        $number = 0;
        foreach ($files as $frame => $chunks) {
            $file .= self::chunk('fcTL', pack('NNNNNnnCC', $number++, $wide, $high, 0, 0, $ms, 1000, self::DISPOSE_TO_BACKGROUND, self::BLEND_SOURCE));
            $data = self::dataOf($chunks, 'IDAT');
            $file .= $frame === 0 ? self::chunk('IDAT', $data) : self::chunk('fdAT', pack('N', $number++).$data);
        }

        return $file.self::chunk('IEND', '');
    }

    /** Where every frame lies in a picture of them all, and how long it is shown; in pixels and milliseconds. */
    public static function json(Frames $frames, PixelPicture $whole, string $image, int $scale): string
    {
        return json_encode([
            'image' => $image,
            'size' => ['width' => $whole->wide * $scale, 'height' => $whole->high * $scale],
            'scale' => $scale,
            'frames' => array_map(static fn (array $at): array => [
                'x' => $at[0] * $scale, 'y' => $at[1] * $scale, 'width' => $frames->wide * $scale, 'height' => $frames->high * $scale, 'ms' => $frames->ms,
            ], $frames->corners()),
        ], JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR)."\n";
    }

    /** @return list<array{string, string}> type and data */
    private static function chunks(string $png): array
    {
        $chunks = [];
        for ($at = strlen(self::SIGNATURE); $at < strlen($png); $at += 12 + $length) {
            $length = (int) hexdec(bin2hex(substr($png, $at, 4)));
            $chunks[] = [substr($png, $at + 4, 4), substr($png, $at + 8, $length)];
        }

        return $chunks;
    }

    /** @param  list<array{string, string}>  $chunks */
    private static function dataOf(array $chunks, string $type): string
    {
        return implode('', array_map(static fn (array $chunk): string => $chunk[0] === $type ? $chunk[1] : '', $chunks));
    }

    private static function chunk(string $type, string $data): string
    {
        return pack('N', strlen($data)).$type.$data.pack('N', crc32($type.$data));
    }
}
