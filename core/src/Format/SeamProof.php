<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Evaluation\Scene;

/** Whether a tile repeats without a seam: laid three by three it is, pixel by pixel, the pattern itself. */
final readonly class SeamProof
{
    /** Pixels of the tile on its longer side. */
    public const LARGEST = 400;

    /** Steps of 255 that the same edge may come to in two pictures: places are rounded to 256ths of a pixel there. */
    public const SEEN = 4;

    /**
     * @param  int  $width  pixels of the tile
     * @param  int  $compared  pixels that were
     * @param  int  $off  of them that are not the same
     * @param  int  $worst  by how many steps of 255 a channel of one is off, at most
     */
    private function __construct(public int $width, public int $compared, public int $off, public int $worst)
    {
    }

    /**
     * @param  int  $deadline  seconds for each of its two pictures; `Raster::AT_ONCE` where somebody waits for it
     *
     * @throws RenderFailed where a picture takes too long, too
     */
    public static function of(Scene $scene, Tile $tile, int $deadline = Raster::DEADLINE): self
    {
        $width = max(1, min(self::LARGEST, (int) floor(self::LARGEST * $tile->width / max($tile->width, $tile->height))));
        $height = $tile->heightFor($width);
        $one = TileRaster::image($scene, $tile, $width, 1, deadline: $deadline);
        $nine = TileRaster::image($scene, $tile, $width, 3, deadline: $deadline);
        $off = $worst = 0;
        for ($y = 0; $y < 3 * $height; $y++) {
            $lines = array_chunk(self::line($nine, 3 * $width, $y), 4 * $width);
            foreach ($lines as $line) {
                [$offHere, $worstHere] = self::compared(self::line($one, $width, $y % $height), $line);
                [$off, $worst] = [$off + $offHere, max($worst, $worstHere)];
            }
        }

        return new self($width, 9 * $width * $height, $off, $worst);
    }

    /** @return list<int> red, green, blue and alpha of every pixel */
    private static function line(\Imagick $picture, int $width, int $y): array
    {
        return array_map(intval(...), $picture->exportImagePixels(0, $y, $width, 1, 'RGBA', \Imagick::PIXEL_CHAR));
    }

    /**
     * @param  list<int>  $one
     * @param  list<int>  $other
     * @return array{int, int} pixels that are not the same, and by how many steps a channel is off at most
     */
    private static function compared(array $one, array $other): array
    {
        $off = $worst = 0;
        foreach ($one === $other ? [] : array_chunk($one, 4) as $k => $pixel) {
            $most = max(array_map(static fn (int $a, int $b): int => abs($a - $b), $pixel, array_slice($other, 4 * $k, 4)));
            $worst = max($worst, $most);
            $off += $most > self::SEEN ? 1 : 0;
        }

        return [$off, $worst];
    }

    public function holds(): bool
    {
        return $this->off === 0;
    }
}
