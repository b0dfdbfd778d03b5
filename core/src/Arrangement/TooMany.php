<?php

declare(strict_types=1);

namespace Sternbild\Core\Arrangement;

/** Curves that would cut the sheet into more pieces than can be worked with. For people to read. */
final class TooMany extends \RuntimeException
{
}
