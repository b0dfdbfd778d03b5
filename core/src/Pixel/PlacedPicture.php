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
     * @param  PictureFile  $file  what of it is seen
     * @param  Vec  $at  the upper left corner of the whole
     * @param  float  $width  of the whole, in sheet units
     * @param  float  $turn  degrees about that corner, clockwise on the screen
     * @param  float  $fade  0 as it is, 1 not to be seen
     * @param  string  $source  as the plan names it, with what is done to it
     * @param  array{int, int}  $whole  its size in pixels before it was cropped
     * @param  Vec  $corner  where in the whole what is seen begins, in pixels
     * @param  string|null  $veil  #rrggbb that it fades into, where that is no mere fading
     */
    public function __construct(
        public PictureFile $file,
        public Vec $at,
        public float $width,
        public float $turn,
        public float $fade,
        public string $source,
        public array $whole,
        public Vec $corner,
        public ?string $veil = null,
        public string $blend = 'normal',
    ) {
    }

    public function role(): Role
    {
        return Role::Picture;
    }

    /** Sheet units to a pixel. */
    public function scale(): float
    {
        return $this->width / $this->whole[0];
    }

    public function height(): float
    {
        return $this->whole[1] * $this->scale();
    }

    /** From pixels of what is seen to the sheet. */
    public function map(): Affine
    {
        $corner = Vec::zero();

        return Affine::move($this->corner)
            ->then(Affine::scaling($this->scale(), $this->scale(), $corner))
            ->then(Affine::turn($this->turn, $corner))
            ->then(Affine::move($this->at));
    }

    public function quantities(): array
    {
        return ['wide' => $this->width, 'high' => $this->height()];
    }
}
