<?php

declare(strict_types=1);

namespace Sternbild\Core\Pixel;

use Sternbild\Core\Geometry\Vec;

/**
 * Pictures as they are used: four places of a photograph straightened to the corners of a sheet, some of it cropped, its light evened. Each
 * is made once, beside the temporary files, and made again where it is gone.
 *
 * Four places fix a projective map: R. Hartley, A. Zisserman, Multiple View Geometry (2004), section 4.1.
 */
final class Straightened
{
    /** Pixels on the longer side of what is straightened. */
    private const LARGEST = 3_000;

    /** Of a picture's longer side, how coarsely its light is looked at. */
    private const COARSE = 24;

    private const QUALITY = 92;

    /** Beside this share, making a picture smaller first is worth its while. */
    private const SMALLER = 0.95;

    /** Seconds after which one that nobody asked for may go. */
    private const KEPT = 86_400;

    /**
     * Bytes of memory that the pixels of one may take: the largest that is straightened, and what it comes to; in a file that takes five
     * times as long.
     */
    private const MEMORY = 180_000_000;

    /**
     * @param  list<Vec>  $corners  four places in pixels, clockwise from the upper left one; none where it stays as it is
     * @param  array{float, float, float, float}|null  $crop  left, top, width and height as shares of what is straightened
     *
     * @throws Unreadable
     */
    public static function made(PictureFile $file, array $corners, ?array $crop, bool $even): PictureFile
    {
        if ($corners === [] && $crop === null && ! $even) {
            return $file;
        }
        $key = hash(
            'sha256',
            $file->hash.
                ' '.
                json_encode(
                    [array_map(static fn (Vec $corner): array => [$corner->x, $corner->y], $corners), $crop, $even],
                    JSON_THROW_ON_ERROR,
                ),
        );
        [$wide, $high] = self::size($file, $corners);
        [$left, $top, $across, $down] = $crop === null ? [0, 0, $wide, $high] : self::cropped($crop, $wide, $high);
        $path = self::folder().'/'.$key;
        if (! is_file($path)) {
            try {
                self::write($file, $corners, [$wide, $high], $crop === null ? null : [$left, $top, $across, $down], $even, $path);
            } catch (\ImagickException $fault) {
                throw new Unreadable('the picture cannot be read: '.$fault->getMessage(), previous: $fault);
            }
        }

        return new PictureFile($path, $across, $down, $key);
    }

    /**
     * Pixels across and down of the whole, straightened.
     *
     * @param  list<Vec>  $corners
     * @return array{int, int}
     */
    public static function size(PictureFile $file, array $corners): array
    {
        if (count($corners) !== 4) {
            return [$file->width, $file->height];
        }
        [$a, $b, $c, $d] = $corners;
        $wide = ($a->distanceTo($b) + $d->distanceTo($c)) / 2;
        $high = ($a->distanceTo($d) + $b->distanceTo($c)) / 2;
        $scale = min(1.0, self::LARGEST / max($wide, $high, 1.0));

        return [max(1, (int) round($wide * $scale)), max(1, (int) round($high * $scale))];
    }

    /**
     * @param  array{float, float, float, float}  $crop
     * @return array{int, int, int, int} left, top, width and height in pixels
     */
    public static function cropped(array $crop, int $wide, int $high): array
    {
        [$left, $top] = [min($wide - 1, (int) round($crop[0] * $wide)), min($high - 1, (int) round($crop[1] * $high))];

        return [
            $left,
            $top,
            max(1, min($wide - $left, (int) round($crop[2] * $wide))),
            max(1, min($high - $top, (int) round($crop[3] * $high))),
        ];
    }

    /**
     * @param  list<Vec>  $corners
     * @param  array{int, int}  $size
     * @param  array{int, int, int, int}|null  $crop
     *
     * @throws \ImagickException
     */
    private static function write(PictureFile $file, array $corners, array $size, ?array $crop, bool $even, string $path): void
    {
        \Imagick::setResourceLimit(\Imagick::RESOURCETYPE_MEMORY, self::MEMORY);
        \Imagick::setResourceLimit(\Imagick::RESOURCETYPE_MAP, 0);
        // What comes out smaller is read smaller where its form lets that, and made as small before it is straightened, point by point:
        // many times as fast as weighing all pixels that fall on one, and as sharp.
        $share = $corners === [] ? 1.0 : min(1.0, max($size) / self::longest($corners));
        $image = new \Imagick;
        if ($share < self::SMALLER) {
            $image->setOption('jpeg:size', sprintf('%dx%d', ceil($file->width * $share), ceil($file->height * $share)));
        }
        $image->readImage($file->path.'[0]');
        if ($image->getImageColorspace() === \Imagick::COLORSPACE_CMYK) {
            $image->transformImageColorspace(\Imagick::COLORSPACE_SRGB);
        }
        if ($share < self::SMALLER) {
            $image->scaleImage((int) round($file->width * $share), (int) round($file->height * $share));
        }
        if ($corners !== []) {
            [$across, $down] = [$image->getImageWidth() / $file->width, $image->getImageHeight() / $file->height];
            $image = self::distorted(
                $image,
                array_map(static fn (Vec $corner): Vec => new Vec($corner->x * $across, $corner->y * $down), $corners),
                $size,
            );
        }
        if ($crop !== null) {
            $image->cropImage($crop[2], $crop[3], $crop[0], $crop[1]);
            $image->setImagePage(0, 0, 0, 0);
        }
        if ($even) {
            self::evenOut($image);
        }
        $isClear = (bool) $image->getImageAlphaChannel();
        $image->setImageFormat($isClear ? 'png' : 'jpeg');
        $image->setImageCompressionQuality(self::QUALITY);
        if (! $isClear) {
            $image->setSamplingFactors(['1x1', '1x1', '1x1']);
        }
        $image->writeImage(($isClear ? 'png:' : 'jpeg:')."$path.part".getmypid());
        $image->clear();
        rename("$path.part".getmypid(), $path);
    }

    /**
     * The longest side between corners.
     *
     * @param  non-empty-list<Vec>  $corners
     */
    private static function longest(array $corners): float
    {
        return max(
            array_map(
                static fn (Vec $corner, int $k): float => $corner->distanceTo($corners[($k + 1) % count($corners)]),
                $corners,
                array_keys($corners),
            ),
        );
    }

    /**
     * @param  list<Vec>  $corners
     * @param  array{int, int}  $size
     *
     * @throws \ImagickException
     */
    private static function distorted(\Imagick $image, array $corners, array $size): \Imagick
    {
        [$wide, $high] = $size;
        // What is asked of it goes from the edges of pixels; corners of the whole are 0 and its size.
        $to = [[0, 0], [$wide, 0], [$wide, $high], [0, $high]];
        $numbers = [];
        foreach ($corners as $k => $corner) {
            array_push($numbers, $corner->x, $corner->y, $to[$k][0], $to[$k][1]);
        }
        $image->setImageVirtualPixelMethod(\Imagick::VIRTUALPIXELMETHOD_EDGE);
        $image->setImageArtifact('distort:viewport', "{$wide}x{$high}+0+0");
        $image->setImageArtifact('filter', 'point');
        $image->setImageInterpolateMethod(\Imagick::INTERPOLATE_BILINEAR);
        $image->distortImage(\Imagick::DISTORTION_PERSPECTIVE, $numbers, false);
        $image->setImagePage(0, 0, 0, 0);

        return $image;
    }

    /**
     * Divides it by the light that falls on it, which is what is left of it when it is looked at coarsely.
     *
     * @throws \ImagickException
     */
    private static function evenOut(\Imagick $image): void
    {
        [$wide, $high] = [$image->getImageWidth(), $image->getImageHeight()];
        $light = clone $image;
        $share = self::COARSE / max($wide, $high);
        $light->resizeImage(max(2, (int) round($wide * $share)), max(2, (int) round($high * $share)), \Imagick::FILTER_BOX, 1.0);
        $light->blurImage(0.0, 2.0);
        $light->resizeImage($wide, $high, \Imagick::FILTER_TRIANGLE, 1.0);
        $image->compositeImage($light, \Imagick::COMPOSITE_DIVIDESRC, 0, 0);
        $light->clear();
    }

    public static function folder(): string
    {
        $folder = sys_get_temp_dir().'/sternbild-pictures-'.(function_exists('posix_geteuid') ? posix_geteuid() : 0);
        if (! is_dir($folder)) {
            @mkdir($folder, 0o700, true);
        }
        // Now and then those go that nobody asks for any more.
        foreach (mt_rand(0, 50) === 0 ? glob("$folder/*") ?: [] : [] as $old) {
            if (filemtime($old) < time() - self::KEPT) {
                @unlink($old);
            }
        }

        return $folder;
    }
}
