<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Paint\Style;
use Sternbild\Core\Shape\Figure;

/** A figure as it is drawn, where it lies. */
final readonly class Seen
{
    /**
     * @param  string  $id  of the step that is drawn
     * @param  non-empty-list<Outline>  $outlines
     * @param  int  $of  how many figures that step is drawn with
     * @param  bool  $isCells  whether it is cells of a grid in columns and rows, which pixel work shows at sizes of its own
     */
    private function __construct(
        public string $id,
        public Figure $figure,
        public array $outlines,
        public Bounds $bounds,
        public Style $style,
        public int $of,
        public bool $isCells,
    ) {
    }

    public static function of(string $id, Figure $figure, Style $style, int $of, bool $isCells = false): self
    {
        return new self($id, $figure, $figure->outlines(), $figure->bounds(), $style, $of, $isCells);
    }

    /** Whether nothing that lies under it is seen through it. */
    public function covers(): bool
    {
        return $this->style->covers();
    }

    /** Whether it is seen beyond its outline. */
    public function hasStroke(): bool
    {
        return $this->style->stroke !== 'none' && $this->style->strokeWidth > 0.0;
    }
}
