<?php

declare(strict_types=1);

namespace Sternbild\Core\Svg;

/** A file that cannot be brought in as a drawing. */
final class NoDrawing extends \RuntimeException
{
}
