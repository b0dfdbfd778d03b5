<?php

declare(strict_types=1);

namespace Sternbild\Core\Tracing;

use Sternbild\Core\Pixel\PictureFile;
use Sternbild\Core\Pixel\Straightened;
use Sternbild\Core\Pixel\Unreadable;

/** A picture in grey, small enough to look at pixel by pixel, kept beside the temporary files. */
final readonly class GreyCopy
{
    /** Pixels on the longer side. */
    private const LARGEST = 2_000;

    private const MEMORY = 100_000_000;

    /**
     * @param  float  $scale  pixels of it to a pixel of the picture
     * @param  string  $bytes  one for each pixel, row by row
     */
    private function __construct(public int $width, public int $height, public float $scale, private string $bytes)
    {
    }

    /** @throws Unreadable */
    public static function of(PictureFile $file): self
    {
        $scale = min(1.0, self::LARGEST / max($file->width, $file->height));
        [$width, $height] = [max(1, (int) round($file->width * $scale)), max(1, (int) round($file->height * $scale))];
        $path = Straightened::folder().'/'.hash('sha256', "grey $file->hash");
        $bytes = is_file($path) ? (string) file_get_contents($path) : '';
        if (strlen($bytes) !== $width * $height) {
            $bytes = self::made($file, $width, $height);
            file_put_contents("$path.part".getmypid(), $bytes);
            rename("$path.part".getmypid(), $path);
        }

        return new self($width, $height, $scale, $bytes);
    }

    /** Its grey at a place, 0 to 255, between the middles of its pixels as they run into one another. */
    public function at(float $x, float $y): float
    {
        $x = max(0.0, min($this->width - 1.001, $x - 0.5));
        $y = max(0.0, min($this->height - 1.001, $y - 0.5));
        [$column, $row] = [(int) $x, (int) $y];
        [$across, $down] = [$x - $column, $y - $row];
        $at = $row * $this->width + $column;
        $right = $column + 1 < $this->width ? 1 : 0;
        $below = $row + 1 < $this->height ? $this->width : 0;
        $upper = ord($this->bytes[$at]) + $across * (ord($this->bytes[$at + $right]) - ord($this->bytes[$at]));
        $lower = ord($this->bytes[$at + $below]) + $across * (ord($this->bytes[$at + $below + $right]) - ord($this->bytes[$at + $below]));

        return $upper + $down * ($lower - $upper);
    }

    /**
     * @return list<int> its grey in so many columns and rows, row by row
     *
     * @throws Unreadable
     */
    public function reduced(int $width, int $height): array
    {
        try {
            $image = new \Imagick;
            $image->readImageBlob("P5 $this->width $this->height 255\n$this->bytes");
            $image->scaleImage($width, $height);
            /** @var list<int> $grey */
            $grey = $image->exportImagePixels(0, 0, $width, $height, 'I', \Imagick::PIXEL_CHAR);
            $image->clear();
        } catch (\ImagickException $fault) {
            throw new Unreadable('the picture cannot be read: '.$fault->getMessage(), previous: $fault);
        }

        return $grey;
    }

    /** @throws Unreadable */
    private static function made(PictureFile $file, int $width, int $height): string
    {
        try {
            \Imagick::setResourceLimit(\Imagick::RESOURCETYPE_MEMORY, self::MEMORY);
            \Imagick::setResourceLimit(\Imagick::RESOURCETYPE_MAP, 0);
            $image = new \Imagick;
            $image->readImage($file->path.'[0]');
            // First, and by means of pixels: what follows is small, and all of it stays in memory.
            if ($image->getImageWidth() !== $width || $image->getImageHeight() !== $height) {
                $image->scaleImage($width, $height);
            }
            // What is seen through is as white as paper.
            $image->setImageBackgroundColor('white');
            $image->setImageAlphaChannel(\Imagick::ALPHACHANNEL_REMOVE);
            $image->transformImageColorspace(\Imagick::COLORSPACE_GRAY);
            $image->setImageDepth(8);
            $image->setImageFormat('gray');
            $bytes = $image->getImageBlob();
            $image->clear();
        } catch (\ImagickException $fault) {
            throw new Unreadable('the picture cannot be read: '.$fault->getMessage(), previous: $fault);
        }

        return strlen($bytes) === $width * $height
            ? $bytes
            : throw new Unreadable('the picture cannot be read: its pixels do not come out one by one');
    }
}
