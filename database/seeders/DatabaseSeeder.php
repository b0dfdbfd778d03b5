<?php

namespace Database\Seeders;

use Illuminate\Database\Seeder;

/** What a new installation begins with. */
final class DatabaseSeeder extends Seeder
{
    public function run(): void
    {
        $this->call(SampleSeeder::class);
    }
}
