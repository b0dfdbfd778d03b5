<?php

namespace App\Jobs;

use App\Letters\Letter;
use App\Letters\Ticket;
use App\Models\User;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Mail;

/** Writes to whoever wants an account, or has it already: only the letter says which, not the answer of the application. */
final class WriteConfirmation implements ShouldQueue
{
    use Queueable;

    public int $tries = 3;

    public int $backoff = 5;

    /** @param  string  $password  its hash */
    public function __construct(private readonly string $name, private readonly string $email, private readonly string $password)
    {
        $this->onQueue('letters');
    }

    public function handle(): void
    {
        $letter = User::query()->where('email', $this->email)->exists()
            ? new Letter('Your account at Sternbild', 'letters.taken', url('/sign-in'))
            : new Letter(
                'Open your account at Sternbild',
                'letters.confirm',
                Ticket::link(Ticket::CONFIRM, $this->email, ['name' => $this->name, 'password' => $this->password]),
            );
        Mail::to($this->email)->send($letter);
    }
}
