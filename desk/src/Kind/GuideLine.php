<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\AlongSketch;
use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class GuideLine extends KindDesk
{
    public function offers(): array
    {
        return [
            AlongSketch::offer('Line', 9, 2),
            new Offer(
                label: 'Line', from: 'points', family: Family::Guide, key: 1,
                words: 'straight line, segment, rule, connect, stroke, edge, ray',
                says: 'A straight guide from one place to another.',
                takes: 'through',
                preset: ['extend' => 'none'],
                asks: ['extend'],
                least: 2,
                most: 2,
            ),
            new Offer(
                label: 'Line at an angle', from: 'points', family: Family::Guide, key: 2,
                words: 'slanted line, angled line, direction, tilt, diagonal, degrees',
                says: 'A guide through a place, at an angle to the right.',
                takes: 'at',
                preset: ['angle' => 45],
                asks: ['angle'],
                most: 1,
            ),
            new Offer(
                label: 'Halve the angle', from: 'points', family: Family::Guide, key: 3,
                words: 'bisector, bisect, middle of angle, half angle, mitre line',
                says: 'A guide that halves the angle at the second of three places.',
                takes: 'halves',
                least: 3,
                most: 3,
            ),
            new Offer(
                label: 'Line beside', from: 'guides', family: Family::Guide, key: 1,
                words: 'parallel, offset line, copy line, rail, distance line, alongside',
                says: 'A guide beside another one, at a distance.',
                takes: 'beside',
                preset: ['distance' => '{share:20}'],
                asks: ['distance', 'extend'],
                most: 1,
            ),
            new Offer(
                label: 'Square to it', from: 'guides', family: Family::Guide, key: 2,
                words: 'perpendicular, normal, right angle, ninety degrees, upright, drop a line',
                says: 'A guide at a right angle to another one.',
                takes: 'square',
                preset: ['at' => '{near}'],
                asks: ['at', 'extend'],
                most: 1,
            ),
            new Offer(
                label: 'Touching line', from: 'guides', family: Family::Guide, key: 3,
                words: 'tangent, tangent line, touch, belt, grazing, common tangent',
                says: 'A guide that touches circles or arcs without crossing them.',
                takes: 'touching',
                preset: ['through' => ['{near}']],
                asks: ['through', 'extend'],
                most: 1,
            ),
            new Offer(
                label: 'Touching line', from: 'guides', family: Family::Guide, key: 3,
                words: 'tangent, tangent line, touch, belt, grazing, common tangent',
                says: 'A guide that touches circles or arcs without crossing them.',
                takes: 'touching',
                preset: ['near' => '{near}'],
                asks: ['near', 'extend'],
                least: 2,
                most: 2,
            ),
        ];
    }
}
