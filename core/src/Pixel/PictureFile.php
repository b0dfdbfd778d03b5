<?php

declare(strict_types=1);

namespace Sternbild\Core\Pixel;

/** A picture in a file: upright, in sRGB. */
final readonly class PictureFile
{
    /**
     * @param  int  $width  and $height in pixels
     * @param  string  $hash  that tells its content from all others
     */
    public function __construct(public string $path, public int $width, public int $height, public string $hash)
    {
    }
}
