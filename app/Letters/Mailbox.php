<?php

namespace App\Letters;

use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Mailer\SentMessage;
use Symfony\Component\Mailer\Transport\AbstractTransport;
use Symfony\Component\Mime\Email;

/** A simulated mailbox: letters are kept in the database, to be read in the application, instead of being sent. */
final class Mailbox extends AbstractTransport
{
    public const NAME = 'mailbox';

    private const DAYS_KEPT = 7;

    /** Whether letters go there; else nobody may read them here. */
    public static function isUsed(): bool
    {
        return config('mail.default') === self::NAME;
    }

    /**
     * Whether whoever asks may read them: on this machine itself, and through nothing that asks for others.
     */
    public static function isOpenTo(Request $request): bool
    {
        $from = $request->server->getString('REMOTE_ADDR');
        $isForwarded =
            array_filter(['X-Forwarded-For', 'X-Forwarded-Proto', 'X-Forwarded-Host', 'Forwarded', 'Via'], $request->headers->has(...)) !==
            [];

        return self::isUsed() && ! $isForwarded && (str_starts_with($from, '127.') || $from === '::1');
    }

    /** @return list<array{subject: string, body: string, at: string}> the newest first */
    public static function letters(string $recipient): array
    {
        $letters = [];
        foreach (
            DB::table('letters')
                ->where('recipient', $recipient)
                ->orderByDesc('id')
                ->limit(20)
                ->get(['subject', 'body', 'created_at']) as $letter
        ) {
            $letters[] = [
                'subject' => (string) $letter->subject,
                'body' => (string) $letter->body,
                'at' => (new \DateTimeImmutable($letter->created_at))->format(DATE_RFC3339),
            ];
        }

        return $letters;
    }

    public function __toString(): string
    {
        return self::NAME;
    }

    protected function doSend(SentMessage $message): void
    {
        $letter = $message->getOriginalMessage();
        if (! $letter instanceof Email) {
            throw new \LogicException('Only letters are put into the mailbox.');
        }
        DB::table('letters')->where('created_at', '<', now()->subDays(self::DAYS_KEPT))->delete();
        foreach ($message->getEnvelope()->getRecipients() as $recipient) {
            DB::table('letters')->insert([
                'recipient' => $recipient->getAddress(),
                'subject' => (string) $letter->getSubject(),
                'body' => (string) $letter->getTextBody(),
                'created_at' => now(),
            ]);
        }
    }
}
