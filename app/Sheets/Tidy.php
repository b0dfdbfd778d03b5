<?php

namespace App\Sheets;

use App\Models\Export;
use App\Models\Sheet;
use Carbon\CarbonInterface;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;

/**
 * Lets go of what is kept no longer, after a sheet was worked on: revisions by their rule, its owner's deleted sheets, files nobody
 * fetched.
 */
final class Tidy implements ShouldQueue
{
    use Queueable;

    /** Deleted sheets can be fetched back for so long, as long as they take no more than a person may keep. */
    public const DAYS_DELETED = 30;

    /** Files wait to be fetched for so long. */
    public const HOURS_FILES = 1;

    /** Jobs that failed are kept for so long. */
    public const DAYS_FAILED = 7;

    public int $timeout = 60;

    public int $tries = 2;

    public function __construct(private readonly string $sheet)
    {
        $this->onQueue('tidying');
    }

    public function handle(): void
    {
        $sheet = Sheet::withTrashed()->find($this->sheet);
        if ($sheet === null) {
            return;
        }
        Thinning::thin($sheet, config()->integer('sternbild.quotas.revisions'), now());
        self::dropDeleted($sheet->user_id, now()->subDays(self::DAYS_DELETED));
        $old = Export::query()->where('updated_at', '<', now()->subHours(self::HOURS_FILES));
        $old->get()->each(static fn (Export $export) => $export->remove());
        DB::table('failed_jobs')->where('failed_at', '<', now()->subDays(self::DAYS_FAILED))->delete();
    }

    private static function dropDeleted(int $person, CarbonInterface $since): void
    {
        $room = config()->integer('sternbild.quotas.bytes');
        $newest = Sheet::onlyTrashed()->where('user_id', $person);
        $newest->orderByDesc('deleted_at');
        foreach ($newest->get() as $deleted) {
            $room -= $deleted->bytes;
            if ($room < 0 || $deleted->deleted_at < $since) {
                $deleted->forceDelete();
            }
        }
    }
}
