<?php

declare(strict_types=1);

namespace Sternbild\Core\Geometry;

/**
 * How the way from one point of an outline to the next is bent: an arc by its bulge, through a place or tangent to what came before, or a
 * cubic.
 */
final readonly class Bend
{
    /** Arcs that bulge less, in half chords, are straight lines. */
    private const STRAIGHT = 1e-9;

    /**
     * @param  'bulge'|'through'|'tangent'|'handles'  $sort
     * @param  list<Vec>  $places
     */
    private function __construct(private string $sort, private float $bulge, private array $places)
    {
    }

    /** @param  float  $height  of the arc over half its chord, positive to the left of the way as seen on the screen; 1 is a half circle */
    public static function bulge(float $height): self
    {
        return new self('bulge', $height, []);
    }

    public static function through(Vec $place): self
    {
        return new self('through', 0.0, [$place]);
    }

    /** The arc that leaves what came before without a corner. */
    public static function tangent(): self
    {
        return new self('tangent', 0.0, []);
    }

    public static function handles(Vec $leaving, Vec $arriving): self
    {
        return new self('handles', 0.0, [$leaving, $arriving]);
    }

    public function isTangent(): bool
    {
        return $this->sort === 'tangent';
    }

    /** @return list<Vec> of a cubic the two places that it leaves towards and arrives from; of others none */
    public function handlePlaces(): array
    {
        return $this->sort === 'handles' ? $this->places : [];
    }

    public function fingerprint(): string
    {
        return $this->sort.
            sprintf('%.17g', $this->bulge).
            implode('', array_map(static fn (Vec $place): string => sprintf('(%.17g,%.17g)', $place->x, $place->y), $this->places));
    }

    /**
     * @param  Vec|null  $heading  in which what came before arrives; null where that is not known
     *
     * @throws Degenerate
     */
    public function curve(Vec $from, Vec $to, ?Vec $heading): Curve
    {
        return match ($this->sort) {
            'bulge' => self::bulging($from, $to, $this->bulge),
            'through' => Arc::through($from, $this->places[0], $to),
            'handles' => new Cubic($from, $this->places[0], $this->places[1], $to),
            'tangent' => self::leaving($from, $to, $heading ?? throw new Degenerate('there is nothing before it to be tangent to')),
        };
    }

    private static function bulging(Vec $from, Vec $to, float $height): Curve
    {
        $half = $from->distanceTo($to) / 2;
        if (abs($height) < self::STRAIGHT || $half === 0.0) {
            return new Line($from, $to);
        }
        // r = h/2 + c²/(8h) from chord and sagitta (handbook formula).
        $radius = $half * (1 + $height ** 2) / (2 * abs($height));
        $left = $to->minus($from)->unit()->quarterTurned()->times(-1.0);
        $center = $from->towards($to, 0.5)->plus($left->times($height * $half - ($height > 0.0 ? $radius : -$radius)));

        return Arc::around($center, $radius, $from, $to, $height > 0.0);
    }

    /** @throws Degenerate */
    private static function leaving(Vec $from, Vec $to, Vec $heading): Curve
    {
        $chord = $to->minus($from);
        $aside = $heading->quarterTurned();
        $off = $aside->dot($chord);
        if (abs($off) <= self::STRAIGHT * $chord->length()) {
            return $heading->dot($chord) > 0.0
                ? new Line($from, $to)
                : throw new Degenerate('the arc would have to go straight back where it came from; no arc is tangent there');
        }
        // Its centre lies square to the heading, as far from the start as from the end.
        $reach = $chord->dot($chord) / (2 * $off);

        return Arc::around($from->plus($aside->times($reach)), abs($reach), $from, $to, $reach > 0.0);
    }
}
