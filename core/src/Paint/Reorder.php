<?php

declare(strict_types=1);

namespace Sternbild\Core\Paint;

use Sternbild\Core\Result\Result;
use Sternbild\Core\Result\Role;

/** An instruction to draw parts at another place in the order. */
final readonly class Reorder implements Result
{
    /**
     * @param  list<string>  $of  ids of parts
     * @param  'front'|'back'|'above'|'below'  $to
     * @param  string|null  $beside  the part above or below which they go
     */
    public function __construct(public array $of, public string $to, public ?string $beside)
    {
    }

    public function role(): Role
    {
        return Role::Look;
    }
}
