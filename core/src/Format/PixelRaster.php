<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Rectangles;
use Sternbild\Core\Paint\Compositing;
use Sternbild\Core\Paint\Style;
use Sternbild\Core\Pixel\Frames;
use Sternbild\Core\Plan\Field\PaintOver;
use Sternbild\Core\Plan\Kind\Pixel\FramesKind;
use Sternbild\Core\Plan\Unusable;

/**
 * The painted cells of a grid as an exact picture: one pixel, or a square of them, for every cell. Cells that are not painted are seen
 * through.
 */
final readonly class PixelRaster
{
    /** Colours that a picture with a table of them may have, beside what is seen through. */
    private const MOST_INDEXED = 255;

    /** What is seen through, as bytes of its channels. */
    private const CLEAR = "\0\0\0\0";

    /**
     * @param  int  $wide  and $high in cells
     * @param  array<int, string>  $cells  #rrggbb of every painted one by its number, row by row; #rrggbbaa where something is seen through
     *   it
     */
    private function __construct(public int $wide, public int $high, public array $cells)
    {
    }

    /** Whether a grid is one whose cells can be pixels. */
    public static function isOn(Scene $scene, string $grid): bool
    {
        return ($scene->known[$grid] ?? null)?->result instanceof Rectangles;
    }

    /**
     * @param  string  $grid  the id of its step
     *
     * @throws Unusable where it is no such grid
     */
    public static function of(Scene $scene, string $grid): self
    {
        $pixels = ($scene->known[$grid] ?? null)?->result;
        if (! $pixels instanceof Rectangles) {
            throw Unusable::at("/$grid", 'the id of a pixel or a rectangular grid');
        }
        $cells = [];
        foreach ($scene->drawing as $drawn) {
            $painted = $drawn->part->painted;
            if ($painted === null || $painted->grid !== $grid) {
                continue;
            }
            // Each colour is a figure, which a look may have given another one.
            $looks = [];
            foreach (array_keys($painted->counts()) as $figure => $name) {
                $looks[$name] = $drawn->styles[$figure] ?? null;
            }
            $looks = array_filter($looks, static fn (?Style $style): bool => $style !== null && $style->fill !== 'none');
            $mixed = [];
            foreach ($painted->cells as $cell => $name) {
                $style = $looks[$name] ?? null;
                if ($style?->covers() === true) {
                    $cells[$cell] = $style->fill;
                } elseif ($style !== null) {
                    $under = $cells[$cell] ?? '#00000000';
                    $cells[$cell] = $mixed[$name][$under] ??= Compositing::over($style->fill, $under, $style->opacity, $style->blend);
                }
            }
        }

        return new self(...[...$pixels->size(), $cells]);
    }

    /**
     * The frames that a step parts its grid into, and the picture of that grid as far as they reach.
     *
     * @return array{self, Frames, non-empty-list<self>} the last, frame by frame
     *
     * @throws Unusable where there is no such step, or it came to nothing
     */
    public static function frames(Scene $scene, string $id): array
    {
        $known = $scene->known[$id] ?? null;
        $step = $scene->plan->steps[$id] ?? null;
        $grid = is_string($step?->raw('on')) ? $step->raw('on') : '';
        $frames = $known !== null && $step?->kind instanceof FramesKind ? FramesKind::framesOf($known, $scene->known[$grid] ?? null) : null;
        if ($frames === null) {
            throw Unusable::at("/$id", 'the id of frames on a grid');
        }
        $whole = self::of($scene, $grid);
        [$across, $down] = [0, 0];
        foreach ($frames->corners() as [$column, $row]) {
            [$across, $down] = [max($across, $column + $frames->wide), max($down, $row + $frames->high)];
        }

        return [
            $whole->cut(0, 0, $across, $down),
            $frames,
            array_map(static fn (array $at): self => $whole->cut($at[0], $at[1], $frames->wide, $frames->high), $frames->corners()),
        ];
    }

    /** So many columns and rows of it. */
    public function cut(int $column, int $row, int $wide, int $high): self
    {
        $cells = [];
        foreach ($this->cells as $cell => $colour) {
            [$x, $y] = [$cell % $this->wide - $column, intdiv($cell, $this->wide) - $row];
            if ($x >= 0 && $x < $wide && $y >= 0 && $y < $high) {
                $cells[$y * $wide + $x] = $colour;
            }
        }

        return new self($wide, $high, $cells);
    }

    /** @throws Unusable where a picture would be too large */
    public function hold(int $scale): void
    {
        if ($scale < 1 || max($this->wide, $this->high) * $scale > Raster::LARGEST_SIDE) {
            throw Unusable::at(
                '/scale',
                'a whole number of pixels to a cell, 1 or more, that gives at most '.Raster::LARGEST_SIDE.' a side',
            );
        }
    }

    /**
     * A PNG, with a table of colours where there are few.
     *
     * @param  int  $scale  pixels to a cell's side
     * @param  bool  $mayBeIndexed  whether it may have a table of colours
     *
     * @throws Unusable where the picture would be too large
     */
    public function png(int $scale, bool $mayBeIndexed = true): string
    {
        $this->hold($scale);
        $colours = array_map(strval(...), array_keys(array_count_values($this->cells)));
        $bytes = array_map(static fn (string $colour): string => pack('C4', ...Compositing::bytes($colour)), $colours);
        $table = $mayBeIndexed && count($colours) <= self::MOST_INDEXED ? [self::CLEAR, ...$bytes] : null;
        $numbers = array_map(static fn (int $k): string => chr($k + 1), array_keys($colours));

        return PngChunks::picture(
            max(1, $this->wide * $scale),
            max(1, $this->high * $scale),
            $this->rows(array_combine($colours, $table === null ? $bytes : $numbers), $table === null ? self::CLEAR : "\0", $scale),
            $table,
        );
    }

    /**
     * @param  array<string, string>  $pixels  what stands for one of each colour
     * @return iterable<string> of each line of pixels what stands for it, from the top
     */
    private function rows(array $pixels, string $clear, int $scale): iterable
    {
        $pixels = array_map(static fn (string $pixel): string => str_repeat($pixel, $scale), $pixels);
        $clear = str_repeat($clear, $scale);
        $wide = max(1, $this->wide);
        for ($first = 0, $end = $wide * max(1, $this->high); $first < $end; $first += $wide) {
            $line = '';
            for ($cell = $first; $cell < $first + $wide; $cell++) {
                $line .= isset($this->cells[$cell]) ? $pixels[$this->cells[$cell]] : $clear;
            }
            for ($k = 0; $k < $scale; $k++) {
                yield $line;
            }
        }
    }

    /** An SVG drawing with one path for each colour, a unit for each cell. */
    public function svg(int $scale): string
    {
        $rows = [];
        foreach ($this->cells as $cell => $colour) {
            $rows[$colour][intdiv($cell, $this->wide)][] = $cell % $this->wide;
        }
        $paths = '';
        foreach ($rows as $colour => $those) {
            $path = '';
            ksort($those);
            foreach ($those as $row => $cells) {
                sort($cells);
                foreach (PaintOver::runs($cells) as [$first, $length]) {
                    $path .= "M$first {$row}h{$length}v1h-{$length}z";
                }
            }
            $opacity = strlen($colour) > 7 ? sprintf(' fill-opacity="%.4g"', Compositing::bytes($colour)[3] / 255) : '';
            $paths .= '<path fill="'.substr($colour, 0, 7)."\"$opacity d=\"$path\"/>\n";
        }

        return sprintf("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%d\" height=\"%d\" viewBox=\"0 0 %d %d\" shape-rendering=\"crispEdges\">\n%s</svg>\n", $this->wide * $scale, $this->high * $scale, $this->wide, $this->high, $paths);
    }
}
