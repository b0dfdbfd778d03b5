<?php

declare(strict_types=1);

namespace Sternbild\Core\Grid;

use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\Vec;

/** A rectangle whose sides are divided by the golden ratio. Cells and intersections are numbered from 1, by row, then by column. */
final class GoldenSections extends LatticeGrid
{
    use Numbered;

    private const RATIO = 1.618033988749894848;

    /** Pieces that differ by less than this share are of one length. */
    private const SAME = 1e-9;

    /**
     * @param  'near'|'far'|'both'  $from which end of a side the long piece begins at
     * @param  int  $depth how often the longest pieces are divided, from 1
     * @param  bool  $circles  whether the circles inscribed in its square cells belong to its lines
     */
    public function __construct(
        private readonly Vec $origin,
        private readonly float $width,
        private readonly float $height,
        string $from,
        int $depth,
        private readonly bool $circles = false,
    ) {
        parent::__construct(
            Divisions::at(self::sections($width, $from, $depth)),
            Divisions::at(self::sections($height, $from, $depth)),
        );
    }

    public function area(): float
    {
        return $this->width * $this->height;
    }

    public function pointAt(array $coordinates): Vec
    {
        self::expect($coordinates, 1, '@number');
        $point = self::within('point', $coordinates[0], 1, $this->across->lineCount() * $this->down->lineCount()) - 1;

        return $this->place($point % $this->across->lineCount(), intdiv($point, $this->across->lineCount()));
    }

    public function lines(): array
    {
        $circles = [];
        foreach ($this->circles ? range(0, $this->cellCount() - 1) : [] as $cell) {
            $bounds = $this->cellOutlines($cell)[0]->bounds();
            $side = $bounds->right - $bounds->left;
            if (abs($side - ($bounds->bottom - $bounds->top)) <= self::SAME * $side) {
                $circles[] = Arc::fullCircle(new Circle($bounds->center(), $side / 2));
            }
        }

        return [...parent::lines(), ...$circles];
    }

    public function quantities(): array
    {
        return ['cellw' => $this->width / self::RATIO, 'cellh' => $this->height / self::RATIO];
    }

    public function topologyKey(): string
    {
        return 'golden-'.parent::topologyKey();
    }

    public function arrows(): array
    {
        return ['right' => [1], 'up' => [-$this->across->count()], 'wraps' => [false]];
    }

    protected function placeAlong(float $across, float $down): Vec
    {
        return $this->origin->plus(new Vec($across, $down));
    }

    protected function distancesAt(Vec $place): array
    {
        return [$place->x - $this->origin->x, $place->y - $this->origin->y];
    }

    /** @return non-empty-list<float> where the lines stand, rising */
    private static function sections(float $length, string $from, int $depth): array
    {
        $lines = [0.0, $length];
        for ($round = 0; $round < $depth; $round++) {
            $pieces = array_map(
                static fn (float $start, float $end): array => [$start, $end],
                array_slice($lines, 0, -1),
                array_slice($lines, 1),
            );
            $longest = array_reduce($pieces, static fn (float $most, array $piece): float => max($most, $piece[1] - $piece[0]), 0.0);
            foreach ($pieces as [$start, $end]) {
                if ($end - $start > $longest * (1 - self::SAME)) {
                    if ($from !== 'far') {
                        $lines[] = $start + ($end - $start) / self::RATIO;
                    }
                    if ($from !== 'near') {
                        $lines[] = $end - ($end - $start) / self::RATIO;
                    }
                }
            }
            sort($lines);
        }

        return $lines;
    }
}
