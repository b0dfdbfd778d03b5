<?php

declare(strict_types=1);

namespace Sternbild\Core\Result;

/** What a computation has to say about its own result: it stands, but not quite as was meant. */
final readonly class Remark
{
    /**
     * @param  string  $code  stable, for programs
     * @param  string  $field  the parameter that it is about
     */
    public function __construct(public string $code, public string $message, public string $field)
    {
    }
}
