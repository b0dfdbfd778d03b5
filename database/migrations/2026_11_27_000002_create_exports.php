<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('queue')->index();
            $table->longText('payload');
            $table->unsignedTinyInteger('attempts');
            $table->unsignedInteger('reserved_at')->nullable();
            $table->unsignedInteger('available_at');
            $table->unsignedInteger('created_at');
        });
        Schema::create('exports', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('sheet_id')->nullable()->comment('null: all sheets of the person')->constrained()->cascadeOnDelete();
            $table->jsonb('asked');
            $table->string('name', 120)->comment('of the file');
            $table->string('state', 12);
            $table->unsignedInteger('made')->default(0);
            $table->unsignedInteger('pieces')->default(1);
            $table->string('message')->nullable()->comment('why there is no file');
            $table->timestampsTz();
            $table->index(['user_id', 'state']);
            $table->index('updated_at');
        });
    }

    /** Files that are being made are made again when they are asked for again. */
    public function down(): void
    {
        Schema::drop('exports');
        Schema::drop('jobs');
    }
};
