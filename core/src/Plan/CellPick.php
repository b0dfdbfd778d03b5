<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Grid\Grid;

/** Cells of one or more grids, found by their addresses. */
final readonly class CellPick
{
    /** @param  array<string, list<int>>  $cells cell numbers by the id of their grid
     * @param  array<string, Known>  $grids
     */
    public function __construct(public array $cells, private array $grids)
    {
    }

    public function grid(string $id): Grid
    {
        $result = $this->grids[$id]->result;

        return $result instanceof Grid ? $result : throw new \LogicException("$id is not a grid.");
    }

    public function fingerprint(): string
    {
        $text = '';
        foreach ($this->cells as $id => $cells) {
            $text .= $id.':'.$this->grids[$id]->hash.'#'.implode(' ', $cells).';';
        }

        return $text;
    }
}
