<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Paint\Ciede2000;
use Sternbild\Core\Result\Remedy;

/** Colours that the sheet is not to have. */
final class ManyColours extends Check
{
    /** Of which each is told. */
    private const MOST = 64;

    public function tells(): array
    {
        return [
            Sort::warning(
                'many-colours',
                'colours beyond those that the sheet is held to, `"sheet": {"colours": 8}` or `{"colours": "palette"}`',
                'the nearest of the palette',
            ),
        ];
    }

    public function looksAt(): Subject
    {
        return Subject::Colours;
    }

    public function look(Looked $at): array
    {
        [$first, $plan, $held] = [$at->firstOfColours(), $at->plan, $at->plan->sheet['colours']];
        if (is_int($held)) {
            $more = array_slice($first, $held, null, true);

            return $more === []
                ? []
                : [
                    $this->found(
                        'many-colours',
                        (string) reset($more),
                        'with '.array_key_first($more).' '.count($first)." colours are drawn; the sheet is held to $held",
                    ),
                ];
        }
        $findings = [];
        foreach ($held === 'palette' ? $first : [] as $colour => $id) {
            if (! in_array($colour, array_map(strtolower(...), $plan->palette), true)) {
                $finding = $this->found(
                    'many-colours',
                    $id,
                    "$colour is drawn, which is no colour of the palette that the sheet is held to",
                );
                $nearest = self::nearest($colour, $plan->palette);
                $findings[] =
                    $nearest === null
                        ? $finding
                        : $finding->with(new Remedy("Make it $nearest", [['op' => 'recolour', 'map' => [$colour => $nearest]]]));
            }
        }

        return array_slice($findings, 0, self::MOST);
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
