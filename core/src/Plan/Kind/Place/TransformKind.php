<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Place;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Field\SwitchField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind\Copy\CopyKind;
use Sternbild\Core\Shape\Part;

/** One map for parts or guides. */
abstract class TransformKind extends CopyKind
{
    /** @return list<Field> what says the map */
    abstract protected function how(): array;

    /** @throws FieldFault */
    abstract protected function map(Arguments $given): Affine;

    protected function declared(): array
    {
        return [self::things(), ...$this->how(), new SwitchField('copy', 'copy', 'as a copy', 'itself'), self::keep()];
    }

    public function staysInPlace(): bool
    {
        return true;
    }

    /** @param  array<array-key, mixed>  $said */
    final protected static function isCopy(array $said): bool
    {
        return ($said['copy'] ?? false) === true;
    }

    public function namesake(array $said): ?string
    {
        $of = is_array($said['of'] ?? null) && count($said['of']) === 1 ? array_values($said['of'])[0] : null;

        return is_string($of) && ! self::isCopy($said) ? $of : null;
    }

    public function evaluate(Arguments $given): Part|Guide
    {
        $map = $this->map($given);
        if (! self::areParts($given)) {
            $guides = $given->guides('of');

            return count($guides) === 1 ? $guides[0]->mapped($map) : self::repeated($given, [$map], 1, 'of');
        }
        $parts = $given->parts('of');

        return count($parts) === 1 ? $parts[0]->throughStep($given->step)->mapped($map) : self::repeated($given, [$map], 1, 'of');
    }
}
