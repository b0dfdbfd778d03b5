<?php

declare(strict_types=1);

namespace Sternbild\Desk;

/** The ways to make a circle, as a guide or as a part. */
final class ForCircles
{
    /** @return list<Offer> */
    public static function offers(string $noun, Family $family): array
    {
        $what = strtolower($noun);

        return [
            new Offer(
                label: "$noun, centre and radius", from: 'points', family: $family, key: 4,
                words: 'circle, round, ring, compass, radius, disc, dot',
                says: "A {$what} around a place, with a radius.",
                takes: 'center',
                preset: ['radius' => '{share:8}'],
                asks: ['radius'],
                least: 1,
                most: 1,
            ),
            new Offer(
                label: "$noun, centre and point", from: 'points', family: $family, key: 4,
                words: 'circle, compass, radius to point, round, disc, rim',
                says: "A {$what} around one place, through another.",
                takes: 'center+on',
                least: 2,
                most: 2,
            ),
            new Offer(
                label: "$noun through three", from: 'points', family: $family, key: 5,
                words: 'three points, circumscribed circle, circumcircle, through points, round, circle',
                says: "The {$what} through three places.",
                takes: 'through',
                least: 3,
                most: 3,
            ),
            new Offer(
                label: "Fit a $what", from: 'points', family: $family, key: 6,
                words: 'best fit, regression, least squares, approximate circle, trace circle, average circle',
                says: "The {$what} that comes nearest to many places.",
                takes: 'fit',
                least: 3,
                most: 2000,
            ),
            new Offer(
                label: "Touching $what", from: 'guides', family: $family, key: 4,
                words: 'tangent circle, touch, inscribed, apollonius, nestle, kissing circle',
                says: "A {$what} that touches up to three guides.",
                takes: 'touching',
                preset: ['near' => '{near}'],
                asks: ['radius', 'near'],
                least: 1,
                most: 3,
            ),
        ];
    }
}
