<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\OverBudget;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Result\Finding;

/** Looks through what is drawn. */
final class PartChecks
{
    /** Figures up to which what is drawn is a mark, to be seen small; patterns and rosettes are not looked at piece by piece. */
    public const MARK = 40;

    private const MOST_CURVES = 1200;

    /**
     * @param  array<string, Evaluated>  $known
     * @param  list<Seen>  $seen  from back to front
     * @param  array<string, string>  $labels
     * @param  Budget  $budget  that it may take; where it does not reach, what was found until then is told
     * @return list<Finding>
     */
    public static function run(Plan $plan, array $known, array $seen, array $labels, Budget $budget): array
    {
        $findings = Bars::among($plan, $known, $labels);
        $curves = array_sum(array_map(static fn (Seen $figure): int => $figure->figure->curves(), $seen));
        if ($seen === [] || count($seen) > self::MARK || $curves > self::MOST_CURVES) {
            return $findings;
        }
        try {
            Budget::within($budget, static function () use ($plan, $known, $seen, $labels, &$findings): void {
                array_push($findings, ...Joins::in($plan, $known, $seen));
                $shapes = array_values(array_filter($seen, static fn (Seen $one): bool => ! $one->isCells));
                array_push($findings, ...Unseen::vanishing($plan, $shapes));
                array_push($findings, ...Unseen::hidden($plan, $seen, $labels));
                array_push($findings, ...Clearances::among($plan, $shapes, $labels));
            });
        } catch (OverBudget) {
            $findings[] = Finding::note($seen[0]->id, Sort::Unchecked->value, 'not all that is drawn was looked through; it would take too long');
        }

        return $findings;
    }
}
