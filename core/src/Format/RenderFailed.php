<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

/** A picture could not be made from the SVG document. */
final class RenderFailed extends \RuntimeException
{
    /** @param  bool  $isLate  whether it was given up at its deadline */
    public function __construct(string $message, public readonly bool $isLate = false)
    {
        parent::__construct($message);
    }
}
