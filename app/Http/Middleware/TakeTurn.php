<?php

namespace App\Http\Middleware;

use App\Http\Turns;
use App\Models\User;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Sternbild\Core\Geometry\Budget;
use Symfony\Component\HttpFoundation\Response;

/**
 * One person's work never stops another's: of each, two requests are worked on at once, and more wait a moment or are told to come back.
 * Whoever had much of the machine of late goes on in a line of their own, with workers of its own, while others are at work; by themselves
 * they stay where they are. While others have to wait for a worker, that line stands back: one at a time, after a pause. Of previews that
 * wait, the newest is worked out.
 */
final class TakeTurn
{
    /** Requests of one person in a minute. */
    public const A_MINUTE = 1800;

    /** So long a request waits for its turn, in seconds, and looks for it so often, in microseconds. */
    private const PATIENCE = 2.0;

    private const LOOK = 15_000;

    /** Beyond this, in seconds of a processor, a person had much of late. */
    private const MUCH = 1.0;

    /** Of the workers that all share so many are for everybody. */
    private const SHARED = 4;

    /** So long a request is worked on, in seconds of a processor; then what is not worked out is a finding. */
    private const LONGEST = 3.5;

    /** Share of a request's memory beyond which nothing more is worked out. */
    private const ROOM = 0.7;

    /** Others wait where a request waited so long for a worker, in seconds, and so many of other people are being worked on. */
    private const BUSY = 0.04;

    private const MANY = 3;

    /** The pause of those who stand back, in seconds. */
    private const STANDING = 2.5;

    /** By this header of an answer nginx takes the same request elsewhere. */
    private const ELSEWHERE = 'X-Accel-Redirect';

    private ?User $person = null;

    private ?int $turn = null;

    private bool $isSuperseded = false;

    private float $had = 0.0;

    /** @var resource|null the lock of those who stand back */
    private mixed $ahead = null;

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next, string $what = ''): Response
    {
        $person = $request->user();
        if (! $person instanceof User) {
            return $next($request);
        }
        ['asked' => $asked, 'spent' => $spent, 'turn' => $this->turn, 'open' => $open] = Turns::begin($person->id);
        $this->person = $person;
        $this->had = self::processor();
        $room = ini_parse_quantity((string) ini_get('memory_limit')) * self::ROOM;
        Budget::setClock(fn (): bool => self::processor() - $this->had > self::LONGEST || ($room > 0 && memory_get_usage() > $room));
        // A worker that ends in the middle keeps its connection, and with it the turn.
        register_shutdown_function($this->end(...));
        if ($asked > self::A_MINUTE) {
            return self::later('You have asked for very much in this minute. Please wait a moment.', 60 - time() % 60);
        }
        // Where there is such a line, and this is not it.
        $line = $request->server('STERNBILD_LINE');
        $others = $line === 'none' && $spent > self::MUCH ? Turns::ofOthers($person->id) : 0;
        if ($others > 0) {
            $othersWait = self::waited($request) > self::BUSY && $others >= self::MANY;

            return new PlainResponse(headers: [self::ELSEWHERE => $othersWait ? '@stands-back' : '@line']);
        }
        // The last workers are for whoever had little, and has nothing else under way.
        if ($line === 'none' && $open > 0 && Turns::amongAll() >= self::SHARED) {
            return new PlainResponse(headers: [self::ELSEWHERE => '@line']);
        }
        if ($line === 'stands back' && ! $this->standsBack()) {
            return self::later('Many people are at work just now, and your sheets take long to work out. Please wait a moment.', 2);
        }

        if ($this->turn === null && ! $this->wait($person, $what === 'preview')) {
            return $this->isSuperseded
                ? self::later('A newer preview was asked for.', null)
                : self::later('Some of your requests are being worked on. This one is next in a moment.', 1);
        }

        return $next($request);
    }

    public function terminate(Request $request, Response $response): void
    {
        $this->end();
    }

    /** Whether the turn came. */
    private function wait(User $person, bool $isPreview): bool
    {
        $number = $isPreview ? Turns::lineUp($person->id) : null;
        $until = microtime(true) + self::PATIENCE;
        do {
            usleep(self::LOOK);
            ['newest' => $newest, 'turn' => $this->turn] = Turns::look($person->id);
            if ($this->turn !== null) {
                return true;
            }
            $this->isSuperseded = $number !== null && $newest > $number;
            if ($this->isSuperseded) {
                return false;
            }
        } while (microtime(true) < $until);

        return false;
    }

    /** Whether it went on after its pause; else another one is on. */
    private function standsBack(): bool
    {
        $this->ahead = fopen(storage_path('framework/line.lock'), 'c') ?: null;
        $until = microtime(true) + self::STANDING;
        while ($this->ahead !== null && ! flock($this->ahead, LOCK_EX | LOCK_NB)) {
            if (microtime(true) > $until) {
                return false;
            }
            usleep(50_000);
        }
        usleep((int) (1e6 * self::STANDING));

        return true;
    }

    /** Seconds between the request's arrival at nginx and now. */
    private static function waited(Request $request): float
    {
        $arrived = $request->server('REQUEST_ARRIVED');

        return is_numeric($arrived) ? microtime(true) - (float) $arrived : 0.0;
    }

    private function end(): void
    {
        Budget::setClock(null);
        if ($this->ahead !== null) {
            fclose($this->ahead);
            $this->ahead = null;
        }
        if ($this->person !== null) {
            [$person, $this->person] = [$this->person, null];
            Turns::end($person->id, $this->turn, self::processor() - $this->had);
        }
    }

    /** @param  int|null  $seconds  after which to come back; null for what is not wanted any more */
    private static function later(string $message, ?int $seconds): JsonResponse
    {
        return new JsonResponse(['problem' => 'waiting', 'message' => $message], 429, $seconds === null ? [] : ['Retry-After' => $seconds]);
    }

    /** Seconds of a processor that this worker had. */
    private static function processor(): float
    {
        $usage = getrusage() ?: [];

        return ($usage['ru_utime.tv_sec'] ?? 0) +
            ($usage['ru_stime.tv_sec'] ?? 0) +
            (($usage['ru_utime.tv_usec'] ?? 0) + ($usage['ru_stime.tv_usec'] ?? 0)) / 1e6;
    }
}
