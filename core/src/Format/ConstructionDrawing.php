<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Field\Numerals;

/** The finished drawing, faded, with what it was constructed on: grids, guides, every arc completed to its circle, radii and their ratios written beside them. */
final readonly class ConstructionDrawing
{
    private const INK = '#1b2140';

    private const PAPER = '#fffdf8';

    /** Of the longer side of the sheet. */
    private const HAIR = 1 / 1200;

    private const FIGURES = 1 / 58;

    private const FADE = 0.5;

    private const MOST_CIRCLES = 90;

    private const MOST_RADII = 9;

    private float $side;

    private PathData $paths;

    private string $ink;

    private string $ground;

    private function __construct(private Scene $scene)
    {
        $this->side = max($scene->plan->width, $scene->plan->height);
        $this->paths = new PathData($scene->plan->tolerance()->decimals);
        $this->ground = $scene->background() ?? self::PAPER;
        $this->ink = self::isDark($this->ground) ? self::PAPER : self::INK;
    }

    public static function write(Scene $scene): string
    {
        return (new self($scene))->document();
    }

    /**
     * The circles that it is constructed on: of guides, and of the arcs of what is drawn.
     *
     * @return list<Circle> each once
     */
    public static function circles(Scene $scene): array
    {
        $near = 64 * $scene->plan->tolerance()->distance;
        $circles = [];
        foreach (self::curves($scene) as $curve) {
            if (! $curve instanceof Arc) {
                continue;
            }
            $circle = $curve->circle();
            foreach ($circles as $known) {
                if ($known->center->distanceTo($circle->center) + abs($known->radius - $circle->radius) <= $near) {
                    continue 2;
                }
            }
            $circles[] = $circle;
            if (count($circles) === self::MOST_CIRCLES) {
                break;
            }
        }

        return $circles;
    }

    /**
     * The radii that occur, the smallest first: `r = 40`, `60 = 3/2 r`, `64.72 = φ r`.
     *
     * @param  list<Circle>  $circles
     * @return list<array{string, Circle}> with the first circle that has it
     */
    public static function radii(array $circles, float $near): array
    {
        $first = [];
        foreach ($circles as $circle) {
            foreach ($first as $known) {
                if (abs($known->radius - $circle->radius) <= $near) {
                    continue 2;
                }
            }
            $first[] = $circle;
        }
        usort($first, static fn (Circle $a, Circle $b): int => $a->radius <=> $b->radius);
        $told = [];
        foreach ($first as $number => $circle) {
            $length = Numerals::plain(round($circle->radius, 2));
            $told[] = [$number === 0 ? "r = $length" : "$length = ".self::ratio($circle->radius / $first[0]->radius).' r', $circle];
        }

        return $told;
    }

    /** As people say it: a whole number, a fraction of small numbers, a power of the golden ratio, else two decimals. */
    public static function ratio(float $ratio): string
    {
        $phi = (1 + sqrt(5)) / 2;
        foreach (['φ' => $phi, 'φ²' => $phi * $phi] as $name => $value) {
            if (abs($ratio - $value) < 1e-6 * $value) {
                return $name;
            }
        }
        for ($below = 1; $below <= 8; $below++) {
            $above = round($ratio * $below);
            if (abs($ratio * $below - $above) < 1e-6 * $below * $ratio) {
                return (string) $above.($below === 1 ? '' : "/$below");
            }
        }

        return Numerals::plain(round($ratio, 2));
    }

    private function document(): string
    {
        $plan = $this->scene->plan;
        $svg = substr(SvgDrawing::write($this->scene), 0, -strlen("</svg>\n"));
        $number = $this->paths->number(...);
        $svg .= "<rect width=\"{$number($plan->width)}\" height=\"{$number($plan->height)}\" fill=\"$this->ground\" opacity=\"".self::FADE."\"/>\n";
        $svg .= '<g id="construction" fill="none" stroke="'.$this->ink.'" stroke-width="'.$number($this->side * self::HAIR)."\">\n";
        foreach ($this->scene->grids() as $id => $grid) {
            $svg .= $this->scene->plan->steps[$id]->hidden ? '' : $this->path($grid->lines(), 0.22);
        }
        foreach ($this->scene->guides() as $guide) {
            $straight = array_values(array_filter($guide->curves(), static fn (Curve $curve): bool => ! $curve instanceof Arc));
            $svg .= $straight === [] ? '' : $this->path($straight, 0.4);
        }
        $circles = self::circles($this->scene);
        foreach ($circles as $circle) {
            $svg .= sprintf("<circle cx=\"%s\" cy=\"%s\" r=\"%s\" stroke-opacity=\".75\"/>\n", $number($circle->center->x), $number($circle->center->y), $number($circle->radius));
            $svg .= $this->cross($circle->center);
        }
        $labels = '';
        foreach (array_slice(self::radii($circles, 64 * $plan->tolerance()->distance), 0, self::MOST_RADII) as $which => [$text, $circle]) {
            [$line, $label] = $this->radius($circle, $text, $which);
            $svg .= $line;
            $labels .= $label;
        }

        return $svg."</g>\n<g id=\"radii\">\n$labels</g>\n</svg>\n";
    }

    /** @return iterable<Curve> */
    private static function curves(Scene $scene): iterable
    {
        foreach ($scene->guides() as $guide) {
            yield from $guide->curves();
        }
        foreach ($scene->drawing as $drawn) {
            foreach ($drawn->part->figures as $number => $figure) {
                foreach ($drawn->styles[$number] === null ? [] : $figure->outlines() as $outline) {
                    yield from $outline->curves;
                }
            }
        }
    }

    /** @param  list<Curve>  $curves */
    private function path(array $curves, float $opacity): string
    {
        return "<path d=\"{$this->paths->ofCurves($curves)}\" stroke-opacity=\"$opacity\"/>\n";
    }

    private function cross(Vec $at): string
    {
        $arm = $this->side / 160;
        $number = $this->paths->number(...);

        return sprintf("<path d=\"M%s %sH%sM%s %sV%s\"/>\n", $number($at->x - $arm), $number($at->y), $number($at->x + $arm), $number($at->x), $number($at->y - $arm), $number($at->y + $arm));
    }

    /** @return array{string, string} the line of a radius, each in a direction of its own, and what is written beside it */
    private function radius(Circle $circle, string $text, int $which): array
    {
        $way = Vec::heading(35.0 + 47.0 * $which);
        $rim = $circle->center->plus($way->times($circle->radius));
        $size = $this->side * self::FIGURES;
        // Where there is no room inside it stands outside.
        $at = $circle->center->plus($way->times($circle->radius > 6 * $size ? $circle->radius * 0.58 : $circle->radius + 1.4 * $size));
        $number = $this->paths->number(...);

        return [
            sprintf("<path d=\"M%s %sL%s %s\" stroke-opacity=\".75\"/>\n", $number($circle->center->x), $number($circle->center->y), $number($rim->x), $number($rim->y)),
            Lettering::centred($text, $at->x, $at->y, $size, $this->ink, $this->ground),
        ];
    }

    private static function isDark(string $colour): bool
    {
        [$red, $green, $blue] = array_map(static fn (string $pair): int => (int) hexdec($pair), str_split(ltrim($colour, '#'), 2)) + [255, 255, 255];

        return 0.299 * $red + 0.587 * $green + 0.114 * $blue < 110;
    }
}
