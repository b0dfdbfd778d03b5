<?php

declare(strict_types=1);

namespace Sternbild\Core\Evaluation;

use Sternbild\Core\Paint\Look;
use Sternbild\Core\Paint\Reorder;
use Sternbild\Core\Paint\Style;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Part;

/** Which parts are drawn, in which order, and how they look. */
final class Drawing
{
    /**
     * @param  array<string, Evaluated>  $known  the results of the plan
     * @param  array<string, true>  $usedUp  ids of parts that an operation used up
     * @return list<DrawnPart> from back to front
     */
    public static function arrange(Plan $plan, array $known, array $usedUp): array
    {
        $order = [];
        $looks = [];
        foreach ($known as $id => $step) {
            if ($step->result instanceof Part && ! isset($usedUp[$id]) && ! $plan->steps[$id]->hidden) {
                $order[] = $id;
            } elseif ($step->result instanceof Look) {
                $looks[] = $step->result;
            } elseif ($step->result instanceof Reorder) {
                $order = self::reordered($order, $step->result);
            }
        }
        $drawn = [];
        foreach ($order as $id) {
            $part = $known[$id]->result;
            if ($part instanceof Part) {
                $drawn[] = new DrawnPart($id, $part, self::styles($part, $looks));
            }
        }

        return $drawn;
    }

    /**
     * @param  list<string>  $order
     * @return list<string>
     */
    private static function reordered(array $order, Reorder $reorder): array
    {
        $moved = array_values(array_intersect($order, $reorder->of));
        $rest = array_values(array_diff($order, $reorder->of));
        $beside = array_search($reorder->beside, $rest, true);
        $at = match ($reorder->to) {
            'front' => count($rest),
            'back' => 0,
            // Beside a part that is not drawn by itself there is no place; the order stays.
            'above' => $beside === false ? null : $beside + 1,
            'below' => $beside === false ? null : $beside,
        };
        if ($at === null) {
            return $order;
        }
        array_splice($rest, $at, 0, $moved);

        return $rest;
    }

    /**
     * @param  list<Look>  $looks
     * @return list<Style>
     */
    private static function styles(Part $part, array $looks): array
    {
        $byHistory = [];
        $styles = [];
        foreach ($part->figures as $figure) {
            $styles[] = $byHistory[implode(' ', $figure->steps)] ??= self::style($figure, $looks);
        }

        return $styles;
    }

    /** @param  list<Look>  $looks */
    private static function style(Figure $figure, array $looks): Style
    {
        $said = [];
        foreach ($looks as $look) {
            if (array_intersect($look->of, $figure->steps) !== []) {
                $said = [...$said, ...$look->style];
            }
        }

        return Style::of($said);
    }
}
