<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests;

use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Result\Memory;
use Sternbild\Core\Result\ShortMemory;

/** Plans to test with. */
final class Sample
{
    /**
     * A sheet of 800 × 800 px with the given steps.
     *
     * @param  list<array<string, mixed>>  $steps
     * @param  array<string, mixed>  $values
     * @return array<string, mixed>
     */
    public static function plan(array $steps, array $values = []): array
    {
        return [
            'format' => 'sternbild-plan',
            'version' => 1,
            'sheet' => ['width' => 800, 'height' => 800, 'unit' => 'px', 'background' => null],
            'values' => $values,
            'palette' => ['lagoon' => '#0f6e84', 'ink' => '#1b2140'],
            'steps' => $steps,
        ];
    }

    /**
     * The same, looked at as large as it is only, and whatever its corners.
     *
     * @param  array<string, mixed>  $plan
     * @return array<string, mixed>
     */
    public static function unchecked(array $plan): array
    {
        $plan['sheet'] = [
            ...is_array($plan['sheet'] ?? null) ? $plan['sheet'] : [],
            'checks' => ['sliver' => 0, 'miss' => 0, 'corner' => 0, 'small' => 0],
        ];

        return $plan;
    }

    /**
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    public static function polar(array $more = []): array
    {
        return [
            ...[
                'id' => 'g1',
                'kind' => 'grid.polar',
                'center' => [400, 400],
                'radius' => 300,
                'rings' => 5,
                'sectors' => 10,
                'axis' => 'sector',
            ],
            ...$more,
        ];
    }

    /**
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    public static function rectangular(array $more = []): array
    {
        return [
            ...['id' => 'g1', 'kind' => 'grid.rectangular', 'origin' => [100, 50], 'columns' => 6, 'rows' => 5, 'cell' => [40, 30]],
            ...$more,
        ];
    }

    /**
     * @param  list<string>  $cells
     * @return array<string, mixed>
     */
    public static function part(string $id, array $cells): array
    {
        return ['id' => $id, 'kind' => 'part.cells', 'cells' => $cells];
    }

    /** @param  array<array-key, mixed>  $plan */
    public static function scene(array $plan, ?Memory $cache = null, ?Budget $budget = null): Scene
    {
        return (new Evaluator($cache ?? new ShortMemory))->evaluate((new PlanReader(Kinds::all()))->fromArray($plan), $budget);
    }

    /**
     * A petal of three cells, repeated around and filled.
     *
     * @return array<string, mixed>
     */
    public static function rosette(): array
    {
        return self::plan([
            self::polar(),
            ['id' => 'p1', 'kind' => 'part.cells', 'name' => 'petal', 'cells' => ['g1#2,1', 'g1#3,1', 'g1#4,1']],
            ['id' => 'r1', 'kind' => 'repeat.around', 'of' => ['p1'], 'center' => 'g1@0', 'count' => 'g1.sectors'],
            ['id' => 's1', 'kind' => 'style', 'of' => ['r1'], 'fill' => 'lagoon'],
        ]);
    }

    /** What a step behind all others of a scene could see. */
    public static function scope(Scene $scene): Scope
    {
        $scope = new Scope($scene->plan, $scene->labels);
        array_map($scope->learn(...), $scene->known);

        return $scope;
    }
}
