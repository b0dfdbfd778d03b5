<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

/** Painted cells with some more over them, both as plans write them: by colour, in runs. */
final class PaintOver
{
    /**
     * @param  array<string, string>  $painted  addresses by colour
     * @param  array<string, string>  $over  of which each cell has one colour
     * @param  int  $along  the coordinate that runs go along, 0 or 1
     * @return array<string, string> of which every cell has one colour
     */
    public static function over(array $painted, array $over, int $along): array
    {
        $gone = $rows = [];
        foreach ($over as $colour => $text) {
            foreach (PaintedCellsField::runs($text) as $run) {
                for ($k = 0; $k <= $run[2]; $k++) {
                    $gone[$run[1 - $along]][$run[$along] + $k] = true;
                    $rows[$colour][$run[1 - $along]][$run[$along] + $k] = true;
                }
            }
        }
        $words = [];
        foreach ($painted as $colour => $text) {
            foreach (PaintedCellsField::runs($text) as $run) {
                $row = $run[1 - $along];
                // Most of a large picture is not touched.
                if (! isset($gone[$row])) {
                    $words[$colour][$row][] = self::word($run[0], $run[1], $run[2]);

                    continue;
                }
                for ($k = $run[$along]; $k <= $run[$along] + $run[2]; $k++) {
                    if (! isset($gone[$row][$k])) {
                        $rows[$colour][$row][$k] = true;
                    }
                }
            }
        }
        foreach ($rows as $colour => $those) {
            foreach ($those as $row => $cells) {
                ksort($cells);
                $words[$colour][$row] = self::words(array_keys($cells), $row, $along);
            }
        }

        return array_map(static function (array $rows): string {
            ksort($rows);

            return implode(' ', array_merge(...$rows));
        }, $words);
    }

    /**
     * The same of cells of an overlay, which are told apart by how they are written.
     *
     * @param  array<string, string>  $painted  addresses by colour
     * @param  array<string, string>  $over  of which each cell has one colour
     * @return array<string, string> of which every address has one colour
     */
    public static function onOverlay(array $painted, array $over): array
    {
        $colours = [];
        foreach ([$painted, $over] as $texts) {
            foreach ($texts as $colour => $text) {
                foreach (PaintedCellsField::words($text) as $word) {
                    $colours[$word] = $colour;
                }
            }
        }
        $words = [];
        foreach ($colours as $word => $colour) {
            $words[$colour][] = $word;
        }

        return array_map(static fn (array $those): string => implode(' ', $those), $words);
    }

    /**
     * @param  list<int>  $cells  in order
     * @return list<string>
     */
    public static function words(array $cells, int $row, int $along): array
    {
        return array_map(
            static fn (array $run): string => $along === 0
                ? self::word($run[0], $row, $run[1] - 1)
                : self::word($row, $run[0], $run[1] - 1),
            self::runs($cells),
        );
    }

    /**
     * @param  list<int>  $cells  in order
     * @return list<array{int, int}> the first of every run of them, and how many it has
     */
    public static function runs(array $cells): array
    {
        $runs = [];
        for ($k = 0; $k < count($cells); $k++) {
            $first = $cells[$k];
            while (($cells[$k + 1] ?? null) === $cells[$k] + 1) {
                $k++;
            }
            $runs[] = [$first, $cells[$k] - $first + 1];
        }

        return $runs;
    }

    private static function word(int $first, int $second, int $more): string
    {
        return $first.($second === 0 ? '' : ",$second").($more === 0 ? '' : "+$more");
    }
}
