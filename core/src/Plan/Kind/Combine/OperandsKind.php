<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Combine;

use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Part;

/** Operations on parts among which none comes first. Of a single part each figure is an operand. */
abstract class OperandsKind extends PartOperation
{
    protected function declared(): array
    {
        return [StepsField::parts('of', 'parts'), self::keep()];
    }

    /** @return non-empty-list<list<Outline>> */
    final protected static function operands(Arguments $given): array
    {
        $parts = $given->parts('of');
        $operands = count($parts) === 1
            ? array_map(static fn (Figure $figure): array => $figure->outlines(), $parts[0]->figures())
            : array_map(static fn (Part $part): array => $part->allOutlines(), $parts);

        return $operands === [] ? throw new \LogicException('A list of steps that is resolved is not empty.') : $operands;
    }
}
