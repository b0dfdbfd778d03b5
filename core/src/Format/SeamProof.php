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
        $one = self::bytes(TileRaster::image($scene, $tile, $width, 1, deadline: $deadline));
        $nine = self::bytes(TileRaster::image($scene, $tile, $width, 3, deadline: $deadline));
        $off = $worst = 0;
        $line = 4 * $width;
        for ($y = 0; $y < 3 * $height; $y++) {
            $expected = substr($one, $y % $height * $line, $line);
            for ($x = 0; $x < 3; $x++) {
                [$offHere, $worstHere] = self::compared($expected, substr($nine, (3 * $y + $x) * $line, $line));
                [$off, $worst] = [$off + $offHere, max($worst, $worstHere)];
            }
        }

        return new self($width, 9 * $width * $height, $off, $worst);
    }

    /**
     * @return string red, green, blue and alpha of every pixel, row by row
     *
     * @throws RenderFailed
     */
    private static function bytes(\Imagick $picture): string
    {
        try {
            $picture->setImageAlphaChannel(\Imagick::ALPHACHANNEL_ACTIVATE);
            $picture->setImageDepth(8);
            $picture->setImageFormat('RGBA');

            return $picture->getImageBlob();
        } catch (\ImagickException) {
            throw new RenderFailed('The picture cannot be read.');
        }
    }

    /**
     * @param  string  $one  a line of pixels, and $other alike
     * @return array{int, int} pixels that are not the same, and by how many steps a channel is off at most
     */
    private static function compared(string $one, string $other): array
    {
        $off = $worst = 0;
        if ($one !== $other) {
            for ($at = 0, $end = strlen($one); $at < $end; $at += 4) {
                $most = 0;
                for ($channel = $at; $channel < $at + 4; $channel++) {
                    $most = max($most, abs(ord($one[$channel]) - ord($other[$channel])));
                }
                $worst = max($worst, $most);
                $off += $most > self::SEEN ? 1 : 0;
            }
        }

        return [$off, $worst];
    }

    public function holds(): bool
    {
        return $this->off === 0;
    }
}
