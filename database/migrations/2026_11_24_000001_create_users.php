<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('users', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 80);
            $table->string('email', 254)->unique();
            $table->string('password');
            $table->rememberToken();
            $table->timestampsTz();
        });
    }

    /** @throws \LogicException when people would be lost by it */
    public function down(): void
    {
        if (DB::table('users')->exists()) {
            throw new \LogicException('There are people in the table users. Back up, and empty it by hand, before it is dropped.');
        }
        Schema::drop('users');
    }
};
