<?php

declare(strict_types=1);

namespace Sternbild\Scanner;

/** What a desk's scanner is in the middle of, kept in files: the state, and how far the lamp has come. */
final class State
{
    public bool $isOpen = false;

    public bool $isJammed = false;

    /** Where on its way the next sheet jams, from 0 to 1. */
    public ?float $jamsAt = null;

    public ?Scan $scan = null;

    public static function read(string $folder): self
    {
        $state = new self;
        $kept = json_decode((string) @file_get_contents("$folder/state.json"), true);
        if (is_array($kept)) {
            $state->isOpen = $kept['isOpen'];
            $state->isJammed = $kept['isJammed'];
            $state->jamsAt = $kept['jamsAt'];
            $state->scan = $kept['scan'] === null ? null : new Scan(...$kept['scan']);
        }

        return $state;
    }

    /**
     * Changes it, one after another. What is thrown leaves it as it was.
     *
     * @template T
     *
     * @param  callable(self): T  $how
     * @return T
     */
    public static function change(string $folder, callable $how): mixed
    {
        $lock = fopen("$folder/lock", 'c') ?: throw new \RuntimeException("$folder cannot be locked.");
        flock($lock, LOCK_EX);
        try {
            $state = self::read($folder);
            $outcome = $how($state);
            self::write("$folder/state.json", json_encode(get_object_vars($state), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));

            return $outcome;
        } finally {
            fclose($lock);
        }
    }

    /** Says how far the lamp has come. */
    public static function reach(string $folder, Scan $scan): void
    {
        self::write("$folder/lines", "$scan->lines $scan->of");
    }

    /** @return array{int, int, int} lines read, lines in all, seconds since that was said */
    public static function reached(string $folder): array
    {
        clearstatcache(true, "$folder/lines");
        [$lines, $of] = [...explode(' ', (string) @file_get_contents("$folder/lines")), '0'];

        return [(int) $lines, (int) $of, time() - (int) @filemtime("$folder/lines")];
    }

    /** Whole or not at all: others read it at any time. */
    private static function write(string $file, string $text): void
    {
        file_put_contents("$file.part", $text);
        rename("$file.part", $file);
    }
}
