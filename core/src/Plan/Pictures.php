<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Pixel\PictureFile;

/** Where the pictures are that a plan names. */
interface Pictures
{
    /** @return PictureFile|null null where there is none of this name, or none that may be seen */
    public function find(string $source): ?PictureFile;
}
