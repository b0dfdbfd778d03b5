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

/** One earlier step of a certain role, or of one of several, or a copy of it. */
final class StepField extends Field
{
    /**
     * @param  list<string>  $kinds  of steps that make sense here, where not all do; others are found wrong by who takes it
     * @param  Role|null  $or  another role that it may have
     */
    public function __construct(
        string $name,
        string $label,
        private readonly Role $role = Role::Part,
        bool $required = false,
        private readonly array $kinds = [],
        private readonly ?Role $or = null,
    ) {
        parent::__construct($name, $label, $required);
    }

    public function type(): string
    {
        return 'step';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_string($raw) || preg_match('/'.Address::MEMBER_PATTERN.'/D', $raw) !== 1) {
            throw Unusable::at($pointer, "the id of an earlier {$this->role->value}".($this->or === null ? '' : " or {$this->or->value}"));
        }
    }

    public function resolve(mixed $raw, Scope $scope): Evaluated
    {
        $step = $scope->member(is_string($raw) ? $raw : '', $this->name);
        if ($step->result->role() !== $this->role && $step->result->role() !== $this->or) {
            throw new FieldFault(
                $this->name,
                'lost',
                "{$scope->label($step->step())} is not {$this->role->noun()}".($this->or === null ? '' : " or {$this->or->noun()}"),
            );
        }

        return $step->result instanceof Part && $step->result->isEmpty()
            ? throw new NothingGiven($this->name, "nothing is left to work on: {$scope->label($step->step())} is empty")
            : $step;
    }

    public function references(mixed $raw): array
    {
        return is_string($raw) ? Address::idsIn($raw) : [];
    }

    public function renamed(mixed $raw, array $new): mixed
    {
        return is_string($raw) ? Address::renamed($raw, $new) : $raw;
    }

    public function sample(Sampling $lot): string
    {
        return $lot->step($this->or !== null && $lot->has($this->or) && $lot->chance(30) ? $this->or : $this->role);
    }

    public function schema(): array
    {
        return ['$ref' => '#/$defs/member'];
    }

    public function traits(): array
    {
        return [
            'roles' => [$this->role->value, ...$this->or === null ? [] : [$this->or->value]],
            ...$this->kinds === [] ? [] : ['kinds' => $this->kinds],
        ];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        return is_string($raw) ? (new Naming($plan, $labels))->member($raw) : '';
    }
}
