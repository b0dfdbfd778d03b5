<?php

declare(strict_types=1);

namespace Sternbild\Core\Command;

use Sternbild\Core\Pixel\PictureFile;
use Sternbild\Core\Plan\Pictures;

/** Pictures that lie beside a plan. */
final readonly class FolderPictures implements Pictures
{
    public function __construct(private string $folder)
    {
    }

    public function find(string $source): ?PictureFile
    {
        $folder = realpath($this->folder);
        $path = realpath("$this->folder/$source");
        // Nothing is read that does not lie there.
        if ($folder === false || $path === false || ! is_file($path) || ! str_starts_with($path, "$folder/")) {
            return null;
        }
        $size = @getimagesize($path);

        return $size === false || ! in_array($size[2], [IMAGETYPE_PNG, IMAGETYPE_JPEG, IMAGETYPE_WEBP], true)
            ? null
            : new PictureFile($path, $size[0], $size[1], (string) hash_file('sha256', $path));
    }
}
