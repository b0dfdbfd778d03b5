<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Look;

use Sternbild\Core\Geometry\Run;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Paint\Gradient;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Shape\Figure;

/** What of a gradient is dragged on the sheet: where it begins and ends, how far it reaches, and its stops beside that way. */
final class GradientPulls
{
    /** How far stops lie beside the way, as a share of the longer side of the sheet: ends have handles of their own. */
    private const BESIDE = 0.025;

    /** Shares of a way between which its heading is taken. */
    private const NEAR = 1e-4;

    /**
     * @param  Figure  $figure  that it is shown on, where it fits itself to what it fills
     * @param  float  $size  of the sheet
     * @return list<Pull>
     */
    public static function handles(string $field, Gradient $gradient, Figure $figure, float $size): array
    {
        if ($gradient->sort === 'along') {
            return self::onWay($field, $gradient, $figure);
        }
        $isOpen = $gradient->isOpen();
        $fitted = $gradient->fitted($isOpen ? $figure->shape->bounds() : $figure->bounds());
        $seen = static fn (Vec $place): Vec => $isOpen ? $figure->map->apply($place) : $place;
        $from = $seen($fitted->from ?? Vec::zero());
        if ($gradient->sort === 'linear') {
            $to = $seen($fitted->to ?? Vec::zero());
            $pulls = [
                Pull::place($field, ['from'], $from)->shownAs('beginning of the gradient'),
                Pull::place($field, ['to'], $to)->shownAs('end of the gradient'),
            ];
        } else {
            $reach = new Vec($fitted->radius ?? 0.0, 0.0);
            $to = $from->plus($reach);
            $pulls = [
                Pull::place($field, ['center'], $from)->shownAs('centre of the gradient'),
                Pull::distance($field, $from, $reach->x, new Vec(1.0, 0.0), ['radius'])->shownAs('radius of the gradient'),
            ];
            if ($fitted->focus !== null) {
                $pulls[] = Pull::place($field, ['focus'], $fitted->focus)->shownAs('focus of the gradient');
            }
        }
        $way = $to->minus($from);
        $beside = $way->unit()->quarterTurned()->times(self::BESIDE * $size);
        foreach ($gradient->stops as $number => [$position, $colour]) {
            $said = $gradient->said[$number] ?? $number;
            $pulls[] = Pull::along($field, $from->plus($beside), $position, $way, ['stops', $said, 0])->shownAs(
                'stop '.($said + 1),
                $colour,
            );
        }

        return $pulls;
    }

    /**
     * Of a gradient along a band its stops, on the way where they are first reached; dragged they go along with it.
     *
     * @return list<Pull>
     */
    private static function onWay(string $field, Gradient $gradient, Figure $figure): array
    {
        $strand = $figure->strand();
        if ($strand === null || $gradient->turns === 0.0) {
            return [];
        }
        $way = new Run($strand->way);
        $pulls = [];
        foreach ($gradient->stops as $number => [$position, $colour]) {
            $share = max(0.0, min(1.0, $position / abs($gradient->turns)));
            $at = $way->pointAt($share);
            [$before, $behind] = [max(0.0, $share - self::NEAR), min(1.0, $share + self::NEAR)];
            $heading = $way->pointAt($behind)->minus($way->pointAt($before))->unit();
            $unit = $heading->times($way->length() / abs($gradient->turns));
            $said = $gradient->said[$number] ?? $number;
            $pulls[] = Pull::along($field, $at->minus($unit->times($position)), $position, $unit, ['stops', $said, 0])->shownAs(
                'stop '.($said + 1),
                $colour,
            );
        }

        return $pulls;
    }
}
