<?php

declare(strict_types=1);

namespace Sternbild\Core\Symmetry;

use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Shape\Strand;

/**
 * Strands in stretches that do not cross themselves: what crosses itself is cut between each two places where it does, in the middle of the
 * longest way on which it meets nothing.
 */
final class Uncrossed
{
    /** Shares of a curve: no strand is cut so near a joint, which is to stay one corner. */
    private const BESIDE_JOINT = 0.002;

    /** @var list<int> the strand of each stretch */
    public array $strandOf = [];

    /** @var list<list<Curve>> the way of each stretch */
    public array $ways = [];

    /** @var array<int, non-empty-list<array{float, int}>> by strand: where on its way its stretches begin, and their numbers */
    private array $begins = [];

    /**
     * @param  non-empty-list<Strand>  $strands
     * @param  list<array{array{int, float}, array{int, float}}>  $dives  the two strands of each crossing, and where on their ways it is
     */
    public function __construct(private readonly array $strands, array $dives, private readonly float $tolerance)
    {
        $visits = $own = [];
        foreach ($dives as [$one, $other]) {
            $visits[$one[0]][] = $one[1];
            $visits[$other[0]][] = $other[1];
            if ($one[0] === $other[0]) {
                $own[$one[0]][] = $one[1];
                $own[$one[0]][] = $other[1];
            }
        }
        foreach ($strands as $strand => $of) {
            $cuts = isset($own[$strand]) ? $this->cuts($strand, $own[$strand], $visits[$strand] ?? []) : [];
            $isClosed = $this->isClosed($strand);
            $from = $isClosed && $cuts !== [] ? $cuts : [0.0, ...$cuts];
            $end = (float) count($of->way);
            foreach ($from as $k => $begin) {
                $this->begins[$strand][] = [$begin, count($this->ways)];
                $this->ways[] = $cuts === [] ? $of->way : $of->part($begin, $from[$k + 1] ?? ($isClosed ? $from[0] + $end : $end));
                $this->strandOf[] = $strand;
            }
        }
    }

    /** How many stretches a strand is. */
    public function count(int $strand): int
    {
        return count($this->begins[$strand]);
    }

    /** The stretch of a strand that a place on its way lies in. */
    public function at(int $strand, float $place): int
    {
        $found = $this->begins[$strand][count($this->begins[$strand]) - 1][1];
        foreach ($this->begins[$strand] as [$begin, $number]) {
            $found = $begin <= $place ? $number : $found;
        }

        return $found;
    }

    /** The stretch at the nearer end of a strand, or the only one. */
    public function nearest(int $strand, Vec $place): int
    {
        $begins = $this->begins[$strand];
        $way = $this->strands[$strand]->way;
        $isFirst = $way[0]->start()->distanceTo($place) <= $way[count($way) - 1]->end()->distanceTo($place);

        return $begins[$isFirst ? 0 : count($begins) - 1][1];
    }

    /** Whether one stretch goes on where the other ends. */
    public function areNeighbours(int $one, int $other): bool
    {
        $strand = $this->strandOf[$one];
        $apart = abs($one - $other);

        return $strand === $this->strandOf[$other] && ($apart === 1 || ($this->isClosed($strand) && $apart === $this->count($strand) - 1));
    }

    private function isClosed(int $strand): bool
    {
        return $this->strands[$strand]->isClosed($this->tolerance);
    }

    /**
     * @param  non-empty-list<float>  $own  where it crosses itself
     * @param  list<float>  $visits  where it crosses anything
     * @return list<float>
     */
    private function cuts(int $strand, array $own, array $visits): array
    {
        sort($own);
        $round = count($this->strands[$strand]->way);
        $isClosed = $this->isClosed($strand);
        if ($isClosed) {
            array_push($visits, ...array_map(static fn (float $at): float => $at + $round, $visits));
            $own[] = $own[0] + $round;
        }
        sort($visits);
        $cuts = [];
        for ($k = 1; $k < count($own); $k++) {
            $stops = array_values(array_filter($visits, static fn (float $at): bool => $own[$k - 1] <= $at && $at <= $own[$k]));
            [$longest, $cut] = [0.0, ($own[$k - 1] + $own[$k]) / 2];
            for ($stop = 1; $stop < count($stops); $stop++) {
                if ($longest < $stops[$stop] - $stops[$stop - 1]) {
                    $longest = $stops[$stop] - $stops[$stop - 1];
                    $cut = ($stops[$stop] + $stops[$stop - 1]) / 2;
                }
            }
            $cut += abs($cut - round($cut)) < self::BESIDE_JOINT ? min(2 * self::BESIDE_JOINT, $longest / 4) : 0.0;
            $cuts[] = $isClosed && $cut >= $round ? $cut - $round : $cut;
        }
        sort($cuts);

        return $cuts;
    }
}
