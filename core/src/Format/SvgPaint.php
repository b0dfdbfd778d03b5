<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Paint\Gradient;

/** The gradients of an SVG document: each is defined once, and once more for every other place where it lies. */
final class SvgPaint
{
    private const FINE = 6;

    /** @var array<string, string> ids by what is defined */
    private array $ids = [];

    /** Definitions that were not written yet. */
    private string $pending = '';

    /** @param  \Closure(Affine): list<string>  $matrix  a map as it is written */
    public function __construct(private readonly PathData $paths, private readonly \Closure $matrix)
    {
    }

    /**
     * What a fill or a stroke says for a gradient.
     *
     * @param  Affine  $map  that brings the shape to where it is written
     */
    public function of(Gradient $gradient, Affine $map): string
    {
        $stops = implode(
            '',
            array_map(
                static fn (array $stop): string => '<stop'.
                    ($stop[0] === 0.0 ? '' : ' offset="'.PathData::written($stop[0], self::FINE).'"').
                    " stop-color=\"$stop[1]\"".
                    ($stop[2] === 1.0 ? '' : ' stop-opacity="'.PathData::written($stop[2], 4).'"').
                    '/>',
                $gradient->written(),
            ),
        );
        $element = "{$gradient->sort}Gradient";
        $places =
            $gradient->sort === 'linear' ? $this->place('1', $gradient->from).$this->place('2', $gradient->to) : $this->circle($gradient);
        $colours = $this->defined("<$element id=\"%s\">$stops</$element>\n");
        $transform = $gradient->map->then($map);
        $moved = $transform->isIdentity() ? '' : ' gradientTransform="matrix('.implode(' ', ($this->matrix)($transform)).')"';
        $placed = $this->defined("<$element id=\"%s\" href=\"#$colours\" gradientUnits=\"userSpaceOnUse\"$places$moved/>\n");

        return "url(#$placed)";
    }

    /** What was asked for since it was last written. */
    public function definitions(): string
    {
        $written = $this->pending === '' ? '' : "<defs>\n$this->pending</defs>\n";
        $this->pending = '';

        return $written;
    }

    /** @param  string  $path  SVG path data of what is seen, and nothing beyond it */
    public function clip(string $path): string
    {
        return $this->defined("<clipPath id=\"%s\"><path d=\"$path\"/></clipPath>\n");
    }

    /** @param  string  $element  with %s for its id */
    private function defined(string $element): string
    {
        if (! isset($this->ids[$element])) {
            $this->ids[$element] = 'paint-'.(count($this->ids) + 1);
            $this->pending .= str_replace('%s', $this->ids[$element], $element);
        }

        return $this->ids[$element];
    }

    private function place(string $which, ?Vec $at): string
    {
        return $at === null ? '' : " x$which=\"{$this->paths->number($at->x)}\" y$which=\"{$this->paths->number($at->y)}\"";
    }

    private function circle(Gradient $gradient): string
    {
        $center = $gradient->from ?? Vec::zero();
        $focus = $gradient->focus;

        return " cx=\"{$this->paths->number($center->x)}\" cy=\"{$this->paths->number($center->y)}\" r=\"{$this->paths->number(
            $gradient->radius ?? 0.0,
        )}\"".($focus === null ? '' : " fx=\"{$this->paths->number($focus->x)}\" fy=\"{$this->paths->number($focus->y)}\"");
    }
}
