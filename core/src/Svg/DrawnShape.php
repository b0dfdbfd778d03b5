<?php

declare(strict_types=1);

namespace Sternbild\Core\Svg;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Curve;

/** A shape of a drawing: what it is, where it lies, how it looks. */
final readonly class DrawnShape
{
    /**
     * @param  string  $path  path data in its own coordinates
     * @param  array{string, list<float>}|null  $plain  what it is where it is something simpler: `circle` with centre and radius, `ellipse`
     *   with centre and radii, `rectangle` with corner and size
     * @param  Affine  $map  from its own coordinates to the sheet
     * @param  'nonzero'|'evenodd'  $rule
     * @param  array<string, string>  $look  properties, inherited ones among them
     * @param  float  $opacity  of all that it lies in
     * @param  list<list<DrawnShape>>  $clips  each of several that are one; it is seen in all of them
     * @param  string  $place  in the file: “path “wing”, line 12”
     */
    public function __construct(
        public string $path,
        public ?array $plain,
        public Affine $map,
        public string $rule,
        public array $look,
        public float $opacity,
        public array $clips,
        public string $place,
        public string $name,
    ) {
    }

    /** Around it on the sheet, without its stroke. */
    public function box(): Bounds
    {
        $boxes = [];
        foreach (array_merge(...array_column(PathText::read($this->path)[0], 0)) as $curve) {
            array_push($boxes, ...array_map(static fn (Curve $one): Bounds => $one->bounds(), $curve->mapped($this->map)));
        }

        return Bounds::of(...$boxes);
    }
}
