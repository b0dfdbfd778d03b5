<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Rectangles;
use Sternbild\Core\Pixel\PaintedCells;
use Sternbild\Core\Plan\Field\PaintOver;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Result\Remedy;
use Sternbild\Core\Shape\Part;

/** What is painted on one grid, whatever steps did so. */
final readonly class PaintedGrid
{
    /** Of one sort on one grid; of more nobody reads each. */
    public const MOST = 8;

    /** Cells of a picture that is looked through. */
    private const MOST_CELLS = 40_000;

    /**
     * @param  array<int, string>  $owners  the step that painted each cell last
     * @param  array<string, string>  $colours  #rrggbb by name, of its cells
     * @param  array<string, string>  $palette  and of all that the plan has
     */
    private function __construct(
        private string $on,
        private Rectangles $grid,
        public PaintedCells $cells,
        private array $owners,
        public array $colours,
        public array $palette,
    ) {
    }

    /** @return list<self> */
    public static function all(Looked $at): array
    {
        $cells = $owners = $colours = [];
        foreach ($at->known as $id => $step) {
            $painted = $step->result instanceof Part ? $step->result->painted : null;
            if ($painted === null || $at->plan->steps[$id]->hidden) {
                continue;
            }
            $cells[$painted->grid] = array_filter(
                $painted->cells + ($cells[$painted->grid] ?? []),
                static fn (string $name): bool => $name !== 'none',
            );
            $owners[$painted->grid] = array_fill_keys(array_keys($painted->cells), $id) + ($owners[$painted->grid] ?? []);
            $colours[$painted->grid] = $painted->colours + ($colours[$painted->grid] ?? []);
        }
        $all = [];
        foreach ($cells as $on => $those) {
            $grid = ($at->known[$on] ?? null)?->result;
            if ($grid instanceof Rectangles && $those !== [] && count($those) <= self::MOST_CELLS) {
                $all[] = new self(
                    (string) $on,
                    $grid,
                    new PaintedCells($grid->size()[0], $grid->size()[1], $those),
                    $owners[$on],
                    $colours[$on],
                    $at->plan->palette,
                );
            }
        }

        return $all;
    }

    /** The step that painted a cell. */
    public function owner(int $cell): string
    {
        return $this->owners[$cell];
    }

    /** A finding where a cell lies. */
    public function at(int $cell, Finding $finding): Finding
    {
        [$x, $y] = $this->placed($cell);
        $at = $this->grid->placeAt($x + 0.5, $y + 0.5);
        $beside = $this->grid->placeAt($x + 1.5, $y + 0.5);

        return $finding->at(new Vec($at->x, $at->y), $at->distanceTo($beside));
    }

    /** @param  array<int, string>  $put  names of colours by cell */
    public function painting(string $label, array $put): Remedy
    {
        $cells = [];
        foreach ($put as $cell => $name) {
            [$x, $y] = $this->placed($cell);
            $cells[$name] = PaintOver::over([$name => $cells[$name] ?? ''], [$name => ($x + 1).','.($y + 1)], 0)[$name];
        }

        return new Remedy($label, [
            ['op' => 'paint', 'kind' => 'paint', 'field' => 'cells', 'on' => $this->on, 'cells' => $cells, 'along' => 0],
        ]);
    }

    public function named(int $cell): string
    {
        [$x, $y] = $this->placed($cell);

        return 'column '.($x + 1).', row '.($y + 1);
    }

    /** @return array{int, int} column and row, from 0 */
    public function placed(int $cell): array
    {
        return [$cell % $this->cells->columns, intdiv($cell, $this->cells->columns)];
    }
}
