<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Geometry\Angle;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Address;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Location;
use Sternbild\Core\Plan\Naming;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\Role;

/** A place on the sheet: two coordinates, or the address of an intersection or of a centre. */
final class PlaceField extends Field
{
    public function type(): string
    {
        return 'place';
    }

    public function handle(): string
    {
        return 'place';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (is_string($raw)) {
            $address = Address::parse($raw);
            $isCells =
                $address !== null &&
                ($address->sort === '#' ? ! $address->center : $address->sort === '~' && $address->spot?->grid !== null);
            if ($address === null || $isCells || in_array(null, $address->coordinates, true)) {
                throw Unusable::at($pointer, "a place for {$this->label}: [x, y], an intersection such as g1@2,3, a crossing such as c1*c2/1, a corner such as p1@2 or a centre such as g1#2,3!");
            }

            return;
        }
        if (! is_array($raw)) {
            throw Unusable::at($pointer, "a place for {$this->label}: [x, y], an address, or a composed place");
        }
        if (! array_is_list($raw)) {
            $this->checkComposed($raw, $pointer);

            return;
        }
        if (count($raw) !== 2) {
            throw Unusable::at($pointer, "a place for {$this->label}: [x, y] or an address");
        }
        foreach ($this->coordinates() as $index => $coordinate) {
            $coordinate->check($raw[$index], "$pointer/$index");
        }
    }

    /**
     * @param  array<array-key, mixed>  $raw
     *
     * @throws Unusable
     */
    private function checkComposed(array $raw, string $pointer): void
    {
        $keys = array_map(strval(...), array_keys($raw));
        sort($keys);
        if (! in_array($keys, [['by', 'of'], ['angle', 'distance', 'of'], ['between', 'share'], ['column', 'row']], true)) {
            throw Unusable::at(
                $pointer,
                'a composed place: of with by, of with angle and distance, between with share, or column with row',
            );
        }
        foreach ($raw as $key => $value) {
            if ($key === 'between' && (! is_array($value) || ! array_is_list($value) || count($value) !== 2)) {
                throw Unusable::at("$pointer/between", 'two places');
            }
            foreach ($key === 'between' && is_array($value) ? $value : [$value] as $index => $one) {
                $this->piece((string) $key)->check($one, $key === 'between' ? "$pointer/between/$index" : "$pointer/$key");
            }
        }
    }

    /** The field that says one thing of a composed place. */
    private function piece(string $key): Field
    {
        return match ($key) {
            'by' => new self("{$this->name}.by", "{$this->label}, moved by"),
            'angle' => NumberField::angle("{$this->name}.angle", "{$this->label}, angle"),
            'distance' => NumberField::coordinate("{$this->name}.distance", "{$this->label}, distance"),
            'share' => NumberField::factor("{$this->name}.share", "{$this->label}, share"),
            default => new self("{$this->name}.$key", $this->label),
        };
    }

    public function resolve(mixed $raw, Scope $scope): Vec
    {
        if (is_array($raw) && array_is_list($raw)) {
            [$x, $y] = $this->coordinates();

            return new Vec($x->resolve($raw[0] ?? null, $scope), $y->resolve($raw[1] ?? null, $scope));
        }
        if (is_array($raw)) {
            return $this->composed($raw, $scope);
        }
        $address = is_string($raw) ? Address::parse($raw) : null;
        if ($address === null) {
            throw new FieldFault($this->name, 'lost', "{$this->label} is not a place");
        }

        return (new Location($scope, $this->name, $this->label))->of($address);
    }

    /**
     * @param  array<array-key, mixed>  $raw
     *
     * @throws FieldFault
     */
    private function composed(array $raw, Scope $scope): Vec
    {
        $place = fn (mixed $one): Vec => $this->resolve($one, $scope);
        $number = fn (string $key): float => NumberField::factor("{$this->name}.$key", "{$this->label}, $key")->resolve(
            $raw[$key] ?? null,
            $scope,
        );
        if (isset($raw['by'])) {
            return $place($raw['of'] ?? null)->plus($place($raw['by']));
        }
        if (isset($raw['angle'])) {
            $angle = $number('angle');

            return $place($raw['of'] ?? null)->plus((new Vec(Angle::cosine($angle), Angle::sine($angle)))->times($number('distance')));
        }
        if (is_array($raw['between'] ?? null)) {
            return $place($raw['between'][0] ?? null)->towards($place($raw['between'][1] ?? null), $number('share'));
        }

        return new Vec($place($raw['column'] ?? null)->x, $place($raw['row'] ?? null)->y);
    }

    public function references(mixed $raw): array
    {
        if (is_string($raw)) {
            return Address::idsIn($raw);
        }
        if (! is_array($raw)) {
            return [];
        }
        if (array_is_list($raw)) {
            return self::idsInArithmetic($raw);
        }
        $ids = [];
        foreach ($raw as $key => $value) {
            foreach ($key === 'between' && is_array($value) ? $value : [$value] as $one) {
                array_push($ids, ...$this->piece((string) $key)->references($one));
            }
        }

        return $ids;
    }

    public function renamed(mixed $raw, array $new): mixed
    {
        if (is_string($raw)) {
            return Address::renamed($raw, $new);
        }
        if (! is_array($raw)) {
            return $raw;
        }
        if (array_is_list($raw)) {
            return array_map(static fn (mixed $one): mixed => self::renamedInArithmetic($one, $new), $raw);
        }
        foreach ($raw as $key => $value) {
            $piece = $this->piece((string) $key);
            $raw[$key] = $key === 'between' && is_array($value)
                ? array_map(static fn (mixed $one): mixed => $piece->renamed($one, $new), $value)
                : $piece->renamed($value, $new);
        }

        return $raw;
    }

    public function sample(Sampling $lot): mixed
    {
        $free = static fn (): array => [$lot->number(0, 800), $lot->number(0, 800)];

        // Of what there is something is named now and then; where nothing is, that is for messages only.
        $named = match ($lot->whole(0, 19)) {
            0 => [[Role::Grid], static fn (string $id): string => $id.'@'.$lot->whole(0, 2).','.$lot->whole(0, 2)],
            1 => [[Role::Guide], static fn (string $id): string => $id.'@0.'.$lot->whole(0, 9)],
            2 => [[Role::Grid], static fn (string $id): string => $id.'#'.$lot->whole(1, 3).','.$lot->whole(1, 3).'!'],
            3 => [[Role::Part, Role::Guide], static fn (string $id): string => "$id!"],
            4 => [[Role::Part], static fn (string $id): string => $id.'@'.$lot->whole(1, 4)],
            5 => [[Role::Part, Role::Overlay], static fn (string $id): string => $id.'@'.implode(',', $free())],
            6 => [[Role::Guide, Role::Part], static fn (string $id): string => $id.'*'.$lot->step(Role::Guide, Role::Part).'/1'],
            7 => [[Role::Part, Role::Guide], static fn (string $id): string => $id.'['.$lot->whole(1, 3).']!'],
            default => null,
        };
        if ($named !== null && ($lot->has(...$named[0]) || $lot->chance(10))) {
            return $named[1]($lot->step(...$named[0]));
        }

        return match ($lot->whole(0, 9)) {
            0 => ['of' => $free(), 'by' => [$lot->number(-50, 50), $lot->number(-50, 50)]],
            1 => ['between' => [$free(), $free()], 'share' => $lot->number(0, 1)],
            default => $free(),
        };
    }

    public function schema(): array
    {
        return ['$ref' => '#/$defs/place'];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        return (new Naming($plan, $labels))->place($raw);
    }

    /** @return array{NumberField, NumberField} */
    private function coordinates(): array
    {
        return [
            NumberField::coordinate("{$this->name}.0", "{$this->label} x"),
            NumberField::coordinate("{$this->name}.1", "{$this->label} y"),
        ];
    }
}
