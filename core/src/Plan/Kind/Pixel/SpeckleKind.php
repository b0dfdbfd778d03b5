<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Pixel;

use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\ColoursField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\StepField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Role;
use Sternbild\Core\Shape\Painted;
use Sternbild\Core\Shape\Part;

/** Touches of colour on a part: cells of its grid, here and there, the same again for the same seed. */
#[Called('speckle', label: 'Speckle', word: 'speckle', prefix: 'k', purpose: Purpose::Construction)]
final class SpeckleKind extends PaintingKind
{
    /** Of a cell's size: how far a corner may lie outside the part by rounding. */
    private const INWARD = 1e-6;

    protected function declared(): array
    {
        return [
            new StepField('of', 'part', Role::Part, true),
            new ColoursField('colours', 'colours', true),
            NumberField::share('share', 'share', 0.15),
            NumberField::count('size', 'size', 1, 32, default: 1),
            NumberField::count('seed', 'seed', 0, 1_000_000, default: 1),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Speckle {of} with {colours}, a share of {share}[, {size} cells wide], seed {seed}.';
    }

    public function evaluate(Arguments $given): Part
    {
        $of = $given->step('of');
        $on = (string) array_key_last($of->frames);
        $grid = ($of->frames[$on] ?? null)?->result;
        if (! $grid instanceof Grid || ! $of->result instanceof Part) {
            throw new FieldFault('of', 'choice', 'it is built on no grid of which cells could be coloured');
        }
        $colours = $given->colours('colours');
        if ($colours === []) {
            throw new FieldFault('colours', 'choice', 'there is no colour to speckle it with');
        }
        $outlines = $of->result->allOutlines();
        [$seed, $size] = [$given->whole('seed'), $given->whole('size')];
        $share = $given->number('share') / $size ** 2;
        $inside = $this->inside($grid, $outlines);
        $cells = [];
        foreach ($inside as $cell => $at) {
            if (self::chance($seed, $at, 'share') >= $share) {
                continue;
            }
            $colour = $colours[(int) (self::chance($seed, $at, 'colour') * count($colours))] ?? $colours[0];
            for ($k = 0; $k < $size ** 2; $k++) {
                $beside = count($at) === 2 ? self::cell($grid, $at[0] + $k % $size, $at[1] + intdiv($k, $size)) : $cell;
                if ($beside !== null && isset($inside[$beside])) {
                    $cells[$beside] = $colour;
                }
            }
        }
        if ($cells === []) {
            throw new FieldFault(
                'share',
                'empty',
                $inside === [] ? 'no cell of its grid lies in it whole' : 'so small a share takes none of its '.count($inside).' cells',
            );
        }

        return Part::painted(new Painted($on, $grid, $cells, array_combine($colours, $colours)), $given->step);
    }

    /**
     * @param  list<Outline>  $outlines
     * @return array<int, list<int>> coordinates of the cells that lie in a part whole, by number
     */
    private function inside(Grid $grid, array $outlines): array
    {
        $boxes = array_map(static fn (Outline $outline) => $outline->bounds(), $outlines);
        $isIn = static function (Vec $place) use ($outlines): bool {
            $around = 0;
            foreach ($outlines as $outline) {
                $around += $outline->windingsAround($place);
            }

            return $around !== 0;
        };
        $found = [];
        Budget::spend(8 * $grid->cellCount());
        for ($cell = 0; $cell < $grid->cellCount(); $cell++) {
            [$outline] = $grid->cellOutlines($cell);
            $box = $outline->bounds();
            if (array_filter($boxes, static fn ($one): bool => $one->meets($box, 0.0)) === []) {
                continue;
            }
            Budget::spend(4 * count($outlines));
            $middle = $outline->centroid();
            $isWhole = $isIn($middle);
            foreach ($isWhole ? $outline->curves : [] as $curve) {
                // A hair inside, so that corners on the part's edge count.
                $isWhole = $isWhole && $isIn($curve->start()->plus($middle->minus($curve->start())->times(self::INWARD)));
            }
            if ($isWhole) {
                $found[$cell] = $grid->cellCoordinates($cell);
            }
        }

        return $found;
    }

    /**
     * The same for the same cell, whatever else there is.
     *
     * @param  list<int>  $at
     * @return float from 0 to 1, 1 excluded
     */
    private static function chance(int $seed, array $at, string $of): float
    {
        return hexdec(substr(hash('xxh64', "$seed $of ".implode(',', $at)), 0, 12)) / 16 ** 12;
    }
}
