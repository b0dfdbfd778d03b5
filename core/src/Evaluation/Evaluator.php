<?php

declare(strict_types=1);

namespace Sternbild\Core\Evaluation;

use Sternbild\Core\Check\Checks;
use Sternbild\Core\Check\Looked;
use Sternbild\Core\Check\Seen;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\OverBudget;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Rectangles;
use Sternbild\Core\Grid\Tiling;
use Sternbild\Core\Paint\Look;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\NothingGiven;
use Sternbild\Core\Plan\Numerals;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Seat;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Result\Memory;
use Sternbild\Core\Result\Remedy;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Result\Role;
use Sternbild\Core\Shape\Part;

/** Plan in, scene out. A step that fails leaves a finding and no result; all others are still evaluated. */
final readonly class Evaluator
{
    /** Part of every hash; to be raised when a computation changes, so that no cache keeps old results. */
    private const EDITION = '4';

    private const TOO_MUCH = 'takes more work than there is time for; fewer copies, cells or curves would do';

    /** Cells of all grids and overlays of a plan together. */
    private const MOST_CELLS = 1_200_000;

    public function __construct(private Memory $memory)
    {
    }

    /** What looking through all that is drawn may take beside the budget, as a share of it. */
    private const CHECKED = 0.03;

    /** What one step may take of the whole budget, so that the others are worked out, too. */
    private const SHARE = 0.6;

    /** @param  Budget|null  $budget  of the work; a step for which it does not reach has a finding, and the rest is worked out */
    public function evaluate(Plan $plan, ?Budget $budget = null): Scene
    {
        $budget ??= Budget::ample();
        $labels = $plan->labels();
        $scope = new Scope($plan, $labels);
        $known = [];
        $sources = $usedUp = [];
        $findings = [];
        $cells = 0;
        foreach ($plan->steps as $step) {
            if ($step->muted) {
                continue;
            }
            $share = $budget->share(self::SHARE);
            try {
                // Places on others, their crossings for one, can be much work by themselves.
                $given = Budget::within($share, static fn (): Arguments => self::arguments($step, $scope));
                $hash = hash('sha512/256', self::EDITION."\n".$step->kind->name()."\n".$given->fingerprint($step->kind->presentation()));
                $result = $this->memory->recall($hash);
                if (! $result instanceof Result) {
                    $start = hrtime(true);
                    $result = Budget::within($share, static fn (): Result => $step->kind->evaluate($given));
                    $this->memory->keep($hash, $result, (hrtime(true) - $start) / 1e9, self::pieces($result));
                }
                if ($result instanceof Tiling) {
                    $cells += $result->cellCount();
                    if ($cells > self::MOST_CELLS) {
                        throw new FieldFault(
                            '',
                            'limit',
                            'all grids and overlays together would have more than '.number_format(self::MOST_CELLS).' cells',
                        );
                    }
                }
                $known[$step->id] = new Evaluated(
                    $step->id,
                    $hash,
                    $result,
                    $given->numbers(),
                    self::frames($step, $known),
                    places: self::places($step, $given),
                    findPulls: static fn (): array => $step->kind->pulls($given, $result),
                );
                $scope->learn($known[$step->id]);
                $sources[$step->id] = $step->kind->sources($given);
                if (! $step->kind->keepsSources($given)) {
                    $usedUp[$step->id] = $sources[$step->id];
                }
                if ($result instanceof Part) {
                    foreach ($result->remarks as $remark) {
                        $scope->warn($remark->field, $remark->code, $remark->message);
                    }
                }
            } catch (OverBudget) {
                $findings[] = Finding::error($step->id, 'limit', self::TOO_MUCH)->about($labels[$step->id]);
            } catch (NothingGiven $nothing) {
                $findings[] = Finding::warning($step->id, 'empty', $nothing->getMessage(), $nothing->field)->about($labels[$step->id]);
                if ($step->kind->makes() === Role::Part) {
                    $known[$step->id] = new Evaluated($step->id, hash('sha512/256', "nothing of $step->id"), Part::nothing(), []);
                    $scope->learn($known[$step->id]);
                }
            } catch (FieldFault $fault) {
                $finding = Finding::error($step->id, $fault->findingCode, $fault->getMessage(), $fault->field)->about($labels[$step->id]);
                $findings[] =
                    $fault->instead === null
                        ? $finding
                        : $finding->with(
                            new Remedy('Make it '.Numerals::plain($fault->instead), [
                                ['op' => 'set', 'id' => $step->id, 'field' => $fault->field, 'value' => $fault->instead],
                            ]),
                        );
            }
            $budget->add($share);
            foreach ($scope->takeWarnings($step->id) as $warning) {
                $findings[] = $warning->about($labels[$step->id]);
            }
        }

        array_push($findings, ...Checks::ofSteps(new Looked($plan, $known, $labels), $this->memory));

        $looks = array_map(
            strval(...),
            array_keys(array_filter($known, static fn (Evaluated $step): bool => $step->result instanceof Look)),
        );
        $drawing = new Drawing($plan, $known, $sources, $usedUp);
        $arranged = $drawing->arranged();
        array_push(
            $findings,
            ...Checks::ofDrawing(
                new Looked($plan, $known, $labels, self::seen($arranged), self::colours($arranged)),
                $budget->share(self::CHECKED),
            ),
        );

        $inside = $drawing->inside();
        array_push($findings, ...self::unshown($drawing, $looks, $labels));

        return new Scene(
            $plan,
            $labels,
            $known,
            $arranged,
            $sources,
            $drawing->usedUp(),
            $findings,
            $inside,
            $drawing->cells(),
            $drawing->paints(),
            $this->memory,
        );
    }

    /** What fetching a result takes; null where working it out anew is as fast. */
    private static function pieces(Result $result): ?int
    {
        return $result instanceof Part ? $result->nodes() + count($result->spread?->ofCell() ?? $result->figures()) : null;
    }

    /**
     * @param  list<string>  $looks  steps that say looks, in order
     * @param  array<string, string>  $labels
     * @return list<Finding>
     */
    private static function unshown(Drawing $drawing, array $looks, array $labels): array
    {
        $findings = [];
        foreach ($drawing->unshown() as $look => [$pattern, $why]) {
            $step = $looks[$look] ?? $pattern;
            $findings[] = Finding::error($step, 'choice', "{$labels[$pattern]} $why", 'fill')->about($labels[$step]);
        }

        return $findings;
    }

    /**
     * @param  list<DrawnPart>  $arranged
     * @return list<Seen> of more figures than are looked at one more
     */
    private static function seen(array $arranged): array
    {
        $seen = [];
        foreach ($arranged as $part) {
            foreach ($part->styled() as [$figure, $style]) {
                // A shade is no shape to be told from others.
                if ($figure->tint === null) {
                    $seen[] = Seen::of($part->id, $figure, $style, $part->part->count(), $part->part->painted?->laid instanceof Rectangles);
                }
                if (count($seen) > Checks::MARK) {
                    return $seen;
                }
            }
        }

        return $seen;
    }

    /**
     * @param  list<DrawnPart>  $arranged
     * @return array<string, list<string>> #rrggbb of fills and strokes, by the step
     */
    private static function colours(array $arranged): array
    {
        $colours = [];
        foreach ($arranged as $drawn) {
            foreach ($drawn->styles as $style) {
                foreach (
                    $style === null
                        ? []
                        : [
                            $style->gradient === null && $style->pattern === null ? $style->fill : 'none',
                            $style->strokeWidth > 0.0 ? $style->stroke : 'none',
                        ] as $colour
                ) {
                    if ($colour !== 'none') {
                        $colours[$drawn->id][$colour] = $colour;
                    }
                }
            }
        }

        return array_map(array_values(...), $colours);
    }

    /**
     * The grids that a step names, and those that what it names is built on.
     *
     * @param  array<string, Evaluated>  $known
     * @return array<string, Evaluated>
     */
    private static function frames(Step $step, array $known): array
    {
        $frames = [];
        foreach ($step->references() as $reference) {
            $named = $known[$reference] ?? null;
            if ($named !== null) {
                $frames += $named->result instanceof Grid ? [$reference => $named] : $named->frames;
            }
        }

        return $frames;
    }

    /** @return array<string, list<Vec>> the places that can be dragged on the sheet */
    private static function places(Step $step, Arguments $given): array
    {
        $places = [];
        foreach ($step->kind->fields() as $field) {
            if ($field->handle() !== null && $given->has($field->name)) {
                $places[$field->name] = match ($field->handle()) {
                    'place' => [$given->vec($field->name)],
                    'places' => $given->places($field->name),
                    'seats' => self::seats($step->raw($field->name), $given->seats($field->name)),
                };
            }
        }

        return $places;
    }

    /**
     * @param  list<Seat>  $seats
     * @return list<Vec> none where some of what is written stands for many, or for none
     */
    private static function seats(mixed $raw, array $seats): array
    {
        return is_array($raw) && count($raw) === count($seats) ? array_map(static fn (Seat $seat): Vec => $seat->at, $seats) : [];
    }

    /** @throws FieldFault */
    private static function arguments(Step $step, Scope $scope): Arguments
    {
        $values = [];
        foreach ($step->kind->fields() as $field) {
            $raw = $step->raw($field->name) ?? $field->default;
            if ($raw !== null) {
                $values[$field->name] = $field->resolve($raw, $scope);
            }
        }

        return new Arguments($step->id, $values, new Bounds(0.0, 0.0, $scope->plan->width, $scope->plan->height));
    }
}
