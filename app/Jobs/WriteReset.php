<?php

namespace App\Jobs;

use App\Letters\Letter;
use App\Letters\Ticket;
use App\Models\User;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Mail;

/** Writes to whoever forgot the password. Who has no account gets no letter. */
final class WriteReset implements ShouldQueue
{
    use Queueable;

    public int $tries = 3;

    public int $backoff = 5;

    public function __construct(private readonly string $email)
    {
        $this->onQueue('letters');
    }

    public function handle(): void
    {
        if (User::query()->where('email', $this->email)->exists()) {
            Mail::to($this->email)->send(
                new Letter('Another password for Sternbild', 'letters.reset', Ticket::link(Ticket::RESET, $this->email)),
            );
        }
    }
}
