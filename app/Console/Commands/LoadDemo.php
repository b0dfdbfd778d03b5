<?php

namespace App\Console\Commands;

use App\Models\Sheet;
use App\Models\User;
use App\Sheets\SheetBook;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Sternbild\Core\Plan\PlanReader;

/** Puts the sample designer and the sheets for Velmora Tramways into the database. */
final class LoadDemo extends Command
{
    private const EMAIL = 'demo@sternbild.test';

    private const PASSWORD = 'polar grid';

    protected $signature = 'demo:load {--fresh : build the sample sheets anew; what was changed in them is lost}';

    protected $description = 'Load the sample account and its sheets';

    public function handle(SheetBook $book): int
    {
        $person = User::query()->firstOrCreate(['email' => self::EMAIL], ['name' => 'Velmora Tramways', 'password' => self::PASSWORD]);
        if (! $person->wasRecentlyCreated && ! $this->option('fresh')) {
            return self::SUCCESS;
        }
        DB::transaction(function () use ($book, $person): void {
            // Their revisions go with them.
            Sheet::withTrashed()->where('user_id', $person->id)->get()->each(static fn (Sheet $sheet): ?bool => $sheet->forceDelete());
            foreach (glob(resource_path('demo/*.json')) ?: [] as $file) {
                $sample = PlanReader::decode((string) file_get_contents($file));
                $name = $sample['name'] ?? null;
                $plan = $sample['plan'] ?? null;
                if (! is_string($name) || ! is_array($plan)) {
                    throw new \UnexpectedValueException("$file must hold a name and a plan.");
                }
                $book->create($person, $name, $plan, 'Sample sheet');
            }
        });
        $this->components->info('The sample sheets are in place.');

        return self::SUCCESS;
    }
}
