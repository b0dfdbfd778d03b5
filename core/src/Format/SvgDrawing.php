<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Evaluation\DrawnPart;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Paint\PatternFill;
use Sternbild\Core\Paint\Style;
use Sternbild\Core\Plan\Unit;
use Sternbild\Core\Seam\Stroke;
use Sternbild\Core\Shape\Figure;

/** A scene as an SVG 2 document: one path a figure, attributes only where they differ from what SVG takes anyway. */
final readonly class SvgDrawing
{
    /** An opacity shows in steps of a 255th at best. */
    private const OPACITY_DECIMALS = 4;

    /** Pixels to both sides that fill what an edge runs through, and what rounds it. */
    private const FILLS = 1.5;

    /** Of a tile's size, so that nothing is left over after many of them. */
    private const TILE_DECIMALS = 12;

    /** Of outlines in pixels that are written one by one: they are rounded to 256ths there, and equal ones have to be so alike. */
    private const PIXEL_DECIMALS = 8;

    private PathData $paths;

    private SvgPaint $paint;

    private SvgCells $cells;

    /** Copies of one shape beyond which they are written as uses of it. */
    private const MANY = 500;

    /**
     * @param  bool  $withGrids  keeps grids and guides, as hairlines over the drawing
     * @param  bool  $sharesShapes  writes copies as uses of one shape, however few they are
     * @param  Square|null  $square  shows only some parts, on a square of their own
     * @param  bool  $isExact  leaves out what is drawn under the edges of neighbours
     * @param  float  $scale  at which it will be looked at, where that is known, output pixels to a CSS pixel
     */
    private function __construct(
        private Scene $scene,
        private bool $withGrids,
        private bool $sharesShapes,
        private ?Square $square = null,
        private float $scale = 1.0,
        private bool $isExact = false,
        ?int $decimals = null,
    ) {
        $this->paths = new PathData($decimals ?? $scene->plan->tolerance()->decimals);
        $this->paint = new SvgPaint($this->paths, $this->matrix(...));
        $this->cells = new SvgCells(fn (array $figures, string $id): string => $this->figures($figures, $id, false));
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

    /** A tile of a pattern: what a cell shows is written once. */
    public static function writeTile(Scene $scene, Tile $tile): string
    {
        return (new self($scene, false, true))->tile($tile);
    }

    /**
     * The same to make a picture of, so many pixels wide and high: every outline by itself, in pixels.
     *
     * `rsvg-convert` takes the numbers of attributes as 32-bit floats and those of paths as 64-bit ones; only of the latter equal copies
     * come to equal pixels.
     *
     * @param  array{int, int}  $pixels
     */
    public static function writeTileInPixels(Scene $scene, Tile $tile, array $pixels): string
    {
        return (new self($scene, false, false, decimals: self::PIXEL_DECIMALS))->tileInPixels($tile, $pixels);
    }

    private function tile(Tile $tile): string
    {
        $unit = $this->scene->plan->unit === Unit::Px ? '' : $this->scene->plan->unit->value;
        [$x, $y, $wide, $high] = array_map(static fn (float $one): string => PathData::written($one, self::TILE_DECIMALS), [
            $tile->origin->x,
            $tile->origin->y,
            $tile->width,
            $tile->height,
        ]);
        $strokes = [];
        $content = '';
        foreach ($tile->patterns as $drawn) {
            $range = $tile->rangeOf($drawn);
            $content .= $this->cells->of($drawn, $range);
            array_push(
                $strokes,
                ...$this->scene->seamsInCells(
                    $drawn,
                    $tile->latticeOf($drawn),
                    $range,
                    $this->scene->fills($this->scale),
                    Affine::identity(),
                ),
            );
        }

        return $this->opened(
            "width=\"$wide$unit\" height=\"$high$unit\" viewBox=\"$x $y $wide $high\"",
            "x=\"$x\" y=\"$y\" width=\"$wide\" height=\"$high\"",
        ).
            $this->strokes($strokes).
            "$content</svg>\n";
    }

    /** @param  array{int, int}  $pixels */
    private function tileInPixels(Tile $tile, array $pixels): string
    {
        [$wide, $high] = $pixels;
        $map = Affine::move($tile->origin->times(-1.0))->then(Affine::scaling($wide / $tile->width, $high / $tile->height, Vec::zero()));
        $strokes = [];
        $content = '';
        foreach ($tile->patterns as $drawn) {
            $range = $tile->rangeOf($drawn);
            foreach ($this->scene->seamsInCells($drawn, $tile->latticeOf($drawn), $range, self::FILLS, $map) as $stroke) {
                array_push($strokes, ...$stroke->spelt());
            }
            $content .= $this->inPixels($drawn, $range, $map);
        }

        return $this->opened("width=\"$wide\" height=\"$high\"", "width=\"$wide\" height=\"$high\"").
            $this->strokes($strokes).
            "$content</svg>\n";
    }

    /**
     * Every copy of a pattern in some cells by itself, in pixels.
     *
     * @param  array{int, int, int, int}  $range
     */
    private function inPixels(DrawnPart $drawn, array $range, Affine $map): string
    {
        $spread = $drawn->part->spread ?? throw new \LogicException('A tile is made of patterns.');
        $ways = array_map(static fn (Vec $way): Vec => $map->apply($way)->minus($map->apply(Vec::zero())), $spread->ways($range));
        $svg = '';
        $before = 0;
        foreach ($spread->blocks() as $block) {
            $written = [];
            foreach ($block as $number => $figure) {
                $style = $drawn->styles[$before + $number]?->sized($map->scale());
                array_push(
                    $written,
                    ...$style === null
                        ? []
                        : [
                            [
                                $figure->mapped($map),
                                $style,
                                self::isPlain($style) ? new MovedPath($figure->mapped($map)->outlines()) : null,
                            ],
                        ],
                );
            }
            foreach ($ways as $way) {
                foreach ($written as [$figure, $style, $path]) {
                    $look = $path === null ? '' : $this->inherited($style, Affine::identity()).self::own($style);
                    $moved = $path === null ? $figure->mapped(Affine::move($way)) : $figure;
                    $svg .=
                        $path === null
                            ? $this->figure($moved, $style, '', $this->inherited($style, $moved->map))
                            : "<path$look d=\"{$path->at($way)}\"/>\n";
                }
            }
            $before += count($block);
        }

        return $svg;
    }

    /** How a document begins: with its size, and its ground in a box. */
    private function opened(string $size, string $box, bool $withGround = true): string
    {
        $background = $withGround ? $this->scene->background() : null;

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" $size{$this->isolation()}>\n".
            ($background === null ? '' : "<rect $box fill=\"$background\"/>\n");
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

        return $this->isExact ? '' : $this->strokes($this->scene->seams($scale, $square === null ? null : $square->shows(...)));
    }

    /** @param  list<Stroke>  $strokes */
    private function strokes(array $strokes): string
    {
        // Hidden as they are, they need not be exact.
        $paths = new PathData(max(1, $this->scene->plan->tolerance()->decimals - 2));
        $svg = '';
        foreach ($strokes as $number => $stroke) {
            $path = implode('', array_map($paths->ofWay(...), $stroke->runs));
            $id = $stroke->lattice === null ? '' : ' id="seam-'.($number + 1).'"';
            $line =
                "<path$id stroke=\"$stroke->colour\" stroke-width=\"{$paths->number(2 * $stroke->reach)}\"".
                ($stroke->isRound ? ' stroke-linecap="round"' : '').
                " d=\"$path\"/>\n";
            $svg .=
                $stroke->lattice === null
                    ? $line
                    : "<defs>$line</defs>\n".$this->cells->rows('seam-'.($number + 1), $stroke->lattice, $stroke->range);
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

        return $this->opened(
            "width=\"$width$unit\" height=\"$height$unit\" viewBox=\"0 0 $width $height\"",
            "width=\"$width\" height=\"$height\"",
        );
    }

    private function square(Square $square): string
    {
        [$x, $y, $side] = array_map($this->paths->number(...), [$square->left, $square->top, $square->side]);

        return $this->opened(
            "width=\"$square->pixels\" height=\"$square->pixels\" viewBox=\"$x $y $side $side\"",
            "x=\"$x\" y=\"$y\" width=\"$side\" height=\"$side\"",
            $square->withGround,
        );
    }

    private function part(DrawnPart $drawn, string $id): string
    {
        if ($drawn->part->spread !== null && ($this->sharesShapes || $drawn->part->count() > self::MANY)) {
            return $drawn->looks() === [] ? '' : "<g id=\"$id\">\n{$this->cells->of($drawn, $drawn->part->spread->range)}</g>\n";
        }
        $figures = iterator_to_array($drawn->styled(), false);
        if ($figures === []) {
            return '';
        }
        if ($drawn->part->count() === 1) {
            [$figure, $style] = $figures[0];

            return $this->figure($figure, $style, " id=\"$id\"", $this->inherited($style, $figure->map));
        }
        $looks = array_map(
            fn (array $one): ?string => self::isPlain($one[1]) ? $this->inherited($one[1], Affine::identity()) : null,
            $figures,
        );
        $shared = count(array_unique($looks)) === 1 ? $looks[0] ?? '' : '';

        return "<g id=\"$id\"$shared>\n{$this->figures($figures, $id, $shared !== '')}</g>\n";
    }

    /** Whether all of it can be said of a group. */
    private static function isPlain(Style $style): bool
    {
        return $style->gradient === null && $style->strokeGradient === null && $style->pattern === null;
    }

    /**
     * @param  list<array{Figure, Style}>  $figures  from back to front
     * @param  string  $id  that shapes of theirs are called after
     * @param  bool  $isSaid  whether the group around them says how all of them look
     */
    private function figures(array $figures, string $id, bool $isSaid): string
    {
        $many = $this->shapesOfMany($figures);
        $defined = [];
        $svg = '';
        foreach ($figures as [$figure, $style]) {
            $look = fn (Affine $map): string => $isSaid ? '' : $this->inherited($style, $map);
            $shape = spl_object_id($figure->shape);
            // What is enlarged by a map has its stroke enlarged as well; there the outline is spelt out.
            if (
                ! isset($many[$shape]) ||
                $style->pattern !== null ||
                $style->gradient?->sort === 'along' ||
                ($style->stroke !== 'none' && ! ($figure->map->isSimilarity() && abs($figure->map->scale() - 1.0) < 1e-9))
            ) {
                $svg .= $this->figure($figure, $style, '', $look($figure->map));

                continue;
            }
            if (! isset($defined[$shape])) {
                $defined[$shape] = "$id-shape-".(count($defined) + 1);
                $svg .= "<defs><path id=\"{$defined[$shape]}\" d=\"{$this->paths->ofOutlines($figure->shape->outlines)}\"/></defs>\n";
            }
            $used = $look(Affine::identity()).self::own($style);
            $svg .=
                $this->paint->definitions().
                "<use$used href=\"#{$defined[$shape]}\"".
                ($figure->map->isIdentity() ? '' : ' transform="matrix('.implode(' ', $this->matrix($figure->map)).')"').
                "/>\n";
        }

        return $svg;
    }

    /**
     * @param  list<array{Figure, Style}>  $figures
     * @return array<int, true> shapes that are written once and used again, by object id
     */
    private function shapesOfMany(array $figures): array
    {
        $counts = [];
        foreach ($figures as [$figure]) {
            $shape = spl_object_id($figure->shape);
            $counts[$shape] = ($counts[$shape] ?? 0) + 1;
        }

        return array_map(
            static fn (): bool => true,
            array_filter($counts, fn (int $count): bool => $count > ($this->sharesShapes ? 1 : self::MANY)),
        );
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
        if ($style->pattern !== null) {
            return $this->filled($figure, $style, $style->pattern, $path, $id, $look);
        }
        $gradient = $style->gradient;
        if ($gradient === null || $gradient->sort !== 'along') {
            return $this->paint->definitions()."<path$id$look".self::own($style)." d=\"$path\"/>\n";
        }
        // Along a way: lines across it, cut off at the outline; a stroke goes over them.
        $clip = $this->paint->clip($path);
        $svg =
            $this->paint->definitions().
            "<g$id".
            self::own($style).
            "><g clip-path=\"url(#$clip)\"><g fill=\"none\" stroke-width=\"{$this->paths->number(
                $gradient->wide,
            )}\" stroke-miterlimit=\"40\"".
            ($figure->map->isIdentity() ? '' : ' transform="matrix('.implode(' ', $this->matrix($figure->map)).')"').
            ">\n<path fill=\"$style->fill\" d=\"{$this->paths->ofOutlines($figure->shape->outlines)}\"/>\n";
        foreach ($gradient->stretches as [$curves, $colour]) {
            $svg .= "<path stroke=\"$colour\" d=\"{$this->paths->ofWay($curves)}\"/>\n";
        }

        return "$svg</g></g>".($style->stroke === 'none' ? '' : "<path$look d=\"$path\"/>")."</g>\n";
    }

    /** A pattern inside an outline; a stroke goes over it. */
    private function filled(Figure $figure, Style $style, PatternFill $pattern, string $path, string $id, string $look): string
    {
        $map = $pattern->map->then($figure->map);
        $clip = $this->paint->clip($path);
        $svg =
            $this->paint->definitions().
            "<g$id".
            self::own($style).
            "><g clip-path=\"url(#$clip)\"><g transform=\"matrix(".
            implode(' ', $this->matrix($map)).
            ")\">\n".
            $this->cells->of(
                $this->scene->cells[$pattern->pattern],
                $this->scene->cells[$pattern->pattern]->part->spread?->covering($figure->bounds()->mapped($map->inverse())) ?? [0, 0, 0, 0],
            ).
            '</g></g>';

        return $svg.($style->stroke === 'none' ? '' : "<path$look d=\"$path\"/>")."</g>\n";
    }

    /** What a group hands on to its paths; with gradients as they lie under a map. */
    private function inherited(Style $style, Affine $map): string
    {
        $fill =
            $style->pattern !== null
                ? 'none'
                : ($style->gradient === null
                    ? $style->fill
                    : ($style->gradient->sort === 'along'
                        ? 'none'
                        : $this->paint->of($style->gradient, $map)));
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
