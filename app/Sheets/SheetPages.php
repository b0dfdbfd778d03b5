<?php

namespace App\Sheets;

use App\Models\Sheet;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\PlanJson;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\View\SceneView;
use Sternbild\Desk\Desk;

/** A sheet as the editor gets it. */
final readonly class SheetPages
{
    public function __construct(private SheetBook $book, private Planning $planning)
    {
    }

    /**
     * @param  array<array-key, mixed>  $has  hashes of what the editor has already: geometry, sentences, looks, steps as they are written
     * @return array<string, mixed>
     *
     * @throws Unusable
     */
    public function page(Sheet $sheet, array $has): array
    {
        $revision = $sheet->headRevision();

        return $this->with(
            $sheet,
            $revision->parent === null ? null : $revision->label,
            $revision->plan,
            $this->planning->scene($revision->plan),
            $has,
        );
    }

    /**
     * The page after a change, from what is in hand already.
     *
     * @param  array<array-key, mixed>  $has
     * @return array<string, mixed>
     */
    public function after(Sheet $sheet, Accepted $change, array $has): array
    {
        return [
            ...$this->with($sheet, $change->edit->label(), $change->edit->plan(), $change->scene, $has),
            'added' => $change->edit->added(),
        ];
    }

    /**
     * @param  array<array-key, mixed>  $plan
     * @param  array<array-key, mixed>  $has
     * @return array<string, mixed>
     */
    private function with(Sheet $sheet, ?string $undo, array $plan, Scene $scene, array $has): array
    {
        $plan = PlanJson::ordered($plan);
        $known = array_flip(array_filter($has, is_string(...)));
        $steps = is_array($plan['steps']) ? array_values($plan['steps']) : [];
        $written = array_map(SceneView::hashOf(...), $steps);
        $plan['steps'] = array_map(static fn (mixed $step, string $hash): mixed => $known[$hash] ?? $step, $steps, $written);

        return [
            'id' => $sheet->id,
            'name' => $sheet->name,
            'revision' => $sheet->head,
            'undo' => $undo,
            'redo' => $this->book->following($sheet)?->label,
            'plan' => $plan,
            'written' => array_map(static fn (string $hash): int|string => $known[$hash] ?? $hash, $written),
            'scene' => SceneView::describe($scene, $has, asking: new Desk),
        ];
    }
}
