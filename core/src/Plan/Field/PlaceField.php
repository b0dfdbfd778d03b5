<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\NoSuchPlace;
use Sternbild\Core\Plan\Address;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

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
            if ($address === null || ($address->sort === '#' && ! $address->center) || in_array(null, $address->coordinates, true)) {
                throw Unusable::at($pointer, "a place for {$this->label}: [x, y], an intersection such as g1@2,3 or a centre such as g1#2,3!");
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
        if ($address->sort === '!') {
            return $scope->part($address->step, $this->name)->bounds()->center();
        }
        $grid = $scope->grid($address->step, $this->name);
        try {
            return $address->sort === '@'
                ? $grid->pointAt(array_map(intval(...), $address->coordinates))
                : $grid->cellOutlines($grid->cellsAt($address->coordinates)[0])[0]->centroid();
        } catch (NoSuchPlace $fault) {
            throw new FieldFault($this->name, 'lost', "{$this->label} is lost: {$fault->getMessage()} in {$scope->label($address->step)}");
        }
    }

    public function references(mixed $raw): array
    {
        if (is_array($raw)) {
            return self::idsInArithmetic(array_values(array_filter($raw, is_string(...))));
        }
        $address = is_string($raw) ? Address::parse($raw) : null;

        return $address === null ? [] : [$address->step];
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

        return match (true) {
            $address->sort === '!' => "the centre of $label",
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
