<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Tolerance;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Overlay;
use Sternbild\Core\Grid\RectangularGrid;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Result\Finding;

/** Looks through what a plan comes to for what designers would want to know of. */
final readonly class Checks
{
    /** What is found beyond is only counted; nobody reads on. */
    private const MOST_FINDINGS = 60;

    /** Guides beyond which they are not compared with one another any more; with so many it takes about as long as the rest of a plan. */
    private const MOST_GUIDES = 400;

    /**
     * @param  array<string, Evaluated>  $known
     * @param  array<string, string>  $labels
     * @return list<Finding>
     */
    public static function run(Plan $plan, array $known, array $labels): array
    {
        $tolerance = $plan->tolerance();
        $limits = $plan->limits;
        $guides = $grids = $findings = [];
        foreach ($known as $id => $step) {
            if ($step->result instanceof Guide && $step->result->curve !== null) {
                $guides[$id] = $step->result;
            } elseif ($step->result instanceof Grid) {
                $grids[$id] = $step->result;
                if ($limits->sliver > 0.0) {
                    array_push($findings, ...Slivers::inGrid($id, $step->result, $limits->sliver, $plan->unit->value));
                }
            }
            if ($step->result instanceof Overlay && $step->result->cellCount() > Overlay::MOST_PICKED) {
                $findings[] = Finding::note($id, Sort::ManyCells->value, 'has '.number_format($step->result->cellCount()).' cells; up to '.number_format(Overlay::MOST_PICKED).' can be picked on the sheet');
            }
            if ($step->result instanceof Overlay && $limits->sliver > 0.0) {
                array_push($findings, ...Slivers::in($id, $step->result, $limits->sliver, $plan->unit->value));
            } elseif ($step->result instanceof RectangularGrid && $plan->steps[$id]->kind->name() === 'grid.rectangular') {
                array_push($findings, ...AlmostSquare::in($plan->steps[$id], $step->result, $plan->unit->value));
            }
        }
        if ($limits->miss > 0.0) {
            array_push($findings, ...Ajar::in($plan, $known), ...Pixels::in($plan, $known));
        }
        array_push($findings, ...Repeats::in($plan, $known, $labels));
        if ($guides !== []) {
            array_push($findings, ...self::ofGuides($plan, $guides, $grids, $labels, $tolerance));
        }

        $shown = array_slice($findings, 0, self::MOST_FINDINGS);
        $rest = count($findings) - count($shown);
        if ($rest > 0) {
            $shown[] = Finding::note($findings[self::MOST_FINDINGS]->step, Sort::More->value, "from here on $rest more are found");
        }

        return array_map(static fn (Finding $finding): Finding => $finding->about($labels[$finding->step]), $shown);
    }

    /**
     * @param  non-empty-array<string, Guide>  $guides
     * @param  array<string, Grid>  $grids
     * @param  array<string, string>  $labels
     * @return list<Finding>
     */
    private static function ofGuides(Plan $plan, array $guides, array $grids, array $labels, Tolerance $tolerance): array
    {
        if (count($guides) > self::MOST_GUIDES) {
            return [Finding::note((string) array_key_first($guides), Sort::Unchecked->value, 'near misses and doubled lines are looked for among at most '.number_format(self::MOST_GUIDES).' guides; there are '.number_format(count($guides)))];
        }
        $findings = DoubledLines::among($plan, $guides, $labels, $tolerance);
        if ($plan->limits->miss > 0.0) {
            array_push($findings, ...AlmostTouching::among($plan, $guides, $labels, $tolerance));
            array_push($findings, ...NearMisses::among($plan, $guides, $grids, $labels, $tolerance));
        }

        return $findings;
    }
}
