<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Evaluation\DrawnPart;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Lattice;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Geometry\WholePixels;
use Sternbild\Core\Plan\Unit;
use Sternbild\Core\Plan\Unusable;

/** The smallest upright rectangle of a pattern that repeats without a seam, its upper left corner at the origin of the pattern. */
final readonly class Tile
{
    /** How often a tile may go into that of another pattern behind it. */
    private const MOST_TIMES = 24;

    /** Shares of a tile that rounding may leave. */
    private const SAME = 1e-7;

    /**
     * @param  non-empty-list<DrawnPart>  $patterns  that are seen in it, from back to front
     * @param  float  $width  and $height, in the sheet's unit
     */
    private function __construct(public array $patterns, public Vec $origin, public float $width, public float $height)
    {
    }

    /**
     * @param  string  $id  of the pattern
     * @param  list<string>  $with  other patterns that are drawn over or under it; the tile is large enough for all of them
     *
     * @throws Unusable that says why there is none
     */
    public static function of(Scene $scene, string $id, array $with = []): self
    {
        $patterns = array_values(
            array_filter($scene->drawing, static fn (DrawnPart $drawn): bool => $drawn->id === $id || in_array($drawn->id, $with, true)),
        );
        if (! in_array($id, array_map(static fn (DrawnPart $drawn): string => $drawn->id, $patterns), true)) {
            $patterns[] = $scene->cell($id) ?? throw Unusable::at("/$id", 'the id of a pattern; there is none of that name');
        }
        $origin = null;
        $sides = [];
        foreach ($patterns as $drawn) {
            $spread = $drawn->part->spread ?? throw Unusable::at("/$drawn->id", 'the id of a pattern that goes on in all directions');
            $facts = $drawn->part->facts;
            $tile = isset($facts['wide'], $facts['high'])
                ? [$facts['wide'], $facts['high']]
                : (isset($facts['orbit'])
                    ? null
                    : $spread->lattice->tile(false));
            $sides[] =
                $tile ??
                throw Unusable::at(
                    "/$drawn->id",
                    'a pattern that repeats level and upright; none of its ways do, so that it has no upright tile',
                );
            $origin = $drawn->id === $id || $origin === null ? $spread->lattice->origin : $origin;
        }
        $width = self::common(array_column($sides, 0));
        $height = self::common(array_column($sides, 1));
        if ($patterns === [] || $width === null || $height === null) {
            throw Unusable::at(
                '/with',
                'patterns that repeat together; these have no tile in common of up to '.self::MOST_TIMES.' times the size',
            );
        }

        return new self($patterns, $origin, $width, $height);
    }

    /** It with so much of the pattern around it, in the sheet's unit. */
    public function withMargin(float $across, float $down): self
    {
        return new self(
            $this->patterns,
            new Vec($this->origin->x - $across, $this->origin->y - $down),
            $this->width + 2 * $across,
            $this->height + 2 * $down,
        );
    }

    /** What it comes to after so many of it side by side, and above one another. */
    public function laid(int $times): self
    {
        return new self($this->patterns, $this->origin, $this->width * $times, $this->height * $times);
    }

    public function bounds(): Bounds
    {
        return new Bounds($this->origin->x, $this->origin->y, $this->origin->x + $this->width, $this->origin->y + $this->height);
    }

    /** The ways that one of its patterns repeats along. */
    public function latticeOf(DrawnPart $drawn): Lattice
    {
        return $drawn->part->spread->lattice ?? throw new \LogicException('A tile is made of patterns.');
    }

    /** @return array{int, int, int, int} the cells of which something lies in it */
    public function rangeOf(DrawnPart $drawn): array
    {
        return $drawn->part->spread?->covering($this->bounds()) ?? [0, 0, 0, 0];
    }

    /** Pixels that it is wide at one to a CSS pixel. */
    public function naturalWidth(Unit $unit): int
    {
        return max(1, (int) round($this->width * $unit->pixels()));
    }

    /** Pixels that it is high where it is so many wide. */
    public function heightFor(int $width): int
    {
        return max(1, (int) round($this->height / $this->width * $width));
    }

    /** Pixels that its height is off at a width, since there are no halves of them: the picture is stretched by that. */
    public function offAt(int $width): float
    {
        return WholePixels::off($this->width, $this->height, $width);
    }

    public function isExactAt(int $width): bool
    {
        return WholePixels::areExact($this->width, $this->height, $width);
    }

    /** @return list<array{int, int}> the sizes next to a width at which nothing is stretched */
    public function exactNear(int $width): array
    {
        return WholePixels::near($this->width, $this->height, $width);
    }

    /**
     * The smallest length that is a whole number of times each of several.
     *
     * @param  list<float>  $lengths
     */
    private static function common(array $lengths): ?float
    {
        $common = $lengths[0] ?? null;
        foreach ($lengths as $length) {
            $times = 1;
            while ($common !== null && abs($times * $common / $length - round($times * $common / $length)) > self::SAME * $times) {
                if (++$times > self::MOST_TIMES) {
                    return null;
                }
            }
            $common = $common === null ? null : $times * $common;
        }

        return $common;
    }
}
