<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Known;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** A list of earlier parts. Those that are lost are left out with a warning; when all are, it is an error. */
final class StepsField extends Field
{
    private const MOST = 10_000;

    public function __construct(string $name, string $label)
    {
        parent::__construct($name, $label, true);
    }

    public function type(): string
    {
        return 'steps';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_array($raw) || ! array_is_list($raw) || $raw === [] || count($raw) > self::MOST) {
            throw Unusable::at($pointer, 'a list of 1 to '.self::MOST.' ids of earlier parts');
        }
        foreach ($raw as $index => $id) {
            if (! is_string($id) || preg_match('/^[a-z][a-z0-9]*$/D', $id) !== 1) {
                throw Unusable::at("$pointer/$index", 'the id of an earlier part');
            }
        }
    }

    /** @return list<Known> */
    public function resolve(mixed $raw, Scope $scope): array
    {
        $found = [];
        $lost = [];
        foreach (array_unique($this->references($raw)) as $id) {
            try {
                $scope->part($id, $this->name);
                $found[] = $scope->step($id, $this->name);
            } catch (FieldFault $fault) {
                $lost[] = $fault->getMessage();
            }
        }
        if ($found === []) {
            throw new FieldFault($this->name, 'lost', 'nothing is left to work on: '.implode('; ', $lost));
        }
        if ($lost !== []) {
            $scope->warn($this->name, 'lost', 'goes on without what is lost: '.implode('; ', $lost));
        }

        return $found;
    }

    public function references(mixed $raw): array
    {
        return is_array($raw) ? array_values(array_filter($raw, is_string(...))) : [];
    }

    public function schema(): array
    {
        return ['type' => 'array', 'items' => ['$ref' => '#/$defs/id'], 'minItems' => 1, 'maxItems' => self::MOST];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        $names = array_map(static fn (string $id): string => $labels[$id] ?? "“{$id}”", $this->references($raw));
        $last = array_pop($names);

        return $names === [] ? (string) $last : implode(', ', $names)." and $last";
    }
}
