<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Whoever connects from now on as the application holds nothing for long: not by a statement, not waiting for a lock, not by a forgotten transaction. */
return new class extends Migration
{
    private const LIMITS = ['statement_timeout' => '4s', 'lock_timeout' => '3s', 'idle_in_transaction_session_timeout' => '10s'];

    public function up(): void
    {
        foreach (self::LIMITS as $name => $limit) {
            DB::statement("ALTER ROLE CURRENT_USER SET $name = '$limit'");
        }
    }

    public function down(): void
    {
        foreach (array_keys(self::LIMITS) as $name) {
            DB::statement("ALTER ROLE CURRENT_USER RESET $name");
        }
    }
};
