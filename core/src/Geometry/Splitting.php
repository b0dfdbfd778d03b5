<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/** Two parts of a curve that share the point between them. */
trait Splitting
{
    /** @return array{static, static} */
    public function split(float $t): array
    {
        return [$this->part(0.0, $t), $this->part($t, 1.0)];
    }
}
