<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Overlay;
use Sternbild\Core\Plan\Numerals;
use Sternbild\Core\Result\Finding;

/** Cells that are too thin to be printed or cut. */
final class Slivers extends Check
{
    public function tells(): array
    {
        return [
            Sort::warning('sliver', 'cells that are too thin'),
        ];
    }

    public function looksAt(): Subject
    {
        return Subject::Steps;
    }

    public function limits(): array
    {
        return [Limit::sliver()];
    }

    public function look(Looked $at): array
    {
        $unit = $at->plan->unit->value;
        $limit = $at->limit('checks.sliver');
        $findings = [];
        foreach ($at->known as $id => $step) {
            array_push($findings, ...match (true) {
                $step->result instanceof Overlay => $this->in($id, $step->result, $limit, $unit),
                $step->result instanceof Grid => $this->inGrid($id, $step->result, $limit, $unit),
                default => [],
            });
        }

        return $findings;
    }

    /** @return list<Finding> one for all of them, at the thinnest */
    private function in(string $id, Overlay $overlay, float $limit, string $unit): array
    {
        $thin = $overlay->arrangement()->thinnerThan($limit);
        if ($thin === []) {
            return [];
        }
        asort($thin);
        $face = (int) array_key_first($thin);
        $count = count($thin);

        return [
            $this->found(
                'sliver',
                $id,
                sprintf(
                    $count === 1
                        ? 'a cell is only about %2$s %4$s wide, less than %3$s %4$s'
                        : '%1$d cells are thinner than %3$s %4$s, the thinnest only about %2$s %4$s wide',
                    $count,
                    self::short($thin[$face]),
                    self::short($limit),
                    $unit,
                ),
            )->at($overlay->arrangement()->placeInside($face), $thin[$face]),
        ];
    }

    /** @return list<Finding> */
    private function inGrid(string $id, Grid $grid, float $limit, string $unit): array
    {
        [$cell, $width] = $grid->thinnest();
        if ($width >= $limit) {
            return [];
        }

        return [$this->found('sliver', $id, sprintf(
            'its thinnest cells are only about %s %s wide, less than %s %2$s', self::short($width), $unit, self::short($limit),
        ))->at($grid->cellOutlines($cell)[0]->bounds()->center(), $width)];
    }

    private static function short(float $length): string
    {
        return Numerals::plain((float) sprintf('%.3g', $length));
    }
}
