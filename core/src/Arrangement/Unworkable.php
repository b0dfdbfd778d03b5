<?php

declare(strict_types=1);

namespace Sternbild\Core\Arrangement;

/**
 * Curves that cannot be laid over one another: too many crossings or cells, beyond all numbers, or too close to be told apart. For people
 * to read.
 */
final class Unworkable extends \RuntimeException
{
}
