<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Grid\Tiling;

/** Cells of one or more grids and overlays, found by their addresses. */
final readonly class CellPick
{
    /** @param  array<string, list<int>>  $cells cell numbers by the id of their grid
     * @param  array<string, Evaluated>  $grids
     */
    public function __construct(public array $cells, private array $grids)
    {
    }

    public function tiling(string $id): Tiling
    {
        $result = $this->grids[$id]->result;

        return $result instanceof Tiling ? $result : throw new \LogicException("$id has no cells.");
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
