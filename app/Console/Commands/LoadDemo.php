<?php

namespace App\Console\Commands;

use App\Models\User;
use App\Sheets\SheetBook;
use Database\Seeders\SampleSeeder;
use Illuminate\Console\Command;

/** Puts the sample designer and the sheets for Velmora Tramways into the database, unless they are there. */
final class LoadDemo extends Command
{
    protected $signature = 'demo:load
        {--fresh : build the sample sheets anew; what was changed in them is lost}
        {--for= : the address of another designer, who gets the same sheets and the same password}';

    protected $description = 'Load the sample account and its sheets';

    public function handle(): int
    {
        $email = is_string($this->option('for')) ? $this->option('for') : SampleSeeder::EMAIL;
        if (User::query()->where('email', $email)->exists() && ! $this->option('fresh')) {
            return self::SUCCESS;
        }
        app(SampleSeeder::class)->run(app(SheetBook::class), $email);
        $this->components->info('The sample sheets are in place.');

        return self::SUCCESS;
    }
}
