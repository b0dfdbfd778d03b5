<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Remedy;

/** Nodes between two lines, or two arcs, that are one. */
final class SpareNodes extends Check
{
    /** Of a radius: by so much arcs of one circle differ. */
    private const SAME = 1e-9;

    public function tells(): array
    {
        return [
            Sort::note('spare-node', 'a node between two lines, or two arcs, that are one', 'taken out'),
        ];
    }

    public function looksAt(): Subject
    {
        return Subject::Figures;
    }

    public function look(Looked $at): array
    {
        $findings = [];
        $spare = array_filter($at->corners(), static fn (Joint $one): bool => $one->degrees <= Joint::STRAIGHT && self::areOne($one));
        foreach (Joint::worst(array_values($spare)) as $id => $corner) {
            $finding = $this->found('spare-node', (string) $id, 'has a node that changes nothing')->at($corner->place(), 0.0);
            $step = $corner->writtenIn($at);
            $remedy = $step === null ? null : self::without($step, $corner->k);
            $findings[] = $remedy === null ? $finding : $finding->with($remedy);
        }

        return $findings;
    }

    private static function areOne(Joint $corner): bool
    {
        [$before, $after] = [$corner->before, $corner->after];

        return $corner->isOfLines() ||
            ($before instanceof Arc &&
                $after instanceof Arc &&
                $before->center()->distanceTo($after->center()) + abs($before->radius() - $after->radius()) <=
                    self::SAME * $before->radius());
    }

    private static function without(Step $step, int $k): ?Remedy
    {
        $points = $step->raw('points');
        $bends = $step->raw('bends');
        if (! is_array($points) || count($points) <= 3 || $bends !== null) {
            return null;
        }
        array_splice($points, $k, 1);

        return new Remedy('Take it out', [['op' => 'set', 'id' => $step->id, 'field' => 'points', 'value' => array_values($points)]]);
    }
}
