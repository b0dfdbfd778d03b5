<?php

declare(strict_types=1);

namespace Sternbild\Core\Edit;

use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Plan\Edit\Draft;
use Sternbild\Core\Plan\Edit\Operation;
use Sternbild\Core\Plan\Edit\Operations;

/**
 * `{op: "arrange", points, way, by?, cells?, of?}`
 *
 * Points that are found by where they lie brought into line, spread or moved, where they are written.
 *
 * @see Arranging
 */
final readonly class Arrange implements Operation
{
    /** @param  \Closure(array<array-key, mixed>): Scene  $sceneOf  what a plan as it is written comes to */
    public function __construct(private \Closure $sceneOf)
    {
    }

    public function name(): string
    {
        return 'arrange';
    }

    public function properties(): array
    {
        return [
            'points' => [
                'type' => 'array',
                'items' => [
                    'oneOf' => [
                        ['type' => 'array', 'items' => ['type' => 'number']],
                        ['type' => 'string'],
                        ['type' => 'object', 'additionalProperties' => true],
                    ],
                ],
                'description' => 'Places as a plan writes them, or where they lie; found again where they are written.',
            ],
            'way' => ['enum' => ['row', 'column', 'spread', 'shift']],
            'by' => ['type' => 'array', 'items' => [], 'description' => 'Of a shift, across and down.'],
            'cells' => [
                'type' => 'array',
                'items' => ['type' => 'number'],
                'description' => 'Of a shift in whole cells of the grid that they lie on.',
            ],
            'of' => ['type' => 'string', 'description' => 'The step whose points are meant where several have one there.'],
        ];
    }

    public function required(): array
    {
        return ['points', 'way'];
    }

    public function apply(Draft $draft, array $operation, string $pointer): void
    {
        Operations::plain()->carryOut(
            $draft,
            Arranging::operations(($this->sceneOf)($draft->plan()), $draft->withNames($operation), $pointer),
            $pointer,
        );
    }
}
