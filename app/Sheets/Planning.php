<?php

namespace App\Sheets;

use Sternbild\Core\Edit\Equalising;
use Sternbild\Core\Edit\SceneOperations;
use Sternbild\Core\Edit\Variations;
use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\PlanJson;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\OverBudget;
use Sternbild\Core\Plan\Edit\PlanEdit;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\Finding;

/** The way into the core: plans as stored in, scenes out. */
final readonly class Planning
{
    /** Bytes that a step takes to be shown, and the share of a request's memory that there is for all. */
    private const STEP_SHOWN = 16_000;

    private const SHARE_SHOWN = 0.9;

    /** Seconds in which variations are drawn; pictures of them come on top. */
    private const VARIED_WITHIN = 2.5;

    private PlanReader $reader;

    public function __construct(private Kinds $kinds, private Evaluator $evaluator)
    {
        $this->reader = new PlanReader($kinds);
    }

    /**
     * @param  array<array-key, mixed>  $plan
     *
     * @throws Unusable
     */
    public function scene(array $plan, ?Budget $budget = null): Scene
    {
        return $this->evaluator->evaluate($this->reader->fromArray($plan), $budget ?? Budget::large());
    }

    /**
     * Only grids and guides, for questions about places; overlays and parts of large sheets take a while.
     *
     * @param  array<array-key, mixed>  $plan
     *
     * @throws Unusable
     */
    public function lines(array $plan): Scene
    {
        return $this->evaluator->evaluate($this->reader->fromArray($plan)->withLinesOnly(), Budget::small());
    }

    /**
     * What makes one measure of a plan as large as another.
     *
     * @param  array<array-key, mixed>  $plan
     * @param  string  $keep  id of the measure that stays, and $change of the one that follows it
     * @return list<array<string, mixed>>|null operations; null where nothing does
     *
     * @throws Unusable
     */
    public function equal(array $plan, string $keep, string $change): ?array
    {
        return Equalising::operations($plan, $keep, $change, $this->kinds);
    }

    /**
     * The same plan with other numbers.
     *
     * @param  array<array-key, mixed>  $plan
     * @param  list<string>|null  $what  may vary; null for all that usually does
     * @return array{numbers: list<array{name: string, label: string}>, variations: list<array{plan: string, picture: string}>}
     *
     * @throws Unusable
     */
    public function varied(array $plan, int $seed, int $count, ?array $what): array
    {
        $variations = Variations::drawnFrom($plan, $seed, $count, $this->kinds, $what, self::VARIED_WITHIN);

        return [
            'numbers' => Variations::names($plan, $this->kinds),
            'variations' => array_map(
                fn (array $one): array => ['plan' => PlanJson::compact($one), 'picture' => SvgDrawing::write($this->scene($one))],
                $variations,
            ),
        ];
    }

    /**
     * A change carried out, and what it gives.
     *
     * @param  array<array-key, mixed>  $plan
     * @param  array<array-key, mixed>  $operations
     * @return array{PlanEdit, Scene}
     *
     * @throws Unusable
     * @throws BrokenChange
     */
    public function edited(array $plan, array $operations, ?Budget $budget = null): array
    {
        try {
            $edit = Budget::within(
                Budget::large(),
                fn (): PlanEdit => PlanEdit::apply(
                    $plan,
                    $operations,
                    $this->kinds,
                    SceneOperations::all(fn (array $written): Scene => $this->scene($written)),
                ),
            );
        } catch (OverBudget) {
            throw Unusable::at('/operations', 'fewer changes at once: with so many steps these take longer than there is time for');
        }
        $scene = $this->scene($edit->plan(), $budget);
        $broken = $this->breakage($plan, $edit, $scene);
        if ($broken !== []) {
            throw new BrokenChange($broken);
        }

        return [$edit, $scene];
    }

    /**
     * A plan that is kept has to be one that can be shown: what it came to is in memory by now, and its sentences and shapes need as much
     * again.
     *
     * @throws Unusable
     */
    public static function holdShowable(Scene $scene): void
    {
        $room = ini_parse_quantity((string) ini_get('memory_limit')) * self::SHARE_SHOWN;
        if ($room > 0 && memory_get_usage() + self::STEP_SHOWN * count($scene->plan->steps) > $room) {
            throw Unusable::at(
                '/steps',
                'a plan that comes to less: so many steps with so much in them can be worked out, but not be shown at once',
            );
        }
    }

    /**
     * What an edit would break in the very steps that it is about, or leave nothing of. What it breaks elsewhere is the designer's to
     * decide.
     *
     * @param  array<array-key, mixed>  $before  the plan without the edit
     * @return list<Finding>
     */
    private function breakage(array $before, PlanEdit $edit, Scene $after): array
    {
        $touched = $edit->touched();
        $errors = array_values(array_filter(
            $after->findings,
            static fn (Finding $finding): bool => $finding->isFatal() && in_array($finding->step, $touched, true),
        ));
        if ($errors === []) {
            return [];
        }
        $known = $this->scene($before)->findings;

        return array_values(array_filter($errors, static fn (Finding $error): bool => ! array_filter(
            $known,
            static fn (Finding $old): bool => $old->step === $error->step && $old->code === $error->code && $old->field === $error->field,
        )));
    }
}
