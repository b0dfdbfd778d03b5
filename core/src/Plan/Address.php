<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/**
 * The grammar of addresses.
 *
 * `g1#3,4` a cell, `g1#3,4!` its centre, `g1@2,5` an intersection, `g1~2.5,3` a place in the coordinates of a grid, `c1@0.25` a place at a share
 * of the way along a guide, `p1!` and `c1!` centres, `c1*c2/1` a crossing, `o1~120,80` and `o1~g1:2.5,3.5` the cell of an overlay around a place.
 */
final readonly class Address
{
    private const ID = '[a-z][a-z0-9]*';

    private const NUMBER = '-?\d{1,9}(\.\d{1,12})?';

    public const PATTERN = '^'.self::ID.'(#(\d{1,9}|\*)(,(\d{1,9}|\*)){0,2}!?|@\d{1,9}(,\d{1,9}){0,2}|@[01]\.\d{1,12}|!|\*'.self::ID.'\/\d{1,6}|~('.self::ID.':)?'.self::NUMBER.','.self::NUMBER.')$';

    public const CELLS_PATTERN = '^'.self::ID.'(#(\d{1,9}|\*)(,(\d{1,9}|\*)){0,2}|~('.self::ID.':)?'.self::NUMBER.','.self::NUMBER.')$';

    /**
     * @param  '#'|'@'|'!'|'*'|'~'  $sort  cell, intersection or place along a guide, centre, crossing, place by coordinates
     * @param  list<int|null>  $coordinates  null for a star
     * @param  bool  $center  the centre of the cell is meant
     * @param  string|null  $other  id of the second one of two that cross, or of the grid whose coordinates are meant
     * @param  list<float>  $numbers  real coordinates, or the share of the way
     */
    private function __construct(
        public string $step,
        public string $sort,
        public array $coordinates,
        public bool $center = false,
        public ?string $other = null,
        public array $numbers = [],
    ) {
    }

    /** @return self|null null for what is not an address */
    public static function parse(string $text): ?self
    {
        if (preg_match('/'.self::PATTERN.'/D', $text) !== 1) {
            return null;
        }
        $length = strcspn($text, '#@!*~');
        $id = substr($text, 0, $length);
        $sort = $text[$length];
        $rest = substr($text, $length + 1);
        switch ($sort) {
            case '*':
                [$other, $number] = explode('/', $rest);

                return new self($id, '*', [(int) $number], other: $other);
            case '~':
                $mark = strpos($rest, ':');

                return new self($id, '~', [], other: $mark === false ? null : substr($rest, 0, $mark), numbers: array_map(floatval(...), explode(',', $mark === false ? $rest : substr($rest, $mark + 1))));
            case '@':
                $parts = explode(',', $rest);

                return new self($id, '@', str_contains($rest, '.') ? [] : array_map(intval(...), $parts), numbers: array_map(floatval(...), $parts));
            case '!':
                return new self($id, '!', []);
        }
        $coordinates = array_map(static fn (string $part): ?int => $part === '*' ? null : (int) $part, explode(',', rtrim($rest, '!')));

        return new self($id, '#', $coordinates, str_ends_with($rest, '!'));
    }

    /** Whether it names cells, not a place. */
    public static function isOfCells(string $text): bool
    {
        return preg_match('/'.self::CELLS_PATTERN.'/D', $text) === 1;
    }

    /** @return list<string> ids of the steps that it names */
    public function steps(): array
    {
        return $this->other === null ? [$this->step] : [$this->step, $this->other];
    }
}
