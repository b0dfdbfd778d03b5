<?php

namespace App\Jobs;

use App\Exports\TooManyFiles;
use App\Models\Export;
use App\Models\Sheet;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Files that people ask for, taken down to be made in turn. */
final class Orders
{
    /** Files of one person that are waiting or being made. */
    public const MOST_IN_HAND = 2;

    /**
     * @param  Sheet|null  $sheet  null for all sheets of the person
     * @param  array<array-key, mixed>  $asked  as Workshop reads it
     *
     * @throws TooManyFiles
     */
    public static function take(User $person, ?Sheet $sheet, array $asked, string $ending): Export
    {
        return DB::transaction(static function () use ($person, $sheet, $asked, $ending): Export {
            // One person's orders one at a time, so that two at once are counted rightly.
            User::query()->whereKey($person->id)->lockForUpdate()->first();
            $inHand = Export::query()->where('user_id', $person->id)->whereIn('state', Export::IN_HAND)->count();
            if ($inHand >= self::MOST_IN_HAND) {
                throw new TooManyFiles;
            }
            $export = Export::query()->create([
                'user_id' => $person->id,
                'sheet_id' => $sheet?->id,
                'asked' => [...$asked, 'revision' => $sheet?->head],
                'name' => ($sheet === null ? 'sheets' : (Str::slug($sheet->name) ?: 'sheet')).".$ending",
                'state' => Export::WAITING,
            ]);
            MakeFile::dispatch($export->id)->onQueue(MakeFile::QUEUES[$inHand]);

            return $export;
        });
    }
}
