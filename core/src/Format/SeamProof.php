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
        $one = TilePicture::image($scene, $tile, $width, 1, deadline: $deadline);
        $nine = TilePicture::image($scene, $tile, $width, 3, deadline: $deadline);
        $off = $worst = 0;
        for ($y = 0; $y < 3 * $height; $y++) {
            for ($x = 0; $x < 3 * $width; $x++) {
                $a = (int) imagecolorat($one, $x % $width, $y % $height);
                $b = (int) imagecolorat($nine, $x, $y);
                if ($a !== $b) {
                    $most = max(
                        2 * abs(($a >> 24) - ($b >> 24)),
                        abs((($a >> 16) & 255) - (($b >> 16) & 255)),
                        abs((($a >> 8) & 255) - (($b >> 8) & 255)),
                        abs(($a & 255) - ($b & 255)),
                    );
                    $worst = max($worst, $most);
                    $off += $most > self::SEEN ? 1 : 0;
                }
            }
        }

        return new self($width, 9 * $width * $height, $off, $worst);
    }

    public function holds(): bool
    {
        return $this->off === 0;
    }
}
