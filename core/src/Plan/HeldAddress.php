<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Bound;
use Sternbild\Core\Grid\HeldCell;
use Sternbild\Core\Grid\NoSuchPlace;
use Sternbild\Core\Grid\Overlay;

/**
 * What a cell of an overlay is written with, `g1:2.5,3.5;g2:1.2,7.7;c1,-c2`: a place in it, and the cells of grids and the sides that hold
 * it.
 */
final readonly class HeldAddress
{
    /** What stands behind `~` in an address, or by itself where the overlay is known. */
    public const PATTERN =
        Spot::PATTERN.
        '(?:;[a-z][a-z0-9]*:'.
        Spot::NUMBER.
        ','.
        Spot::NUMBER.
        ')*(?:;-?'.
        Reference::PATTERN.
        '(?:,-?'.
        Reference::PATTERN.
        ')*)?';

    /**
     * @param  list<Bound>  $bounds
     * @param  array<string, string>  $labels  what messages call them, by their keys
     * @param  list<string>  $gone  why others no longer hold it
     * @param  list<string>  $of  the fingerprints of what it names
     */
    private function __construct(
        public string $text,
        private Vec $place,
        private array $bounds,
        private array $labels,
        private array $gone,
        private array $of,
    ) {
    }

    /** What the cell hangs on, besides the overlay. */
    public function fingerprint(): string
    {
        return implode(' ', ["~$this->text", ...$this->gone, ...$this->of]);
    }

    /**
     * @param  string  $text  as the pattern has it
     *
     * @throws FieldFault where the grid is gone that its place is counted in
     */
    public static function read(string $text, Scope $scope, string $field): self
    {
        $parts = explode(';', $text);
        $spot = Spot::parse($parts[0]);
        $grid = $spot->grid === null ? null : $scope->grid($spot->grid, $field);
        $place = $grid === null ? new Vec($spot->u, $spot->v) : $grid->placeAt($spot->u, $spot->v);
        $bounds = $grid === null || count($parts) === 1 ? [] : [Bound::cell((string) $spot->grid, $grid, $spot->u, $spot->v)];
        $of = $spot->grid === null ? [] : [$scope->step($spot->grid, $field)->fingerprint()];
        $gone = [];
        foreach (array_slice($parts, 1) as $part) {
            foreach (str_contains($part, ':') ? [$part] : explode(',', $part) as $said) {
                try {
                    $named = $scope->member(
                        str_contains($said, ':') ? substr($said, 0, (int) strpos($said, ':')) : ltrim($said, '-'),
                        $field,
                    );
                    $bounds[] = self::bound($said, $named, $scope, $field);
                    $of[] = $named->fingerprint();
                } catch (FieldFault $fault) {
                    $gone[] = $fault->getMessage();
                }
            }
        }
        $labels = [];
        foreach ($bounds as $bound) {
            $labels[$bound->key] = $scope->label($bound->key);
        }

        return new self($text, $place, $bounds, $labels, $gone, $of);
    }

    /** Held by nothing but a place in sheet units. */
    public static function at(Vec $place): self
    {
        return new self("$place->x,$place->y", $place, [], [], [], []);
    }

    /** @throws NoSuchPlace */
    public function cellOf(Overlay $overlay): HeldCell
    {
        if ($this->bounds === [] && $this->gone === []) {
            return new HeldCell($overlay->cellAt($this->place) ?? throw new NoSuchPlace('no cell encloses the place any more'), []);
        }

        return $overlay->cellHeldBy($this->place, $this->bounds) ?? throw new NoSuchPlace('nothing that holds the cell holds one any more');
    }

    /** By how much less a cell is held than its address says: “held by 2 of 3 things that …”; null where all of them hold it. */
    public function looseness(HeldCell $found): ?string
    {
        if ($found->unlike === [] && $this->gone === []) {
            return null;
        }
        $unlike = array_map(fn (Bound $bound): string => $this->labels[$bound->key], $found->unlike);

        return sprintf(
            'held by %d of %d things that it was held by: %s',
            count($this->bounds) - count($unlike), count($this->bounds) + count($this->gone),
            implode('; ', array_filter([$unlike === [] ? '' : 'it lies otherwise to '.implode(' and ', $unlike), ...$this->gone])),
        );
    }

    /** @throws FieldFault */
    private static function bound(string $said, Evaluated $named, Scope $scope, string $field): Bound
    {
        if (str_contains($said, ':')) {
            $spot = Spot::parse($said);

            return Bound::cell((string) $spot->grid, $scope->grid((string) $spot->grid, $field), $spot->u, $spot->v);
        }
        $key = ltrim($said, '-');
        $side = Sides::find($named->result) ?? throw new FieldFault($field, 'lost', "{$scope->label($key)} has no sides");

        return Bound::side($key, $side, $said === $key);
    }
}
