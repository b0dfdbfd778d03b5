<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\NoSuchPlace;
use Sternbild\Core\Guide\Crossings;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Address;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Shape\Part;

/** A place on the sheet: two coordinates, or the address of an intersection or of a centre. */
final class PlaceField extends Field
{
    /** How plans write the centre of the sheet, so that it stays there when the sheet changes its size. */
    public const SHEET_CENTER = ['sheet.width/2', 'sheet.height/2'];

    public function type(): string
    {
        return 'place';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (is_string($raw)) {
            $address = Address::parse($raw);
            $isCells = $address !== null && ($address->sort === '#' ? ! $address->center : $address->sort === '~' && $address->other !== null);
            if ($address === null || $isCells || in_array(null, $address->coordinates, true)) {
                throw Unusable::at($pointer, "a place for {$this->label}: [x, y], an intersection such as g1@2,3, a crossing such as c1*c2/1 or a centre such as g1#2,3!");
            }

            return;
        }
        if (! is_array($raw) || ! array_is_list($raw) || count($raw) !== 2) {
            throw Unusable::at($pointer, "a place for {$this->label}: [x, y] or an address");
        }
        foreach ($this->coordinates() as $index => $coordinate) {
            $coordinate->check($raw[$index], "$pointer/$index");
        }
    }

    public function resolve(mixed $raw, Scope $scope): Vec
    {
        if (is_array($raw)) {
            [$x, $y] = $this->coordinates();

            return new Vec($x->resolve($raw[0] ?? null, $scope), $y->resolve($raw[1] ?? null, $scope));
        }
        $address = is_string($raw) ? Address::parse($raw) : null;
        if ($address === null) {
            throw new FieldFault($this->name, 'lost', "{$this->label} is not a place");
        }
        try {
            return $this->located($address, $scope);
        } catch (NoSuchPlace $fault) {
            throw new FieldFault($this->name, 'lost', "{$this->label} is lost: {$fault->getMessage()} in {$scope->label($address->step)}");
        }
    }

    /**
     * @throws FieldFault
     * @throws NoSuchPlace
     */
    private function located(Address $address, Scope $scope): Vec
    {
        $on = $scope->step($address->step, $this->name)->result;

        return match (true) {
            $address->sort === '!' && $on instanceof Part => $on->bounds()->center(),
            $address->sort === '!' && $on instanceof Guide => $on->center(),
            $address->sort === '@' && $on instanceof Guide => $on->curve->pointAt(self::share($address)),
            $address->sort === '*' && $on instanceof Guide => $this->crossing($on, $address, $scope),
            ! $on instanceof Grid => throw new FieldFault($this->name, 'lost', "{$scope->label($address->step)} has no place of this kind"),
            $address->sort === '@' => $on->pointAt(array_map(intval(...), $address->coordinates)),
            $address->sort === '~' => $on->placeAt($address->numbers[0], $address->numbers[1]),
            $address->sort === '#' => $on->cellOutlines($on->cellsAt($address->coordinates)[0])[0]->centroid(),
            default => throw new FieldFault($this->name, 'lost', "{$scope->label($address->step)} has no place of this kind"),
        };
    }

    /** @throws NoSuchPlace */
    private static function share(Address $address): float
    {
        $share = count($address->numbers) === 1 ? $address->numbers[0] : -1.0;

        return $share >= 0.0 && $share <= 1.0 ? $share : throw new NoSuchPlace('a place on a guide is a share of its way from 0 to 1, as in c1@0.25');
    }

    /** @throws FieldFault */
    private function crossing(Guide $guide, Address $address, Scope $scope): Vec
    {
        $other = $scope->step((string) $address->other, $this->name)->result;
        if (! $other instanceof Guide && ! $other instanceof Grid) {
            throw new FieldFault($this->name, 'lost', "{$scope->label((string) $address->other)} is not a guide or a grid, and crosses nothing");
        }
        $crossings = Crossings::find($guide, $other, $scope->plan->tolerance());
        $number = (int) $address->coordinates[0];
        $count = count($crossings);

        return $crossings[$number - 1]->at ?? throw new FieldFault(
            $this->name,
            'lost',
            "{$this->label} is lost: crossing $number of {$scope->label($address->step)} and {$scope->label((string) $address->other)} does not exist, "
                .($count === 0 ? 'they do not meet' : "they meet at $count ".($count === 1 ? 'place' : 'places')),
        );
    }

    public function references(mixed $raw): array
    {
        if (is_array($raw)) {
            return self::idsInArithmetic(array_values(array_filter($raw, is_string(...))));
        }
        $address = is_string($raw) ? Address::parse($raw) : null;

        return $address === null ? [] : $address->steps();
    }

    public function schema(): array
    {
        return ['$ref' => '#/$defs/place'];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        if (is_array($raw)) {
            [$x, $y] = $this->coordinates();

            return $raw === self::SHEET_CENTER || $raw == [$plan->width / 2, $plan->height / 2]
                ? 'the centre of the sheet'
                : $x->text($raw[0] ?? 0, $plan, $labels).', '.$y->text($raw[1] ?? 0, $plan, $labels);
        }
        $address = is_string($raw) ? Address::parse($raw) : null;
        if ($address === null) {
            return 'a lost place';
        }
        $label = $labels[$address->step] ?? $address->step;
        $where = implode(', ', array_map(strval(...), $address->coordinates));
        $numbers = implode(', ', array_map(Numerals::plain(...), $address->numbers));

        return match (true) {
            $address->sort === '!' => "the centre of $label",
            $address->sort === '*' => "crossing $where of $label and ".($labels[(string) $address->other] ?? $address->other),
            $address->sort === '~' => "the place $numbers of $label",
            $address->sort === '@' && str_contains($raw, '.') => "the place at $numbers of $label",
            $address->coordinates === [0] => "the centre of $label",
            $address->sort === '#' => "the middle of cell $where of $label",
            default => "point $where of $label",
        };
    }

    /** @return array{NumberField, NumberField} */
    private function coordinates(): array
    {
        return [NumberField::coordinate("{$this->name}.0", "{$this->label} x"), NumberField::coordinate("{$this->name}.1", "{$this->label} y")];
    }
}
