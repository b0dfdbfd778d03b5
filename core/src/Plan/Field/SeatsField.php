<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Tiling;
use Sternbild\Core\Plan\Address;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Seat;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\Role;

/** Places and cells, in order; of a cell its centre. Lost ones are left out with a warning. */
final class SeatsField extends Field
{
    private const MOST = 10_000;

    private readonly PlacesField $places;

    private readonly CellsField $cells;

    public function __construct(string $name, string $label)
    {
        parent::__construct($name, $label, true);
        $this->places = new PlacesField($name, $label, ['place'], exactly: false, required: true, most: self::MOST);
        $this->cells = new CellsField($name, $label);
    }

    public function type(): string
    {
        return 'places';
    }

    public function handle(): string
    {
        return 'seats';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_array($raw) || ! array_is_list($raw) || $raw === [] || count($raw) > self::MOST) {
            throw Unusable::at($pointer, 'a list of 1 to '.number_format(self::MOST).' places or cells');
        }
        foreach ($raw as $index => $one) {
            if (! self::isCell($one)) {
                (new PlaceField("{$this->name}.$index", $this->label))->check($one, "$pointer/$index");
            }
        }
    }

    /** @return list<Seat> */
    public function resolve(mixed $raw, Scope $scope): array
    {
        $seats = $lost = [];
        foreach (is_array($raw) ? array_values($raw) : [] as $index => $one) {
            try {
                array_push(
                    $seats,
                    ...$this->meansCell($one, $scope) ? $this->inCells((string) $one, $scope) : [$this->seat($one, $index, $scope)],
                );
            } catch (FieldFault $fault) {
                $lost[] = $fault->getMessage();
            }
        }
        if ($seats === []) {
            throw new FieldFault($this->name, 'lost', 'nowhere is left to place it: '.implode('; ', array_slice($lost, 0, 3)));
        }
        if ($lost !== []) {
            $scope->warn(
                $this->name,
                'lost',
                count($lost).
                    (count($lost) === 1 ? ' placement is' : ' placements are').
                    ' lost: '.
                    implode('; ', array_slice($lost, 0, 3)),
            );
        }

        return $seats;
    }

    public function references(mixed $raw): array
    {
        $ids = [];
        foreach (is_array($raw) ? $raw : [] as $index => $one) {
            array_push($ids, ...(self::isCell($one) ? $this->cells->references([$one]) : $this->places->references([$one])));
        }

        return array_values(array_unique($ids));
    }

    public function renamed(mixed $raw, array $new): mixed
    {
        return is_array($raw)
            ? array_map(
                fn (mixed $one): mixed => self::isCell($one)
                    ? Address::renamed((string) $one, $new)
                    : (new PlaceField($this->name, $this->label))->renamed($one, $new),
                $raw,
            )
            : $raw;
    }

    /** @return list<mixed> */
    public function sample(Sampling $lot): array
    {
        return $lot->has(Role::Grid) && $lot->chance(50) ? $this->cells->sample($lot) : (array) $this->places->sample($lot);
    }

    public function schema(): array
    {
        return [
            'type' => 'array',
            'items' => ['anyOf' => [['$ref' => '#/$defs/place'], ['type' => 'string', 'pattern' => Address::CELLS_PATTERN]]],
            'minItems' => 1,
            'maxItems' => self::MOST,
        ];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        $texts = $this->items($raw, $plan, $labels);
        if (count($texts) > PlacesField::SPELT_OUT) {
            return count($texts).' places';
        }
        $last = array_pop($texts);

        return $texts === [] ? (string) $last : implode(', ', $texts)." and $last";
    }

    /** @return list<string> */
    public function items(mixed $raw, Plan $plan, array $labels): array
    {
        return array_map(
            fn (mixed $one): string => self::isCell($one)
                ? $this->cells->text([$one], $plan, $labels)
                : (new PlaceField($this->name, $this->label))->text($one, $plan, $labels),
            is_array($raw) ? array_values($raw) : [],
        );
    }

    /** Whether it has the form of a cell, and not also that of a place. */
    private static function isCell(mixed $one): bool
    {
        return is_string($one) && preg_match('/'.Address::CELLS_PATTERN.'/D', $one) === 1 && preg_match('/^[^#;:]*~[^;:]*$/D', $one) !== 1;
    }

    /**
     * The same text is a place of a grid and a cell of an overlay.
     *
     * @throws FieldFault
     */
    private function meansCell(mixed $one, Scope $scope): bool
    {
        return self::isCell($one) ||
            (is_string($one)
                && str_contains($one, '~')
                && $scope->step(Address::idsIn($one)[0], $this->name)->result->role() === Role::Overlay);
    }

    /** @throws FieldFault */
    private function seat(mixed $raw, int $index, Scope $scope): Seat
    {
        $at = (new PlaceField("{$this->name}.$index", $this->label))->resolve($raw, $scope);
        $grid = is_string($raw) ? $scope->step(Address::idsIn($raw)[0], $this->name)->result : null;

        return new Seat($at, $grid instanceof Tiling ? $grid->turnAt($at) : 0.0);
    }

    /**
     * @return list<Seat>
     *
     * @throws FieldFault
     */
    private function inCells(string $address, Scope $scope): array
    {
        $pick = $this->cells->resolve([$address], $scope);
        $seats = [];
        foreach ($pick->cells as $id => $cells) {
            $tiling = $pick->tiling($id);
            foreach ($cells as $cell) {
                $at = $tiling->cellOutlines($cell)[0]->centroid();
                $seats[] = new Seat($at, $tiling->turnAt($at));
            }
        }

        return $seats;
    }
}
