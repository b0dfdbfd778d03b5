<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

/** What PNG files are made of: Portable Network Graphics (third edition), W3C 2025, section 5. */
final class PngChunks
{
    public const SIGNATURE = "\x89PNG\r\n\x1a\n";

    /** Colour types of section 11.2.1. */
    private const BY_TABLE = 3;

    private const WITH_ALPHA = 6;

    private const PACKED = 9;

    /**
     * A picture of eight bits a channel.
     *
     * @param  iterable<string>  $rows  from the top: red, green, blue and alpha of every pixel, or its number in the table
     * @param  list<string>|null  $table  of at most 256 colours, red, green, blue and alpha each, or null without one
     *
     * @throws RenderFailed
     */
    public static function picture(int $wide, int $high, iterable $rows, ?array $table = null): string
    {
        $packing = deflate_init(ZLIB_ENCODING_DEFLATE, ['level' => self::PACKED]);
        if ($packing === false) {
            throw new RenderFailed('The picture cannot be packed.');
        }
        $data = '';
        foreach ($rows as $row) {
            // No filter: what is painted runs in equal pixels.
            $data .= deflate_add($packing, "\0".$row, ZLIB_NO_FLUSH);
        }
        $data .= deflate_add($packing, '', ZLIB_FINISH);

        return self::SIGNATURE.
            self::written('IHDR', pack('NNCCCCC', $wide, $high, 8, $table === null ? self::WITH_ALPHA : self::BY_TABLE, 0, 0, 0)).
            ($table === null
                ? ''
                : self::written('PLTE', implode('', array_map(static fn (string $colour): string => substr($colour, 0, 3), $table))).
                    self::written('tRNS', implode('', array_map(static fn (string $colour): string => $colour[3], $table)))).
            self::written('IDAT', $data).
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
