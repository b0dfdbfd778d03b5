<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** Two coordinates, of the sheet or of an earlier grid: `330,400`, `g1:2.5,3.5`. */
final readonly class Spot
{
    public const NUMBER = '-?\d{1,9}(?:\.\d{1,12})?';

    public const PATTERN = '(?:[a-z][a-z0-9]*:)?'.self::NUMBER.','.self::NUMBER;

    /** @param  string|null  $grid  whose coordinates they are; null for sheet units */
    private function __construct(public ?string $grid, public float $u, public float $v)
    {
    }

    /** @param  string  $text  that the pattern fits */
    public static function parse(string $text): self
    {
        $mark = strpos($text, ':');
        [$u, $v] = explode(',', $mark === false ? $text : substr($text, $mark + 1));

        return new self($mark === false ? null : substr($text, 0, $mark), (float) $u, (float) $v);
    }
}
