<?php

namespace App\Http;

use Illuminate\Support\Facades\DB;

/**
 * Who is at work for whom, and how much of the machine each person had of late, in PostgreSQL, so that all application servers know.
 *
 * A turn is an advisory lock: it ends with the connection at the latest, whatever becomes of the worker.
 */
final class Turns
{
    /** Requests of one person that are worked on at once. */
    public const AT_ONCE = 2;

    /** What a person had is forgotten at this rate: seconds of a processor a second. */
    private const SHARE = 0.05;

    /** First key of the locks; the second is the person's. */
    private const LOCKS = 8420;

    /**
     * Counts a request, and takes a turn for it where one is free.
     *
     * @return array{asked: int, spent: float, turn: int|null} requests in this minute, seconds of a processor that the person had of late
     */
    public static function begin(int $person): array
    {
        $now = microtime(true);
        $row = DB::selectOne('
            INSERT INTO turns AS t (user_id, minute, asked, at) VALUES (:person, :minute, 1, :now)
            ON CONFLICT (user_id) DO UPDATE SET asked = CASE WHEN t.minute = excluded.minute THEN t.asked + 1 ELSE 1 END, minute = excluded.minute
            RETURNING asked, greatest(0, spent - (:then - at) * '.self::SHARE.') AS spent, '.self::free().' AS turn
        ', ['person' => $person, 'minute' => intdiv((int) $now, 60), 'now' => $now, 'then' => $now]);

        return ['asked' => (int) $row->asked, 'spent' => (float) $row->spent, 'turn' => $row->turn === null ? null : (int) $row->turn];
    }

    /** The number of a preview that waits: a newer one has a larger one. */
    public static function lineUp(int $person): int
    {
        return (int) DB::selectOne('UPDATE turns SET previews = previews + 1 WHERE user_id = ? RETURNING previews', [$person])->previews;
    }

    /** @return array{newest: int, turn: int|null} */
    public static function look(int $person): array
    {
        $row = DB::selectOne('SELECT previews, '.self::free().' AS turn FROM turns WHERE user_id = ?', [$person]);

        return ['newest' => (int) $row->previews, 'turn' => $row->turn === null ? null : (int) $row->turn];
    }

    /** @param  float  $spent  seconds of a processor */
    public static function end(int $person, ?int $turn, float $spent): void
    {
        $now = microtime(true);
        DB::selectOne('
            UPDATE turns SET spent = greatest(0, spent - (:now - at) * '.self::SHARE.') + :spent, at = :then WHERE user_id = :person
            RETURNING CASE WHEN :turn >= 0 THEN pg_advisory_unlock('.self::LOCKS.', user_id * '.self::AT_ONCE.' + :number) END AS unlocked
        ', ['now' => $now, 'then' => $now, 'spent' => $spent, 'person' => $person, 'turn' => $turn ?? -1, 'number' => $turn ?? 0]);
    }

    /** How many requests of other people are being worked on, on all application servers. */
    public static function ofOthers(int $person): int
    {
        return (int) DB::selectOne("
            SELECT count(*) AS others FROM pg_locks
            WHERE locktype = 'advisory' AND classid = ".self::LOCKS.' AND objid NOT BETWEEN :first AND :last AND granted
        ', ['first' => $person * self::AT_ONCE, 'last' => $person * self::AT_ONCE + self::AT_ONCE - 1])->others;
    }

    /** In SQL: the number of a turn that was free, and is taken by that. */
    private static function free(): string
    {
        $cases = array_map(static fn (int $turn): string => 'WHEN pg_try_advisory_lock('.self::LOCKS.', user_id * '.self::AT_ONCE." + $turn) THEN $turn", range(0, self::AT_ONCE - 1));

        return 'CASE '.implode(' ', $cases).' END';
    }
}
