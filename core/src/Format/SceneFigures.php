<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Plan\DrawnPart;
use Sternbild\Core\Plan\Scene;
use Sternbild\Core\Shape\Part;

/** A scene in figures, as the command line prints it. */
final class SceneFigures
{
    /** @return array{grids: object, overlays: object, parts: object, findings: list<mixed>} */
    public static function of(Scene $scene): array
    {
        $drawn = array_flip(array_map(static fn (DrawnPart $part): string => $part->id, $scene->drawing));
        $grids = [];
        foreach ($scene->grids() as $id => $grid) {
            $grids[$id] = self::grid($grid, $scene->plan->steps[$id]->kind->name());
        }
        $parts = [];
        foreach ($scene->parts() as $id => $part) {
            $parts[$id] = [...self::part($part), 'drawn' => isset($drawn[$id])];
        }

        return ['grids' => (object) $grids, 'overlays' => (object) [], 'parts' => (object) $parts, 'findings' => $scene->findings];
    }

    /** @return array{pieces: int, holes: int, nodes: int, area: float, perimeter: float, bounds: array{float, float, float, float}} */
    public static function part(Part $part): array
    {
        $holes = $part->holes();

        return [
            'pieces' => $part->outlines() - $holes,
            'holes' => $holes,
            'nodes' => $part->nodes(),
            'area' => $part->area(),
            'perimeter' => $part->perimeter(),
            'bounds' => $part->bounds()->toArray(),
        ];
    }

    /** @return array{kind: string, cells: int, points: int, edges: int, area: float} */
    private static function grid(Grid $grid, string $kind): array
    {
        $mesh = $grid->mesh();

        return [
            'kind' => $kind,
            'cells' => $grid->cellCount(),
            'points' => count($mesh->x),
            'edges' => count($mesh->from),
            'area' => $grid->area(),
        ];
    }
}
