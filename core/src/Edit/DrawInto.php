<?php

declare(strict_types=1);

namespace Sternbild\Core\Edit;

use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Plan\Edit\Add;
use Sternbild\Core\Plan\Edit\Draft;
use Sternbild\Core\Plan\Edit\Operation;
use Sternbild\Core\Plan\Edit\Operations;
use Sternbild\Core\Plan\Edit\PlanEdit;

/**
 * `{op: "add", step, before?, into?}`
 *
 * What `add` does; a step that is drawn into a repeat or a pattern is brought into its first sector or cell, and is one of the parts that
 * this repeats.
 *
 * @see DrawingIn
 */
final readonly class DrawInto implements Operation
{
    /** @param  \Closure(array<array-key, mixed>): Scene  $sceneOf  what a plan as it is written comes to */
    public function __construct(private \Closure $sceneOf, private Add $add = new Add)
    {
    }

    public function name(): string
    {
        return $this->add->name();
    }

    public function properties(): array
    {
        return [
            ...$this->add->properties(),
            'into' => [
                'type' => 'string',
                'description' => 'A repeat all the way around: what is drawn is brought into its first sector, and repeated by it.',
            ],
        ];
    }

    public function required(): array
    {
        return $this->add->required();
    }

    public function apply(Draft $draft, array $operation, string $pointer): void
    {
        if (! isset($operation['into'])) {
            $this->add->apply($draft, $operation, $pointer);

            return;
        }
        $own = is_array($operation['step'] ?? null) ? array_intersect_key($operation['step'], ['id' => true]) : [];
        $operation = $draft->withNames($operation);
        $operation['step'] = [...is_array($operation['step'] ?? null) ? $operation['step'] : [], ...$own];
        $drawn = PlanEdit::apply($draft->plan(), [array_diff_key($operation, ['into' => true, 'before' => true])], $draft->kinds);
        Operations::plain()->carryOut(
            $draft,
            DrawingIn::operations(($this->sceneOf)($drawn->plan()), $drawn->added()[0] ?? '', $operation, $pointer),
            $pointer,
        );
    }
}
