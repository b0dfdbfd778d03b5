<?php

declare(strict_types=1);

namespace Sternbild\Core\View;

use Sternbild\Core\Evaluation\DrawnPart;
use Sternbild\Core\Format\PathData;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Paint\Gradient;
use Sternbild\Core\Paint\Style;

/** How parts look, as the interface gets it: each look once. */
final readonly class Looks
{
    public function __construct(private PathData $paths, private int $decimals)
    {
    }

    /**
     * @return array{id: string, styles: list<array<string, mixed>>, figures: list<int>} every figure's number in `styles`; -1 for one that
     *   was used up by itself
     */
    public function of(DrawnPart $drawn): array
    {
        $styles = $figures = $numbers = [];
        foreach ($drawn->styles as $style) {
            if ($style === null) {
                $figures[] = -1;

                continue;
            }
            // Those that look alike have one and the same style.
            $id = spl_object_id($style);
            if (! isset($numbers[$id])) {
                $numbers[$id] = count($styles);
                $styles[] = $style;
            }
            $figures[] = $numbers[$id];
        }

        return ['id' => $drawn->id, 'styles' => array_map($this->style(...), $styles), 'figures' => $figures];
    }

    /** @return array<string, mixed> */
    private function style(Style $style): array
    {
        $gradients = array_filter([
            'gradient' => $this->gradient($style->gradient),
            'strokeGradient' => $this->gradient($style->strokeGradient),
        ]);

        $pattern =
            $style->pattern === null ? [] : ['pattern' => ['of' => $style->pattern->pattern, 'map' => $style->pattern->map->toArray()]];

        return [
            ...array_diff_key(get_object_vars($style), ['gradient' => true, 'strokeGradient' => true, 'pattern' => true, 'bare' => true]),
            ...$style->bare ? ['bare' => true] : [],
            ...$gradients,
            ...$pattern,
        ];
    }

    /** @return array<string, mixed>|null in the coordinates of the shape */
    private function gradient(?Gradient $gradient): ?array
    {
        return $gradient === null ? null : [
            'sort' => $gradient->sort,
            'stops' => $gradient->sort === 'along' ? [] : $gradient->written(),
            'from' => $this->place($gradient->from),
            'to' => $this->place($gradient->to),
            'radius' => $gradient->radius,
            'focus' => $this->place($gradient->focus),
            'map' => $gradient->map->toArray(),
            'stretches' => array_map(fn (array $stretch): array => [$this->paths->ofWay($stretch[0]), $stretch[1]], $gradient->stretches),
            'wide' => $gradient->wide,
        ];
    }

    /** @return array{float, float}|null */
    private function place(?Vec $at): ?array
    {
        return $at === null ? null : [round($at->x, $this->decimals), round($at->y, $this->decimals)];
    }
}
