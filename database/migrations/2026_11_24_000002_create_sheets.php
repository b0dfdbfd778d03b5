<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('sheets', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('name', 80);
            $table->unsignedInteger('head')->comment('number of the revision that is in force');
            $table->timestampsTz();
            $table->softDeletesTz();
            $table->index(['user_id', 'updated_at']);
        });

        Schema::create('sheet_revisions', function (Blueprint $table): void {
            $table->id();
            $table->foreignUuid('sheet_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number')->comment('from 1, rising, never used again');
            $table->unsignedInteger('parent')->nullable()->comment('number of the revision that it was made on');
            $table->jsonb('plan');
            $table->string('label', 200);
            $table->foreignId('user_id')->constrained();
            $table->uuid('change')->comment('given by the one who made it, so that a repeated request is made once');
            $table->timestampTz('created_at');
            $table->unique(['sheet_id', 'number']);
            $table->unique(['sheet_id', 'change']);
            $table->index(['sheet_id', 'parent']);
        });
    }

    /** @throws \LogicException when sheets would be lost by it */
    public function down(): void
    {
        if (DB::table('sheets')->exists()) {
            throw new \LogicException('There are sheets in the table sheets. Back up, and empty it by hand, before it is dropped.');
        }
        Schema::drop('sheet_revisions');
        Schema::drop('sheets');
    }
};
