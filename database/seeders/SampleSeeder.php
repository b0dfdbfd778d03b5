<?php

namespace Database\Seeders;

use App\Models\Sheet;
use App\Models\User;
use App\Sheets\SheetBook;
use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;
use Sternbild\Core\Plan\Reading\PlanReader;

/** The sample designer and the sheets for Velmora Tramways, built anew; what was changed in them is lost. */
final class SampleSeeder extends Seeder
{
    public const EMAIL = 'demo@sternbild.test';

    private const PASSWORD = 'polar grid';

    public function run(SheetBook $book, string $email = self::EMAIL): void
    {
        DB::transaction(static function () use ($book, $email): void {
            $person = User::query()->firstOrCreate(['email' => $email], ['name' => 'Velmora Tramways', 'password' => self::PASSWORD]);
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
    }
}
