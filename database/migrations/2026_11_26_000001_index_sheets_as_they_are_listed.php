<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::statement('DROP INDEX sheets_user_id_updated_at_index');
        DB::statement('CREATE INDEX sheets_by_change ON sheets (user_id, updated_at DESC, name, id) WHERE deleted_at IS NULL');
        DB::statement('CREATE INDEX sheets_by_name ON sheets (user_id, name, id) WHERE deleted_at IS NULL');
    }

    public function down(): void
    {
        DB::statement('DROP INDEX sheets_by_name');
        DB::statement('DROP INDEX sheets_by_change');
        DB::statement('CREATE INDEX sheets_user_id_updated_at_index ON sheets (user_id, updated_at)');
    }
};
