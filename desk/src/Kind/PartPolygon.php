<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class PartPolygon extends KindDesk
{
    public function offers(): array
    {
        $preset = ['radius' => '{sides:6}', 'corners' => 6, 'turn' => '{lie}'];

        return [
            new Offer(
                label: 'Polygon', from: 'points', family: Family::Make, key: 8,
                words: 'hexagon, pentagon, triangle, octagon, regular shape, ngon',
                says: 'A shape of equal sides around a centre.',
                takes: 'center',
                preset: $preset,
                asks: ['radius', 'corners', 'turn'],
                most: 1,
            ),
            new Offer(
                label: 'Polygon, centre and corner', from: 'points', family: Family::Make, key: 8,
                words: 'hexagon, pentagon, triangle, octagon, regular shape, ngon',
                says: 'A shape of equal sides around a centre, with its first corner at a place.',
                takes: 'center+on',
                preset: ['corners' => 6],
                asks: ['corners'],
                least: 2,
                most: 2,
            ),
            new Offer(
                label: 'Star', from: 'points', family: Family::Make, key: 9, words: 'rays, sparkle, asterisk, burst, points, badge',
                says: 'Rays around a centre, with corners between them.',
                takes: 'center',
                preset: ['radius' => '{share:6}', 'corners' => 5, 'inner' => '{share:16}'],
                asks: ['radius', 'corners', 'inner', 'turn'],
                most: 1,
            ),
            new Offer(
                label: 'Star, centre and tip',
                from: 'points',
                family: Family::Make,
                key: 9,
                words: 'rays, sparkle, asterisk, burst, points, badge',
                says: 'Rays around a centre, the first up to a place, with corners between them.',
                takes: 'center+on',
                preset: ['corners' => 5, 'inner' => '{span}/2'],
                asks: ['corners', 'inner'],
                least: 2,
                most: 2,
            ),
        ];
    }
}
