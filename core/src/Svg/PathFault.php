<?php

declare(strict_types=1);

namespace Sternbild\Core\Svg;

/** Path data that is read only so far. */
final class PathFault extends \RuntimeException
{
}
