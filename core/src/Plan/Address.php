<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/**
 * The grammar of addresses.
 *
 * `g1#3,4` a cell, `g1#3,4!` its centre, `g1@2,5` an intersection, `g1~2.5,3` a place in the coordinates of a grid, `c1@0.25` a place at a
 * share
 * of the way along a guide, `p1@2` the second of a part's places, `p1@g1:2,3` the corner of a part or the point of an overlay that is
 * nearest to
 * a place, `p1@g1:2,3;a1,a2` the one of them where the outlines of two others meet, `p1!` and `c1!` centres, `c1*c2/1` and `c1*c2@g1:2,3`
 * crossings, `p1~120,80` the piece of a part around a place, and
 * `o1~g1:2.5,3.5;g2:1.2,7.7;c1,-c2` the cell of an overlay that a place, cells and sides hold. Where a step is named, a copy can be:
 * `r1[3]@2`.
 */
final readonly class Address
{
    private const CELL = '#(?:\d{1,9}|\*)(?:,(?:\d{1,9}|\*)){0,2}';

    /** What a plan can write for a place. */
    public const PATTERN =
        '^'.
        Reference::PATTERN.
        '(?:'.
        self::CELL.
        '!?|@\d{1,9}(?:,\d{1,9}){0,2}|@[01]\.\d{1,12}|@'.
        Spot::PATTERN.
        '(?:;'.
        Reference::PATTERN.
        '(?:,'.
        Reference::PATTERN.
        ')?)?|!'.
        '|\*'.
        Reference::PATTERN.
        '(?:\/\d{1,6}|@'.
        Spot::PATTERN.
        ')|~'.
        Spot::PATTERN.
        ')$';

    /** What it can write for cells. */
    public const CELLS_PATTERN = '^[a-z][a-z0-9]*(?:'.self::CELL.'|~'.HeldAddress::PATTERN.')$';

    /** What it can write for a part or a guide: a step, a copy, or the piece of a part around a place. */
    public const MEMBER_PATTERN = '^'.Reference::PATTERN.'(?:~'.Spot::PATTERN.')?$';

    /**
     * @param  '#'|'@'|'!'|'*'|'~'  $sort  cell; intersection, place along a guide, corner; centre; crossing; place by coordinates, piece
     * @param  list<int|null>  $coordinates  counted ones; null for a star
     * @param  bool  $center  the centre of the cell is meant
     * @param  Reference|null  $other  the second one of two that cross
     * @param  list<float>  $numbers  what stands behind `@`, as numbers
     * @param  Spot|null  $spot  the place that is meant, or near which it is
     * @param  list<Reference>  $along  of a corner the parts on whose outlines it lies
     */
    private function __construct(
        public Reference $of,
        public string $sort,
        public array $coordinates = [],
        public bool $center = false,
        public ?Reference $other = null,
        public array $numbers = [],
        public ?Spot $spot = null,
        public array $along = [],
    ) {
    }

    /** @return self|null null for what is no address of a place */
    public static function parse(string $text): ?self
    {
        if (preg_match('/'.self::PATTERN.'/D', $text) !== 1) {
            return null;
        }
        $length = strcspn($text, '#@!*~');
        $of = Reference::parse(substr($text, 0, $length));
        $rest = substr($text, $length + 1);
        if ($of === null) {
            return null;
        }

        return match ($text[$length]) {
            '*' => self::crossing($of, $rest),
            '~' => new self($of, '~', spot: Spot::parse($rest)),
            '@' => self::at($of, $rest),
            '!' => new self($of, '!'),
            default => new self(
                $of, '#',
                array_map(static fn (string $part): ?int => $part === '*' ? null : (int) $part, explode(',', rtrim($rest, '!'))),
                str_ends_with($rest, '!'),
            ),
        };
    }

    /** Whether it names cells, not a place. */
    public static function isOfCells(string $text): bool
    {
        return preg_match('/'.self::CELLS_PATTERN.'/D', $text) === 1;
    }

    /**
     * An address, of a place, of cells or of a part, with other ids of the steps that it names.
     *
     * @param  array<string, string>  $new  by old id
     */
    public static function renamed(string $text, array $new): string
    {
        // Whatever begins with a letter in an address is an id.
        return (string) preg_replace_callback(
            '/(?<![a-z0-9])[a-z][a-z0-9]*/',
            static fn (array $found): string => $new[$found[0]] ?? $found[0],
            $text,
        );
    }

    /**
     * The ids of the steps that an address of any sort names.
     *
     * @return list<string>
     */
    public static function idsIn(string $text): array
    {
        preg_match_all('/(?<![a-z0-9])[a-z][a-z0-9]*/', $text, $found);

        return array_values(array_unique($found[0]));
    }

    private static function crossing(Reference $of, string $rest): self
    {
        $mark = strcspn($rest, '/@');
        $other = Reference::parse(substr($rest, 0, $mark));

        return $rest[$mark] === '/'
            ? new self($of, '*', [(int) substr($rest, $mark + 1)], other: $other)
            : new self($of, '*', other: $other, spot: Spot::parse(substr($rest, $mark + 1)));
    }

    private static function at(Reference $of, string $rest): self
    {
        $mark = strpos($rest, ';');
        if ($mark !== false) {
            $along = array_map(Reference::parse(...), explode(',', substr($rest, $mark + 1)));

            return new self($of, '@', spot: Spot::parse(substr($rest, 0, $mark)), along: array_values(array_filter($along)));
        }
        $parts = explode(',', $rest);
        $spot = count($parts) === 2 ? Spot::parse($rest) : null;
        if ($spot?->grid !== null) {
            return new self($of, '@', spot: $spot);
        }
        $counted = preg_match('/^\d+(,\d+)*$/D', $rest) === 1;

        return new self($of, '@', $counted ? array_map(intval(...), $parts) : [], numbers: array_map(floatval(...), $parts), spot: $spot);
    }
}
