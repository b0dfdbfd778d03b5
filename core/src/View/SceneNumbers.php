<?php

declare(strict_types=1);

namespace Sternbild\Core\View;

use Sternbild\Core\Evaluation\DrawnPart;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Overlay;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Measure\Measurement;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Shape\Covered;
use Sternbild\Core\Shape\Part;

/** A scene in figures, as the command line prints it. */
final class SceneNumbers
{
    /** @return array{grids: object, guides: object, overlays: object, parts: object, weaves: object, patterns: object, paints: object, measures: object, drawing: list<mixed>, findings: list<mixed>} */
    public static function list(Scene $scene): array
    {
        $drawn = array_flip(array_map(static fn (DrawnPart $part): string => $part->id, $scene->drawing));
        $grids = [];
        foreach ($scene->grids() as $id => $grid) {
            $grids[$id] = self::grid($grid, $scene->plan->steps[$id]->kind->name());
        }
        $parts = $rough = [];
        foreach ($scene->parts() as $id => $part) {
            $covered = $part->covered();
            if (! $covered->isWhole) {
                $rough[] = Finding::note(
                    $id,
                    'overlaps',
                    'what its figures overlap counts for each of them in its area: there are too many to be joined',
                )->about($scene->labels[$id]);
            }
            $parts[$id] = [...self::part($part, $covered), 'drawn' => isset($drawn[$id])];
        }

        return [
            'grids' => (object) $grids,
            'guides' => (object) array_map(self::guide(...), $scene->guides()),
            'overlays' => (object) array_map(self::overlay(...), $scene->overlays()),
            'parts' => (object) $parts,
            'weaves' => (object) array_map(
                static fn (Part $part): array => [
                    'crossings' => (int) $part->facts['crossings'],
                    'strands' => (int) $part->facts['strands'],
                ],
                array_filter($scene->parts(), static fn (Part $part): bool => isset($part->facts['crossings'])),
            ),
            'patterns' => (object) self::patterns($scene),
            'paints' => (object) self::paints($scene),
            'measures' => (object) array_map(static fn (Measurement $measure): array => ['value' => $measure->value], $scene->measures()),
            'drawing' => self::drawing($scene),
            'findings' => [...$scene->findings, ...$rough],
        ];
    }

    /** @return array<string, array{cells: int, colours: object}> painted cells as they are after what was painted over them */
    private static function paints(Scene $scene): array
    {
        $palette = $scene->plan->palette;
        $paints = [];
        foreach ($scene->parts() as $id => $part) {
            $painted = $scene->paints[$id] ?? $part->painted;
            if ($painted !== null) {
                $colours = [];
                foreach ($painted->counts() as $name => $count) {
                    $said = isset($palette[$name]) ? $name : (array_search($name, array_map(strtolower(...), $palette), true) ?: $name);
                    $colours[$said] = ($colours[$said] ?? 0) + $count;
                }
                $paints[$id] = ['cells' => array_sum($colours), 'colours' => (object) $colours];
            }
        }

        return $paints;
    }

    /** @return list<array{id: string, fill: string, area: float}> from back to front, one for each look and part */
    private static function drawing(Scene $scene): array
    {
        $drawing = [];
        foreach ($scene->drawing as $drawn) {
            $areas = [];
            $spread = $drawn->part->spread;
            foreach ($spread?->ofCell() ?? $drawn->part->figures() as $number => $figure) {
                $style = $drawn->styles[$number];
                if ($style !== null) {
                    $key = spl_object_id($style);
                    $areas[$key] ??= ['id' => $drawn->id, 'fill' => $style->fill, 'area' => 0.0];
                    $areas[$key]['area'] += $figure->area() * ($spread?->cells() ?? 1);
                }
            }
            array_push($drawing, ...array_values($areas));
        }

        return $drawing;
    }

    /**
     * @return array<string, array{group: string, orbit: int, area: float|null, tile: list<float>|float|null, figures: int}> of patterns and
     *   friezes; the tile of a frieze is how long it is
     */
    private static function patterns(Scene $scene): array
    {
        $patterns = [];
        foreach ($scene->parts() as $id => $part) {
            if (isset($part->facts['orbit'])) {
                $group = $scene->plan->steps[$id]->raw('group') ?? 'p1';
                $facts = $part->facts;
                $patterns[$id] = [
                    'group' => is_string($group) ? $group : 'p1',
                    'orbit' => (int) $facts['orbit'],
                    'area' => $facts['area'] ?? null,
                    'tile' => isset($facts['wide'], $facts['high'])
                        ? [$facts['wide'], $facts['high']]
                        : (isset($facts['area'])
                            ? null
                            : $facts['wide'] ?? null),
                    'figures' => $part->count(),
                ];
            }
        }

        return $patterns;
    }

    /** @return array{pieces: int, holes: int, nodes: int, area: float, perimeter: float, bounds: array{float, float, float, float}} */
    public static function part(Part $part, ?Covered $covered = null): array
    {
        $holes = $part->holes();

        return [
            'pieces' => $part->outlines() - $holes,
            'holes' => $holes,
            'nodes' => $part->nodes(),
            'area' => ($covered ?? $part->covered())->area,
            'perimeter' => $part->perimeter(),
            'bounds' => $part->bounds()->toArray(),
        ];
    }

    /** @return array{kind: string, cells: int, points: int, edges: int, area: float} */
    private static function grid(Grid $grid, string $kind): array
    {
        return [
            'kind' => $kind,
            'cells' => $grid->cellCount(),
            'points' => $grid->pointCount(),
            'edges' => $grid->edgeCount(),
            'area' => $grid->area(),
        ];
    }

    /** @return array{cells: int, points: int, edges: int, area: float} */
    private static function overlay(Overlay $overlay): array
    {
        $arrangement = $overlay->arrangement();

        return [
            'cells' => $arrangement->faceCount(),
            'points' => $arrangement->pointCount(),
            'edges' => $arrangement->edgeCount(),
            'area' => $overlay->area(),
        ];
    }

    /** @return array{length: float, bounds: array{float, float, float, float}, center?: array{float, float}, radius?: float} */
    private static function guide(Guide $guide): array
    {
        $curve = $guide->curve;

        return [
            'length' => $guide->length(),
            'bounds' => $guide->bounds()->toArray(),
            ...($curve instanceof Arc ? ['center' => [$curve->center()->x, $curve->center()->y], 'radius' => $curve->radius()] : []),
        ];
    }
}
