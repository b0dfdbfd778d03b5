<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** Two places of a picture, in pixels, and where on the sheet they belong. */
final class KnownField extends Field
{
    public function type(): string
    {
        return 'known';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_array($raw) || ! array_is_list($raw) || count($raw) !== 2) {
            throw Unusable::at($pointer, 'two places of the picture in pixels, each with the place where it belongs, such as [[[120, 80], "g1@2,3"], [[840, 90], [400, 60]]]');
        }
        foreach ($raw as $k => $pair) {
            if (! is_array($pair) || ! array_is_list($pair) || count($pair) !== 2) {
                throw Unusable::at("$pointer/$k", 'a place of the picture in pixels, and the place where it belongs');
            }
            PixelsField::checkPixel($pair[0], "$pointer/$k/0");
            $this->place($k)->check($pair[1], "$pointer/$k/1");
        }
    }

    /** @return list<Vec> pixel and place, pixel and place */
    public function resolve(mixed $raw, Scope $scope): array
    {
        $places = [];
        foreach (is_array($raw) ? array_values($raw) : [] as $k => $pair) {
            [$pixel, $place] = is_array($pair) ? [...array_values($pair), null, null] : [null, null];
            array_push($places, PixelsField::pixel($pixel), $this->place($k)->resolve($place, $scope));
        }
        if (count($places) !== 4 || $places[0]->distanceTo($places[2]) === 0.0 || $places[1]->distanceTo($places[3]) === 0.0) {
            throw new FieldFault($this->name, 'degenerate', 'its two places, and those where they belong, have to be different ones');
        }

        return $places;
    }

    public function references(mixed $raw): array
    {
        $ids = [];
        foreach ($this->pairs($raw) as $k => $pair) {
            array_push($ids, ...$this->place($k)->references($pair[1] ?? null));
        }

        return array_values(array_unique($ids));
    }

    public function renamed(mixed $raw, array $new): mixed
    {
        return array_map(
            fn (array $pair, int $k): array => [$pair[0] ?? null, $this->place($k)->renamed($pair[1] ?? null, $new)],
            $this->pairs($raw),
            array_keys($this->pairs($raw)),
        );
    }

    /** @return list<mixed> */
    public function sample(Sampling $lot): array
    {
        return [[[10, 10], $this->place(0)->sample($lot)], [[200, 40], $this->place(1)->sample($lot)]];
    }

    public function schema(): array
    {
        return ['type' => 'array', 'items' => ['type' => 'array', 'minItems' => 2, 'maxItems' => 2], 'minItems' => 2, 'maxItems' => 2];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        return implode(
            ' and ',
            array_map(
                fn (array $pair, int $k): string => $this->place($k)->text($pair[1] ?? null, $plan, $labels),
                $this->pairs($raw),
                array_keys($this->pairs($raw)),
            ),
        );
    }

    /** @return list<list<mixed>> */
    private function pairs(mixed $raw): array
    {
        return array_map(array_values(...), array_values(array_filter(is_array($raw) ? $raw : [], is_array(...))));
    }

    private function place(int $k): PlaceField
    {
        return new PlaceField("{$this->name}.$k", $k === 0 ? 'the first place' : 'the second place');
    }
}
