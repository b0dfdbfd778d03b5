<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Numerals;

/**
 * The finished drawing, faded, with what it was constructed on: grids, guides, every arc completed to its circle, radii and their ratios
 * written beside them.
 */
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

    /** Degrees clockwise from straight up that the first radius runs in, and how many others are tried. */
    private const FIRST = 40.0;

    private const DIRECTIONS = 16;

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
     * The circles that it is constructed on: of guides, of parts that are made of no others, and of what is drawn where it has the radius
     * of one of these, as mirror images do; arcs beside them, from insets and clearances, are not.
     *
     * @return list<Circle> each once
     */
    public static function circles(Scene $scene): array
    {
        $near = 64 * $scene->plan->tolerance()->distance;
        $circles = [];
        foreach (self::originals($scene) as $circle) {
            self::add($circles, $circle, $near);
        }
        $radii = array_column($circles, 'radius');
        foreach (self::drawn($scene) as $circle) {
            if (array_filter($radii, static fn (float $radius): bool => abs($radius - $circle->radius) <= $near) !== []) {
                self::add($circles, $circle, $near);
            }
        }

        return array_slice($circles, 0, self::MOST_CIRCLES);
    }

    /** @param  list<Circle>  $circles */
    private static function add(array &$circles, Circle $circle, float $near): void
    {
        foreach ($circles as $known) {
            if ($known->center->distanceTo($circle->center) + abs($known->radius - $circle->radius) <= $near) {
                return;
            }
        }
        $circles[] = $circle;
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
        $svg .=
            "<rect width=\"{$number($plan->width)}\" height=\"{$number($plan->height)}\" fill=\"$this->ground\" opacity=\"".
            self::FADE.
            "\"/>\n";
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
            $svg .= sprintf(
                "<circle cx=\"%s\" cy=\"%s\" r=\"%s\" stroke-opacity=\".75\"/>\n",
                $number($circle->center->x),
                $number($circle->center->y),
                $number($circle->radius),
            );
            $svg .= $this->cross($circle->center);
        }
        $labels = '';
        $taken = [];
        // The largest circles say most, and have most room; the smallest of them is what they are counted in.
        usort($circles, static fn (Circle $a, Circle $b): int => $b->radius <=> $a->radius);
        $those = array_reverse(self::radii(self::largest($circles, 64 * $plan->tolerance()->distance), 64 * $plan->tolerance()->distance));
        foreach ($those as [$text, $circle]) {
            [$line, $label] = $this->radius($circle, $text, $taken);
            $svg .= $line;
            $labels .= $label;
        }

        return $svg."</g>\n<g id=\"radii\">\n$labels</g>\n</svg>\n";
    }

    /** @return iterable<Circle> */
    private static function originals(Scene $scene): iterable
    {
        foreach ($scene->guides() as $guide) {
            yield from self::ofArcs($guide->curves());
        }
        foreach ($scene->parts() as $id => $part) {
            if (array_intersect_key(array_flip($scene->plan->steps[$id]->references()), $scene->parts()) === []) {
                yield from self::ofArcs($part->allCurves());
            }
        }
    }

    /** @return iterable<Circle> */
    private static function drawn(Scene $scene): iterable
    {
        foreach ($scene->drawing as $drawn) {
            foreach ($drawn->styled() as [$figure]) {
                foreach ($figure->outlines() as $outline) {
                    yield from self::ofArcs($outline->curves);
                }
            }
        }
    }

    /**
     * @param  list<Curve>  $curves
     * @return iterable<Circle>
     */
    private static function ofArcs(array $curves): iterable
    {
        foreach ($curves as $curve) {
            if ($curve instanceof Arc) {
                yield $curve->circle();
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

        return sprintf(
            "<path d=\"M%s %sH%sM%s %sV%s\"/>\n",
            $number($at->x - $arm),
            $number($at->y),
            $number($at->x + $arm),
            $number($at->x),
            $number($at->y - $arm),
            $number($at->y + $arm),
        );
    }

    /**
     * One circle for each of the largest radii.
     *
     * @param  list<Circle>  $circles  the largest first
     * @return list<Circle>
     */
    private static function largest(array $circles, float $near): array
    {
        $kept = [];
        foreach ($circles as $circle) {
            $before = $kept[count($kept) - 1] ?? null;
            if ($before === null || $before->radius - $circle->radius > $near) {
                $kept[] = $circle;
            }
        }

        return array_slice($kept, 0, self::MOST_RADII);
    }

    /**
     * The line of a radius, in the first direction in which what is written beside it lies on nothing else that is.
     *
     * @param  list<Bounds>  $taken
     * @return array{string, string} it, and what is written
     */
    private function radius(Circle $circle, string $text, array &$taken): array
    {
        $size = $this->side * self::FIGURES;
        $plan = $this->scene->plan;
        $half = new Vec(Lettering::width($text, $size) / 2 + $size / 2, $size);
        [$way, $at] = [Vec::heading(self::FIRST), null];
        for ($turn = 0; $turn < self::DIRECTIONS && $at === null; $turn++) {
            $way = Vec::heading(self::FIRST + (5 * count($taken) + $turn) * 360 / self::DIRECTIONS);
            // Where there is no room inside it stands outside.
            $place = $circle->center->plus($way->times($circle->radius > 6 * $size ? $circle->radius * 0.58 : $circle->radius + $half->x));
            $box = new Bounds($place->x - $half->x, $place->y - $half->y, $place->x + $half->x, $place->y + $half->y);
            $isFree = array_filter($taken, static fn (Bounds $other): bool => $other->meets($box, 0.0)) === [];
            if ($isFree && $box->left > 0.0 && $box->top > 0.0 && $box->right < $plan->width && $box->bottom < $plan->height) {
                $taken[] = $box;
                $at = $place;
            }
        }
        if ($at === null) {
            return ['', ''];
        }
        $rim = $circle->center->plus($way->times($circle->radius));
        $number = $this->paths->number(...);

        return [
            sprintf(
                "<path d=\"M%s %sL%s %s\" stroke-opacity=\".75\"/>\n",
                $number($circle->center->x),
                $number($circle->center->y),
                $number($rim->x),
                $number($rim->y),
            ),
            Lettering::centred($text, $at->x, $at->y, $size, $this->ink, $this->ground),
        ];
    }

    private static function isDark(string $colour): bool
    {
        [$red, $green, $blue] = array_map(static fn (string $pair): int => (int) hexdec($pair), str_split(ltrim($colour, '#'), 2)) + [
            255,
            255,
            255,
        ];

        return 0.299 * $red + 0.587 * $green + 0.114 * $blue < 110;
    }
}
