<?php

namespace App\Pictures;

use App\Models\Picture;
use App\Models\SheetRevision;
use App\Models\User;
use App\Quotas\OverQuota;
use App\Quotas\Quotas;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\Storage;
use League\Flysystem\FilesystemException;

/** Taking pictures in: known by their bytes, turned upright, written anew without anything but their pixels, kept once. */
final class PictureBook
{
    /** Pixels on the longer side. */
    private const LARGEST_SIDE = 16_000;

    /** Pixels in all. */
    private const MOST_PIXELS = 50_000_000;

    /** Pixels up to which what is no photograph is kept without loss. */
    private const MOST_LOSSLESS = 4_000_000;

    private const QUALITY = 92;

    private const TYPES = [IMAGETYPE_PNG, IMAGETYPE_JPEG, IMAGETYPE_WEBP];

    /** Bytes of memory that the pixels of one may take; larger ones are read in a file, which takes no longer. */
    private const MEMORY = 100_000_000;

    /**
     * @param  string  $file  a path
     *
     * @throws NoPicture
     * @throws OverQuota
     */
    public static function take(User $person, string $file): Picture
    {
        $size = @getimagesize($file);
        if ($size === false || ! in_array($size[2], self::TYPES, true)) {
            throw new NoPicture('Expected a PNG, JPEG or WebP picture; by its first bytes this file is none.');
        }
        [$width, $height] = $size;
        if ($width < 1 || $height < 1 || max($width, $height) > self::LARGEST_SIDE || $width * $height > self::MOST_PIXELS) {
            throw new NoPicture(
                sprintf(
                    'Expected a picture of at most %s pixels a side and %s million in all; this one has %s × %s.',
                    number_format(self::LARGEST_SIDE),
                    number_format(self::MOST_PIXELS / 1e6),
                    number_format($width),
                    number_format($height),
                ),
            );
        }
        try {
            [$bytes, $type, $width, $height] = self::isCutOff($file, $size[2])
                ? throw new \ImagickException('It ends too soon.')
                : self::written($file, $size[2]);
        } catch (\ImagickException $fault) {
            $isFull = str_contains($fault->getMessage(), 'cache') || str_contains($fault->getMessage(), 'No space left');
            throw new NoPicture(
                $isFull
                    ? 'There is no room on the server to read a picture of this size just now. Please try again later.'
                    : 'The picture is broken, or not whole: it cannot be read to its end.',
                previous: $fault,
            );
        }
        $hash = hash('sha256', $bytes);
        $known = Picture::query()->where('user_id', $person->id)->where('hash', $hash)->first();
        if ($known !== null) {
            return $known;
        }
        Quotas::holdBytes($person, strlen($bytes));
        // First the file, so that no picture is named that is not there.
        if (! Storage::exists(Picture::pathOf($hash))) {
            self::put(Picture::pathOf($hash), $bytes);
        }

        return Picture::query()->createOrFirst(
            ['user_id' => $person->id, 'hash' => $hash],
            ['type' => $type, 'width' => $width, 'height' => $height, 'bytes' => strlen($bytes)],
        );
    }

    /**
     * Deletes those pictures of a person that no revision of any sheet names, deleted sheets that can still be brought back among them.
     *
     * @return int how many there were
     */
    public static function forgetUnused(User $person): int
    {
        /** @var Collection<int, Picture> $unused */
        $unused = Picture::query()
            ->where('user_id', $person->id)
            ->whereNotExists(
                SheetRevision::query()
                    ->toBase()
                    ->selectRaw('1')
                    ->join('sheets', 'sheets.id', '=', 'sheet_revisions.sheet_id')
                    ->where('sheets.user_id', $person->id)
                    ->whereRaw(
                        "coalesce(sheet_revisions.whole::text, '') || coalesce(sheet_revisions.difference::text, '') LIKE '%' || pictures.hash || '%'",
                    ),
            )
            ->get();
        foreach ($unused as $picture) {
            $picture->delete();
        }
        self::forget($unused->pluck('hash')->all());

        return $unused->count();
    }

    /**
     * Deletes the files of pictures that nobody has any more: a file is that of all who brought the same in.
     *
     * @param  array<array-key, string>  $hashes
     */
    public static function forget(array $hashes): void
    {
        foreach ($hashes as $hash) {
            if (! Picture::query()->where('hash', $hash)->exists()) {
                Storage::delete(Picture::pathOf($hash));
            }
        }
    }

    /**
     * Writes a file whole or not at all: under its own name it is there only once its last byte is.
     *
     * @throws NoPicture
     */
    private static function put(string $path, string $bytes): void
    {
        $part = "$path.".bin2hex(random_bytes(6));
        try {
            Storage::put($part, $bytes);
            Storage::move($part, $path);
        } catch (FilesystemException $fault) {
            report($fault);
            try {
                Storage::delete($part);
            } catch (FilesystemException $second) {
                report($second);
            }
            throw new NoPicture('There is no room on the server to keep the picture just now. Please try again later.', previous: $fault);
        }
    }

    /** Whether a JPEG has no end behind its last scan; libraries fill up what is missing with grey, and say nothing. */
    private static function isCutOff(string $file, int $type): bool
    {
        $bytes = $type === IMAGETYPE_JPEG ? (string) file_get_contents($file) : '';

        return $bytes !== '' && ! str_contains(substr($bytes, (int) strrpos($bytes, "\xFF\xDA")), "\xFF\xD9");
    }

    /**
     * @return array{string, 'png'|'jpeg', int, int} the file, its form, width and height
     *
     * @throws \ImagickException
     */
    private static function written(string $file, int $came): array
    {
        \Imagick::setResourceLimit(\Imagick::RESOURCETYPE_MEMORY, self::MEMORY);
        \Imagick::setResourceLimit(\Imagick::RESOURCETYPE_MAP, 0);
        // No limit of time: it counts from when the process began, and ends that.
        // Read by what its bytes say, whatever it is called; of what moves the first picture.
        $prefix = [IMAGETYPE_PNG => 'png', IMAGETYPE_JPEG => 'jpeg', IMAGETYPE_WEBP => 'webp'][$came];
        $image = new \Imagick;
        $image->readImage("$prefix:$file".'[0]');
        $image->autoOrient();
        if ($image->getImageColorspace() !== \Imagick::COLORSPACE_SRGB) {
            $image->transformImageColorspace(\Imagick::COLORSPACE_SRGB);
        }
        $image->setImageDepth(8);
        $image->stripImage();
        $image->setImagePage(0, 0, 0, 0);
        [$width, $height] = [$image->getImageWidth(), $image->getImageHeight()];
        $hasAlpha = (bool) $image->getImageAlphaChannel();
        $isExact = $hasAlpha || ($came !== IMAGETYPE_JPEG && $width * $height <= self::MOST_LOSSLESS);
        $image->setImageFormat($isExact ? 'png' : 'jpeg');
        if ($isExact) {
            $image->setOption('png:compression-level', '4');
        } else {
            $image->setImageCompressionQuality(self::QUALITY);
            $image->setSamplingFactors(['1x1', '1x1', '1x1']);
        }
        $bytes = $image->getImageBlob();
        $image->clear();

        return [$bytes, $isExact ? 'png' : 'jpeg', $width, $height];
    }
}
