<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Shape\Spread;
use Sternbild\Core\Symmetry\Elements;
use Sternbild\Core\Symmetry\PlaneGroup;

/** Parts that a mirror of their pattern runs through, and that are not their own mirror images in it. */
final class Astride extends Check
{
    /** Curves of a part up to which its places are compared. */
    private const MOST_CURVES = 160;

    public function tells(): array
    {
        return [
            Sort::warning('astride', 'a part that a mirror of the group runs through, and that is not symmetrical about it'),
        ];
    }

    public function looksAt(): Subject
    {
        return Subject::Steps;
    }

    public function limits(): array
    {
        return [Limit::miss()];
    }

    public function look(Looked $at): array
    {
        $least = max($at->limit('checks.miss'), 64 * $at->tolerance->distance);

        return array_merge(
            [],
            ...array_map(fn (LaidPattern $one): array => $this->astride($one, $least, $at->labels), LaidPattern::all($at)),
        );
    }

    /**
     * @param  array<string, string>  $labels
     * @return list<Finding>
     */
    private function astride(LaidPattern $laid, float $least, array $labels): array
    {
        [$id, $spread, $group, $isFrieze] = [$laid->id, $laid->spread, $laid->group, $laid->spread->isFrieze];
        $positions = $isFrieze ? PlaneGroup::alongFrieze($group) : PlaneGroup::positions($group);
        $mirrors = array_filter(Elements::ofGroup($group, $positions, $isFrieze)['lines'], static fn (array $line): bool => ! $line[4]);
        $findings = [];
        foreach ($spread->sources as $source) {
            $points = self::points($source);
            foreach ($mirrors as [$u, $v, $du, $dv]) {
                $at = $points === [] ? null : self::astrideAt($spread, $points, new Vec($u, $v), new Vec($du, $dv), $least);
                if ($at !== null) {
                    $made = $source->first()?->steps[0] ?? $id;
                    $findings[] = $this->found(
                        'astride',
                        $id,
                        ($labels[$made] ?? $made).' lies on a mirror, and is not symmetrical about it: it lies over its own image',
                    )->at($at[0], $at[1]);
                    break;
                }
            }
        }

        return $findings;
    }

    /** @return list<Vec> of its outlines; none where there are too many to be compared */
    private static function points(Part $part): array
    {
        $points = [];
        foreach ($part->curves() > self::MOST_CURVES ? [] : $part->figures() as $figure) {
            foreach (LaidPattern::curves($figure) as $curve) {
                array_push($points, $curve->start(), $curve->pointAt(0.5));
            }
        }

        return $points;
    }

    /**
     * @param  non-empty-list<Vec>  $points  of an outline
     * @param  Vec  $on  and $way of a mirror, in lattice coordinates; it repeats from cell to cell
     * @return array{Vec, float}|null where it reaches farthest beyond the mirror, and how far
     */
    private static function astrideAt(Spread $spread, array $points, Vec $on, Vec $way, float $least): ?array
    {
        $lattice = $spread->lattice;
        $direction = $lattice->a->times($way->x)->plus($lattice->b->times($way->y))->unit();
        $middle = $lattice->coordinates(Bounds::around(...$points)->center());
        for ($row = -1; $row <= 1; $row++) {
            for ($column = -1; $column <= 1; $column++) {
                $place = $lattice->place(new Vec($on->x + floor($middle->x) + $column, $on->y + floor($middle->y) + $row));
                $off = array_map(static fn (Vec $point): float => $direction->cross($point->minus($place)), $points);
                if (min($off) < -$least && max($off) > $least) {
                    $mirror = Affine::mirror($place, $place->plus($direction));
                    foreach ($points as $point) {
                        $image = $mirror->apply($point);
                        if (min(array_map(static fn (Vec $other): float => $other->distanceTo($image), $points)) > $least) {
                            $farthest =
                                abs(min($off)) < max($off) ? array_search(min($off), $off, true) : array_search(max($off), $off, true);

                            return [$points[(int) $farthest], min(abs(min($off)), max($off))];
                        }
                    }
                }
            }
        }

        return null;
    }
}
