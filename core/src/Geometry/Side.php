<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/**
 * On which side of something a place lies: inside or outside of what closes, to the left or the right of a line's way as seen on the
 * screen.
 */
final readonly class Side
{
    /**
     * @param  Line|null  $line  its whole line divides the sheet
     * @param  list<Outline>  $outlines  pieces and holes
     */
    private function __construct(private ?Line $line, private ?Circle $circle, private array $outlines)
    {
    }

    /** @return self|null null for a cubic, which divides nothing; an arc's side is that of its whole circle */
    public static function ofCurve(Curve $curve): ?self
    {
        return match (true) {
            $curve instanceof Line => new self($curve, null, []),
            $curve instanceof Arc => new self(null, $curve->circle(), []),
            default => null,
        };
    }

    /** @param  list<Outline>  $outlines */
    public static function ofOutlines(array $outlines): self
    {
        return new self(null, null, $outlines);
    }

    /** Whether a place lies inside, or to the left of the line's way. */
    public function holds(Vec $place): bool
    {
        if ($this->line !== null) {
            return Exact::side($this->line->start(), $this->line->end(), $place) < 0.0;
        }
        if ($this->circle !== null) {
            return $place->distanceTo($this->circle->center) < $this->circle->radius;
        }
        $windings = 0;
        foreach ($this->outlines as $outline) {
            $windings += $outline->windingsAround($place);
        }

        return $windings !== 0;
    }
}
