<?php

declare(strict_types=1);

namespace Sternbild\Desk;

/** What is offered for parts and for guides alike. */
final class ForBoth
{
    /**
     * The same offer for parts and for guides.
     *
     * @param  int<1, 9>  $key
     * @param  non-empty-string  $words  with commas between
     * @param  non-empty-string  $says  in one line what it does
     * @param  array<string, mixed>  $preset
     * @param  list<string>  $asks
     * @param  string|null  $picture  SVG path data in a square of 48
     * @return list<Offer>
     */
    public static function offers(
        string $label,
        int $key,
        string $words,
        string $says,
        array $preset,
        array $asks,
        ?string $picture = null,
    ): array {
        return array_map(
            static fn (string $from): Offer => new Offer(
                label: $label,
                from: $from,
                family: Family::Place,
                key: $key,
                words: $words,
                says: $says,
                takes: 'of',
                picture: $picture,
                preset: $preset,
                asks: [...$asks, 'copy'],
            ),
            ['parts', 'guides'],
        );
    }
}
