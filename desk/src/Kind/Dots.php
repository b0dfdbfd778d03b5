<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Dots extends KindDesk
{
    public function offers(): array
    {
        return [
            self::offer(
                'Line of dots',
                5,
                'pixel line, straight line, one-pixel pen, stroke, draw a line',
                'A line from one picked cell to the other, a cell wide.',
                'line',
                [],
                [],
                2,
            ),
            self::offer(
                'Box of dots',
                6,
                'pixel rectangle, frame, square, outline, border',
                'A box with the two picked cells in its corners.',
                'box',
                [],
                ['filled'],
                2,
            ),
            self::offer(
                'Ring of dots',
                7,
                'pixel circle, disc, round, wheel, lamp',
                'A ring around the picked cell, so many cells across.',
                'ring.center',
                ['ring' => ['diameter' => 7]],
                ['ring.diameter', 'filled'],
                1,
            ),
            self::offer(
                'Ellipse of dots',
                8,
                'pixel ellipse, oval, flattened circle, round, disc',
                'An ellipse around the picked cell.',
                'ellipse.center',
                ['ellipse' => ['wide' => 9, 'high' => 5]],
                ['ellipse.wide', 'ellipse.high', 'filled'],
                1,
            ),
        ];
    }

    /**
     * @param  int<1, 9>  $key
     * @param  non-empty-string  $words
     * @param  non-empty-string  $says
     * @param  array<string, mixed>  $preset
     * @param  list<string>  $asks
     * @param  int  $many  cells that it takes
     */
    private static function offer(
        string $label,
        int $key,
        string $words,
        string $says,
        string $takes,
        array $preset,
        array $asks,
        int $many,
    ): Offer {
        return new Offer(
            label: $label, from: 'cells', family: Family::Make, key: $key, words: $words, says: $says, takes: $takes,
            preset: ['colour' => '{colour}', ...$preset], asks: [...$asks, 'colour'], least: $many, most: $many,
        );
    }
}
