<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Guide;

use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Result\Role;

/** What all guides have in common. */
abstract class GuideKind extends Kind
{
    public function makes(): Role
    {
        return Role::Guide;
    }

    public function offersPlaces(): bool
    {
        return true;
    }
}
