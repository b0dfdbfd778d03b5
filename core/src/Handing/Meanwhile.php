<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

/** Whoever waits for a file, and is told how far it is. What they throw ends the making. */
interface Meanwhile
{
    /** It is made in so many pieces. */
    public function pieces(int $pieces): void;

    public function made(int $pieces): void;

    /** Said by what takes long, as often as it likes. */
    public function goesOn(): void;
}
