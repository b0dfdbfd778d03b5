<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** When each of a person's turns began, so that what is under way, and what ended without a word, counts as well. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement('ALTER TABLE turns ADD COLUMN began0 double precision, ADD COLUMN began1 double precision');
    }

    public function down(): void
    {
        DB::statement('ALTER TABLE turns DROP COLUMN began0, DROP COLUMN began1');
    }
};
