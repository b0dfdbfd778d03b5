<?php

namespace App\Jobs;

use App\Exports\Workshop;
use App\Models\Export;
use App\Work\Cancelled;
use App\Work\Progress;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;

/** Makes a file that a person asked for, away from those who answer. */
final class MakeFile implements ShouldQueue
{
    use Queueable;

    /** Someone's first file goes before anybody's second one. */
    public const QUEUES = ['files', 'more-files'];

    public int $timeout = 60;

    /** Once more where its worker died. */
    public int $tries = 2;

    public bool $failOnTimeout = true;

    public function __construct(private readonly string $export)
    {
    }

    public function handle(Workshop $workshop): void
    {
        // Already being made: its worker died with it. Already ended, or gone: nothing to do.
        $begun = Export::query()
            ->whereKey($this->export)
            ->whereIn('state', Export::IN_HAND)
            ->update(['state' => Export::WORKING, 'made' => 0]);
        $export = $begun === 0 ? null : Export::query()->find($this->export);
        if ($export === null) {
            return;
        }
        $file = (string) tempnam(sys_get_temp_dir(), 'file');
        try {
            $workshop->make($export, $file, new Progress($export));
            $stream = fopen($file, 'r') ?: throw new \RuntimeException('The file that was made cannot be read.');
            Storage::put($export->path(), $stream);
            if (
                Export::query()
                    ->whereKey($export->id)
                    ->where('state', Export::WORKING)
                    ->update(['state' => Export::READY, 'made' => DB::raw('pieces')]) === 0
            ) {
                Storage::delete($export->path());
            }
        } catch (Cancelled) {
            return;
        } finally {
            @unlink($file);
        }
    }

    /** Said to the person; what of it is nobody's business is in the log. */
    public function failed(?\Throwable $fault): void
    {
        Export::query()->whereKey($this->export)->whereIn('state', Export::IN_HAND)->update([
            'state' => Export::FAILED,
            'message' => Workshop::why($fault),
        ]);
    }
}
