<?php

namespace App\Sheets;

use App\Models\Sheet;
use App\Models\SheetRevision;
use App\Models\User;
use App\Quotas\OverQuota;
use App\Quotas\Quotas;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Sternbild\Core\Format\PlanJson;
use Sternbild\Core\Plan\Unusable;

/** Sheets and their revisions: every accepted change is one revision in one transaction. */
final readonly class SheetBook
{
    /** Revisions after which it is looked whether some can go. */
    private const THINNED_EVERY = 50;

    public function __construct(private Planning $planning)
    {
    }

    /**
     * @param  array<array-key, mixed>  $plan
     *
     * @throws Unusable
     * @throws OverQuota
     */
    public function create(User $person, string $name, array $plan, string $label): Sheet
    {
        Planning::holdShowable($this->planning->scene($plan));
        $stored = SheetRevision::stored($plan, null);

        return DB::transaction(static function () use ($person, $name, $stored, $label): Sheet {
            Quotas::holdSheet($person, $stored['bytes']);
            $sheet = $person->sheets()->create(['name' => $name, 'head' => 1, 'bytes' => $stored['bytes']]);
            $sheet->revisions()->create([
                'number' => 1,
                'parent' => null,
                ...$stored,
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
            // Perhaps just now, after the sheet was read: by the same request, that was given up and went on all the same.
            $sheet->refresh();

            return null;
        }
        // Worked out before the row is locked: however long that takes, nobody waits for it.
        $before = $sheet->headRevision();
        [$edit, $scene] = $this->planning->edited($before->plan, $operations);
        Planning::holdShowable($scene);
        PlanJson::holdGrowth($before->plan, $edit->plan());

        return $this->append($sheet, $person, $base, SheetRevision::stored($edit->plan(), $before), $edit->label(), $change)
            ? new Accepted($edit, $scene)
            : null;
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
        Planning::holdShowable($this->planning->scene($plan));
        $this->append($sheet, $person, $base, SheetRevision::stored($plan, $sheet->headRevision()), 'Bring in a plan', $change);
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

    /**
     * Puts a revision on the head, unless it is there already.
     *
     * @param  array{whole: string|null, base: int|null, difference: string|null, bytes: int}  $stored
     * @return bool false where it was there
     *
     * @throws StaleChange
     * @throws OverQuota
     */
    private function append(Sheet $sheet, User $person, int $base, array $stored, string $label, string $change): bool
    {
        Quotas::holdBytes($person, $stored['bytes']);

        return DB::transaction(function () use ($sheet, $person, $base, $stored, $label, $change): bool {
            $this->lock($sheet);
            if ($this->isMade($sheet, $base, $change)) {
                return false;
            }
            $number = 1 + (int) $sheet->revisions()->max('number');
            $sheet->revisions()->create([
                'number' => $number,
                'parent' => $sheet->head,
                ...$stored,
                'label' => Str::limit($label, 190, '…'),
                'user_id' => $person->id,
                'change' => $change,
            ]);
            $sheet->head = $number;
            $sheet->bytes += $stored['bytes'];
            $sheet->save();
            if ($number % self::THINNED_EVERY === 0) {
                Tidy::dispatch($sheet->id);
            }

            return true;
        });
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
