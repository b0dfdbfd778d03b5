<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Unusable;

/**
 * Changes to a plan as small operations, so that a change made on an older plan can be made again on a newer one. Each sort of operation is
 * a class of its own, and works on what the one before it left.
 *
 * It does not check the outcome: PlanReader does.
 */
final readonly class PlanEdit
{
    private function __construct(private Draft $draft)
    {
    }

    /**
     * @param  array<array-key, mixed>  $plan  that PlanReader lets through
     * @param  array<array-key, mixed>  $operations
     * @param  Operations|null  $known  the sorts of operations that there are; null for those that need nothing but the plan as it is
     *   written
     *
     * @throws Unusable with a pointer into the operations
     */
    public static function apply(array $plan, array $operations, Kinds $kinds, ?Operations $known = null): self
    {
        $known ??= Operations::plain();
        $draft = new Draft($plan, $kinds);
        foreach (array_values($operations) as $index => $operation) {
            $operation = is_array($operation) ? $operation : [];
            $known->named($operation['op'] ?? null, "/operations/$index/op")->apply($draft, $operation, "/operations/$index");
        }

        return new self($draft);
    }

    /** @return array<array-key, mixed> */
    public function plan(): array
    {
        return $this->draft->plan();
    }

    /** @return list<string> */
    public function added(): array
    {
        return $this->draft->added();
    }

    /** @return list<string> ids of new steps, and of those of which a parameter was set */
    public function touched(): array
    {
        return $this->draft->touched();
    }

    /** What the change is called in the history. */
    public function label(): string
    {
        return $this->draft->label();
    }
}
