<?php

declare(strict_types=1);

namespace Sternbild\Core\Guide;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Result\Measured;
use Sternbild\Core\Result\Role;

/** A helping line, circle or arc. */
final readonly class Guide implements Measured
{
    /**
     * @param  Curve  $curve  as it is drawn
     * @param  bool  $hasEnds  whether its ends are where the designer put them, not where the sheet ends
     */
    public function __construct(public Curve $curve, public bool $hasEnds)
    {
    }

    public function role(): Role
    {
        return Role::Guide;
    }

    public function isCircle(): bool
    {
        return $this->curve instanceof Arc && $this->curve->isFullCircle();
    }

    /** Of a circle or arc its centre, of a line its middle. */
    public function center(): Vec
    {
        return $this->curve instanceof Arc ? $this->curve->center() : $this->curve->pointAt(0.5);
    }

    public function quantities(): array
    {
        return ['length' => $this->curve->length(), ...($this->curve instanceof Arc ? ['radius' => $this->curve->radius()] : [])];
    }
}
