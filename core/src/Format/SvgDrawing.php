<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Evaluation\DrawnPart;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Paint\Style;
use Sternbild\Core\Plan\Unit;

/** A scene as an SVG 2 document: one path a figure, attributes only where they differ from what SVG takes anyway. */
final readonly class SvgDrawing
{
    /** An opacity shows in steps of a 255th at best. */
    private const OPACITY_DECIMALS = 4;

    private PathData $paths;

    /** Copies of one shape beyond which they are written as uses of it. */
    private const MANY = 500;

    /**
     * @param  bool  $withGrids  keeps grids and guides, as hairlines over the drawing
     * @param  bool  $sharesShapes  writes copies as uses of one shape, however few they are
     * @param  Square|null  $square  shows only some parts, on a square of their own
     */
    private function __construct(private Scene $scene, private bool $withGrids, private bool $sharesShapes, private ?Square $square = null)
    {
        $this->paths = new PathData($scene->plan->tolerance()->decimals);
    }

    public static function write(Scene $scene): string
    {
        return (new self($scene, false, false))->document();
    }

    public static function writeWithGrids(Scene $scene): string
    {
        return (new self($scene, true, false))->document();
    }

    /** Copies as uses of one shape: smaller, for programs that read them. */
    public static function writeWithUses(Scene $scene): string
    {
        return (new self($scene, false, true))->document();
    }

    /** Some of the parts on a square of their own, so many pixels wide. */
    public static function writeSquare(Scene $scene, Square $square): string
    {
        return (new self($scene, false, false, $square))->document();
    }

    private function document(): string
    {
        $svg = $this->square === null ? $this->sheet() : $this->square($this->square);
        $ids = $this->ids();
        foreach ($this->scene->drawing as $drawn) {
            $svg .= $this->square === null || $this->square->shows($drawn->id) ? $this->part($drawn, $ids[$drawn->id]) : '';
        }
        if ($this->withGrids) {
            foreach ([...$this->scene->grids(), ...$this->scene->guides()] as $id => $lines) {
                if ($this->scene->isShown($id)) {
                    $svg .= $this->hairlines($lines instanceof Grid ? $lines->lines() : $lines->curves(), $ids[$id]);
                }
            }
        }

        return $svg."</svg>\n";
    }

    private function sheet(): string
    {
        $plan = $this->scene->plan;
        $width = $this->paths->number($plan->width);
        $height = $this->paths->number($plan->height);
        // Pixels are what SVG takes a bare number for.
        $unit = $plan->unit === Unit::Px ? '' : $plan->unit->value;
        $background = $this->scene->background();

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"$width$unit\" height=\"$height$unit\" viewBox=\"0 0 $width $height\">\n"
            .($background === null ? '' : "<rect width=\"$width\" height=\"$height\" fill=\"$background\"/>\n");
    }

    private function square(Square $square): string
    {
        [$x, $y, $side] = array_map($this->paths->number(...), [$square->left, $square->top, $square->side]);
        $background = $square->withGround ? $this->scene->background() : null;

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"$square->pixels\" height=\"$square->pixels\" viewBox=\"$x $y $side $side\">\n"
            .($background === null ? '' : "<rect x=\"$x\" y=\"$y\" width=\"$side\" height=\"$side\" fill=\"$background\"/>\n");
    }

    private function part(DrawnPart $drawn, string $id): string
    {
        $styles = array_filter($drawn->styles);
        if ($styles === []) {
            return '';
        }
        $figures = $drawn->part->figures;
        if (count($figures) === 1) {
            return "<path id=\"$id\"".$this->inherited($styles[0]).self::own($styles[0])." d=\"{$this->paths->ofOutlines($figures[0]->outlines())}\"/>\n";
        }
        $looks = array_map($this->inherited(...), $styles);
        $shared = count(array_unique($looks)) === 1 ? reset($looks) : '';
        $many = $this->shapesOfMany($drawn);
        $defined = [];
        $svg = "<g id=\"$id\"$shared>\n";
        foreach ($styles as $index => $style) {
            $figure = $figures[$index];
            $look = ($shared === '' ? $looks[$index] : '').self::own($style);
            $shape = spl_object_id($figure->shape);
            // What is enlarged by a map has its stroke enlarged as well; there the outline is spelt out.
            if (! isset($many[$shape]) || ($style->stroke !== 'none' && ! ($figure->map->isSimilarity() && abs($figure->map->scale() - 1.0) < 1e-9))) {
                $svg .= "<path$look d=\"{$this->paths->ofOutlines($figure->outlines())}\"/>\n";

                continue;
            }
            if (! isset($defined[$shape])) {
                $defined[$shape] = "$id-shape-".(count($defined) + 1);
                $svg .= "<defs><path id=\"{$defined[$shape]}\" d=\"{$this->paths->ofOutlines($figure->shape->outlines)}\"/></defs>\n";
            }
            $svg .= "<use$look href=\"#{$defined[$shape]}\"".($figure->map->isIdentity() ? '' : ' transform="matrix('.implode(' ', $this->matrix($figure->map)).')"')."/>\n";
        }

        return $svg."</g>\n";
    }

    /** @return array<int, true> shapes that are written once and used again, by object id */
    private function shapesOfMany(DrawnPart $drawn): array
    {
        $counts = [];
        foreach ($drawn->part->figures as $figure) {
            $shape = spl_object_id($figure->shape);
            $counts[$shape] = ($counts[$shape] ?? 0) + 1;
        }

        return array_map(static fn (): bool => true, array_filter($counts, fn (int $count): bool => $count > ($this->sharesShapes ? 1 : self::MANY)));
    }

    /** @return list<string> its turning and sizing part with digits for as far as the sheet reaches */
    private function matrix(Affine $map): array
    {
        $plan = $this->scene->plan;
        $decimals = $plan->tolerance()->decimals;
        $fine = min(12, $decimals + (int) ceil(log10(max($plan->width, $plan->height, 10.0))));
        [$a, $b, $c, $d, $e, $f] = $map->toArray();

        return [
            ...array_map(static fn (float $one): string => PathData::written($one, $fine), [$a, $b, $c, $d]),
            ...array_map(static fn (float $one): string => PathData::written($one, $decimals), [$e, $f]),
        ];
    }

    /** @param  list<Curve>  $curves */
    private function hairlines(array $curves, string $id): string
    {
        $plan = $this->scene->plan;
        $hairline = $this->paths->number(max($plan->width, $plan->height) / 1600);

        return "<path id=\"$id\" fill=\"none\" stroke=\"#1b2140\" stroke-opacity=\".4\" stroke-width=\"$hairline\" d=\"{$this->paths->ofCurves($curves)}\"/>\n";
    }

    /** What a group hands on to its paths. */
    private function inherited(Style $style): string
    {
        $attributes = $style->fill === '#000000' ? '' : " fill=\"$style->fill\"";
        if ($style->stroke === 'none') {
            return $attributes;
        }
        $attributes .= " stroke=\"$style->stroke\"";
        if ($style->strokeWidth !== 1.0) {
            $attributes .= " stroke-width=\"{$this->paths->number($style->strokeWidth)}\"";
        }
        if ($style->join !== 'miter') {
            $attributes .= " stroke-linejoin=\"$style->join\"";
        }
        if ($style->cap !== 'butt') {
            $attributes .= " stroke-linecap=\"$style->cap\"";
        }
        if ($style->dash !== []) {
            $attributes .= ' stroke-dasharray="'.implode(' ', array_map($this->paths->number(...), $style->dash)).'"';
        }

        return $attributes;
    }

    /** What would mean something else on a group. */
    private static function own(Style $style): string
    {
        return ($style->opacity === 1.0 ? '' : ' opacity="'.PathData::written($style->opacity, self::OPACITY_DECIMALS).'"')
            .($style->blend === 'normal' ? '' : " style=\"mix-blend-mode:$style->blend\"");
    }

    /**
     * Names fit for an id, each once.
     *
     * @return array<string, string> by step id
     */
    private function ids(): array
    {
        $ids = [];
        $taken = [];
        foreach ($this->scene->plan->steps as $step) {
            $name = trim((string) preg_replace('/[^\p{L}\p{N}]+/u', '-', mb_strtolower($step->name ?? '')), '-');
            $id = $name === '' || preg_match('/^\p{L}/u', $name) !== 1 ? $step->id : $name;
            $ids[$step->id] = isset($taken[$id]) || (isset($this->scene->plan->steps[$id]) && $id !== $step->id) ? $step->id : $id;
            $taken[$ids[$step->id]] = true;
        }

        return $ids;
    }
}
