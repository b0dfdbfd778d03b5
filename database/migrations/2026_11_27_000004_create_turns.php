<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** Written at each request, and worth nothing after a crash. */
    public function up(): void
    {
        DB::statement('
            CREATE UNLOGGED TABLE turns (
                user_id integer PRIMARY KEY,
                minute integer NOT NULL,
                asked integer NOT NULL,
                previews integer NOT NULL DEFAULT 0,
                spent double precision NOT NULL DEFAULT 0,
                at double precision NOT NULL
            ) WITH (fillfactor = 50)');
    }

    public function down(): void
    {
        Schema::drop('turns');
    }
};
