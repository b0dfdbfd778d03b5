<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

/** What PNG files are made of: Portable Network Graphics (third edition), W3C 2025, section 5. */
final class PngChunks
{
    public const SIGNATURE = "\x89PNG\r\n\x1a\n";

    private const PACKED = 9;

    /** @param  string  $bytes  red, green, blue and alpha of every pixel, row by row */
    public static function ofPixels(int $wide, int $high, string $bytes): string
    {
        $rows = '';
        for ($row = 0; $row < $high; $row++) {
            // No filter: what is painted runs in equal pixels.
            $rows .= "\0".substr($bytes, 4 * $wide * $row, 4 * $wide);
        }

        return self::SIGNATURE.
            self::written('IHDR', pack('NNCCCCC', $wide, $high, 8, 6, 0, 0, 0)).
            self::written('IDAT', (string) gzcompress($rows, self::PACKED)).
            self::written('IEND', '');
    }

    /** @return list<array{string, string}> type and data */
    public static function read(string $png): array
    {
        $chunks = [];
        for ($at = strlen(self::SIGNATURE); $at < strlen($png); $at += 12 + $length) {
            $length = (int) hexdec(bin2hex(substr($png, $at, 4)));
            $chunks[] = [substr($png, $at + 4, 4), substr($png, $at + 8, $length)];
        }

        return $chunks;
    }

    public static function written(string $type, string $data): string
    {
        return pack('N', strlen($data)).$type.$data.pack('N', crc32($type.$data));
    }
}
