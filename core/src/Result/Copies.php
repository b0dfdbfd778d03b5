<?php

declare(strict_types=1);

namespace Sternbild\Core\Result;

use Sternbild\Core\Geometry\Affine;

/**
 * What a repeat is made of: its sources, and the maps that bring them to their copies. Copies count from 1.
 *
 * @template T of Mappable
 */
final readonly class Copies
{
    /**
     * @param  non-empty-list<T>  $sources
     * @param  non-empty-list<Affine>  $maps  one for each copy
     * @param  list<list<int>>  $places  for each copy and each source where, in the list of all its figures or runs, its own begin
     * @param  list<list<int>>|null  $counts  for each copy and each source how many there are; null where it is as many as the source has
     */
    public function __construct(public array $sources, public array $maps, public array $places, public ?array $counts = null)
    {
    }

    /**
     * The same copies, all of them moved on.
     *
     * @return self<T>
     */
    public function then(Affine $map): self
    {
        return new self(
            $this->sources,
            array_map(static fn (Affine $one): Affine => $one->then($map), $this->maps),
            $this->places,
            $this->counts,
        );
    }

    public function count(): int
    {
        return count($this->maps);
    }

    /**
     * How plans name every copy, or, where copies hold several things, every one of these.
     *
     * @return array<string, array{int, int}> copy and member by name
     */
    public function names(string $id): array
    {
        $names = [];
        $many = count($this->sources) > 1;
        foreach (array_keys($this->maps) as $copy) {
            foreach (array_keys($this->sources) as $member) {
                $names["{$id}[".($copy + 1).']'.($many ? '.'.($member + 1) : '')] = [$copy + 1, $member + 1];
            }
        }

        return $names;
    }

    /**
     * One source where a copy has it.
     *
     * @param  int  $copy  and $member from 1
     * @return T|null null where there is none
     */
    public function member(int $copy, int $member): ?Mappable
    {
        $source = $this->sources[$member - 1] ?? null;
        $map = $this->maps[$copy - 1] ?? null;

        return $source === null || $map === null ? null : $source->mapped($map);
    }
}
