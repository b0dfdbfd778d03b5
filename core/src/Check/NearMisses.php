<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Numerals;
use Sternbild\Core\Result\Remedy;
use Sternbild\Core\Snap\Candidate;
use Sternbild\Core\Snap\Snapper;

/** Ends of lines and arcs that come close to a point or a curve and do not meet it. */
final class NearMisses extends Check
{
    public function tells(): array
    {
        return [
            Sort::warning('near-miss', 'an end that nearly meets', 'closed'),
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
        [$plan, $guides, $tolerance, $miss] = [$at->plan, $at->guides, $at->tolerance, $at->limit('checks.miss')];
        $findings = [];
        $snapper = null;
        foreach ($guides as $id => $guide) {
            if (! $guide->hasEnds) {
                continue;
            }
            $snapper ??= new Snapper($guides, $at->grids, $at->labels, $tolerance);
            $through = $plan->steps[$id]->raw('through');
            $last = is_array($through) ? count($through) - 1 : 0;
            foreach ([0 => $guide->single()->start(), $last => $guide->single()->end()] as $number => $end) {
                $near = self::missed($snapper, (string) $id, array_keys($plan->steps), $end, $miss, $tolerance->distance);
                if ($near === null) {
                    continue;
                }
                $finding = $this->found(
                    'near-miss',
                    (string) $id,
                    sprintf(
                        '%s misses %s by %s %s',
                        $number === 0 ? 'its beginning' : 'its end',
                        $near->name,
                        Numerals::plain((float) sprintf('%.3g', $near->distance)),
                        $plan->unit->value,
                    ),
                    "through.$number",
                )->at($end, $near->distance);
                // The end of a line that touches something is not written, and cannot be put elsewhere.
                $closed = is_array($through) && count($through) > 1 ? array_replace($through, [$number => $near->raw]) : null;
                $findings[] =
                    $closed === null
                        ? $finding
                        : $finding->with(
                            new Remedy('Close it', [['op' => 'set', 'id' => (string) $id, 'field' => 'through', 'value' => $closed]]),
                        );
            }
        }

        return $findings;
    }

    /**
     * What an end was probably meant to meet; null where it meets something, or nothing is near.
     *
     * @param  list<array-key>  $ids  of all steps of the plan, in their order
     */
    private static function missed(Snapper $snapper, string $id, array $ids, Vec $end, float $miss, float $tolerance): ?Candidate
    {
        // What comes later in the plan cannot be referred to.
        $later = array_map(strval(...), array_slice($ids, (int) array_search($id, $ids, true)));
        $all = $snapper->near($end, $miss, Snapper::MEETABLE, [$id]);
        foreach ($all as $candidate) {
            if ($candidate->distance <= $tolerance) {
                return null;
            }
        }

        return $snapper->near($end, $miss, Snapper::MEETABLE, $later)[0] ?? null;
    }
}
