<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Address;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Naming;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** Several places, in order. */
final class PlacesField extends Field
{
    /** More places are counted in a sentence, not told one by one. */
    public const SPELT_OUT = 3;

    /** More come from no hand. */
    public const MOST = 2000;

    /**
     * @param  list<string>  $each  what messages call them one by one; those beyond are numbered
     * @param  bool  $exactly  whether there have to be as many as have names, not more
     */
    public function __construct(
        string $name,
        string $label,
        private readonly array $each,
        private readonly bool $exactly,
        bool $required = false,
        private readonly int $most = self::MOST,
    ) {
        parent::__construct($name, $label, $required);
    }

    public function type(): string
    {
        return 'places';
    }

    public function check(mixed $raw, string $pointer): void
    {
        $least = count($this->each);
        if (! is_array($raw) || ! array_is_list($raw) || count($raw) < $least || count($raw) > ($this->exactly ? $least : $this->most)) {
            throw Unusable::at(
                $pointer,
                $this->exactly ? "$least places for {$this->label}" : "$least to {$this->most} places for {$this->label}",
            );
        }
        foreach ($raw as $index => $place) {
            $this->place($index)->check($place, "$pointer/$index");
        }
    }

    /** @return list<Vec> */
    public function resolve(mixed $raw, Scope $scope): array
    {
        $places = [];
        foreach (is_array($raw) ? array_values($raw) : [] as $index => $place) {
            try {
                $places[] = $this->place($index)->resolve($place, $scope);
            } catch (FieldFault $fault) {
                throw new FieldFault("{$this->name}.$index", $fault->findingCode, $fault->getMessage());
            }
        }

        return $places;
    }

    public function references(mixed $raw): array
    {
        $ids = [];
        foreach (is_array($raw) ? array_values($raw) : [] as $index => $place) {
            array_push($ids, ...$this->place($index)->references($place));
        }

        return $ids;
    }

    public function renamed(mixed $raw, array $new): mixed
    {
        return is_array($raw) ? array_map(fn (mixed $one): mixed => $this->place(0)->renamed($one, $new), $raw) : $raw;
    }

    public function handle(): string
    {
        return 'places';
    }

    /** @return list<mixed> */
    public function sample(Sampling $lot): array
    {
        $least = count($this->each);

        return array_map(
            fn (int $index): mixed => $this->place($index)->sample($lot),
            range(1, $this->exactly ? $least : $lot->whole($least, $least + 3)),
        );
    }

    public function traits(): array
    {
        return ['each' => $this->each, 'least' => count($this->each), 'most' => $this->exactly ? count($this->each) : $this->most];
    }

    public function schema(): array
    {
        $least = count($this->each);

        return [
            'type' => 'array',
            'items' => ['$ref' => '#/$defs/place'],
            'minItems' => $least,
            'maxItems' => $this->exactly ? $least : $this->most,
        ];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        $texts = $this->items($raw, $plan, $labels);
        if (count($texts) > self::SPELT_OUT) {
            $on = array_unique(
                array_map(
                    static fn (mixed $place): string => is_string($place) ? Address::idsIn($place)[0] : '',
                    is_array($raw) ? $raw : [],
                ),
            );

            return count($texts).' points'.(count($on) === 1 && $on[0] !== '' ? ' of '.(new Naming($plan, $labels))->step($on[0]) : '');
        }
        $last = array_pop($texts);

        return $texts === [] ? (string) $last : implode(', ', $texts)." and $last";
    }

    /** @return list<string> */
    public function items(mixed $raw, Plan $plan, array $labels): array
    {
        $texts = [];
        foreach (is_array($raw) ? array_values($raw) : [] as $index => $place) {
            $texts[] = $this->place($index)->text($place, $plan, $labels);
        }

        return $texts;
    }

    private function place(int $index): PlaceField
    {
        return new PlaceField("{$this->name}.$index", $this->each[$index] ?? 'point '.($index + 1));
    }
}
