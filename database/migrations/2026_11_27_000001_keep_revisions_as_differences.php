<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('sheet_revisions', function (Blueprint $table): void {
            $table->renameColumn('plan', 'whole');
        });
        Schema::table('sheet_revisions', function (Blueprint $table): void {
            $table->jsonb('whole')->nullable()->change();
            $table->unsignedInteger('base')->nullable()->comment('number of the revision, kept whole, that this one is a difference to');
            $table->jsonb('difference')->nullable();
            $table->unsignedInteger('bytes')->default(0)->comment('of the text that is stored');
        });
        Schema::table('sheets', function (Blueprint $table): void {
            $table->unsignedBigInteger('bytes')->default(0)->comment('of all its revisions');
        });
        DB::statement('UPDATE sheet_revisions SET bytes = octet_length(whole::text)');
        DB::statement('UPDATE sheets SET bytes = (SELECT coalesce(sum(bytes), 0) FROM sheet_revisions r WHERE r.sheet_id = sheets.id)');
        DB::statement('ALTER TABLE sheet_revisions ADD CONSTRAINT whole_or_difference CHECK (num_nonnulls(whole, difference) = 1 AND (base IS NULL) = (difference IS NULL))');
    }

    /** @throws \LogicException when plans would be lost by it */
    public function down(): void
    {
        if (DB::table('sheet_revisions')->whereNotNull('difference')->exists()) {
            throw new \LogicException('There are plans in the table sheet_revisions that are kept as differences. Back up, and empty it by hand, before the column is dropped.');
        }
        DB::statement('ALTER TABLE sheet_revisions DROP CONSTRAINT whole_or_difference');
        Schema::table('sheets', fn (Blueprint $table) => $table->dropColumn('bytes'));
        Schema::table('sheet_revisions', fn (Blueprint $table) => $table->dropColumn(['base', 'difference', 'bytes']));
        Schema::table('sheet_revisions', fn (Blueprint $table) => $table->renameColumn('whole', 'plan'));
    }
};
