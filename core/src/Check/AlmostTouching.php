<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\TouchingCircles;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Numerals;
use Sternbild\Core\Result\Remedy;

/** Circles that miss touching a line or one another by a little, or cross it by so little. */
final class AlmostTouching extends Check
{
    public function tells(): array
    {
        return [
            Sort::warning('almost-touching', 'a circle that nearly touches', 'its radius'),
        ];
    }

    public function looksAt(): Subject
    {
        return Subject::Guides;
    }

    public function limits(): array
    {
        return [Limit::miss()];
    }

    public function look(Looked $at): array
    {
        [$plan, $guides, $labels, $tolerance, $miss] = [$at->plan, $at->guides, $at->labels, $at->tolerance, $at->limit('checks.miss')];
        $findings = [];
        $ids = array_map(strval(...), array_keys($guides));
        foreach ($ids as $k => $id) {
            foreach (array_slice($ids, 0, $k) as $other) {
                // The circle whose radius can be changed comes first; else the later one.
                foreach ([[$id, $other], [$other, $id]] as [$one, $two]) {
                    $found = self::between($guides[$one], $guides[$two], $miss, $tolerance->distance);
                    if ($found === null) {
                        continue;
                    }
                    [$gap, $radius] = $found;
                    $circle = new Circle($guides[$one]->center(), $radius);
                    $finding = $this->found('almost-touching', $one, sprintf(
                        $gap > 0.0 ? 'misses touching %s by %s %s' : 'crosses %s where it nearly touches, by %s %s',
                        $labels[$two], Numerals::plain((float) sprintf('%.3g', abs($gap))), $plan->unit->value,
                    ))->at(TouchingCircles::contact($circle, $guides[$two]->single()), abs($gap));
                    if (is_numeric($plan->steps[$one]->raw('radius')) && $plan->steps[$one]->says('center')) {
                        $findings[] = $finding->with(
                            new Remedy('Let them touch', [['op' => 'set', 'id' => $one, 'field' => 'radius', 'value' => $radius]]),
                        );
                    } elseif ($one === $id && ! (is_numeric($plan->steps[$two]->raw('radius')) && $guides[$two]->isCircle())) {
                        $findings[] = $finding;
                    } else {
                        continue;
                    }
                    break;
                }
            }
        }

        return $findings;
    }

    /**
     * @return array{float, float}|null by how much the first misses the other, negative where it goes too far, and the radius with which it
     *   would touch
     */
    private static function between(Guide $one, Guide $other, float $miss, float $tolerance): ?array
    {
        if (! $one->isCircle() || ! $one->curve instanceof Arc) {
            return null;
        }
        [$center, $radius] = [$one->curve->center(), $one->curve->radius()];
        $wanted = [];
        if ($other->curve instanceof Line) {
            // An end that comes near the circle is another matter.
            $share = $other->curve->nearest($center);
            if ($share > 0.0 && $share < 1.0) {
                $wanted[] = [$other->curve->pointAt($share)->distanceTo($center), 1];
            }
        } elseif ($other->isCircle() && $other->curve instanceof Arc) {
            $distance = $center->distanceTo($other->curve->center());
            // From outside; around the other; inside the other.
            array_push(
                $wanted,
                [$distance - $other->curve->radius(), 1],
                [$distance + $other->curve->radius(), -1],
                [$other->curve->radius() - $distance, 1],
            );
        }
        $best = null;
        foreach ($wanted as [$fit, $way]) {
            $gap = $way * ($fit - $radius);
            // Circles around one centre run side by side; that is no touching.
            if (
                $fit > $tolerance &&
                abs($gap) > $tolerance &&
                abs($gap) <= $miss &&
                ($other->curve instanceof Line || $center->distanceTo($other->center()) > $miss) &&
                ($best === null || abs($gap) < abs($best[0]))
            ) {
                $best = [$gap, $fit];
            }
            if (abs($gap) <= $tolerance) {
                return null;
            }
        }

        return $best;
    }
}
