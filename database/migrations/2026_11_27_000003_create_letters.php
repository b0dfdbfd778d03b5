<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('tickets', function (Blueprint $table): void {
            $table->char('hash', 64)->primary()->comment('SHA-256 of what the link holds');
            $table->string('purpose', 12);
            $table->string('email', 254);
            $table->jsonb('holds')->comment('what is done when the link is followed');
            $table->timestampTz('expires_at')->index();
        });
        Schema::create('letters', function (Blueprint $table): void {
            $table->id();
            $table->string('recipient', 254);
            $table->string('subject');
            $table->text('body');
            $table->timestampTz('created_at');
            $table->index(['recipient', 'id']);
        });
    }

    /** Links on their way, and letters of the simulated mailbox, are asked for again. */
    public function down(): void
    {
        Schema::drop('letters');
        Schema::drop('tickets');
    }
};
