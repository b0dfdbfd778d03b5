<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;

/**
 * What figures cover together: what several of them cover counts once. Those whose boxes do not meet are added up; the others are joined,
 * as far as that is possible.
 */
final readonly class Covered
{
    /** Copies in cells that are looked at each by itself. */
    public const MOST_FIGURES = 2_000;

    /** What joining may take. */
    public const UNITS = 3e5;

    /** Of the size of what is covered: boxes that meet by less only touch. */
    public const TOUCH = 1e-9;

    /**
     * @param  float  $area  sheet units squared
     * @param  bool  $isWhole  whether what they overlap is counted once; where they are too many to be joined it counts for each
     */
    private function __construct(public float $area, public bool $isWhole)
    {
    }

    /** @param  list<Figure>  $figures */
    public static function by(array $figures): self
    {
        if (count($figures) < 2) {
            return new self($figures === [] ? 0.0 : $figures[0]->area(), true);
        }
        $boxes = array_map(static fn (Figure $figure): Bounds => $figure->bounds(), $figures);
        $size = Bounds::of(...$boxes)->size();
        $area = 0.0;
        $isWhole = true;
        foreach (self::groups($boxes, $size * self::TOUCH) as $group) {
            $members = array_map(static fn (int $number): Figure => $figures[$number], $group);
            $joined = count($members) === 1 ? null : self::joined($members, $size);
            $area += $joined ?? array_sum(array_map(static fn (Figure $figure): float => $figure->area(), $members));
            $isWhole = $isWhole && ($joined !== null || count($members) === 1);
        }

        return new self($area, $isWhole);
    }

    /** What figures cover that lie beside one another. */
    public static function apart(float $area): self
    {
        return new self($area, true);
    }

    /** What each of them covers, added up. */
    public static function each(float $area): self
    {
        return new self($area, false);
    }

    /** So many times as much. */
    public function times(int $count, bool $isWhole): self
    {
        return new self($this->area * $count, $this->isWhole && $isWhole);
    }

    /**
     * @param  non-empty-list<Figure>  $figures
     * @return float|null their area; null where they cannot be joined
     */
    private static function joined(array $figures, float $size): ?float
    {
        $operands = array_map(static fn (Figure $figure): array => $figure->outlines(), $figures);
        try {
            $joined = Budget::tried(self::UNITS, static fn (): array => Combination::join($operands, Tolerance::ofSheet($size)));
        } catch (Unworkable) {
            $joined = null;
        }

        return $joined === null ? null : array_sum(array_map(static fn (Outline $outline): float => $outline->area(), $joined));
    }

    /**
     * @param  list<Bounds>  $boxes
     * @return list<non-empty-list<int>> numbers of those that hang together, by boxes that meet
     */
    private static function groups(array $boxes, float $touch): array
    {
        $order = array_keys($boxes);
        usort($order, static fn (int $a, int $b): int => $boxes[$a]->left <=> $boxes[$b]->left);
        $leader = $order === [] ? [] : array_combine($order, $order);
        $find = static function (int $number) use (&$leader): int {
            while ($leader[$number] !== $number) {
                $number = $leader[$number] = $leader[$leader[$number]];
            }

            return $number;
        };
        $open = [];
        foreach ($order as $number) {
            $box = $boxes[$number];
            $open = array_filter($open, static fn (int $other): bool => $boxes[$other]->right > $box->left + $touch);
            Budget::spend(0.1 * count($open));
            foreach ($open as $other) {
                if ($boxes[$other]->bottom > $box->top + $touch && $boxes[$other]->top < $box->bottom - $touch) {
                    $leader[$find($other)] = $find($number);
                }
            }
            $open[] = $number;
        }
        $groups = [];
        foreach ($order as $number) {
            $groups[$find($number)][] = $number;
        }

        return array_values($groups);
    }
}
