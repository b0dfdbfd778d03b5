<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Measure;

use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Result\Role;

/** What measures something. It is drawn as a dimension line and is no part of the result. */
abstract class MeasureKind extends Kind
{
    public function makes(): Role
    {
        return Role::Measure;
    }
}
