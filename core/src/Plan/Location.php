<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\NoSuchPlace;
use Sternbild\Core\Grid\Overlay;
use Sternbild\Core\Guide\Crossings;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Shape\Part;

/** Where the places lie that a plan writes as addresses. */
final readonly class Location
{
    /** A corner within so many tolerances of an outline lies on it: crossings are merged within a few. */
    private const ON = 64;

    /**
     * @param  string  $field  that faults are shown at
     * @param  string  $what  is looked for, as messages call it
     */
    public function __construct(private Scope $scope, private string $field, private string $what)
    {
    }

    /** @throws FieldFault */
    public function of(Address $address): Vec
    {
        try {
            return $this->located($address);
        } catch (NoSuchPlace $fault) {
            throw new FieldFault(
                $this->field,
                'lost',
                "{$this->what} is lost: {$fault->getMessage()} in {$this->scope->label($address->of)}",
            );
        }
    }

    /** @throws FieldFault */
    public function ofSpot(Spot $spot): Vec
    {
        return $spot->grid === null
            ? new Vec($spot->u, $spot->v)
            : $this->scope->grid($spot->grid, $this->field)->placeAt($spot->u, $spot->v);
    }

    /**
     * @throws FieldFault
     * @throws NoSuchPlace
     */
    private function located(Address $address): Vec
    {
        $on = $this->scope->referenced($address->of, $this->field)->result;

        if ($on instanceof Part && $on->isEmpty()) {
            throw new NoSuchPlace('it is empty');
        }

        return match (true) {
            $address->sort === '*' => $this->crossing($on, $address),
            $address->sort === '!' && $on instanceof Part => $on->bounds()->center(),
            $address->sort === '!' && $on instanceof Grid => $on->middle(),
            $address->sort === '!' && $on instanceof Guide => $on->center(),
            $address->sort === '@' && $on instanceof Guide && count($on->runs) > 1 => throw new NoSuchPlace(
                'it has copies; say which one, as in r1[3]@0.5',
            ),
            $address->sort === '@' && $on instanceof Guide => $on->runs[0]->pointAt(self::share($address)),
            $address->sort === '@' && $on instanceof Part => $this->corner($on, $address),
            $address->sort === '@' && $on instanceof Overlay && $address->spot !== null => self::nearest(
                $on->points(),
                $this->ofSpot($address->spot),
            ),
            ! ($on instanceof Grid) => throw $this->noPlace($address),
            $address->sort === '@' && $address->coordinates !== [] => $on->pointAt(array_map(intval(...), $address->coordinates)),
            $address->sort === '~' && $address->spot !== null && $address->spot->grid === null => $on->placeAt(
                $address->spot->u,
                $address->spot->v,
            ),
            $address->sort === '#' => $on->cellOutlines($on->cellsAt($address->coordinates)[0])[0]->centroid(),
            default => throw $this->noPlace($address),
        };
    }

    private function noPlace(Address $address): FieldFault
    {
        return new FieldFault($this->field, 'lost', "{$this->what}: {$this->scope->label($address->of)} has no place of this kind");
    }

    /** @throws NoSuchPlace */
    private static function share(Address $address): float
    {
        $share = count($address->numbers) === 1 ? $address->numbers[0] : -1.0;

        return $share >= 0.0 && $share <= 1.0
            ? $share
            : throw new NoSuchPlace('a place on a guide is a share of its way from 0 to 1, as in c1@0.25');
    }

    /**
     * @throws FieldFault
     * @throws NoSuchPlace
     */
    private function corner(Part $part, Address $address): Vec
    {
        if ($address->spot !== null) {
            return self::nearest($this->cornersAlong($part, $address->along), $this->ofSpot($address->spot));
        }
        $number = count($address->coordinates) === 1 ? (int) $address->coordinates[0] : 0;
        $count = count($part->places);

        return $part->places[$number - 1] ?? throw new NoSuchPlace($count === 0
            ? 'it was said without places; its corners are found by p1@x,y'
            : "place $number does not exist: there are 1 to $count");
    }

    /**
     * The corners of a part where the outlines of those that it was made of meet; all of them where there is none.
     *
     * @param  list<Reference>  $along
     * @return list<Vec>
     */
    private function cornersAlong(Part $part, array $along): array
    {
        $corners = $part->corners();
        try {
            foreach ($along as $reference) {
                $source = $this->scope->referenced($reference, $this->field)->result;
                $curves = self::curves($source) ?? [];
                $corners = array_filter(
                    $corners,
                    fn (Vec $corner): bool => self::isOn($curves, $corner, self::ON * $this->scope->plan->tolerance()->distance),
                );
            }
        } catch (FieldFault) {
            // What is gone no longer tells corners apart; the place does.
            return $part->corners();
        }

        return $corners === [] ? $part->corners() : array_values($corners);
    }

    /** @param  list<Curve>  $curves */
    private static function isOn(array $curves, Vec $place, float $within): bool
    {
        $here = Bounds::around($place);
        foreach ($curves as $curve) {
            if ($curve->bounds()->meets($here, $within) && $curve->pointAt($curve->nearest($place))->distanceTo($place) <= $within) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  list<Vec>  $places
     *
     * @throws NoSuchPlace
     */
    private static function nearest(array $places, Vec $to): Vec
    {
        $best = null;
        foreach ($places as $place) {
            $best = $best === null || $place->distanceTo($to) < $best->distanceTo($to) ? $place : $best;
        }

        return $best ?? throw new NoSuchPlace('there is no corner');
    }

    /**
     * @throws FieldFault
     * @throws NoSuchPlace
     */
    private function crossing(object $on, Address $address): Vec
    {
        $other = $address->other === null ? null : $this->scope->referenced($address->other, $this->field);
        $curves = self::curves($on);
        $others = $other === null ? null : self::curves($other->result);
        if ($curves === null || $others === null || $on instanceof Grid || $address->other === null) {
            $none = $curves === null || $on instanceof Grid ? $address->of : $address->other ?? $address->of;
            throw new FieldFault(
                $this->field,
                'lost',
                "{$this->what}: {$this->scope->label($none)} is not a guide, a part or a grid, and crosses nothing",
            );
        }
        $crossings = Crossings::findAlong($curves, $others, $this->scope->plan->tolerance());
        if ($address->spot !== null) {
            return $crossings === []
                ? throw new FieldFault(
                    $this->field,
                    'lost',
                    "{$this->what} is lost: {$this->scope->label($address->of)} and {$this->scope->label($address->other)} do not meet",
                )
                : self::nearest($crossings, $this->ofSpot($address->spot));
        }
        $number = (int) $address->coordinates[0];
        $count = count($crossings);

        return $crossings[$number - 1] ??
            throw new FieldFault(
                $this->field,
                'lost',
                "{$this->what} is lost: crossing $number of {$this->scope->label($address->of)} and {$this->scope->label(
                    $address->other,
                )} does not exist, ".($count === 0 ? 'they do not meet' : "they meet at $count ".($count === 1 ? 'place' : 'places')),
            );
    }

    /** @return list<Curve>|null null for what has no curves */
    private static function curves(object $result): ?array
    {
        return match (true) {
            $result instanceof Guide => $result->curves(),
            $result instanceof Part => $result->allCurves(),
            $result instanceof Grid => $result->lines(),
            default => null,
        };
    }
}
