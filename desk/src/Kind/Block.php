<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Block extends KindDesk
{
    public function offers(): array
    {
        return [
            new Offer(
                label: 'Block…', from: 'cells', family: Family::Shape, key: 2,
                words: 'isometric block, cube, extrude, box, building, voxel, 3d, isometric',
                says: 'Raises blocks on the picked cells of an isometric grid: tops and the two sides that are seen.',
                takes: 'cells', preset: ['up' => 1, 'colour' => '{colour}'], asks: ['up', 'colour', 'base', 'pixels'],
            ),
            new Offer(
                label: 'Pit…', from: 'cells', family: Family::Shape, key: 3,
                words: 'isometric hole, hollow, sunken, cut into the ground, pool, canal, track',
                says: 'Sinks the picked cells of an isometric grid into the ground: their floor and the walls that are seen.',
                takes: 'cells', preset: ['down' => 0.5, 'colour' => '{colour}'], asks: ['down', 'colour', 'pixels'],
            ),
        ];
    }
}
