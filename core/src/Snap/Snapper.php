<?php

declare(strict_types=1);

namespace Sternbild\Core\Snap;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Meeting;
use Sternbild\Core\Geometry\Run;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Guide\Crossings;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Naming;
use Sternbild\Core\Shape\Part;

/**
 * The rule of snapping: which places of grids and guides lie within reach of a given one, and which of them wins.
 *
 * The nearest point wins; of points right beside it the one of the lowest rank, an intersection before all else. A place along an edge wins
 * where there is no point.
 */
final class Snapper
{
    public const KINDS = [
        'intersection',
        'corner',
        'crossing',
        'tangent',
        'midpoint',
        'cell-centre',
        'circle-centre',
        'part-centre',
        'end',
        'quadrant',
        'edge',
    ];

    /** What an end of a line can be said to miss. */
    public const MEETABLE = ['intersection', 'corner', 'crossing', 'tangent', 'circle-centre', 'end', 'edge'];

    /** What the farthest places of a circle are called, and where they are from its middle, in radii. */
    private const QUADRANTS = ['highest' => [0, -1], 'rightmost' => [1, 0], 'lowest' => [0, 1], 'leftmost' => [-1, 0]];

    /** A corner within so many tolerances of an outline lies on it. */
    private const ON = 64;

    /** Two distances that differ by less, as a share, are the same. */
    private const EVEN = 1e-2;

    /** Digits of a share of a way and of a grid's coordinates. */
    private const DIGITS = 9;

    /** @var array<string, list<Curve>> */
    private array $lines = [];

    /** @var array<string, Bounds> of the guides */
    private array $bounds = [];

    /**
     * @param  array<string, Guide>  $guides  each of one run, by how plans name it
     * @param  array<string, Grid>  $grids
     * @param  array<string, string>  $labels
     * @param  array<string, Part>  $parts
     * @param  array<string, array{string, Grid}>  $frames  for parts the grid in whose coordinates their corners are held, with its id
     * @param  array<string, array<string, Part>>  $sources  for parts those that they were made of, by how plans name them
     * @param  array<string, array{Vec, mixed}>  $centres  for parts that go all the way around a centre where that is, and how the plan
     *   writes it
     */
    public function __construct(
        public readonly array $guides,
        public readonly array $grids,
        private readonly array $labels,
        private readonly Tolerance $tolerance,
        public readonly array $parts = [],
        private readonly array $frames = [],
        private readonly array $sources = [],
        private readonly array $centres = [],
    ) {
    }

    /**
     * @param  float  $reach  sheet units
     * @param  list<string>  $kinds  that are allowed
     * @param  list<string>  $without  ids of guides and grids that do not count
     * @return list<Candidate> the winner first
     */
    public function near(Vec $place, float $reach, array $kinds, array $without = []): array
    {
        $allowed = array_flip($kinds);
        $grids = array_diff_key($this->grids, array_flip($without));
        $guides = [];
        foreach (array_diff_key($this->guides, array_flip($without)) as $id => $guide) {
            if ($this->comesNear((string) $id, $guide->runs[0], $place, $reach)) {
                $guides[$id] = $guide;
            }
        }
        $found = [];
        foreach ($grids as $id => $grid) {
            array_push($found, ...$this->ofGrid((string) $id, $grid, $place, $reach, $allowed));
        }
        foreach ($guides as $id => $guide) {
            array_push($found, ...$this->ofGuide((string) $id, $guide, $place, $reach, $allowed));
        }
        foreach (array_diff_key($this->parts, array_flip($without)) as $id => $part) {
            array_push($found, ...$this->ofPart((string) $id, $part, $place, $reach, $allowed));
        }
        if (isset($allowed['crossing']) || isset($allowed['tangent'])) {
            array_push($found, ...$this->crossings($guides, $grids, $place, $reach, $allowed));
        }
        if (isset($allowed['circle-centre'])) {
            foreach (array_diff_key($this->guides, array_flip($without)) as $id => $guide) {
                if ($guide->curve instanceof Arc) {
                    $found[] = $this->candidate('circle-centre', $guide->center(), "$id!", "the centre of {$this->labels[$id]}", $place);
                }
            }
        }
        $found = array_values(array_filter($found, static fn (Candidate $candidate): bool => $candidate->distance <= $reach));

        return self::ordered($found, $reach * Candidate::BESIDE);
    }

    /**
     * The winner, and then the others, points before edges, the nearest first.
     *
     * @param  list<Candidate>  $found
     * @param  float  $beside  how near to the nearest point others lie right beside it, sheet units
     * @return list<Candidate>
     */
    private static function ordered(array $found, float $beside): array
    {
        usort(
            $found,
            static fn (Candidate $a, Candidate $b): int => [$a->isAlong(), $a->distance, $a->rank()] <=> [
                $b->isAlong(),
                $b->distance,
                $b->rank(),
            ],
        );
        $best = 0;
        foreach ($found as $k => $candidate) {
            if (
                ! $candidate->isAlong() &&
                $candidate->at->distanceTo($found[0]->at) <= $beside &&
                $candidate->rank() < $found[$best]->rank()
            ) {
                $best = $k;
            }
        }

        return [...array_splice($found, $best, 1), ...$found];
    }

    /**
     * The points of a guide or a part, wherever they lie: ends, middles, centres, corners.
     *
     * @return list<Candidate>
     */
    public function pointsOf(string $id): array
    {
        $all = array_flip(self::KINDS);
        unset($all['edge']);
        $found = [];
        $origin = new Vec(0.0, 0.0);
        if (isset($this->guides[$id])) {
            $found = $this->ofGuide($id, $this->guides[$id], $origin, INF, $all);
            if ($this->guides[$id]->curve instanceof Arc) {
                $found[] = $this->candidate(
                    'circle-centre',
                    $this->guides[$id]->center(),
                    "$id!",
                    "the centre of {$this->labels[$id]}",
                    $origin,
                );
            }
        }

        return isset($this->parts[$id]) ? [...$found, ...$this->ofPart($id, $this->parts[$id], $origin, INF, $all)] : $found;
    }

    /**
     * Where a guide meets another one, or the lines of a grid, wherever that is.
     *
     * @return list<Candidate>
     */
    public function meetingsOf(string $id, string $other): array
    {
        return $this->meet($id, $other, $this->curvesOf($other), new Vec(0.0, 0.0));
    }

    /** @return list<Curve> of a guide or a grid */
    public function curvesOf(string $id): array
    {
        return isset($this->guides[$id]) ? $this->guides[$id]->curves() : $this->linesOf($id, $this->grids[$id]);
    }

    /**
     * Why the first of them won.
     *
     * @param  list<Candidate>  $candidates
     */
    public static function why(array $candidates): string
    {
        return match (true) {
            $candidates === [] => 'nothing within reach',
            count($candidates) === 1 => 'the only one within reach',
            $candidates[1]->isAlong() && ! $candidates[0]->isAlong() => 'a point goes before a place along an edge',
            $candidates[0]->distance - $candidates[1]->distance > self::EVEN * $candidates[0]->distance => 'an intersection goes before what lies right beside it',
            default => 'the nearest of '.count($candidates).' within reach',
        };
    }

    /**
     * @param  array<string, int>  $allowed
     * @return list<Candidate>
     */
    private function ofGrid(string $id, Grid $grid, Vec $place, float $reach, array $allowed): array
    {
        $label = $this->labels[$id];
        $found = [];
        foreach (isset($allowed['intersection']) ? $grid->pointsNear($place, $reach) : [] as [$coordinates, $at]) {
            $found[] = $this->candidate(
                'intersection',
                $at,
                "$id@".implode(',', $coordinates),
                Naming::point($grid->pointWords(), $coordinates)." of $label",
                $place,
            );
        }
        foreach (isset($allowed['midpoint']) ? $grid->middlesNear($place, $reach) : [] as $middle) {
            $found[] = $this->candidate('midpoint', $middle, self::inGrid($id, $grid, $middle), "the middle of an edge of $label", $place);
        }
        $cell = isset($allowed['cell-centre']) ? $grid->cellAt($place) : null;
        if ($cell !== null) {
            $coordinates = $grid->cellCoordinates($cell);
            $words = Naming::worded($grid->cellWords(), $coordinates, 'cell');
            $found[] = $this->candidate(
                'cell-centre',
                $grid->cellOutlines($cell)[0]->centroid(),
                "$id#".implode(',', $coordinates).'!',
                "the middle of $words of $label",
                $place,
            );
        }
        if (isset($allowed['edge'])) {
            $best = self::nearestOn($this->linesOf($id, $grid), $place, $reach);
            if ($best !== null) {
                $found[] = $this->candidate('edge', $best, self::inGrid($id, $grid, $best), "along a line of $label", $place);
            }
        }

        return $found;
    }

    /**
     * @param  array<string, int>  $allowed
     * @return list<Candidate>
     */
    private function ofGuide(string $id, Guide $guide, Vec $place, float $reach, array $allowed): array
    {
        $found = [];
        $label = $this->labels[$id];
        if (isset($allowed['midpoint']) && ! $guide->isCircle()) {
            $found[] = $this->candidate('midpoint', $guide->runs[0]->pointAt(0.5), "$id@0.5", "the middle of $label", $place);
        }
        if (isset($allowed['end']) && ! $guide->isCircle()) {
            foreach (['0' => 'beginning', '1' => 'end'] as $share => $word) {
                $found[] = $this->candidate('end', $guide->runs[0]->pointAt((float) $share), "$id@$share", "the $word of $label", $place);
            }
        }
        if (isset($allowed['quadrant']) && $guide->curve instanceof Arc && $guide->isCircle()) {
            foreach (self::QUADRANTS as $word => [$x, $y]) {
                $at = $guide->curve->center()->plus((new Vec($x, $y))->times($guide->curve->radius()));
                $found[] = $this->candidate(
                    'quadrant',
                    $at,
                    "$id@".self::plain(round($guide->curve->nearest($at), self::DIGITS)),
                    "the $word place of $label",
                    $place,
                );
            }
        }
        if (isset($allowed['edge'])) {
            $share = round($guide->runs[0]->nearest($place), self::DIGITS);
            $found[] = $this->candidate('edge', $guide->runs[0]->pointAt($share), "$id@".sprintf('%.9F', $share), "along $label", $place);
        }

        return $found;
    }

    /**
     * @param  array<string, Guide>  $guides  that come near the place
     * @param  array<string, Grid>  $grids
     * @param  array<string, int>  $allowed
     * @return list<Candidate>
     */
    private function crossings(array $guides, array $grids, Vec $place, float $reach, array $allowed): array
    {
        $found = [];
        $ids = array_map(strval(...), array_keys($guides));
        foreach ($ids as $k => $id) {
            $others = [];
            foreach (array_slice($ids, 0, $k) as $other) {
                $others[$other] = $guides[$other]->curves();
            }
            foreach ($grids as $other => $grid) {
                if (self::nearestOn($this->linesOf((string) $other, $grid), $place, $reach) !== null) {
                    $others[$other] = $this->linesOf((string) $other, $grid);
                }
            }
            foreach ($others as $other => $curves) {
                foreach ($this->meet($id, (string) $other, $curves, $place) as $candidate) {
                    if (isset($allowed[$candidate->kind])) {
                        $found[] = $candidate;
                    }
                }
            }
        }

        return $found;
    }

    /**
     * @param  list<Curve>  $curves  of the other guide or grid
     * @return list<Candidate> in the order in which plans count them
     */
    private function meet(string $id, string $other, array $curves, Vec $place): array
    {
        $found = [];
        foreach ($this->meetings($this->guides[$id], $curves) as $number => $meeting) {
            $name =
                ($meeting->tangent ? 'where ' : 'crossing of ').
                "{$this->labels[$id]} and {$this->labels[$other]}".
                ($meeting->tangent ? ' touch' : '');
            $found[] = $this->candidate(
                $meeting->tangent ? 'tangent' : 'crossing',
                $meeting->at,
                "$id*$other/".($number + 1),
                $name,
                $place,
            );
        }

        return $found;
    }

    /**
     * @param  list<Curve>  $curves
     * @return list<Meeting> in the order in which plans count them
     */
    private function meetings(Guide $guide, array $curves): array
    {
        if ($guide->curve !== null) {
            return Crossings::find($guide->curve, $curves, $this->tolerance);
        }

        return array_map(
            static fn (Vec $at): Meeting => new Meeting($at, 0.0, 0.0, false),
            Crossings::findAlong($guide->curves(), $curves, $this->tolerance),
        );
    }

    /**
     * @param  array<string, int>  $allowed
     * @return list<Candidate>
     */
    private function ofPart(string $id, Part $part, Vec $place, float $reach, array $allowed): array
    {
        $found = [];
        if (isset($allowed['part-centre']) && ! $part->isEmpty()) {
            [$center, $raw] = $this->centres[$id] ?? [$part->bounds()->center(), "$id!"];
            $found[] = $this->candidate('part-centre', $center, $raw, "the centre of {$this->labels[$id]}", $place);
        }
        $circle = isset($allowed['quadrant']) && $part->count() === 1 ? self::circleOf($part) : null;
        foreach (self::QUADRANTS as $word => [$x, $y]) {
            if ($circle === null) {
                break;
            }
            // Said by what the part measures, so that it follows it; copies measure nothing by themselves.
            [$across, $down] = array_map(
                static fn (int $radii, string $side): string|float => match (true) {
                    $radii === 0 => 0.0,
                    ctype_alnum($id) => ($radii < 0 ? '-' : '')."$id.$side/2",
                    default => $radii * $circle->radius,
                },
                [$x, $y],
                ['wide', 'high'],
            );
            $found[] = $this->candidate(
                'quadrant',
                $circle->center->plus((new Vec($x, $y))->times($circle->radius)),
                ['of' => "$id!", 'by' => [$across, $down]],
                "the $word place of {$this->labels[$id]}",
                $place,
            );
        }
        foreach (isset($allowed['corner']) ? $part->corners() : [] as $corner) {
            if (abs($corner->x - $place->x) <= $reach && abs($corner->y - $place->y) <= $reach) {
                [$frame, $grid] = $this->frames[$id] ?? [null, null];
                [$u, $v] = $grid === null ? [$corner->x, $corner->y] : $grid->coordinatesAt($corner);
                $spot = implode(',', array_map(self::plain(...), [$u, $v]));
                $found[] = $this->candidate(
                    'corner',
                    $corner,
                    "$id@".($frame === null ? '' : "$frame:").$spot.$this->along($id, $corner),
                    "a corner of {$this->labels[$id]}",
                    $place,
                );
            }
        }

        return $found;
    }

    private static function circleOf(Part $part): ?Circle
    {
        $outlines = $part->first()?->outlines() ?? [];

        return count($outlines) === 1 ? $outlines[0]->circle() : null;
    }

    /** Which two of the parts that a part was made of have their outlines meet at a corner: `;p1,p2`. */
    private function along(string $id, Vec $corner): string
    {
        $on = [];
        foreach ($this->sources[$id] ?? [] as $name => $source) {
            if (count($on) < 2 && self::nearestOn($source->allCurves(), $corner, self::ON * $this->tolerance->distance) !== null) {
                $on[] = $name;
            }
        }

        return count($on) === 2 ? ';'.implode(',', $on) : '';
    }

    private static function plain(float $number): string
    {
        return rtrim(rtrim(sprintf('%.9F', $number + 0.0), '0'), '.');
    }

    /** @param  string|array<array-key, mixed>  $raw */
    private function candidate(string $kind, Vec $at, string|array $raw, string $name, Vec $place): Candidate
    {
        /** @var key-of<Candidate::RANKS> $kind */
        return new Candidate($kind, $at, $raw, $name, $at->distanceTo($place));
    }

    /** @return list<Curve> */
    private function linesOf(string $id, Grid $grid): array
    {
        return $this->lines[$id] ??= $grid->lines();
    }

    private static function inGrid(string $id, Grid $grid, Vec $place): string
    {
        return "$id~".implode(',', array_map(self::plain(...), $grid->coordinatesAt($place)));
    }

    private function comesNear(string $id, Run $curve, Vec $place, float $reach): bool
    {
        $bounds = $this->bounds[$id] ??= $curve->bounds();

        return $place->x >= $bounds->left - $reach && $place->x <= $bounds->right + $reach
            && $place->y >= $bounds->top - $reach && $place->y <= $bounds->bottom + $reach
            && $curve->pointAt($curve->nearest($place))->distanceTo($place) <= $reach;
    }

    /** @param  list<Curve>  $curves */
    private static function nearestOn(array $curves, Vec $place, float $reach): ?Vec
    {
        $best = null;
        $here = Bounds::around($place);
        foreach ($curves as $curve) {
            if (! $curve->bounds()->meets($here, $reach)) {
                continue;
            }
            $at = $curve->pointAt($curve->nearest($place));
            if ($at->distanceTo($place) <= $reach) {
                $reach = $at->distanceTo($place);
                $best = $at;
            }
        }

        return $best;
    }
}
