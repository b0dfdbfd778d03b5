<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Plan\Numerals;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Result\Remedy;
use Sternbild\Core\Shape\Rounding;
use Sternbild\Core\Shape\TooRound;

/** Corners that are too sharp to be printed or cut: of each part the sharpest. */
final class SharpCorners extends Check
{
    /** Of the longer side of the sheet: the radius by which a corner that is too sharp is rounded. */
    private const ROUNDED = 1 / 400;

    /** Of the room that there is, so that what is written in three digits has it too. */
    private const OF_ROOM = 0.8;

    /** Corners that are rounded at once. */
    private const MOST_ROUNDED = 100;

    public function tells(): array
    {
        return [
            Sort::note('sharp', 'a corner sharper than the limit', 'rounded, where there is room for an arc'),
        ];
    }

    public function looksAt(): Subject
    {
        return Subject::Figures;
    }

    public function limits(): array
    {
        return [Limit::corner()];
    }

    public function look(Looked $at): array
    {
        $sharpest = $at->limit('checks.corner');
        $sharp = array_filter($at->corners(), static fn (Joint $one): bool => 180.0 - $one->degrees < $sharpest);
        $outlines = $findings = [];
        foreach ($sharp as $corner) {
            $outline = spl_object_id($corner->outline);
            $outlines[$corner->figure->id][$outline] ??= [$corner->outline, []];
            $outlines[$corner->figure->id][$outline][1][] = $corner->k;
        }
        foreach (Joint::worst(array_values($sharp)) as $id => $corner) {
            $left = 180.0 - $corner->degrees;
            $said = Numerals::plain((float) sprintf('%.2g', $left));
            $finding = $this->found(
                'sharp',
                (string) $id,
                "has a corner of {$said}°, sharper than ".Numerals::plain($sharpest).'°',
            )->at($corner->place(), $left);
            $remedy = self::rounded($at->plan, (string) $id, array_values($outlines[$id]));
            $findings[] = $remedy === null ? $finding : $finding->with($remedy);
        }

        return $findings;
    }

    /**
     * All corners of a part that are too sharp rounded by one radius: as large as the sheet lets it, or as there is room for.
     *
     * @param  list<array{Outline, list<int>}>  $corners
     * @return Remedy|null null where one of them is a cusp, which has no room for an arc
     */
    private static function rounded(Plan $plan, string $id, array $corners): ?Remedy
    {
        if (array_sum(array_map(static fn (array $one): int => count($one[1]), $corners)) > self::MOST_ROUNDED) {
            return null;
        }
        $radius = max($plan->width, $plan->height) * self::ROUNDED;
        $addresses = [];
        foreach ($corners as [$outline, $numbers]) {
            try {
                (new Rounding($radius, false, $plan->tolerance()))->of($outline, $numbers);
            } catch (TooRound $fault) {
                $radius = min($radius, self::OF_ROOM * self::room($outline, $numbers, $fault->largest, $plan->tolerance()));
            }
            if ($radius < 100 * $plan->tolerance()->distance) {
                return null;
            }
            foreach ($numbers as $number) {
                $at = $outline->curves[$number]->start();
                $addresses[] = sprintf('%s@%.6F,%.6F', $id, $at->x, $at->y);
            }
        }

        return new Remedy(count($addresses) === 1 ? 'Round it' : 'Round all of them', [
            [
                'op' => 'add',
                'step' => ['kind' => 'round', 'of' => [$id], 'radius' => (float) sprintf('%.3g', $radius), 'corners' => $addresses],
            ],
        ]);
    }

    /**
     * The radius for which all corners of an outline have room, where one of them has for the given one.
     *
     * @param  list<int>  $numbers
     */
    private static function room(Outline $outline, array $numbers, float $radius, Tolerance $tolerance): float
    {
        for ($round = 0; $round < count($numbers); $round++) {
            try {
                (new Rounding($radius * self::OF_ROOM, false, $tolerance))->of($outline, $numbers);

                return $radius;
            } catch (TooRound $fault) {
                $radius = min($radius * self::OF_ROOM, $fault->largest);
            }
        }

        return 0.0;
    }
}
