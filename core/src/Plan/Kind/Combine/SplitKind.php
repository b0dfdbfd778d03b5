<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Combine;

use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Shape\Combination;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Part;

/** Parts in pieces, along the lines of others: the same area, each piece a figure of its own. */
#[Called('split', label: 'Split', word: 'split', prefix: 's', purpose: Purpose::Construction)]
final class SplitKind extends PartOperation
{
    protected function declared(): array
    {
        return [StepsField::parts('of', 'parts'), StepsField::withLines('by', 'lines'), self::keep()];
    }

    public function sentence(Step $step): string
    {
        return 'Split {of} along {by}[, {keep}].';
    }

    public function evaluate(Arguments $given): Part
    {
        $by = array_merge(...array_map(self::curves(...), $given->steps('by')));
        $figures = [];
        try {
            foreach ($given->parts('of') as $part) {
                foreach ($part->figures() as $figure) {
                    foreach (Combination::split($figure->outlines(), $by, $given->tolerance()) as $piece) {
                        $figures[] = Figure::drawn($piece, [])->cameAs($figure)->throughStep($given->step);
                    }
                }
            }
        } catch (Unworkable $fault) {
            throw new FieldFault('by', 'limit', $fault->getMessage());
        }

        return $figures === [] ? throw new FieldFault('of', 'empty', 'there is nothing to split') : Part::of($figures);
    }

    /** @return list<Curve> */
    private static function curves(Evaluated $step): array
    {
        $result = $step->result;

        return match (true) {
            $result instanceof Part => $result->allCurves(),
            $result instanceof Guide => $result->curves(),
            $result instanceof Grid => $result->lines(),
            default => throw new \LogicException("{$step->id} has no lines."),
        };
    }
}
