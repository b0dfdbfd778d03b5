<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Paint\Ciede2000;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Result\Remedy;

/** Colours that are hardly told apart, and those that the sheet is not to have. */
final class Colours
{
    /** Colours that are compared with one another. */
    private const MOST = 64;

    /**
     * @param  array<string, list<string>>  $drawn  #rrggbb that parts have, by the step, from back to front
     * @return list<Finding>
     */
    public static function in(Plan $plan, array $drawn): array
    {
        $first = [];
        foreach ($drawn as $id => $colours) {
            foreach ($colours as $colour) {
                $first[strtolower($colour)] ??= (string) $id;
            }
        }

        return [...self::beyond($plan, $first), ...($plan->limits->miss > 0.0 ? self::alike($plan, $first) : [])];
    }

    /**
     * @param  array<string, string>  $first  the step that has each colour first
     * @return list<Finding>
     */
    private static function beyond(Plan $plan, array $first): array
    {
        if (is_int($plan->heldTo)) {
            $more = array_slice($first, $plan->heldTo, null, true);

            return $more === [] ? [] : [Finding::warning((string) reset($more), Sort::ManyColours->value, 'with '.array_key_first($more).' '.count($first)." colours are drawn; the sheet is held to $plan->heldTo")];
        }
        $findings = [];
        foreach ($plan->heldTo === 'palette' ? $first : [] as $colour => $id) {
            if (! in_array($colour, array_map(strtolower(...), $plan->palette), true)) {
                $finding = Finding::warning($id, Sort::ManyColours->value, "$colour is drawn, which is no colour of the palette that the sheet is held to");
                $nearest = self::nearest($colour, $plan->palette);
                $findings[] = $nearest === null ? $finding : $finding->with(new Remedy("Make it $nearest", [['op' => 'recolour', 'map' => [$colour => $nearest]]]));
            }
        }

        return array_slice($findings, 0, self::MOST);
    }

    /**
     * @param  array<string, string>  $first
     * @return list<Finding>
     */
    private static function alike(Plan $plan, array $first): array
    {
        $names = array_filter($plan->palette, static fn (string $hex): bool => isset($first[strtolower($hex)]));
        if (count($names) > self::MOST) {
            return [];
        }
        $labs = array_map(Ciede2000::lab(...), $names);
        $findings = [];
        foreach (array_keys($names) as $number => $name) {
            foreach (array_slice(array_keys($names), 0, $number) as $other) {
                $difference = Ciede2000::between($labs[$other], $labs[$name]);
                if ($difference < Ciede2000::HARDLY) {
                    $findings[] = Finding::note($first[strtolower($names[$name])], Sort::AlikeColours->value, sprintf('%s and %s are hardly told apart: they differ by %.1f', $other, $name, $difference))
                        ->with(new Remedy("Make both $other", [['op' => 'recolour', 'map' => [$name => $other]]]));
                }
            }
        }

        return $findings;
    }

    /** @param  array<string, string>  $palette */
    private static function nearest(string $colour, array $palette): ?string
    {
        $lab = Ciede2000::lab($colour);
        $off = array_map(static fn (string $hex): float => Ciede2000::between($lab, Ciede2000::lab($hex)), $palette);
        asort($off);

        return array_key_first($off);
    }
}
