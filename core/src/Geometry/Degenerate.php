<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** What was asked for does not exist, because of how the given things lie: three points in a line have no circle. For people to read. */
final class Degenerate extends \RuntimeException
{
}
