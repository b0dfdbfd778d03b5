<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Shape\Spread;

/** A pattern or a frieze, with the step that lays it. */
final readonly class LaidPattern
{
    private function __construct(public string $id, public Part $part, public Spread $spread, public string $group)
    {
    }

    /** @return list<self> patterns and friezes */
    public static function all(Looked $at): array
    {
        $all = [];
        foreach ($at->known as $id => $step) {
            if ($step->result instanceof Part && $step->result->spread?->group !== null) {
                $all[] = new self($id, $step->result, $step->result->spread, $step->result->spread->group);
            }
        }

        return $all;
    }

    /** @return list<self> */
    public static function patterns(Looked $at): array
    {
        return array_values(array_filter(self::all($at), static fn (self $one): bool => ! $one->spread->isFrieze));
    }

    /** @return list<Curve> */
    public static function curves(Figure $figure): array
    {
        return array_merge(...array_map(static fn (Outline $outline): array => $outline->curves, $figure->outlines()));
    }
}
