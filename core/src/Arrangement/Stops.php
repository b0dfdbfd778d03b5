<?php

declare(strict_types=1);

namespace Sternbild\Core\Arrangement;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Intersections;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Vec;

/** All places where runs end or meet, and where along its run each lies. */
final class Stops
{
    /** Meetings of two runs. 300 lines through one point have 44,850; a lattice of 200,000 cells has as many as cells. */
    private const MOST = 1_500_000;

    /** Lines whose cross product is below this share of their lengths lose so many digits that the crossing is computed exactly. */
    private const FLAT = 2e-2;

    /** Sine of the angle at which runs still run apart quickly. */
    private const GRAZING = 1e-3;

    /** Circles that miss touching by more than this share of their size clearly cross or clearly do not. */
    private const CLEAR = 1e-3;

    /** @var list<float> */
    public array $x = [];

    /** @var list<float> */
    public array $y = [];

    /** @var list<int> places where runs meet at so small an angle that they stay within the tolerance of one another for a while */
    public array $grazing = [];

    /** @var list<array<int, float>> for every run the parameters of the places on it, by their numbers */
    public array $on = [];

    /**
     * @var list<list<array{int, int, int, int}>> for every run the given curves on it: number, direction, and the places where they begin
     *   and end; −1 for all of it
     */
    public array $members = [];

    private readonly float $tolerance;

    /** @var list<bool> */
    private array $straight = [];

    /** @var list<float> */
    private array $startX = [];

    /** @var list<float> */
    private array $startY = [];

    /** @var list<float> the way from start to end, for lines */
    private array $wayX = [];

    /** @var list<float> */
    private array $wayY = [];

    /** @var list<float> */
    private array $length = [];

    /** @var list<array{float, float, float}|null> centre and radius of the runs that are whole circles */
    private array $circles = [];

    /** @var list<array{int, int}> numbers of the places at the ends of a run */
    private array $ends = [];

    private function __construct(private readonly Runs $runs)
    {
        $this->tolerance = $runs->tolerance;
    }

    /** @throws Unworkable */
    public static function of(Runs $runs): self
    {
        $crossings = new self($runs);
        $crossings->takeEnds();
        $crossings->findMeetings();

        return $crossings;
    }

    private function takeEnds(): void
    {
        foreach ($this->runs->curves as $run => $curve) {
            $start = $curve->start();
            $end = $curve->end();
            $this->straight[] = $curve instanceof Line;
            // Whole circles that begin to the right, as most do.
            $this->circles[] =
                $curve instanceof Arc && $curve->isFullCircle() && $start->y === $curve->center()->y && $start->x > $curve->center()->x
                    ? [$curve->center()->x, $curve->center()->y, $curve->radius()]
                    : null;
            $this->startX[] = $start->x;
            $this->startY[] = $start->y;
            $this->wayX[] = $end->x - $start->x;
            $this->wayY[] = $end->y - $start->y;
            $this->length[] = $start->distanceTo($end);
            $this->on[] = [];
            $this->ends[] =
                $curve instanceof Arc && $curve->isFullCircle() ? [-1, -1] : [$this->put($run, $start, 0.0), $this->put($run, $end, 1.0)];
            $this->members[] = array_map(
                fn (array $member): array => [
                    $member[0],
                    $member[1],
                    $member[2] === null ? -1 : $this->stop($run, $curve, $member[2]),
                    $member[3] === null ? -1 : $this->stop($run, $curve, $member[3]),
                ],
                $this->runs->members[$run],
            );
        }
    }

    /** The place of an end of a given curve on the run. */
    private function stop(int $run, Curve $curve, Vec $stop): int
    {
        [$first, $last] = $this->ends[$run];
        if ($first >= 0 && $stop->x === $this->x[$first] && $stop->y === $this->y[$first]) {
            return $first;
        }
        if ($last >= 0 && $stop->x === $this->x[$last] && $stop->y === $this->y[$last]) {
            return $last;
        }

        return $this->put($run, $stop, $curve->nearest($stop));
    }

    private function put(int $run, Vec $place, float $t): int
    {
        $number = count($this->x);
        $this->x[] = $place->x;
        $this->y[] = $place->y;
        $this->on[$run][$number] = $t;

        return $number;
    }

    /** @throws Unworkable */
    private function findMeetings(): void
    {
        $carriers = $this->runs->carriers;
        $counted = count($this->x);
        foreach (Neighbours::find($this->runs->curves, $this->tolerance) as [$run, $others]) {
            if ($this->straight[$run]) {
                $lines = [];
                foreach ($others as $other) {
                    if ($carriers[$other] === $carriers[$run]) {
                        continue;
                    }
                    if ($this->straight[$other]) {
                        $lines[] = $other;
                    } else {
                        $this->meet($run, $other);
                    }
                }
                $this->crossLines($run, $lines);
            } else {
                foreach ($others as $other) {
                    if (($carriers[$other] !== $carriers[$run] || $this->isCubic($run)) && ! $this->crossCircles($run, $other)) {
                        $this->meet($run, $other);
                    }
                }
            }
            // Each place is kept, merged, put on its runs, and becomes a vertex with edges.
            Budget::spend(10 * (count($this->x) - $counted));
            $counted = count($this->x);
            if ($counted > self::MOST) {
                throw new Unworkable('the curves cross one another at more than '.number_format(self::MOST).' places');
            }
        }
    }

    private function isCubic(int $run): bool
    {
        return ! $this->straight[$run] && ! $this->runs->curves[$run] instanceof Arc;
    }

    /**
     * One line with many others. Written out on plain numbers: with an object for each meeting the diagonals of a regular 30-gon took three
     * times as long.
     *
     * @param  list<int>  $others
     */
    private function crossLines(int $run, array $others): void
    {
        [$startX, $startY, $wayX, $wayY, $length, $tolerance] = [
            $this->startX,
            $this->startY,
            $this->wayX,
            $this->wayY,
            $this->length,
            $this->tolerance,
        ];
        [$ax, $ay, $dx, $dy] = [$startX[$run], $startY[$run], $wayX[$run], $wayY[$run]];
        $reach = $tolerance * $length[$run];
        $flat = self::FLAT * $length[$run];
        $number = count($this->x);
        foreach ($others as $other) {
            $ex = $wayX[$other];
            $ey = $wayY[$other];
            $rx = $startX[$other] - $ax;
            $ry = $startY[$other] - $ay;
            $turn = $dx * $ey - $dy * $ex;
            if ($turn < 0.0) {
                $turn = -$turn;
                // The distances of this line's start and end to the other line, times its length; then the other way round.
                $from = $ry * $ex - $rx * $ey;
                $side = $ry * $dx - $rx * $dy;
            } else {
                $from = $rx * $ey - $ry * $ex;
                $side = $rx * $dy - $ry * $dx;
            }
            $otherReach = $tolerance * $length[$other];
            if ($from < -$otherReach || $from > $turn + $otherReach || $side < -$reach || $side > $turn + $reach) {
                continue;
            }
            if ($turn < $flat * $length[$other]) {
                $this->meet($run, $other);
                $number = count($this->x);

                continue;
            }
            $s = $from / $turn;
            $t = $side / $turn;
            // An end that lies on the other line is the better place.
            if ($from <= $otherReach) {
                $this->on[$other][$this->ends[$run][0]] = $t;
            } elseif ($from >= $turn - $otherReach) {
                $this->on[$other][$this->ends[$run][1]] = $t;
            } elseif ($side <= $reach) {
                $this->on[$run][$this->ends[$other][0]] = $s;
            } elseif ($side >= $turn - $reach) {
                $this->on[$run][$this->ends[$other][1]] = $s;
            } else {
                $this->x[] = $ax + $dx * $s;
                $this->y[] = $ay + $dy * $s;
                $this->on[$run][$number] = $s;
                $this->on[$other][$number] = $t;
                $number++;
            }
        }
    }

    /**
     * Two whole circles that clearly cross or clearly do not; on plain numbers, which took half the time off a hundred circles.
     *
     * @return bool whether that settled it
     */
    private function crossCircles(int $run, int $other): bool
    {
        $circle = $this->circles[$run];
        $second = $this->circles[$other];
        if ($circle === null || $second === null) {
            return false;
        }
        [$ax, $ay, $r] = $circle;
        [$bx, $by, $s] = $second;
        $dx = $bx - $ax;
        $dy = $by - $ay;
        $distance = sqrt($dx * $dx + $dy * $dy);
        $outside = $r + $s - $distance;
        $inside = $distance - abs($r - $s);
        $clear = self::CLEAR * ($r + $s);
        if ($outside < -$clear || $inside < -$clear) {
            return true;
        }
        if ($outside < $clear || $inside < $clear) {
            return false;
        }
        $reach = ($distance + ($r - $s) * ($r + $s) / $distance) / 2;
        $aside = sqrt(($r + $s + $distance) * $outside * $inside * ($distance + abs($r - $s))) / (2 * $distance);
        $dx /= $distance;
        $dy /= $distance;
        foreach ([$aside, -$aside] as $way) {
            $number = count($this->x);
            $x = $this->x[] = $ax + $dx * $reach - $dy * $way;
            $y = $this->y[] = $ay + $dy * $reach + $dx * $way;
            $this->on[$run][$number] = self::share($y - $ay, $x - $ax);
            $this->on[$other][$number] = self::share($y - $by, $x - $bx);
        }

        return true;
    }

    /** The parameter of a place on a whole circle, which begins to the right and runs clockwise on the screen. */
    private static function share(float $y, float $x): float
    {
        $angle = atan2($y, $x);

        return ($angle < 0.0 ? $angle + 2 * M_PI : $angle) / (2 * M_PI);
    }

    /**
     * Whether two arcs that follow one another have no more in common than the end that both have to the last bit: their circles cross once
     * more, at the mirror image of that end, and that lies on neither or on one of them only.
     */
    private function onlyJoin(Arc $one, Arc $other): bool
    {
        [$a, $b] = [$one->center(), $other->center()];
        [$p, $q] = [$one->start(), $one->end()];
        [$u, $v] = [$other->start(), $other->end()];
        $joint = match (true) {
            ($q->x === $u->x && $q->y === $u->y) || ($q->x === $v->x && $q->y === $v->y) => $q,
            ($p->x === $u->x && $p->y === $u->y) || ($p->x === $v->x && $p->y === $v->y) => $p,
            default => null,
        };
        $dx = $b->x - $a->x;
        $dy = $b->y - $a->y;
        $square = $dx * $dx + $dy * $dy;
        if ($joint === null || $square === 0.0) {
            return false;
        }
        $aside = ($dx * ($joint->y - $a->y) - $dy * ($joint->x - $a->x)) / $square;
        $clear = self::CLEAR * ($one->radius() + $other->radius());
        // Circles that nearly touch there, or run along one another, are looked at more closely; the sine of their angle is d·h/(r·s).
        $half = abs($aside) * sqrt($square);
        if ($half < $clear || $half * sqrt($square) < 10 * self::GRAZING * $one->radius() * $other->radius()) {
            return false;
        }
        $x = $joint->x + 2 * $aside * $dy;
        $y = $joint->y - 2 * $aside * $dx;
        foreach ([[$p, $q], [$u, $v]] as [$start, $end]) {
            // Clockwise on the screen an arc lies to the left of its chord.
            $cx = $end->x - $start->x;
            $cy = $end->y - $start->y;
            if ($cx * ($y - $start->y) - $cy * ($x - $start->x) > $clear * sqrt($cx * $cx + $cy * $cy)) {
                return true;
            }
        }

        return false;
    }

    /** Two runs of any kind. */
    private function meet(int $run, int $other): void
    {
        [$one, $two] = [$this->runs->curves[$run], $this->runs->curves[$other]];
        // Whole circles have no end that is a place already.
        if ($one instanceof Arc && $two instanceof Arc && ! $one->isFullCircle() && ! $two->isFullCircle() && $this->onlyJoin($one, $two)) {
            return;
        }
        foreach (Intersections::within($this->tolerance, $one, $two) as $meeting) {
            $place = $this->put($run, $meeting->at, $meeting->s);
            $this->on[$other][$place] = $meeting->t;
            if (abs($one->tangentAt($meeting->s)->cross($two->tangentAt($meeting->t))) < self::GRAZING) {
                $this->grazing[] = $place;
            }
        }
    }
}
