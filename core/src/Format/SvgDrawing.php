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
use Sternbild\Core\Shape\Figure;

/** A scene as an SVG 2 document: one path a figure, attributes only where they differ from what SVG takes anyway. */
final readonly class SvgDrawing
{
    /** An opacity shows in steps of a 255th at best. */
    private const OPACITY_DECIMALS = 4;

    private PathData $paths;

    private SvgPaint $paint;

    /** Copies of one shape beyond which they are written as uses of it. */
    private const MANY = 500;

    /**
     * @param  bool  $withGrids  keeps grids and guides, as hairlines over the drawing
     * @param  bool  $sharesShapes  writes copies as uses of one shape, however few they are
     * @param  Square|null  $square  shows only some parts, on a square of their own
     * @param  bool  $isExact  leaves out what is drawn under the edges of neighbours
     * @param  float  $scale  at which it will be looked at, where that is known, output pixels to a CSS pixel
     */
    private function __construct(private Scene $scene, private bool $withGrids, private bool $sharesShapes, private ?Square $square = null, private float $scale = 1.0, private bool $isExact = false)
    {
        $this->paths = new PathData($scene->plan->tolerance()->decimals);
        $this->paint = new SvgPaint($this->paths, $this->matrix(...));
    }

    /** @param  float  $scale  at which a picture is made of it, output pixels to a CSS pixel */
    public static function write(Scene $scene, float $scale = 1.0): string
    {
        return (new self($scene, false, false, null, $scale))->document();
    }

    /** Nothing but the outlines as they are, for cutters and plotters. */
    public static function writeExact(Scene $scene): string
    {
        return (new self($scene, false, false, isExact: true))->document();
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
        $svg .= $this->seams();
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

    /** What lies under the edges that neighbours share, so that no hairline shows between them. */
    private function seams(): string
    {
        $square = $this->square;
        $scale = $square === null ? $this->scale : $square->pixels / $square->side / $this->scene->plan->unit->pixels();
        // Hidden as they are, they need not be exact.
        $paths = new PathData(max(1, $this->scene->plan->tolerance()->decimals - 2));
        $svg = '';
        foreach ($this->isExact ? [] : $this->scene->seams($scale, $square === null ? null : $square->shows(...)) as $stroke) {
            $path = implode('', array_map($paths->ofWay(...), $stroke->runs));
            $svg .= "<path stroke=\"$stroke->colour\" stroke-width=\"{$paths->number(2 * $stroke->reach)}\"".($stroke->isRound ? ' stroke-linecap="round"' : '')." d=\"$path\"/>\n";
        }

        return $svg === '' ? '' : "<g class=\"seams\" fill=\"none\" stroke-linejoin=\"round\">\n$svg</g>\n";
    }

    /** What is blended is so with the drawing only, also where that stands on a page. */
    private function isolation(): string
    {
        foreach ($this->scene->drawing as $drawn) {
            foreach ($drawn->styles as $style) {
                if ($style !== null && $style->blend !== 'normal') {
                    return ' style="isolation:isolate"';
                }
            }
        }

        return '';
    }

    private function sheet(): string
    {
        $plan = $this->scene->plan;
        $width = $this->paths->number($plan->width);
        $height = $this->paths->number($plan->height);
        // Pixels are what SVG takes a bare number for.
        $unit = $plan->unit === Unit::Px ? '' : $plan->unit->value;
        $background = $this->scene->background();

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"$width$unit\" height=\"$height$unit\" viewBox=\"0 0 $width $height\"{$this->isolation()}>\n"
            .($background === null ? '' : "<rect width=\"$width\" height=\"$height\" fill=\"$background\"/>\n");
    }

    private function square(Square $square): string
    {
        [$x, $y, $side] = array_map($this->paths->number(...), [$square->left, $square->top, $square->side]);
        $background = $square->withGround ? $this->scene->background() : null;

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"$square->pixels\" height=\"$square->pixels\" viewBox=\"$x $y $side $side\"{$this->isolation()}>\n"
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
            return $this->figure($figures[0], $styles[0], " id=\"$id\"", $this->inherited($styles[0], $figures[0]->map));
        }
        $hasGradient = static fn (Style $style): bool => $style->gradient !== null || $style->strokeGradient !== null;
        $looks = array_filter(array_map(fn (Style $style): ?string => $hasGradient($style) ? null : $this->inherited($style, Affine::identity()), $styles), is_string(...));
        $shared = count($looks) === count($styles) && count(array_unique($looks)) === 1 ? reset($looks) : '';
        $many = $this->shapesOfMany($drawn);
        $defined = [];
        $svg = "<g id=\"$id\"$shared>\n";
        foreach ($styles as $index => $style) {
            $figure = $figures[$index];
            $look = fn (Affine $map): string => $shared === '' ? $looks[$index] ?? $this->inherited($style, $map) : '';
            $shape = spl_object_id($figure->shape);
            // What is enlarged by a map has its stroke enlarged as well; there the outline is spelt out.
            if (! isset($many[$shape]) || $style->gradient?->sort === 'along' || ($style->stroke !== 'none' && ! ($figure->map->isSimilarity() && abs($figure->map->scale() - 1.0) < 1e-9))) {
                $svg .= $this->figure($figure, $style, '', $look($figure->map));

                continue;
            }
            if (! isset($defined[$shape])) {
                $defined[$shape] = "$id-shape-".(count($defined) + 1);
                $svg .= "<defs><path id=\"{$defined[$shape]}\" d=\"{$this->paths->ofOutlines($figure->shape->outlines)}\"/></defs>\n";
            }
            $used = $look(Affine::identity()).self::own($style);
            $svg .= $this->paint->definitions()."<use$used href=\"#{$defined[$shape]}\"".($figure->map->isIdentity() ? '' : ' transform="matrix('.implode(' ', $this->matrix($figure->map)).')"')."/>\n";
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

    /**
     * One path.
     *
     * @param  string  $id  as an attribute
     * @param  string  $look  attributes that a group could hand on
     */
    private function figure(Figure $figure, Style $style, string $id, string $look): string
    {
        $path = $this->paths->ofOutlines($figure->outlines());
        $gradient = $style->gradient;
        if ($gradient === null || $gradient->sort !== 'along') {
            return $this->paint->definitions()."<path$id$look".self::own($style)." d=\"$path\"/>\n";
        }
        // Along a way: lines across it, cut off at the outline; a stroke goes over them.
        $clip = $this->paint->clip($path);
        $svg = $this->paint->definitions()."<g$id".self::own($style)."><g clip-path=\"url(#$clip)\"><g fill=\"none\" stroke-width=\"{$this->paths->number($gradient->wide)}\" stroke-miterlimit=\"40\""
            .($figure->map->isIdentity() ? '' : ' transform="matrix('.implode(' ', $this->matrix($figure->map)).')"').">\n<path fill=\"$style->fill\" d=\"{$this->paths->ofOutlines($figure->shape->outlines)}\"/>\n";
        foreach ($gradient->stretches as [$curves, $colour]) {
            $svg .= "<path stroke=\"$colour\" d=\"{$this->paths->ofWay($curves)}\"/>\n";
        }

        return "$svg</g></g>".($style->stroke === 'none' ? '' : "<path$look d=\"$path\"/>")."</g>\n";
    }

    /** What a group hands on to its paths; with gradients as they lie under a map. */
    private function inherited(Style $style, Affine $map): string
    {
        $fill = $style->gradient === null ? $style->fill : ($style->gradient->sort === 'along' ? 'none' : $this->paint->of($style->gradient, $map));
        $stroke = $style->strokeGradient === null ? $style->stroke : $this->paint->of($style->strokeGradient, $map);
        $attributes = $fill === '#000000' ? '' : " fill=\"$fill\"";
        if ($style->stroke === 'none') {
            return $attributes;
        }
        $attributes .= " stroke=\"$stroke\"";
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
