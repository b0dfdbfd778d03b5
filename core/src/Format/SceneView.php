<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Mesh;
use Sternbild\Core\Plan\DrawnPart;
use Sternbild\Core\Plan\Known;
use Sternbild\Core\Plan\Scene;
use Sternbild\Core\Plan\Sentence;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Part;

/** A scene as the interface gets it: sentences, geometry to draw and to pick from, findings. */
final readonly class SceneView
{
    private PathData $paths;

    private function __construct(private Scene $scene)
    {
        $this->paths = new PathData($scene->plan->tolerance()->decimals);
    }

    /**
     * @param  array<array-key, mixed>  $has  hashes of the geometry that the receiver has already, which is left out
     * @return array<string, mixed>
     */
    public static function of(Scene $scene, array $has): array
    {
        return (new self($scene))->view(array_flip(array_filter($has, is_string(...))));
    }

    /**
     * @param  array<string, int>  $has
     * @return array<string, mixed>
     */
    private function view(array $has): array
    {
        $plan = $this->scene->plan;
        $geometry = [];
        foreach ($this->scene->known as $known) {
            $hash = $this->hash($known);
            if (($known->result instanceof Grid || $known->result instanceof Part) && ! isset($has[$hash])) {
                $geometry[$hash] = $known->result instanceof Grid ? $this->grid($known->result) : $this->part($known->result);
            }
        }

        return [
            'sheet' => [
                'width' => $plan->width,
                'height' => $plan->height,
                'unit' => $plan->unit->value,
                'background' => $this->scene->background(),
            ],
            'values' => (object) $plan->values->all(),
            'steps' => array_map($this->step(...), array_values($plan->steps)),
            'drawing' => array_map($this->drawn(...), $this->scene->drawing),
            'geometry' => (object) $geometry,
            'findings' => $this->scene->findings,
        ];
    }

    /** @return array<string, mixed> */
    private function step(Step $step): array
    {
        $plan = $this->scene->plan;
        $known = $this->scene->known[$step->id] ?? null;
        $drawable = $known !== null && ($known->result instanceof Grid || $known->result instanceof Part);

        return [
            'id' => $step->id,
            'kind' => $step->kind->name(),
            'label' => $this->scene->labels[$step->id],
            'name' => $step->name,
            'chapter' => $step->kind->chapter()->value,
            'muted' => $step->muted,
            'hidden' => $step->hidden,
            'role' => match (true) {
                $known === null => 'none',
                $known->result instanceof Grid => 'grid',
                $known->result instanceof Part => 'part',
                default => 'look',
            },
            'geometry' => $drawable ? $this->hash($known) : null,
            'of' => $step->references(),
            'numbers' => (object) ($known === null ? [] : $known->numbers),
            'shown' => $known !== null && $known->result instanceof Grid
                ? ['as' => $step->raw('show') ?? 'lines', 'strength' => $known->numbers['strength'] ?? 0.3]
                : null,
            'sentence' => Sentence::of($step, $plan, $this->scene->labels, $known === null ? [] : $known->numbers),
        ];
    }

    /** @return array{id: string, styles: list<array<string, mixed>>, figures: list<int>} every figure's number in `styles` */
    private function drawn(DrawnPart $drawn): array
    {
        $styles = [];
        $figures = [];
        foreach ($drawn->styles as $style) {
            $number = array_search($style, $styles, true);
            if ($number === false) {
                $number = count($styles);
                $styles[] = $style;
            }
            $figures[] = $number;
        }

        return ['id' => $drawn->id, 'styles' => array_map(get_object_vars(...), $styles), 'figures' => $figures];
    }

    /** Geometry is rounded for the sheet that it lies on, so the sheet's tolerance is part of its hash. */
    private function hash(Known $known): string
    {
        return $known->hash.'-'.$this->scene->plan->tolerance()->decimals;
    }

    /** @return array<string, mixed> */
    private function part(Part $part): array
    {
        return [
            'figures' => array_map(fn (Figure $figure): string => $this->paths->ofOutlines($figure->outlines), $part->figures),
            'measures' => SceneFigures::part($part),
        ];
    }

    /** @return array<string, mixed> */
    private function grid(Grid $grid): array
    {
        $mesh = $grid->mesh();
        $count = $grid->cellCount();
        $addresses = [];
        for ($cell = 0; $cell < $count; $cell++) {
            $addresses[] = implode(',', $grid->cellCoordinates($cell));
        }
        $points = [];
        $places = [];
        foreach ($mesh->x as $point => $x) {
            $points[] = implode(',', $grid->pointCoordinates($point));
            $places[] = round($x, $this->scene->plan->tolerance()->decimals) + 0.0;
            $places[] = round($mesh->y[$point], $this->scene->plan->tolerance()->decimals) + 0.0;
        }
        [$paths, $boxes] = $this->cells($mesh);

        return [
            'lines' => $this->paths->ofCurves($grid->lines()),
            'arrows' => $grid->arrows(),
            'about' => $grid->about(),
            'cellWords' => $grid->cellWords(),
            'pointWords' => $grid->pointWords(),
            'cells' => ['addresses' => $addresses, 'paths' => $paths, 'boxes' => $boxes],
            'points' => ['addresses' => $points, 'places' => $places],
        ];
    }

    /**
     * Outline and box of every cell, put together from text made once an edge; five times faster than from curves.
     *
     * @return array{list<string>, list<float>}
     */
    private function cells(Mesh $mesh): array
    {
        $place = [];
        foreach ($mesh->x as $point => $x) {
            $place[] = $this->paths->number($x).' '.$this->paths->number($mesh->y[$point]);
        }
        $pen = [];
        foreach ($mesh->from as $edge => $from) {
            $circle = $mesh->circles[$mesh->carrier[$edge]] ?? null;
            $to = $mesh->to[$edge];
            if ($circle === null) {
                $pen[$edge + 1] = 'L'.$place[$to];
                $pen[-$edge - 1] = 'L'.$place[$from];

                continue;
            }
            [$x, $y, $radius] = $circle;
            $cross = ($mesh->x[$from] - $x) * ($mesh->y[$to] - $y) - ($mesh->y[$from] - $y) * ($mesh->x[$to] - $x);
            $written = $this->paths->number($radius);
            if ($from === $to) {
                // A full circle needs a stop half way.
                $half = $this->paths->number(2 * $x - $mesh->x[$from]).' '.$this->paths->number(2 * $y - $mesh->y[$from]);
                $pen[$edge + 1] = "A$written $written 0 0 1 {$half}A$written $written 0 0 1 $place[$to]";
                $pen[-$edge - 1] = "A$written $written 0 0 0 {$half}A$written $written 0 0 0 $place[$from]";

                continue;
            }
            $large = $cross < 0.0 ? 1 : 0;
            $pen[$edge + 1] = "A$written $written 0 $large 1 $place[$to]";
            $pen[-$edge - 1] = "A$written $written 0 $large 0 $place[$from]";
        }
        $paths = [];
        $boxes = [];
        foreach ($mesh->cells as $outline) {
            $first = $outline[0];
            $path = 'M'.$place[$first > 0 ? $mesh->from[$first - 1] : $mesh->to[-$first - 1]];
            $left = $top = INF;
            $right = $bottom = -INF;
            foreach ($outline as $edge) {
                $path .= $pen[$edge];
                $index = $edge > 0 ? $edge - 1 : -$edge - 1;
                foreach ([$mesh->from[$index], $mesh->to[$index]] as $point) {
                    $left = min($left, $mesh->x[$point]);
                    $right = max($right, $mesh->x[$point]);
                    $top = min($top, $mesh->y[$point]);
                    $bottom = max($bottom, $mesh->y[$point]);
                }
                $circle = $mesh->circles[$mesh->carrier[$index]] ?? null;
                if ($circle !== null && $edge > 0) {
                    [$left, $top, $right, $bottom] = self::withBulge($mesh, $index, $circle, [$left, $top, $right, $bottom]);
                }
            }
            $paths[] = $path.'Z';
            array_push($boxes, round($left, 3), round($top, 3), round($right, 3), round($bottom, 3));
        }

        return [$paths, $boxes];
    }

    /**
     * The box widened by how far an arc bulges over its chord; boxes only narrow a search, so a little too wide does no harm.
     *
     * @param  array{float, float, float}  $circle
     * @param  array{float, float, float, float}  $box
     * @return array{float, float, float, float}
     */
    private static function withBulge(Mesh $mesh, int $edge, array $circle, array $box): array
    {
        [$x, $y, $radius] = $circle;
        $from = $mesh->from[$edge];
        $to = $mesh->to[$edge];
        $chordX = ($mesh->x[$from] + $mesh->x[$to]) / 2 - $x;
        $chordY = ($mesh->y[$from] + $mesh->y[$to]) / 2 - $y;
        $cross = ($mesh->x[$from] - $x) * ($mesh->y[$to] - $y) - ($mesh->y[$from] - $y) * ($mesh->x[$to] - $x);
        if ($cross <= 0.0) {
            return [min($box[0], $x - $radius), min($box[1], $y - $radius), max($box[2], $x + $radius), max($box[3], $y + $radius)];
        }
        $bulge = $radius - hypot($chordX, $chordY);

        return [$box[0] - $bulge, $box[1] - $bulge, $box[2] + $bulge, $box[3] + $bulge];
    }
}
