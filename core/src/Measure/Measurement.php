<?php

declare(strict_types=1);

namespace Sternbild\Core\Measure;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Result\Measured;
use Sternbild\Core\Result\Role;

/** Something measured: a number that others take by name, and where its dimension line runs. */
final readonly class Measurement implements Measured
{
    /**
     * @param  'distance'|'width'|'angle'|'length'  $sort  how it is drawn: beside what it measures, across it, as an arc, or only written
     * @param  float  $value  sheet units, or degrees of an angle
     * @param  Vec  $from  where its line begins; of a length, where it is written
     * @param  Vec|null  $at  of an angle its corner
     */
    public function __construct(public string $sort, public float $value, public Vec $from, public Vec $to, public ?Vec $at = null)
    {
    }

    public function role(): Role
    {
        return Role::Measure;
    }

    public function quantities(): array
    {
        return ['value' => $this->value];
    }
}
