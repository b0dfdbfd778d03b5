<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

use Sternbild\Core\Geometry\Angle;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Mesh\Mesh;

/**
 * Rings around a centre, cut into sectors by spokes.
 *
 * Sectors are counted clockwise from straight up, rings from the centre outwards, both from 1. Spoke k begins sector k.
 */
final class PolarGrid extends Grid implements Spokes
{
    /** Golden rings: each φ times as wide as the one inside it. */
    private const GOLDEN_RATIO = 1.618033988749894848;

    /** @var non-empty-list<float> radii of the circles from the innermost, which is 0 where there is no inner circle */
    private readonly array $radii;

    private readonly Divisions $ringDivisions;

    /**
     * @param  float  $inner  radius of the inner circle; 0 for none; below $radius
     * @param  int  $rings  and $sectors at least 1, their product within the limit of a grid
     * @param  'spoke'|'sector'  $axis  what stands straight up
     * @param  float  $turn  degrees, clockwise
     * @param  'equal'|'equal-area'|'golden'  $spacing  of the rings
     */
    public function __construct(
        private readonly Vec $center,
        private readonly float $radius,
        private readonly float $inner,
        private readonly int $rings,
        private readonly int $sectors,
        private readonly string $axis,
        private readonly float $turn,
        string $spacing,
    ) {
        $this->radii = self::radii($radius, $inner, $rings, $spacing);
        $this->ringDivisions = Divisions::at($this->radii);
    }

    /** @return float degrees clockwise from straight up */
    public function spokeHeading(int $spoke): float
    {
        $first = $this->axis === 'sector' ? -180 / $this->sectors : 0.0;

        return $this->turn + $first + ($spoke - 1) * 360 / $this->sectors;
    }

    public function coordinatesAt(Vec $place): array
    {
        $way = $place->minus($this->center);
        $degrees = rad2deg(atan2($way->x, -$way->y)) - $this->spokeHeading(1);

        return [$this->ringDivisions->coordinateAt($way->length()), Angle::normalised($degrees) * $this->sectors / 360];
    }

    public function placeAt(float $u, float $v): Vec
    {
        $radius = $this->ringDivisions->distanceAt($u);

        return $this->center->plus(Vec::heading($this->spokeHeading(1) + $v * 360 / $this->sectors)->times($radius));
    }

    public function middle(): Vec
    {
        return $this->center;
    }

    public function turnAt(Vec $place): float
    {
        $way = $place->minus($this->center);

        return $way->length() === 0.0 ? 0.0 : rad2deg(atan2($way->x, -$way->y));
    }

    public function cellAt(Vec $place): ?int
    {
        $ring = $this->ringDivisions->spanAt($place->distanceTo($this->center));

        return $ring === null ? null : $ring * $this->sectors + min($this->sectors - 1, (int) floor($this->coordinatesAt($place)[1]));
    }

    public function cellCount(): int
    {
        return $this->rings * $this->sectors;
    }

    public function area(): float
    {
        return M_PI * ($this->radius ** 2 - $this->inner ** 2);
    }

    public static function cellWords(): array
    {
        return ['ring', 'sector'];
    }

    public static function pointWords(): array
    {
        return ['ring', 'spoke'];
    }

    public function cellCoordinates(int $cell): array
    {
        return [intdiv($cell, $this->sectors) + 1, $cell % $this->sectors + 1];
    }

    public function cellsAt(array $coordinates): array
    {
        self::expect($coordinates, 2, '#ring,sector');
        $cells = [];
        foreach (self::each('ring', $coordinates[0], $this->rings) as $ring) {
            foreach (self::each('sector', $coordinates[1], $this->sectors) as $sector) {
                $cells[] = ($ring - 1) * $this->sectors + $sector - 1;
            }
        }

        return $cells;
    }

    public function pointCoordinates(int $point): array
    {
        if ($this->hasCenterPoint()) {
            if ($point === 0) {
                return [0];
            }
            $point += $this->sectors - 1;
        }

        return [intdiv($point, $this->sectors), $point % $this->sectors + 1];
    }

    public function pointAt(array $coordinates): Vec
    {
        if ($coordinates === [0]) {
            return $this->center;
        }
        self::expect($coordinates, 2, '@ring,spoke, or @0 for the centre');
        $ring = self::within('ring', $coordinates[0], 0, $this->rings);
        $spoke = self::within('spoke', $coordinates[1], 1, $this->sectors);

        return $this->place($ring, $spoke);
    }

    protected function thinnestAmong(): array
    {
        return array_map(fn (int $ring): int => $ring * $this->sectors, range(0, $this->rings - 1));
    }

    public function quantities(): array
    {
        return ['ring' => ($this->radius - $this->inner) / $this->rings, 'sector' => 360 / $this->sectors];
    }

    public function topologyKey(): string
    {
        return "polar-$this->rings-$this->sectors".($this->hasCenterPoint() ? '' : '-hollow');
    }

    public function arrows(): array
    {
        return ['right' => [0, 1], 'up' => [1, 0], 'wraps' => [false, true]];
    }

    public function about(): array
    {
        return ['center' => '@0', 'count' => '.sectors'];
    }

    protected function buildMesh(): Mesh
    {
        $x = $y = $from = $to = $carrier = $circles = $cells = [];
        $firstRing = $this->hasCenterPoint() ? 1 : 0;
        if ($firstRing === 1) {
            $x[] = $this->center->x;
            $y[] = $this->center->y;
        }
        $headings = [];
        for ($spoke = 1; $spoke <= $this->sectors; $spoke++) {
            $headings[] = Vec::heading($this->spokeHeading($spoke));
        }
        for ($ring = $firstRing; $ring <= $this->rings; $ring++) {
            $radius = $this->radii[$ring];
            $circles[$ring] = [$this->center->x, $this->center->y, $radius];
            foreach ($headings as $heading) {
                $x[] = $this->center->x + $radius * $heading->x;
                $y[] = $this->center->y + $radius * $heading->y;
            }
        }
        // Numbers are counted along instead of worked out; that took the mesh of 5,000 cells from 7 to 3 milliseconds.
        $count = $this->sectors;
        $circleCount = $this->rings + 1 - $firstRing;
        for ($ring = $firstRing, $first = $firstRing; $ring <= $this->rings; $ring++, $first += $count) {
            for ($spoke = 1; $spoke < $count; $spoke++) {
                $from[] = $first + $spoke - 1;
                $to[] = $first + $spoke;
                $carrier[] = $ring;
            }
            $from[] = $first + $count - 1;
            $to[] = $first;
            $carrier[] = $ring;
        }
        // Then the spokes, each from the inside outwards. Opposite ones lie on one line through the centre.
        $lines = $count % 2 === 0 ? intdiv($count, 2) : $count;
        for ($spoke = 0; $spoke < $count; $spoke++) {
            $line = $this->rings + 1 + $spoke % $lines;
            $point = $firstRing === 1 ? 0 : $spoke;
            for ($ring = 1; $ring <= $this->rings; $ring++) {
                $from[] = $point;
                $point = $firstRing + ($ring - $firstRing) * $count + $spoke;
                $to[] = $point;
                $carrier[] = $line;
            }
        }
        $firstSpokeEdge = $circleCount * $count;
        for ($ring = 1; $ring <= $this->rings; $ring++) {
            $outer = ($ring - $firstRing) * $count;
            $spokeEdge = $firstSpokeEdge + $ring;
            for ($sector = 1; $sector <= $count; $sector++) {
                $outer++;
                $next = $sector === $count ? $firstSpokeEdge + $ring : $spokeEdge + $this->rings;
                $cells[] = $ring > $firstRing ? [$spokeEdge, $outer, -$next, $count - $outer] : [$spokeEdge, $outer, -$next];
                $spokeEdge = $next;
            }
        }

        return new Mesh($x, $y, $from, $to, $carrier, $circles, $cells);
    }

    private function hasCenterPoint(): bool
    {
        return $this->inner === 0.0;
    }

    private function place(int $ring, int $spoke): Vec
    {
        return $this->center->plus(Vec::heading($this->spokeHeading($spoke))->times($this->radii[$ring]));
    }

    /** @return non-empty-list<float> */
    private static function radii(float $radius, float $inner, int $rings, string $spacing): array
    {
        $radii = [$inner];
        // Widths 1, φ, φ², … add up to (φⁿ − 1)/(φ − 1); written with negative powers so that hundreds of rings stay finite.
        $whole = 1 - self::GOLDEN_RATIO ** -$rings;
        for ($ring = 1; $ring < $rings; $ring++) {
            $radii[] = match ($spacing) {
                'equal-area' => sqrt($inner ** 2 + $ring / $rings * ($radius ** 2 - $inner ** 2)),
                'golden' => $inner + ($radius - $inner) * (self::GOLDEN_RATIO ** ($ring - $rings) - self::GOLDEN_RATIO ** -$rings) / $whole,
                default => $inner + ($radius - $inner) * $ring / $rings,
            };
        }
        $radii[] = $radius;

        return $radii;
    }
}
