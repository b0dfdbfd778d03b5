<?php

declare(strict_types=1);

namespace Sternbild\Core\Evaluation;

use Sternbild\Core\Paint\Style;
use Sternbild\Core\Shape\Part;

/** A part as it is drawn: each of its figures with its style. */
final readonly class DrawnPart
{
    /** @param  list<Style|null>  $styles  one for every figure of the part; null for those that were used up */
    public function __construct(public string $id, public Part $part, public array $styles)
    {
    }
}
