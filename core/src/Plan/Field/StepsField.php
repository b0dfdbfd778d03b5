<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Plan\Address;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Naming;
use Sternbild\Core\Plan\NothingGiven;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\Role;
use Sternbild\Core\Shape\Part;

/** A list of earlier steps of certain roles. Those that are lost are left out with a warning; when all are, it is an error. */
final class StepsField extends Field
{
    private const MOST = 10_000;

    /**
     * @param  non-empty-list<Role>  $roles  that the steps may have
     * @param  bool  $withNothing  whether parts of which nothing is left count; else they are left out
     */
    private function __construct(
        string $name,
        string $label,
        private readonly array $roles,
        bool $required,
        private readonly int $most,
        private readonly bool $withNothing = false,
    ) {
        parent::__construct($name, $label, $required);
    }

    /** Parts, also those of which nothing is left. */
    public static function partsOrNothing(string $name, string $label): self
    {
        return new self($name, $label, [Role::Part], true, self::MOST, true);
    }

    public static function parts(string $name, string $label): self
    {
        return new self($name, $label, [Role::Part], true, self::MOST);
    }

    public static function guides(string $name, string $label, int $most): self
    {
        return new self($name, $label, [Role::Guide], false, $most);
    }

    public static function partsOrGuides(string $name, string $label): self
    {
        return new self($name, $label, [Role::Part, Role::Guide], true, self::MOST);
    }

    public static function withLines(string $name, string $label): self
    {
        return new self($name, $label, [Role::Grid, Role::Guide, Role::Part], true, self::MOST);
    }

    public function type(): string
    {
        return 'steps';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_array($raw) || ! array_is_list($raw) || $raw === [] || count($raw) > $this->most) {
            throw Unusable::at($pointer, "a list of 1 to {$this->most} ids of earlier {$this->plural()}");
        }
        foreach ($raw as $index => $id) {
            if (! is_string($id) || preg_match('/'.Address::MEMBER_PATTERN.'/D', $id) !== 1) {
                throw Unusable::at("$pointer/$index", "the id of one of the earlier {$this->plural()}");
            }
        }
    }

    /** @return list<Evaluated> */
    public function resolve(mixed $raw, Scope $scope): array
    {
        $found = $lost = $empty = [];
        foreach (array_unique(self::named($raw)) as $id) {
            try {
                $step = $scope->member($id, $this->name);
                if (! in_array($step->result->role(), $this->roles, true)) {
                    throw new FieldFault(
                        $this->name,
                        'lost',
                        "{$scope->label($step->step())} is not ".
                            implode(' or ', array_map(static fn (Role $role): string => $role->noun(), $this->roles)),
                    );
                }
                if ($step->result instanceof Part && $step->result->isEmpty() && ! $this->withNothing) {
                    $empty[] = $scope->label($step->step());
                } else {
                    $found[] = $step;
                }
            } catch (FieldFault $fault) {
                $lost[] = $fault->getMessage();
            }
        }
        if ($found === [] && $empty !== []) {
            throw new NothingGiven(
                $this->name,
                'nothing is left to work on: '.implode(' and ', $empty).(count($empty) === 1 ? ' is empty' : ' are empty'),
            );
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
        return array_merge(...array_map(Address::idsIn(...), self::named($raw)));
    }

    public function renamed(mixed $raw, array $new): mixed
    {
        return is_array($raw)
            ? array_map(static fn (mixed $one): mixed => is_string($one) ? Address::renamed($one, $new) : $one, $raw)
            : $raw;
    }

    /** @return list<string> */
    public function sample(Sampling $lot): array
    {
        return array_map(fn (): string => $lot->step(...$this->roles), range(1, $lot->whole(1, min($this->most, 3))));
    }

    /** @return list<string> */
    private static function named(mixed $raw): array
    {
        return is_array($raw) ? array_values(array_filter($raw, is_string(...))) : [];
    }

    public function schema(): array
    {
        return ['type' => 'array', 'items' => ['$ref' => '#/$defs/member'], 'minItems' => 1, 'maxItems' => $this->most];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        $names = array_map((new Naming($plan, $labels))->member(...), self::named($raw));
        $last = array_pop($names);

        return $names === [] ? (string) $last : implode(', ', $names)." and $last";
    }

    public function traits(): array
    {
        return ['roles' => array_map(static fn (Role $role): string => $role->value, $this->roles)];
    }

    private function plural(): string
    {
        return implode(' and ', array_map(static fn (Role $role): string => "{$role->value}s", $this->roles));
    }
}
