<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Rectangles;
use Sternbild\Core\Plan\Numerals;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Result\Remedy;

/** Rectangular cells that were probably meant to be square. */
final class AlmostSquare extends Check
{
    /** Sides that differ by less than this share look alike. */
    private const ALIKE = 0.02;

    /** And by less than this they are. */
    private const SAME = 1e-9;

    public function tells(): array
    {
        return [
            Sort::note('almost-square', 'cells of a rectangular grid within 2 % of a square', 'made square'),
        ];
    }

    public function looksAt(): Subject
    {
        return Subject::Steps;
    }

    public function look(Looked $at): array
    {
        $findings = [];
        foreach ($at->known as $id => $known) {
            $step = $at->plan->steps[$id];
            if ($known->result instanceof Rectangles) {
                array_push($findings, ...$this->in($step, $known->result, $at->plan->unit->value));
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private function in(Step $step, Rectangles $grid, string $unit): array
    {
        ['cellw' => $width, 'cellh' => $height] = $grid->quantities();
        $off = abs($width - $height) / max($width, $height);
        if ($off <= self::SAME || $off >= self::ALIKE) {
            return [];
        }
        $finding = $this->found('almost-square', $step->id, sprintf(
            'its cells are almost square, %s × %s %s', Numerals::plain($width), Numerals::plain($height), $unit,
        ))->at($grid->cellOutlines(0)[0]->bounds()->center(), abs($width - $height));
        $cell = $step->raw('cell');
        $side = min($width, $height);
        if (is_array($cell) && count($cell) === 2 && $step->raw('subdivisions') === null) {
            $square = $width < $height ? [$cell[0], $cell[0]] : [$cell[1], $cell[1]];

            return [
                $finding->with(new Remedy('Make them square', [['op' => 'set', 'id' => $step->id, 'field' => 'cell', 'value' => $square]])),
            ];
        }
        $grown = self::sizeFor($grid, new Vec($side / $width, $side / $height), $step);

        return [
            $grown === null
                ? $finding
                : $finding->with(
                    new Remedy('Make them square', [['op' => 'set', 'id' => $step->id, 'field' => 'size', 'value' => $grown]]),
                ),
        ];
    }

    /**
     * @return array{float, float}|null the size of the whole grid with cells that are scaled so; null where gutters make it more than that
     */
    private static function sizeFor(Rectangles $grid, Vec $scale, Step $step): ?array
    {
        if (
            $step->raw('size') === null ||
            $step->raw('gutter') !== null ||
            (float) (is_numeric($step->raw('angle')) ? $step->raw('angle') : 0) !== 0.0
        ) {
            return null;
        }
        $mesh = $grid->mesh();

        return [(max(0.0, ...$mesh->x) - min($mesh->x ?: [0.0])) * $scale->x, (max(0.0, ...$mesh->y) - min($mesh->y ?: [0.0])) * $scale->y];
    }
}
