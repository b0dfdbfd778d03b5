<?php

declare(strict_types=1);

namespace Sternbild\Core\Paint;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Vec;

/**
 * A colour that runs into another: between two places, from a place outwards, or along the way of a band. Stops mix in Oklab.
 *
 * What is left open fits itself to what it fills: a linear one runs from its left edge to its right, a radial one from its middle as far as
 * its longer side reaches.
 */
final readonly class Gradient
{
    /** How far what is mixed between two written stops may be from what it should be, in 255ths: with their rounding less than one. */
    private const NEAR = 0.45;

    /** Of one along a way. */
    private const MOST_STRETCHES = 240;

    /** Halvings of the way between two stops. */
    private const DEEPEST = 7;

    /**
     * @param  'linear'|'radial'|'along'  $sort
     * @param  non-empty-list<array{float, string, float}>  $stops  position from 0 to 1, colour as #rrggbb, opacity; in order
     * @param  Vec|null  $from  of a linear one where it begins, of a radial one its centre
     * @param  Vec|null  $to  of a linear one where it ends
     * @param  float|null  $radius  of a radial one
     * @param  Vec|null  $focus  of a radial one where it begins, unless that is the centre
     * @param  float  $turns  how often a way is run along with all the stops
     * @param  Affine  $map  brings its places to where they are meant
     * @param  list<array{non-empty-list<Curve>, string}>  $stretches  of one along a way what it is drawn as, from the lowest: lines of a
     *   colour, cut off at the outline
     * @param  float  $wide  how wide these are
     * @param  list<int>  $said  which of the stops as they were said each is, where it was made of these
     */
    private function __construct(
        public string $sort,
        public array $stops,
        public ?Vec $from,
        public ?Vec $to,
        public ?float $radius,
        public ?Vec $focus,
        public float $turns,
        public Affine $map,
        public array $stretches = [],
        public float $wide = 0.0,
        public array $said = [],
    ) {
    }

    /** @param  non-empty-list<array{float, string, float}>  $stops */
    public static function linear(array $stops, ?Vec $from, ?Vec $to): self
    {
        return new self('linear', self::ordered($stops), $from, $to, null, null, 1.0, Affine::identity(), said: self::order($stops));
    }

    /** @param  non-empty-list<array{float, string, float}>  $stops */
    public static function radial(array $stops, ?Vec $center, ?float $radius, ?Vec $focus): self
    {
        return new self(
            'radial',
            self::ordered($stops),
            $center,
            null,
            $radius,
            $focus,
            1.0,
            Affine::identity(),
            said: self::order($stops),
        );
    }

    /** @param  non-empty-list<array{float, string, float}>  $stops */
    public static function along(array $stops, float $turns): self
    {
        return new self('along', self::ordered($stops), null, null, null, null, $turns, Affine::identity());
    }

    public function mapped(Affine $map): self
    {
        return $map->isIdentity()
            ? $this
            : new self(
                $this->sort,
                $this->stops,
                $this->from,
                $this->to,
                $this->radius,
                $this->focus,
                $this->turns,
                $this->map->then($map),
            );
    }

    /** How many steps there are from colour to colour that can be told apart, about. */
    public function steps(): int
    {
        $steps = 0.0;
        foreach (array_slice($this->stops, 1) as $number => $stop) {
            $channels = static fn (string $hex): array => [
                hexdec(substr($hex, 1, 2)),
                hexdec(substr($hex, 3, 2)),
                hexdec(substr($hex, 5, 2)),
            ];
            $steps += max(
                array_map(
                    static fn (float|int $one, float|int $two): float => abs($one - $two),
                    $channels($this->stops[$number][1]),
                    $channels($stop[1]),
                ),
            );
        }

        return (int) min(self::MOST_STRETCHES, max(12.0, $steps / 2 * $this->turns));
    }

    /**
     * One along a way as it is drawn.
     *
     * @param  list<array{non-empty-list<Curve>, float}>  $stretches  from the lowest, with the share of the way at the middle of each
     */
    public function stretched(array $stretches, float $wide): self
    {
        $coloured = [];
        foreach ($stretches as [$curves, $share]) {
            $run = $share * $this->turns;
            $coloured[] = [$curves, $this->colourAt($run - floor($run))];
        }

        return new self('along', $this->stops, null, null, null, null, $this->turns, $this->map, $coloured, $wide);
    }

    /** Whether it says all of where it lies, so that what it fills decides nothing. */
    public function isPlaced(): bool
    {
        return $this->sort === 'linear'
            ? $this->from !== null && $this->to !== null
            : $this->sort === 'radial' && $this->from !== null && $this->radius !== null;
    }

    /** Whether it says nothing of where it lies. */
    public function isOpen(): bool
    {
        return $this->from === null && $this->to === null && $this->radius === null && $this->focus === null;
    }

    /** The same with what it leaves open fitted to a box. */
    public function fitted(Bounds $box): self
    {
        if ($this->sort === 'along' || $this->isPlaced()) {
            return $this;
        }
        $middle = $box->center();
        if ($this->sort === 'linear') {
            return new self(
                'linear',
                $this->stops,
                $this->from ?? new Vec($box->left, $middle->y),
                $this->to ?? new Vec($box->right, $middle->y),
                null,
                null,
                1.0,
                $this->map,
            );
        }
        $center = $this->from ?? $middle;

        return new self('radial', $this->stops, $center, null, $this->radius ?? $box->size() / 2, $this->focus, 1.0, $this->map);
    }

    /** The colour at a share of the way, as #rrggbb. */
    public function colourAt(float $share): string
    {
        return Oklab::hex($this->mixedAt($share)[0]);
    }

    /** How far it hides what lies under it at a share of the way, from 0 to 1. */
    public function opacityAt(float $share): float
    {
        return $this->mixedAt($share)[1];
    }

    /**
     * The colour at a place of the sheet; of one along a way what stands for it.
     *
     * @param  Affine  $map  of the figure, from the coordinates of its shape
     */
    public function near(Vec $place, Affine $map): string
    {
        $at = $this->map->then($map)->inverse()->apply($place);
        $from = $this->from ?? Vec::zero();
        if ($this->sort === 'linear' && $this->to !== null) {
            $way = $this->to->minus($from);

            return $this->colourAt(max(0.0, min(1.0, $at->minus($from)->dot($way) / $way->dot($way))));
        }

        return $this->sort === 'radial' && $this->radius !== null
            ? $this->colourAt(min(1.0, $at->distanceTo($from) / $this->radius))
            : $this->plain();
    }

    /** What stands for it where there is one colour only. */
    public function plain(): string
    {
        return $this->colourAt(0.5);
    }

    /**
     * Stops between which sRGB may be mixed evenly: everywhere within a 255th of what Oklab gives.
     *
     * @return list<array{float, string, float}>
     */
    public function written(): array
    {
        $written = [];
        foreach ($this->stops as $number => $stop) {
            $before = $this->stops[$number - 1] ?? null;
            if ($before !== null && $stop[0] > $before[0]) {
                array_push(
                    $written,
                    ...self::between($before, $stop, Oklab::coordinates($before[1]), Oklab::coordinates($stop[1]), 0.0, 1.0, self::DEEPEST),
                );
            }
            $written[] = $stop;
        }

        return $written;
    }

    /**
     * What lies between this and another one; null where they have too little in common.
     */
    public function towards(self $other, float $share): ?self
    {
        if ($this->sort !== $other->sort || count($this->stops) !== count($other->stops)) {
            return null;
        }
        $place = static fn (?Vec $one, ?Vec $two): ?Vec => $one === null || $two === null ? null : $one->towards($two, $share);
        $stops = [];
        foreach ($this->stops as $number => [$position, $colour, $opacity]) {
            $to = $other->stops[$number] ?? $this->stops[$number];
            $stops[] = [
                $position + $share * ($to[0] - $position),
                Oklab::mix($colour, $to[1], $share),
                $opacity + $share * ($to[2] - $opacity),
            ];
        }
        $radius = $this->radius === null || $other->radius === null ? null : $this->radius + $share * ($other->radius - $this->radius);

        return new self(
            $this->sort,
            $stops,
            $place($this->from, $other->from),
            $place($this->to, $other->to),
            $radius,
            $place($this->focus, $other->focus),
            $this->turns,
            $this->map,
        );
    }

    /** Whether nothing is seen through it. */
    public function isOpaque(): bool
    {
        return min(array_column($this->stops, 2)) >= 1.0;
    }

    /** The same for gradients that nobody could tell apart. */
    public function key(): string
    {
        return $this->fingerprint().
            implode(' ', array_map(static fn (float $one): string => sprintf('%.8g', round($one, 9) + 0.0), $this->map->toArray()));
    }

    public function fingerprint(): string
    {
        $place = static fn (?Vec $place): string => $place === null ? '-' : sprintf('%.17g,%.17g', $place->x, $place->y);

        return "$this->sort ".
            json_encode($this->stops).
            ' '.
            $place($this->from).
            ' '.
            $place($this->to).
            ' '.
            $place($this->focus).
            sprintf(' %.17g %.17g', $this->radius ?? -1.0, $this->turns);
    }

    /**
     * @param  non-empty-list<array{float, string, float}>  $stops
     * @return non-empty-list<array{float, string, float}> those of one position in the order in which they were said
     */
    private static function ordered(array $stops): array
    {
        usort($stops, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return $stops;
    }

    /**
     * @param  non-empty-list<array{float, string, float}>  $stops
     * @return list<int>
     */
    private static function order(array $stops): array
    {
        $numbers = array_keys($stops);
        usort($numbers, static fn (int $a, int $b): int => $stops[$a][0] <=> $stops[$b][0]);

        return $numbers;
    }

    /** @return array{array{float, float, float}, float} sRGB from 0 to 1, and opacity */
    private function mixedAt(float $share): array
    {
        $before = $this->stops[0];
        foreach ($this->stops as $stop) {
            if ($stop[0] >= $share) {
                $part = $stop[0] > $before[0] ? max(0.0, ($share - $before[0]) / ($stop[0] - $before[0])) : 1.0;

                return [
                    Oklab::mixed(Oklab::coordinates($before[1]), Oklab::coordinates($stop[1]), $part),
                    $before[2] + $part * ($stop[2] - $before[2]),
                ];
            }
            $before = $stop;
        }

        return [Oklab::mixed(Oklab::coordinates($before[1]), Oklab::coordinates($before[1]), 0.0), $before[2]];
    }

    /**
     * The stops needed between two shares of the way from one stop to the next, those not among them.
     *
     * @param  array{float, string, float}  $one
     * @param  array{float, string, float}  $other
     * @param  array{float, float, float}  $lab  of the one, and $to of the other
     * @param  array{float, float, float}  $to
     * @return list<array{float, string, float}>
     */
    private static function between(array $one, array $other, array $lab, array $to, float $from, float $until, int $depth): array
    {
        [$start, $end] = [Oklab::mixed($lab, $to, $from), Oklab::mixed($lab, $to, $until)];
        $off = 0.0;
        foreach ([0.25, 0.5, 0.75] as $part) {
            foreach (Oklab::mixed($lab, $to, $from + $part * ($until - $from)) as $channel => $right) {
                $off = max($off, abs($right - ($start[$channel] + $part * ($end[$channel] - $start[$channel]))));
            }
        }
        if ($depth === 0 || 255.0 * $off <= self::NEAR) {
            return [];
        }
        $middle = ($from + $until) / 2;
        $at = [
            $one[0] + $middle * ($other[0] - $one[0]),
            Oklab::hex(Oklab::mixed($lab, $to, $middle)),
            $one[2] + $middle * ($other[2] - $one[2]),
        ];

        return [
            ...self::between($one, $other, $lab, $to, $from, $middle, $depth - 1),
            $at,
            ...self::between($one, $other, $lab, $to, $middle, $until, $depth - 1),
        ];
    }
}
