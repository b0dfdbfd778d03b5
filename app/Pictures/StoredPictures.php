<?php

namespace App\Pictures;

use App\Models\Picture;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Storage;
use Sternbild\Core\Pixel\PictureFile;
use Sternbild\Core\Plan\Pictures;

/** Pictures as plans name them: of the person who is at work, and of nobody else. */
final class StoredPictures implements Pictures
{
    /** What pictures of the sample sheets, which everybody may see, are named with. */
    private const SAMPLE = 'sample:';

    private ?int $owner = null;

    /**
     * Does work that nobody is signed in for with the pictures of a person.
     *
     * @template T
     *
     * @param  callable(): T  $work
     * @return T
     */
    public function within(int $owner, callable $work): mixed
    {
        $before = $this->owner;
        $this->owner = $owner;
        try {
            return $work();
        } finally {
            $this->owner = $before;
        }
    }

    public function find(string $source): ?PictureFile
    {
        if (str_starts_with($source, self::SAMPLE)) {
            return self::sample(substr($source, strlen(self::SAMPLE)));
        }
        $owner = $this->owner ?? Auth::id();
        if ($owner === null || preg_match('/^sha256:([0-9a-f]{64})$/D', $source, $named) !== 1) {
            return null;
        }
        $picture = Picture::query()->where('user_id', $owner)->where('hash', $named[1])->first();

        return $picture === null ? null : self::fileOf($picture);
    }

    public static function fileOf(Picture $picture): PictureFile
    {
        return new PictureFile(self::nearby($picture), $picture->width, $picture->height, $picture->hash);
    }

    /** The file of a sample picture with this hash; null where none has it. */
    public static function sampleOf(string $hash): ?PictureFile
    {
        foreach (glob(resource_path('demo/pictures/*')) ?: [] as $path) {
            $sample = self::sample(basename($path));
            if ($sample?->hash === $hash) {
                return $sample;
            }
        }

        return null;
    }

    private static function sample(string $name): ?PictureFile
    {
        $path = resource_path("demo/pictures/$name");
        $size = preg_match('/^[a-z-]+\.(jpg|png)$/D', $name) === 1 && is_file($path) ? getimagesize($path) : false;

        return $size === false ? null : new PictureFile($path, $size[0], $size[1], (string) hash_file('sha256', $path));
    }

    /** A file of this machine: that of the disk, or a copy of it. */
    private static function nearby(Picture $picture): string
    {
        if (config('filesystems.disks.'.config()->string('filesystems.default').'.driver') === 'local') {
            return Storage::path($picture->path());
        }
        $copy = storage_path('framework/cache/data/picture-'.$picture->hash);
        if (! is_file($copy)) {
            file_put_contents("$copy.part", (string) Storage::get($picture->path()));
            rename("$copy.part", $copy);
        }

        return $copy;
    }
}
