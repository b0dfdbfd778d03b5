<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

/** Nobody is told. */
final class Unwatched implements Meanwhile
{
    public function pieces(int $pieces): void
    {
    }

    public function made(int $pieces): void
    {
    }

    public function goesOn(): void
    {
    }
}
