<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

/** A picture could not be made from the SVG document. */
final class RenderFailed extends \RuntimeException
{
}
