<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** Arithmetic that cannot be read or has no finite result. The message is a clause that fits behind the field's name. */
final class ArithmeticFault extends \RuntimeException
{
}
