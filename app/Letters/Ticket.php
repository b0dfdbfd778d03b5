<?php

namespace App\Letters;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** What a link in a letter stands for: good once, for a while. The database knows only its hash. */
final readonly class Ticket
{
    public const CONFIRM = 'confirm';

    public const RESET = 'reset';

    /** Hours. */
    private const GOOD_FOR = [self::CONFIRM => 24, self::RESET => 1];

    /** @param  array<string, mixed>  $holds */
    private function __construct(public string $email, public array $holds)
    {
    }

    /**
     * Earlier ones of the same purpose are not good any more.
     *
     * @param  array<string, string>  $holds  what is done when the link is followed
     * @return string the link
     */
    public static function link(string $purpose, string $email, array $holds = []): string
    {
        DB::table('tickets')->where('expires_at', '<', now())->delete();
        DB::table('tickets')->where(['purpose' => $purpose, 'email' => $email])->delete();
        $token = Str::random(48);
        DB::table('tickets')->insert([
            'hash' => hash('sha256', $token), 'purpose' => $purpose, 'email' => $email,
            'holds' => json_encode($holds, JSON_THROW_ON_ERROR), 'expires_at' => now()->addHours(self::GOOD_FOR[$purpose]),
        ]);

        return url("/$purpose/$token");
    }

    /** Those that were written before are not good any more. */
    public static function drop(string $purpose, string $email): void
    {
        DB::table('tickets')->where(['purpose' => $purpose, 'email' => $email])->delete();
    }

    /**
     * Takes one back; it is not good a second time.
     *
     * @throws ValidationException where there is none
     */
    public static function take(string $purpose, string $token): self
    {
        $known = DB::table('tickets')->where(['hash' => hash('sha256', $token), 'purpose' => $purpose])->where('expires_at', '>', now());
        $ticket = $known->first();
        // Whoever deletes it has it: of two who follow the link at once, one.
        if ($ticket === null || $known->delete() !== 1) {
            throw ValidationException::withMessages([
                'token' => 'This link is not good any more: it was followed already, or is too old. Please ask for another.',
            ]);
        }
        $holds = json_decode($ticket->holds, true, 8, JSON_THROW_ON_ERROR);

        return new self($ticket->email, is_array($holds) ? $holds : []);
    }
}
