<?php

namespace App\Console\Commands;

use App\Models\User;
use Database\Seeders\SampleSeeder;
use Illuminate\Console\Command;

/** Puts the sample designer and the sheets for Velmora Tramways into the database, unless they are there. */
final class LoadDemo extends Command
{
    protected $signature = 'demo:load {--fresh : build the sample sheets anew; what was changed in them is lost}';

    protected $description = 'Load the sample account and its sheets';

    public function handle(): int
    {
        if (User::query()->where('email', SampleSeeder::EMAIL)->exists() && ! $this->option('fresh')) {
            return self::SUCCESS;
        }
        $this->callSilently('db:seed', ['--class' => SampleSeeder::class, '--force' => true]);
        $this->components->info('The sample sheets are in place.');

        return self::SUCCESS;
    }
}
