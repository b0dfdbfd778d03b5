<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('pictures', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->char('hash', 64)->comment('SHA-256 of the file, which is kept once for all');
            $table->string('type', 12);
            $table->unsignedInteger('width');
            $table->unsignedInteger('height');
            $table->unsignedInteger('bytes');
            $table->timestampsTz();
            $table->unique(['user_id', 'hash']);
            $table->index('hash');
        });
    }

    /** The files stay on the disk; brought in again, pictures are known again. */
    public function down(): void
    {
        Schema::drop('pictures');
    }
};
