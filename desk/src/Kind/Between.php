<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Between extends KindDesk
{
    public function offers(): array
    {
        return [
            new Offer(
                label: 'In-betweens over a face…',
                from: 'parts',
                family: Family::Copy,
                key: 14,
                words: 'fill between four, rows and columns, mesh, lattice of copies, morph four ways, over a face',
                says: 'Puts rows of parts between four corners, picked one after another around the face.',
                takes: 'of',
                preset: ['steps' => 3, 'rows' => 3],
                asks: ['steps', 'rows'],
                least: 4,
                most: 4,
            ),
            new Offer(
                label: 'Dots over a face…',
                from: 'points',
                family: Family::Make,
                key: 11,
                words: 'rows of dots, halftone, rivets, perforation, grid of discs, fill a face, speckles in rows',
                says: 'Rows and columns of discs between four places, picked one after another around the face.',
                preset: ['of' => ['+first', '+second', '+third', '+fourth'], 'steps' => 4, 'rows' => 4],
                asks: ['steps', 'rows'],
                least: 4,
                most: 4,
                before: [
                    ['id' => '+first', 'kind' => 'part.circle', 'center' => '{point:1}', 'radius' => '{share:80}'],
                    // As large as the first, also when that is changed.
                    ...array_map(
                        static fn (string $id, int $corner): array => [
                            'id' => $id,
                            'kind' => 'part.circle',
                            'center' => "{point:$corner}",
                            'radius' => '+first.wide/2',
                        ],
                        ['+second', '+third', '+fourth'],
                        [2, 3, 4],
                    ),
                ],
                next: [['kind' => 'join', 'of' => ['{of*}', '+new']]],
            ),
            new Offer(
                label: 'In-betweens…',
                from: 'parts',
                family: Family::Copy,
                key: 3,
                words: 'morph, tween, intermediate, interpolate, gradation, transition, steps between',
                says: 'Puts parts between two, each a step nearer to the other in place, size, outline and colour.',
                picture: 'M6 30h8v8h-8zM18 22h9v9h-9zM32 8h12v12h-12z',
                takes: 'of',
                preset: ['steps' => 3],
                asks: ['steps'],
                least: 2,
                most: 2,
            ),
        ];
    }
}
