<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** The grammar of addresses: `g1#3,4` a cell, `g1@2,5` an intersection, `g1#3,4!` and `p1!` centres. */
final readonly class Address
{
    public const PATTERN = '^[a-z][a-z0-9]*(#(\d{1,9}|\*)(,(\d{1,9}|\*)){0,2}!?|@\d{1,9}(,\d{1,9}){0,2}|!)$';

    public const CELLS_PATTERN = '^[a-z][a-z0-9]*#(\d{1,9}|\*)(,(\d{1,9}|\*)){0,2}$';

    /**
     * @param  '#'|'@'|'!'  $sort  cell, intersection, or centre of a part
     * @param  list<int|null>  $coordinates  null for a star
     * @param  bool  $center  the centre of the cell is meant
     */
    private function __construct(public string $step, public string $sort, public array $coordinates, public bool $center)
    {
    }

    /** @return self|null null for what is not an address */
    public static function parse(string $text): ?self
    {
        if (preg_match('/'.self::PATTERN.'/D', $text) !== 1) {
            return null;
        }
        $length = strcspn($text, '#@!');
        $sort = $text[$length];
        $rest = substr($text, $length + 1);
        $center = str_ends_with($rest, '!');
        $coordinates = $rest === '' ? [] : array_map(
            static fn (string $part): ?int => $part === '*' ? null : (int) $part,
            explode(',', rtrim($rest, '!')),
        );

        /** @var '#'|'@'|'!' $sort */
        return new self(substr($text, 0, $length), $sort, $coordinates, $center);
    }
}
