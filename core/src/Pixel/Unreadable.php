<?php

declare(strict_types=1);

namespace Sternbild\Core\Pixel;

/** A picture that cannot be read. */
final class Unreadable extends \Exception
{
}
