<?php

namespace App\Sheets;

use App\Models\Sheet;
use App\Models\SheetRevision;
use Carbon\CarbonInterface;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * Revisions beyond those that a sheet keeps in full.
 *
 * The last so many stay, whatever they are. Of the older ones there stay: all within 30 days on the way from the first to what the sheet is
 * now, and ahead of it, where redo leads; before that, the last of each day on that way; and what others are written as differences to.
 * Those beside the way, undone and then done otherwise, go.
 */
final class Thinning
{
    public const DAYS_IN_FULL = 30;

    /** @return int how many went */
    public static function thin(Sheet $sheet, int $keep, CarbonInterface $now): int
    {
        return DB::transaction(static function () use ($sheet, $keep, $now): int {
            $head = (int) Sheet::query()->whereKey($sheet->id)->lockForUpdate()->value('head');
            $rising = $sheet->revisions();
            $rising->orderBy('number');
            $revisions = $rising->get(['id', 'number', 'parent', 'base', 'bytes', 'created_at'])->keyBy('number');
            $stay = self::staying($revisions, $head, $keep, $now->copy()->subDays(self::DAYS_IN_FULL));
            $go = $revisions->reject(static fn (SheetRevision $revision): bool => isset($stay[$revision->number]));
            foreach ($revisions as $revision) {
                $parent = self::parent($revision, $revisions, $stay);
                if (isset($stay[$revision->number]) && $parent !== $revision->parent) {
                    SheetRevision::query()->whereKey($revision->id)->update(['parent' => $parent]);
                }
            }
            foreach ($go->chunk(500) as $some) {
                SheetRevision::query()->whereKey($some->modelKeys())->delete();
            }
            $freed = $go->sum('bytes');
            if ($freed > 0) {
                // Not a change of the sheet: it keeps its place in the list.
                Sheet::query()->whereKey($sheet->id)->toBase()->decrement('bytes', $freed);
            }

            return $go->count();
        });
    }

    /**
     * @param  Collection<int, SheetRevision>  $revisions  by their numbers, rising
     * @return array<int, true> by their numbers
     */
    private static function staying(Collection $revisions, int $head, int $keep, CarbonInterface $since): array
    {
        $stay = array_fill_keys($revisions->keys()->slice(-$keep)->all(), true);
        $day = null;
        for ($on = $revisions->get($head); $on !== null; $on = $revisions->get($on->parent ?? 0)) {
            if ($on->created_at >= $since || $on->created_at->toDateString() !== $day || $on->number === $head) {
                $stay[$on->number] = true;
            }
            $day = $on->created_at->toDateString();
        }
        $ahead = [$head => true];
        foreach ($revisions as $number => $revision) {
            if (isset($ahead[$revision->parent ?? 0])) {
                $ahead[$number] = true;
                if ($revision->created_at >= $since) {
                    $stay[$number] = true;
                }
            }
        }
        // What others are written on stays as long as they do.
        foreach (array_keys($stay) as $number) {
            $base = $revisions->get($number)->base ?? null;
            if ($base !== null) {
                $stay[$base] = true;
            }
        }

        return $stay;
    }

    /**
     * The nearest before it that stays.
     *
     * @param  Collection<int, SheetRevision>  $revisions
     * @param  array<int, true>  $stay
     */
    private static function parent(SheetRevision $revision, Collection $revisions, array $stay): ?int
    {
        $parent = $revision->parent;
        while ($parent !== null && ! isset($stay[$parent])) {
            $parent = $revisions->get($parent)?->parent;
        }

        return $parent;
    }
}
