<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** There is more to do than the budget allows. */
final class OverBudget extends \RuntimeException
{
}
