<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Plan\Bar;
use Sternbild\Core\Plan\Numerals;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Remedy;
use Sternbild\Core\Shape\Part;

/** Bars, and clearances, that were probably meant to be equally wide. */
final class Bars extends Check
{
    /** Widths that differ by less than this share look alike. */
    private const ALIKE = 0.05;

    /** And by less than this they are. */
    private const SAME = 1e-9;

    public function tells(): array
    {
        return [
            Sort::warning(
                'almost-equal',
                'bands and upright rectangles, and clearances, within 5 % of the width of an earlier one, none of which is as wide',
                'the number follows that one from then on',
            ),
        ];
    }

    public function looksAt(): Subject
    {
        return Subject::Steps;
    }

    public function look(Looked $at): array
    {
        [$plan, $labels] = [$at->plan, $at->labels];
        $findings = [];
        /** @var array<string, Bar> $bars */
        $bars = [];
        foreach ($at->known as $id => $step) {
            $bar = $step->result instanceof Part ? $plan->steps[$id]->kind->bar($plan->steps[$id], $step) : null;
            if ($bar === null || ! $step->result instanceof Part) {
                continue;
            }
            $like = self::nearest($bars, $bar);
            $bars[$id] = $bar;
            if ($like === null) {
                continue;
            }
            [$other, $off] = $like;
            $finding = $this->found(
                'almost-equal',
                $id,
                sprintf(
                    'is %s %s wide, almost as wide as %s, which is %s',
                    Numerals::plain(round($bar->width, 4)),
                    $plan->unit->value,
                    $labels[$other],
                    Numerals::plain(round($bars[$other]->width, 4)),
                ),
                $bar->field,
            )->at($step->result->bounds()->center(), $off);
            $value = self::equal($plan->steps[$id], $bar, $bars[$other]);
            $findings[] =
                $value === null
                    ? $finding
                    : $finding->with(
                        new Remedy('Make them equal', [['op' => 'set', 'id' => $id, 'field' => (string) $bar->field, 'value' => $value]]),
                    );
        }

        return $findings;
    }

    /**
     * The bar that is almost as wide; none where one is as wide.
     *
     * @param  array<string, Bar>  $bars
     * @return array{string, float}|null its id, and by how much it differs
     */
    private static function nearest(array $bars, Bar $bar): ?array
    {
        $best = null;
        foreach ($bars as $id => $other) {
            if ($other->sort !== $bar->sort) {
                continue;
            }
            $off = abs($bar->width - $other->width);
            $share = $off / max($bar->width, $other->width);
            if ($share <= self::SAME) {
                return null;
            }
            if ($share < self::ALIKE && ($best === null || $off < $best[1])) {
                $best = [(string) $id, $off];
            }
        }

        return $best;
    }

    /** What the field has to say for the bar to be as wide as the other one from now on; null where a formula stands there. */
    private static function equal(Step $step, Bar $bar, Bar $other): mixed
    {
        $raw = $bar->field === null ? null : $step->raw($bar->field);
        if ($bar->index === null) {
            return is_numeric($raw) ? $other->name : null;
        }
        if (! is_array($raw) || ! is_numeric($raw[$bar->index] ?? null)) {
            return null;
        }
        $raw[$bar->index] = $other->name;

        return $raw;
    }
}
