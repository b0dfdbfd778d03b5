<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Round extends KindDesk
{
    public function offers(): array
    {
        return [
            new Offer(
                label: 'Round…', from: 'parts', family: Family::Shape, key: 4,
                words: 'fillet, corner radius, rounded corners, soften, curve the corners, smooth',
                says: 'Rounds all corners of parts by arcs that run into both sides.',
                picture: 'M8 18A10 10 0 0 1 18 8H30A10 10 0 0 1 40 18V30A10 10 0 0 1 30 40H18A10 10 0 0 1 8 30Z',
                takes: 'of', preset: ['radius' => '{share:80}'], asks: ['radius'],
            ),
            new Offer(
                label: 'Round corners…', from: 'parts', family: Family::Shape, key: 5,
                words: 'fillet some corners, single corner, one corner, selected corners, pick corners, sharp to soft',
                says: 'Rounds only those corners that are clicked.',
                picture: 'M8 8H24A16 16 0 0 1 40 24V40H8Z',
                takes: 'of', preset: ['radius' => '{share:80}'], asks: ['corners', 'radius'],
            ),
            new Offer(
                label: 'Round them…', from: 'points', family: Family::Shape, key: 1,
                words: 'fillet, corner radius, rounded corner, soften, smooth corner, pull a corner round',
                says: 'Rounds the picked corners of the part that they are on; the arc can then be pulled.',
                takes: 'corners', preset: ['of' => ['{owner}'], 'radius' => '{share:80}'], asks: ['radius'],
            ),
        ];
    }
}
