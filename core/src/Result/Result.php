<?php

declare(strict_types=1);

namespace Sternbild\Core\Result;

/** What a step comes to: a grid, a guide, an overlay, a part, or an instruction for the look. */
interface Result
{
    public function role(): Role;
}
