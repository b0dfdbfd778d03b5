<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

/** An address names a cell or an intersection that the grid does not have. The message says what there is. */
final class NoSuchPlace extends \RuntimeException
{
}
