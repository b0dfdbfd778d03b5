<?php

namespace App\Sheets;

use App\Models\Sheet;
use App\Models\SheetRevision;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Sternbild\Core\Format\PlanJson;
use Sternbild\Core\Plan\Unusable;

/** Sheets and their revisions: every accepted change is one revision in one transaction. */
final readonly class SheetBook
{
    public function __construct(private Planning $planning)
    {
    }

    /**
     * @param  array<array-key, mixed>  $plan
     *
     * @throws Unusable
     */
    public function create(User $person, string $name, array $plan, string $label): Sheet
    {
        $this->planning->scene($plan);

        return DB::transaction(static function () use ($person, $name, $plan, $label): Sheet {
            $sheet = $person->sheets()->create(['name' => $name, 'head' => 1]);
            $sheet->revisions()->create([
                'number' => 1,
                'parent' => null,
                'plan' => $plan,
                'label' => $label,
                'user_id' => $person->id,
                'change' => (string) Str::uuid(),
            ]);

            return $sheet;
        });
    }

    /**
     * Makes a change and moves the head to it. A change that was made already is not made again.
     *
     * @param  int  $base  the revision that the person saw
     * @param  array<array-key, mixed>  $operations
     * @param  string  $change  UUID of the change
     * @return Accepted|null null where it was made already
     *
     * @throws StaleChange
     * @throws BrokenChange
     * @throws Unusable
     */
    public function change(Sheet $sheet, User $person, int $base, array $operations, string $change): ?Accepted
    {
        if ($this->isMade($sheet, $base, $change)) {
            return null;
        }
        // Worked out before the row is locked: however long that takes, nobody waits for it.
        $before = $sheet->headRevision()->plan;
        [$edit, $scene] = $this->planning->edited($before, $operations);
        PlanJson::holdGrowth($before, $edit->plan());

        return DB::transaction(function () use ($sheet, $person, $base, $edit, $scene, $change): ?Accepted {
            $this->lock($sheet);
            if ($this->isMade($sheet, $base, $change)) {
                return null;
            }
            $this->append($sheet, $person, $edit->plan(), $edit->label(), $change);

            return new Accepted($edit, $scene);
        });
    }

    /**
     * Puts another plan in the place of the sheet's, as one revision.
     *
     * @param  array<array-key, mixed>  $plan
     *
     * @throws StaleChange
     * @throws Unusable
     */
    public function replace(Sheet $sheet, User $person, int $base, array $plan, string $change): void
    {
        $this->planning->scene($plan);
        DB::transaction(function () use ($sheet, $person, $base, $plan, $change): void {
            $this->lock($sheet);
            if (! $this->isMade($sheet, $base, $change)) {
                $this->append($sheet, $person, $plan, 'Bring in a plan', $change);
            }
        });
    }

    /**
     * Moves the head to the revision before.
     *
     * @throws StaleChange
     */
    public function undo(Sheet $sheet, int $base): void
    {
        $this->moveHead($sheet, $base, fn (): ?int => $sheet->headRevision()->parent);
    }

    /**
     * Moves the head to the newest revision that was made on it.
     *
     * @throws StaleChange
     */
    public function redo(Sheet $sheet, int $base): void
    {
        $this->moveHead($sheet, $base, fn (): ?int => $this->following($sheet)?->number);
    }

    /** The revision that redo would go to. */
    public function following(Sheet $sheet): ?SheetRevision
    {
        $following = $sheet->revisions();
        $following->where('parent', $sheet->head)->orderByDesc('number');

        return $following->first(['id', 'number', 'label']);
    }

    /**
     * Whether a change has been made already; if not, it can be made on the head only.
     *
     * @throws StaleChange
     */
    private function isMade(Sheet $sheet, int $base, string $change): bool
    {
        if ($sheet->revisions()->where('change', $change)->exists()) {
            return true;
        }

        return $sheet->head === $base ? false : throw new StaleChange($sheet);
    }

    /** @param  callable(): (int|null)  $target */
    private function moveHead(Sheet $sheet, int $base, callable $target): void
    {
        DB::transaction(function () use ($sheet, $base, $target): void {
            $this->lock($sheet);
            if ($sheet->head !== $base) {
                throw new StaleChange($sheet);
            }
            $number = $target();
            if ($number !== null) {
                $sheet->head = $number;
                $sheet->save();
            }
        });
    }

    /** @param  array<array-key, mixed>  $plan */
    private function append(Sheet $sheet, User $person, array $plan, string $label, string $change): void
    {
        $number = 1 + (int) $sheet->revisions()->max('number');
        $sheet->revisions()->create([
            'number' => $number,
            'parent' => $sheet->head,
            'plan' => $plan,
            'label' => Str::limit($label, 190, '…'),
            'user_id' => $person->id,
            'change' => $change,
        ]);
        $sheet->head = $number;
        $sheet->save();
    }

    /** Nobody else changes the sheet until the transaction ends; the model is as the database has it then. */
    private function lock(Sheet $sheet): void
    {
        $query = Sheet::query();
        $query->lockForUpdate();
        $current = $query->findOrFail($sheet->id);
        $sheet->setRawAttributes($current->getAttributes(), true);
    }
}
