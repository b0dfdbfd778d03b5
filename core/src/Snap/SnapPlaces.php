<?php

declare(strict_types=1);

namespace Sternbild\Core\Snap;

use Sternbild\Core\Geometry\Bounds;

/**
 * All places of a sheet that a pointer can snap to, to be known before it moves: so that what follows the pointer need not ask.
 *
 * The intersections of grids are not among them, since the geometry of the grids says them; nor are places along lines, of which there is
 * no end.
 */
final class SnapPlaces
{
    /** Pairs of curves that are looked at for where they meet; whoever has more asks place by place. */
    private const MOST_PAIRS = 30_000;

    /** Corners of one part. */
    private const MOST_CORNERS = 2_000;

    private int $pairs = 0;

    private bool $complete = true;

    /** @var array<string, Bounds> */
    private array $bounds = [];

    /** @param  array<string, string>  $prints  what each guide, grid and part hangs on, with what it is called, by its name */
    private function __construct(private readonly Snapper $snapper, private readonly array $prints)
    {
    }

    /**
     * @param  array<string, string>  $prints  what each guide, grid and part hangs on, with what it is called, by its name
     * @param  array<array-key, mixed>  $has  hashes of what the receiver knows already
     */
    public static function list(Snapper $snapper, array $prints, array $has): SnapList
    {
        return (new self($snapper, $prints))->all(array_flip(array_filter($has, is_string(...))));
    }

    /** @param  array<string, int>  $has */
    private function all(array $has): SnapList
    {
        $groups = [];
        $known = [];
        foreach ($this->things() as [$of, $find]) {
            $hash = hash('xxh64', implode("\n", array_map(fn (string $id): string => $this->prints[$id], $of)));
            $groups[] = $hash;
            if (! isset($has[$hash]) && ! isset($known[$hash])) {
                $known[$hash] = self::sorted($of, $find());
            }
        }

        return new SnapList($groups, $known, $this->complete);
    }

    /** @return iterable<array{non-empty-list<string>, callable(): list<Candidate>}> */
    private function things(): iterable
    {
        $guides = array_map(strval(...), array_keys($this->snapper->guides));
        foreach ($guides as $id) {
            yield [[$id], fn (): array => $this->snapper->pointsOf($id)];
        }
        foreach ($this->snapper->parts as $id => $part) {
            if ($part->nodes() > self::MOST_CORNERS) {
                $this->complete = false;
            } else {
                yield [[(string) $id], fn (): array => $this->snapper->pointsOf((string) $id)];
            }
        }
        $grids = array_map(strval(...), array_keys($this->snapper->grids));
        foreach ($guides as $k => $id) {
            foreach ([...array_slice($guides, 0, $k), ...$grids] as $other) {
                if (! $this->comeNear($id, $other)) {
                    continue;
                }
                $this->pairs += count($this->snapper->curvesOf($id)) * count($this->snapper->curvesOf($other));
                if ($this->pairs > self::MOST_PAIRS) {
                    $this->complete = false;

                    return;
                }
                yield [[$id, $other], fn (): array => $this->snapper->meetingsOf($id, $other)];
            }
        }
    }

    private function comeNear(string $id, string $other): bool
    {
        return isset($this->snapper->grids[$other]) || $this->boundsOf($id)->meets($this->boundsOf($other), 0.0);
    }

    private function boundsOf(string $guide): Bounds
    {
        return $this->bounds[$guide] ??= $this->snapper->guides[$guide]->bounds();
    }

    /**
     * @param  non-empty-list<string>  $of
     * @param  list<Candidate>  $candidates
     * @return list<array{of: non-empty-list<string>, kind: string, name: string, raws: list<string|array<array-key, mixed>>, places: list<float>}>
     */
    private static function sorted(array $of, array $candidates): array
    {
        $sorted = [];
        foreach ($candidates as $candidate) {
            $sort = "$candidate->kind $candidate->name";
            $sorted[$sort] ??= ['of' => $of, 'kind' => $candidate->kind, 'name' => $candidate->name, 'raws' => [], 'places' => []];
            $sorted[$sort]['raws'][] = $candidate->raw;
            array_push($sorted[$sort]['places'], $candidate->at->x, $candidate->at->y);
        }

        return array_values($sorted);
    }
}
