<?php

declare(strict_types=1);

namespace Sternbild\Core\Pixel;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Result\Measured;
use Sternbild\Core\Result\Role;

/** A picture on the sheet, under all that is constructed; never part of the result. */
final readonly class PlacedPicture implements Measured
{
    /**
     * @param  Vec  $at  its upper left corner
     * @param  float  $width  in sheet units
     * @param  float  $turn  degrees about that corner, clockwise on the screen
     * @param  float  $fade  0 as it is, 1 not to be seen
     * @param  string  $source  as the plan names it
     */
    public function __construct(public PictureFile $file, public Vec $at, public float $width, public float $turn, public float $fade, public string $source)
    {
    }

    public function role(): Role
    {
        return Role::Picture;
    }

    /** Sheet units to a pixel. */
    public function scale(): float
    {
        return $this->width / $this->file->width;
    }

    public function height(): float
    {
        return $this->file->height * $this->scale();
    }

    /** From pixels to the sheet. */
    public function map(): Affine
    {
        $corner = new Vec(0.0, 0.0);

        return Affine::scaling($this->scale(), $this->scale(), $corner)->then(Affine::turn($this->turn, $corner))->then(Affine::move($this->at));
    }

    public function quantities(): array
    {
        return ['wide' => $this->width, 'high' => $this->height()];
    }
}
