<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Plan\Numerals;

/**
 * Details that are less than half a pixel at the smallest size, and how many of them at half as much again: one finding, at the thinnest.
 */
final class Vanishing extends Check
{
    /** How many times as large as the smallest size the next one is: 24 px beside 16. */
    private const LARGER = 1.5;

    public function tells(): array
    {
        return [
            Sort::note(
                'vanishes',
                'pieces and holes that are less than half a pixel where the sheet is shown small, and at half as much again',
            ),
        ];
    }

    public function looksAt(): Subject
    {
        return Subject::Figures;
    }

    public function limits(): array
    {
        return [Limit::small()];
    }

    public function look(Looked $at): array
    {
        [$plan, $small] = [$at->plan, $at->limit('checks.small')];
        $limit = $plan->leastSeen();
        $thin = [];
        foreach ($at->shapes() as $figure) {
            foreach ($figure->outlines as $outline) {
                $width = self::width($outline);
                if ($width < $limit) {
                    $thin[] = [$width, $figure, $outline];
                }
            }
        }
        if ($thin === []) {
            return [];
        }
        usort($thin, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        [$width, $figure, $outline] = $thin[0];
        $count = count($thin);
        $also = count(array_filter($thin, static fn (array $one): bool => $one[0] < $limit / self::LARGER));
        $message = sprintf(
            $count === 1
                ? 'a detail of %2$s %3$s is less than half a pixel at %4$s px'
                : '%1$d details are less than half a pixel at %4$s px, the thinnest only %2$s %3$s wide',
            $count,
            Numerals::plain((float) sprintf('%.3g', $width)),
            $plan->unit->value,
            Numerals::plain($small),
        );
        $also = $also === 0 ? '' : '; '.($also === $count ? '' : "$also of them ").'at '.Numerals::plain($small * self::LARGER).' px, too';

        return [$this->found('vanishes', $figure->id, $message.$also)->at($outline->bounds()->center(), $width)];
    }

    /**
     * The shorter side of the rectangle with the same area and perimeter; of what is rounder than a square the diameter of about the same.
     */
    private static function width(Outline $outline): float
    {
        $area = abs($outline->area());
        $half = $outline->perimeter() / 2;
        $root = $half * $half / 4 - $area;

        return $half === 0.0 ? 0.0 : ($root > 0.0 ? $half / 2 - sqrt($root) : 2 * $area / $half);
    }
}
