<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Combine;

use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Field\SwitchField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Result\Remark;
use Sternbild\Core\Shape\Part;

/** What operations on parts have in common: they use up what they are made of, and lie in its place, unless it is kept. */
abstract class PartOperation extends Kind
{
    public function offersPlaces(): bool
    {
        return true;
    }

    public function staysInPlace(): bool
    {
        return true;
    }

    public function sources(Arguments $given): array
    {
        return $given->steps('of');
    }

    public function keepsSources(Arguments $given): bool
    {
        return $given->isOn('keep');
    }

    final protected static function keep(): SwitchField
    {
        return new SwitchField('keep', 'keep', 'keeping what it is made of', 'using it up');
    }

    /**
     * Carries an operation out, and says what is wrong with it.
     *
     * @param  callable(): list<Outline>  $operation
     * @param  string  $field  that faults are shown at
     * @param  string  $nothing  what is said where nothing is left, which is an empty part
     *
     * @throws FieldFault
     */
    final protected static function result(Arguments $given, callable $operation, string $field, string $nothing): Part
    {
        try {
            $outlines = $operation();
        } catch (Unworkable $fault) {
            throw new FieldFault($field, 'limit', $fault->getMessage());
        }

        return $outlines === [] ? Part::nothing()->remarked(new Remark('empty', $nothing, $field)) : Part::drawn($outlines, $given->step);
    }
}
