<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Geometry\Bend;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** How the ways between the points of an outline or a run are bent, one after another; null is straight. */
final class BendsField extends Field
{
    public function __construct(string $name, string $label, private readonly int $most)
    {
        parent::__construct($name, $label);
    }

    public function type(): string
    {
        return 'bends';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_array($raw) || ! array_is_list($raw) || count($raw) > $this->most) {
            throw Unusable::at($pointer, "a list of at most {$this->most} bends");
        }
        foreach ($raw as $index => $bend) {
            if ($bend === null) {
                continue;
            }
            $sort = is_array($bend) && count($bend) === 1 ? (string) array_key_first($bend) : '';
            if (! is_array($bend) || ! in_array($sort, ['bulge', 'through', 'tangent', 'handles'], true)) {
                throw Unusable::at("$pointer/$index", 'null for straight, or one of bulge, through, tangent and handles');
            }
            $said = $bend[$sort];
            $at = "$pointer/$index/$sort";
            if ($sort === 'tangent' && $said !== true) {
                throw Unusable::at($at, 'true');
            }
            if ($sort === 'handles' && (! is_array($said) || ! array_is_list($said) || count($said) !== 2)) {
                throw Unusable::at($at, 'two places');
            }
            foreach ($this->parts($index, $sort, $said) as $number => [$field, $one]) {
                $field->check($one, $sort === 'handles' ? "$at/$number" : $at);
            }
        }
    }

    /** @return list<Bend|null> */
    public function resolve(mixed $raw, Scope $scope): array
    {
        $bends = [];
        foreach (is_array($raw) ? array_values($raw) : [] as $index => $bend) {
            $bends[] = is_array($bend) ? $this->bend($index, (string) array_key_first($bend), reset($bend), $scope) : null;
        }

        return $bends;
    }

    public function references(mixed $raw): array
    {
        $ids = [];
        foreach (is_array($raw) ? array_values($raw) : [] as $index => $bend) {
            if (is_array($bend)) {
                foreach ($this->parts($index, (string) array_key_first($bend), reset($bend)) as [$field, $one]) {
                    array_push($ids, ...$field->references($one));
                }
            }
        }

        return $ids;
    }

    public function renamed(mixed $raw, array $new): mixed
    {
        return is_array($raw) ? array_map(function (mixed $bend) use ($new): mixed {
            if (! is_array($bend) || $bend === []) {
                return $bend;
            }
            $sort = (string) array_key_first($bend);
            $said = array_map(static fn (array $part): mixed => $part[0]->renamed($part[1], $new), $this->parts(0, $sort, $bend[$sort]));

            return $said === [] ? $bend : [$sort => $sort === 'handles' ? $said : $said[0]];
        }, $raw) : $raw;
    }

    /** @return list<mixed> */
    public function sample(Sampling $lot): array
    {
        $place = new PlaceField("{$this->name}.0", $this->label);

        return array_map(static fn (): mixed => match ($lot->whole(0, 6)) {
            0, 1 => ['bulge' => $lot->number(-2, 2)],
            2 => ['through' => $place->sample($lot)],
            3 => ['tangent' => true],
            4 => ['handles' => [$place->sample($lot), $place->sample($lot)]],
            default => null,
        }, range(1, $lot->whole(1, 5)));
    }

    public function schema(): array
    {
        $one = static fn (string $name, array $schema): array => [
            'type' => 'object',
            'required' => [$name],
            'additionalProperties' => false,
            'properties' => [$name => $schema],
        ];

        return ['type' => 'array', 'maxItems' => $this->most, 'items' => ['oneOf' => [
            ['type' => 'null'],
            $one('bulge', ['type' => ['number', 'string']]),
            $one('through', ['$ref' => '#/$defs/place']),
            $one('tangent', ['const' => true]),
            $one('handles', ['type' => 'array', 'items' => ['$ref' => '#/$defs/place'], 'minItems' => 2, 'maxItems' => 2]),
        ]]];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        $items = $this->items($raw, $plan, $labels);
        $bent = array_values(array_filter($items, static fn (string $item): bool => $item !== 'straight'));
        $last = array_pop($bent);

        return $last === null ? 'all straight' : ($bent === [] ? '' : implode(', ', $bent).' and ').$last;
    }

    /** @return list<string> */
    public function items(mixed $raw, Plan $plan, array $labels): array
    {
        $texts = [];
        foreach (is_array($raw) ? array_values($raw) : [] as $index => $bend) {
            $sort = is_array($bend) ? (string) array_key_first($bend) : '';
            $said = is_array($bend)
                ? array_map(
                    static fn (array $part): string => $part[0]->text($part[1], $plan, $labels),
                    $this->parts($index, $sort, $bend[$sort]),
                )
                : [];
            $texts[] = match ($sort) {
                'bulge' => "bulging $said[0]",
                'through' => "an arc through $said[0]",
                'tangent' => 'a tangent arc',
                'handles' => 'a curve towards '.implode(' and from ', $said),
                default => 'straight',
            };
        }

        return $texts;
    }

    /** @throws FieldFault */
    private function bend(int $index, string $sort, mixed $said, Scope $scope): Bend
    {
        $parts = array_map(static fn (array $part): mixed => $part[0]->resolve($part[1], $scope), $this->parts($index, $sort, $said));
        $place = static fn (mixed $one): \Sternbild\Core\Geometry\Vec => $one instanceof \Sternbild\Core\Geometry\Vec
            ? $one
            : throw new \LogicException('A bend goes through places.');

        return match ($sort) {
            'bulge' => Bend::bulge(is_float($parts[0]) ? $parts[0] : 0.0),
            'through' => Bend::through($place($parts[0])),
            'handles' => Bend::handles($place($parts[0]), $place($parts[1])),
            default => Bend::tangent(),
        };
    }

    /** @return list<array{Field, mixed}> what a bend is said with, and the fields that read it */
    private function parts(int $index, string $sort, mixed $said): array
    {
        $name = "{$this->name}.$index";

        return match ($sort) {
            'bulge' => [[NumberField::factor($name, 'bulge '.($index + 1)), $said]],
            'through' => [[new PlaceField($name, 'the place on arc '.($index + 1)), $said]],
            'handles' => array_map(
                static fn (mixed $one): array => [new PlaceField($name, 'a handle of curve '.($index + 1)), $one],
                is_array($said) ? array_values($said) : [],
            ),
            default => [],
        };
    }
}
