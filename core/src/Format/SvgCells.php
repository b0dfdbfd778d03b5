<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Evaluation\DrawnPart;
use Sternbild\Core\Geometry\Lattice;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Paint\Style;
use Sternbild\Core\Shape\Figure;

/** Patterns in an SVG document: what a cell shows is written once, a row is so many uses of it, and the pattern so many uses of a row. */
final class SvgCells
{
    /** @var array<string, true> ids of what has been written */
    private array $written = [];

    /** Of ways from cell to cell: what is left over adds up. */
    private const DECIMALS = 10;

    /**
     * @param  \Closure(list<array{Figure, Style}>, string): string  $figures  writes figures with their looks, their shapes called after an
     *   id
     */
    public function __construct(private readonly \Closure $figures)
    {
    }

    /** @param  array{int, int, int, int}  $range  of the cells that are shown */
    public function of(DrawnPart $drawn, array $range): string
    {
        $spread = $drawn->part->spread ?? throw new \LogicException('Cells are those of what is spread over them.');
        $svg = '';
        $before = 0;
        foreach ($spread->blocks() as $number => $block) {
            $cell = "$drawn->id-cell-".($number + 1);
            if (! isset($this->written[$cell])) {
                $this->written[$cell] = true;
                $figures = [];
                foreach ($block as $place => $figure) {
                    $style = $drawn->styles[$before + $place];
                    array_push($figures, ...($style === null ? [] : [[$figure, $style]]));
                }
                $svg .= "<defs><g id=\"$cell\">\n".($this->figures)($figures, $cell)."</g></defs>\n";
            }
            $before += count($block);
            $svg .= $this->rows($cell, $spread->lattice, $range);
        }

        return $svg;
    }

    /**
     * Uses of what is defined for one cell.
     *
     * @param  array{int, int, int, int}  $range
     */
    public function rows(string $cell, Lattice $lattice, array $range): string
    {
        [$first, $last, $top, $bottom] = $range;
        $row = "$cell-$first-$last";
        $svg = isset($this->written[$row]) ? '' : "<defs><g id=\"$row\">\n".self::uses($cell, $lattice->a, $first, $last)."</g></defs>\n";
        $this->written[$row] = true;

        return $svg.self::uses($row, $lattice->b, $top, $bottom);
    }

    private static function uses(string $id, Vec $way, int $first, int $last): string
    {
        $svg = '';
        for ($k = $first; $k <= $last; $k++) {
            [$x, $y] = [PathData::written($way->x * $k, self::DECIMALS), PathData::written($way->y * $k, self::DECIMALS)];
            $svg .= "<use href=\"#$id\"".($x === '0' ? '' : " x=\"$x\"").($y === '0' ? '' : " y=\"$y\"")."/>\n";
        }

        return $svg;
    }
}
