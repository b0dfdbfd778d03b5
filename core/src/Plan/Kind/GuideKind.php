<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind;

use Sternbild\Core\Plan\Chapter;
use Sternbild\Core\Plan\Kind;

/** What all guides have in common. */
abstract class GuideKind extends Kind
{
    public function offersPlaces(): bool
    {
        return true;
    }

    public function chapter(): Chapter
    {
        return Chapter::Ground;
    }

    public function idPrefix(): string
    {
        return 'c';
    }
}
