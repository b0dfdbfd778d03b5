<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Intersections;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Meeting;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Result\Remedy;

/** Guides that run along one another. */
final class DoubledLines extends Check
{
    public function tells(): array
    {
        return [
            Sort::warning('doubled', 'a guide that lies on another', 'taken away, where nothing hangs on it'),
        ];
    }

    public function looksAt(): Subject
    {
        return Subject::Guides;
    }

    public function look(Looked $at): array
    {
        [$plan, $guides, $labels, $tolerance] = [$at->plan, $at->guides, $at->labels, $at->tolerance];
        $needed = [];
        foreach ($plan->steps as $step) {
            foreach ($step->references() as $reference) {
                $needed[$reference] = true;
            }
        }
        $findings = [];
        $ids = array_map(strval(...), array_keys($guides));
        foreach ($ids as $k => $id) {
            foreach (array_slice($ids, 0, $k) as $other) {
                $length = self::shared($guides[$id]->single(), $guides[$other]->single(), $tolerance);
                if ($length === null) {
                    continue;
                }
                $whole = abs($length - $guides[$id]->single()->length()) <= $tolerance->distance;
                $finding = $this->found('doubled', $id, $whole ? "lies on {$labels[$other]}" : "lies on {$labels[$other]} for a stretch")
                    ->at($guides[$id]->single()->pointAt(0.5), $length);
                $findings[] = $whole && ! isset($needed[$id])
                    ? $finding->with(new Remedy('Take it away', [['op' => 'remove', 'ids' => [$id]]]))
                    : $finding;
                break;
            }
        }

        return $findings;
    }

    /** The length that two curves have in common; null where they only meet at points. */
    private static function shared(Curve $one, Curve $other, Tolerance $tolerance): ?float
    {
        $along = match (true) {
            $one instanceof Line && $other instanceof Line => $other->carries($one, $tolerance->distance),
            $one instanceof Arc && $other instanceof Arc => $one->center()->distanceTo($other->center()) +
                abs($one->radius() - $other->radius()) <=
                $tolerance->distance,
            default => false,
        };
        if (! $along) {
            return null;
        }
        if ($other instanceof Arc && $other->isFullCircle()) {
            return $one->length();
        }
        if ($one instanceof Arc && $one->isFullCircle()) {
            return $other->length();
        }
        $stops = array_map(static fn (Meeting $meeting): float => $meeting->s, Intersections::find($one, $other, $tolerance));
        $length = 0.0;
        for ($k = 1; $k < count($stops); $k++) {
            $middle = $one->pointAt(($stops[$k - 1] + $stops[$k]) / 2);
            if ($other->pointAt($other->nearest($middle))->distanceTo($middle) <= $tolerance->distance) {
                $length += ($stops[$k] - $stops[$k - 1]) * $one->length();
            }
        }

        return $length > $tolerance->distance ? $length : null;
    }
}
