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

    /** Seconds of a processor that a request has at most. */
    private const MOST = 5.0;

    /** Seconds after which a worker was ended at the latest, whatever it was doing. */
    private const LOST = 12.0;

    /** First key of the locks; the second is the person's. */
    private const LOCKS = 8420;

    /**
     * Counts a request, and takes a turn for it where one is free.
     *
     * @return array{asked: int, spent: float, turn: int|null, open: int} requests in this minute; seconds of a processor that the person
     *   had of late, with what is under
     *                                                                     way; how many of the person's turns are under way
     */
    public static function begin(int $person): array
    {
        $now = microtime(true);
        $row = DB::selectOne('
            INSERT INTO turns AS t (user_id, minute, asked, at) VALUES (:person, :minute, 1, :now)
            ON CONFLICT (user_id)
            DO UPDATE SET asked = CASE WHEN t.minute = excluded.minute THEN t.asked + 1 ELSE 1 END, minute = excluded.minute
            RETURNING asked, greatest(0, spent - (:then - at) * '.
                self::SHARE.
                ') + '.
                self::underWay($now).
                ' AS spent, '.
                self::free().
                ' AS turn
        ',
            ['person' => $person, 'minute' => intdiv((int) $now, 60), 'now' => $now, 'then' => $now],
        );
        $turn = $row->turn === null ? null : (int) $row->turn;

        return [
            'asked' => (int) $row->asked,
            'spent' => (float) $row->spent,
            'turn' => $turn,
            'open' => $turn === null ? self::AT_ONCE : self::begins($person, $turn),
        ];
    }

    /**
     * Notes when a turn begins. What began before and never ended, since its worker was ended, had all that a request may have.
     *
     * @return int how many others of the person are under way; of two that begin at once the second one knows of the first
     */
    private static function begins(int $person, int $turn): int
    {
        $now = microtime(true);
        $set = $lost = [];
        foreach (range(0, self::AT_ONCE - 1) as $one) {
            $isLost = $one === $turn ? "began$one IS NOT NULL" : sprintf('began%d < %.6F', $one, $now - self::LOST);
            $lost[] = sprintf('CASE WHEN %s THEN %.1F ELSE 0 END', $isLost, self::MOST);
            $set[] = $one === $turn ? sprintf('began%d = %.6F', $one, $now) : "began$one = CASE WHEN $isLost THEN NULL ELSE began$one END";
        }
        $open = implode(' + ', array_map(static fn (int $one): string => "(began$one IS NOT NULL)::int", range(0, self::AT_ONCE - 1)));

        return (int) DB::selectOne(
            'UPDATE turns SET spent = spent + '.
                implode(' + ', $lost).
                ', '.
                implode(', ', $set).
                " WHERE user_id = ? RETURNING $open - 1 AS others",
            [$person],
        )->others;
    }

    /** In SQL: what the turns that are under way have had so far, taken for the time since they began. */
    private static function underWay(float $now): string
    {
        $one = static fn (int $turn): string => sprintf(
            'CASE WHEN began%d IS NULL THEN 0 ELSE least(%.1F, %.6F - began%d) END',
            $turn,
            self::MOST,
            $now,
            $turn,
        );

        return implode(' + ', array_map($one, range(0, self::AT_ONCE - 1)));
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
        $turn = $row->turn === null ? null : (int) $row->turn;
        if ($turn !== null) {
            self::begins($person, $turn);
        }

        return ['newest' => (int) $row->previews, 'turn' => $turn];
    }

    /** @param  float  $spent  seconds of a processor */
    public static function end(int $person, ?int $turn, float $spent): void
    {
        $now = microtime(true);
        DB::selectOne(
            '
            UPDATE turns SET spent = greatest(0, spent - (:now - at) * '.
                self::SHARE.
                ') + :spent, at = :then'.
                ($turn === null ? '' : ", began$turn = NULL").
                ' WHERE user_id = :person
            RETURNING CASE WHEN :turn >= 0 THEN pg_advisory_unlock('.
                self::LOCKS.
                ', user_id * '.
                self::AT_ONCE.
                ' + :number) END AS unlocked
        ',
            ['now' => $now, 'then' => $now, 'spent' => $spent, 'person' => $person, 'turn' => $turn ?? -1, 'number' => $turn ?? 0],
        );
    }

    /** How many requests are being worked on by the workers that all share, of those that began lately. */
    public static function amongAll(): int
    {
        return (int) DB::selectOne('
            SELECT coalesce(sum(coalesce((began0 > :least)::int, 0) + coalesce((began1 > :most)::int, 0)), 0) AS busy
            FROM turns WHERE began0 > :since OR began1 > :then
        ', array_fill_keys(['least', 'most', 'since', 'then'], microtime(true) - self::LOST))->busy;
    }

    /** How many requests of other people are being worked on, on all application servers. */
    public static function ofOthers(int $person): int
    {
        return (int) DB::selectOne("
            SELECT count(*) AS others FROM pg_locks
            WHERE locktype = 'advisory' AND database = (SELECT oid FROM pg_database WHERE datname = current_database())
            AND classid = ".self::LOCKS.' AND objid NOT BETWEEN :first AND :last AND granted
        ', ['first' => $person * self::AT_ONCE, 'last' => $person * self::AT_ONCE + self::AT_ONCE - 1])->others;
    }

    /** In SQL: the number of a turn that was free, and is taken by that. */
    private static function free(): string
    {
        $cases = array_map(
            static fn (int $turn): string => 'WHEN pg_try_advisory_lock('.
                self::LOCKS.
                ', user_id * '.
                self::AT_ONCE.
                " + $turn) THEN $turn",
            range(0, self::AT_ONCE - 1),
        );

        return 'CASE '.implode(' ', $cases).' END';
    }
}
