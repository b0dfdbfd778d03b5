<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\OverBudget;
use Sternbild\Core\Plan\Property;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Result\Memory;

/** Looks through what a plan comes to for what designers would want to know of. */
final class Checks
{
    /** What is found of steps and guides beyond is only counted; nobody reads on. */
    private const MOST_FINDINGS = 60;

    /** Guides beyond which they are not compared with one another any more; with so many it takes about as long as the rest of a plan. */
    private const MOST_GUIDES = 400;

    /** Figures up to which what is drawn is a mark, to be seen small; patterns and rosettes are not looked at piece by piece. */
    public const MARK = 40;

    private const MOST_CURVES = 1200;

    private const UNCHECKED = 'unchecked';

    private const MORE = 'more';

    /** @return list<Check> in the order of what they look at, and then of their names */
    public static function all(): array
    {
        /** @var list<Check>|null $all */
        static $all = null;
        if ($all === null) {
            $found = array_fill_keys(array_column(Subject::cases(), 'name'), []);
            foreach (glob(__DIR__.'/*.php') ?: [] as $file) {
                $class = __NAMESPACE__.'\\'.basename($file, '.php');
                if (is_subclass_of($class, Check::class) && ! (new \ReflectionClass($class))->isAbstract()) {
                    $check = new $class;
                    $found[$check->looksAt()->name][] = $check;
                }
            }
            $all = array_merge(...array_values($found));
        }

        return $all;
    }

    /** @return array<string, Property> the numbers of the sheet from which on they speak up, by name */
    public static function limits(): array
    {
        $limits = [];
        foreach (self::all() as $check) {
            foreach ($check->limits() as $limit) {
                $limits[$limit->name()] ??= $limit;
            }
        }

        // Lengths come first, as they are read.
        uasort(
            $limits,
            static fn (Property $one, Property $other): int => [$one->field->traits()['measure'] !== 'length', $one->field->label] <=> [
                $other->field->traits()['measure'] !== 'length',
                $other->field->label,
            ],
        );

        return $limits;
    }

    /** @return list<Sort> all that may be told, and what only says that not all was looked through or told */
    public static function sorts(): array
    {
        return [
            ...array_merge(...array_map(static fn (Check $check): array => $check->tells(), self::all())),
            Sort::note(self::UNCHECKED, 'what was not looked through'),
            Sort::note(self::MORE, 'how many more there are'),
        ];
    }

    /** @return list<Finding> about what steps come to, and guides among one another */
    public static function ofSteps(Looked $at, Memory $memory): array
    {
        $findings = self::looked(Subject::Steps, $at);
        if (count($at->guides) > self::MOST_GUIDES) {
            $findings[] = Finding::note(
                (string) array_key_first($at->guides),
                self::UNCHECKED,
                sprintf(
                    'near misses and doubled lines are looked for among at most %s guides; there are %s',
                    number_format(self::MOST_GUIDES),
                    number_format(count($at->guides)),
                ),
            );
        } elseif ($at->guides !== []) {
            array_push($findings, ...self::amongGuides($at, $memory));
        }
        $shown = array_slice($findings, 0, self::MOST_FINDINGS);
        $rest = count($findings) - count($shown);
        if ($rest > 0) {
            $shown[] = Finding::note($findings[self::MOST_FINDINGS]->step, self::MORE, "from here on $rest more are found");
        }

        return self::named($shown, $at);
    }

    /**
     * @param  Budget  $budget  that looking at figures may take; where it does not reach, what was found until then is told
     * @return list<Finding> about what is drawn, and its colours
     */
    public static function ofDrawing(Looked $at, Budget $budget): array
    {
        $findings = [];
        $curves = array_sum(array_map(static fn (Seen $figure): int => $figure->figure->curves(), $at->seen));
        if ($at->seen !== [] && count($at->seen) <= self::MARK && $curves <= self::MOST_CURVES) {
            try {
                Budget::within($budget, static function () use ($at, &$findings): void {
                    foreach (self::asked(Subject::Figures, $at) as $check) {
                        array_push($findings, ...$check->look($at));
                    }
                });
            } catch (OverBudget) {
                $findings[] = Finding::note(
                    $at->seen[0]->id,
                    self::UNCHECKED,
                    'not all that is drawn was looked through; it would take too long',
                );
            }
        }

        return self::named([...$findings, ...self::looked(Subject::Colours, $at)], $at);
    }

    /** @return list<Finding> which stay the same as long as no guide, no grid and no limit does anything else */
    private static function amongGuides(Looked $at, Memory $memory): array
    {
        $limits = array_map(static fn (Property $one): float => $at->limit($one->name()), self::limits());
        $key = 'guides '.hash('xxh128', $at->guidesPrint($limits));
        $kept = $memory->recall($key);
        if (is_array($kept)) {
            /** @var list<Finding> $kept */
            return $kept;
        }
        $start = hrtime(true);
        $findings = self::looked(Subject::Guides, $at);
        $memory->keep($key, $findings, (hrtime(true) - $start) / 1e9, 3 * count($findings));

        return $findings;
    }

    /** @return list<Finding> */
    private static function looked(Subject $subject, Looked $at): array
    {
        return array_merge([], ...array_map(static fn (Check $check): array => $check->look($at), self::asked($subject, $at)));
    }

    /** @return list<Check> that look at something, and are not turned off */
    private static function asked(Subject $subject, Looked $at): array
    {
        return array_values(array_filter(self::all(), static function (Check $check) use ($subject, $at): bool {
            if ($check->looksAt() !== $subject) {
                return false;
            }
            $limits = array_map(static fn (Property $limit): float => $at->limit($limit->name()), $check->limits());

            return $limits === [] || max($limits) > 0.0;
        }));
    }

    /**
     * @param  list<Finding>  $findings
     * @return list<Finding>
     */
    private static function named(array $findings, Looked $at): array
    {
        return array_map(static fn (Finding $finding): Finding => $finding->about($at->labels[$finding->step]), $findings);
    }
}
