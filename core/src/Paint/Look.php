<?php

declare(strict_types=1);

namespace Sternbild\Core\Paint;

use Sternbild\Core\Result\Result;
use Sternbild\Core\Result\Role;

/** An instruction for how parts look, carried out when the scene is drawn. */
final readonly class Look implements Result
{
    /**
     * @param  list<string>  $of  ids of parts, whose copies follow
     * @param  array<string, mixed>  $style  what it sets, by field name: fill, stroke.color, stroke.width, …
     * @param  list<string>  $like  the steps that a figure came through that they look like, before that
     * @param  array<string, list<int>>  $figures  of steps of which only some copies or pieces are meant, the figures that these are drawn
     *   as
     */
    public function __construct(public array $of, public array $style, public array $like = [], public array $figures = [])
    {
    }

    public function role(): Role
    {
        return Role::Look;
    }
}
