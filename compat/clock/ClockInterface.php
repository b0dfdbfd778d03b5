<?php

namespace Symfony\Component\Clock;

use Psr\Clock\ClockInterface as PsrClock;

/** The part of the clock contract that Carbon expects. */
interface ClockInterface extends PsrClock
{
    public function sleep(float|int $seconds): void;

    public function withTimeZone(\DateTimeZone|string $timezone): static;
}
