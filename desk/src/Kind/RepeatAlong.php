<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class RepeatAlong extends KindDesk
{
    public function offers(): array
    {
        $preset = ['by' => ['{share:8}', 0], 'count' => 3];

        // A square field: as many the one way as the other, and about its middle the same again.
        $woven = static fn (string $from, array $more, array $weave): Offer => new Offer(...[
            'label' => 'Weave a field…', 'from' => $from, 'family' => Family::Copy, 'key' => 15,
            'words' => 'woven square, fabric, cloth, mat, basket weave, warp and weft, plaited field, lattice of bands',
            'says' => 'Repeats a band or a line beside itself, turns all of them by a right angle, and weaves both.',
            'takes' => 'of', 'preset' => ['by' => '{beside}', 'count' => '{beside count}'], 'asks' => ['by', 'count'],
            'next' => [
                ['id' => '+turned', 'kind' => 'turn', 'of' => ['+new'], 'about' => '+new!', 'angle' => 90, 'copy' => true],
                ['kind' => 'weave', 'of' => ['+new', '+turned'], 'gap' => '{share:200}', ...$weave],
            ], ...$more,
        ]);

        return [
            $woven('parts', ['only' => 'band'], []),
            $woven('guides', [], ['width' => '{share:40}']),
            new Offer(
                label: 'Along…', from: 'parts', family: Family::Copy, key: 2,
                words: 'duplicate, step and repeat, row, array, linear pattern, copies, grid of copies',
                says: 'Copies in a row, or in rows.',
                picture: 'M4 18h10v12h-10zM19 18h10v12h-10zM34 18h10v12h-10z',
                takes: 'of',
                preset: $preset,
                asks: ['by', 'count', 'across', 'rows', 'factor'],
            ),
            new Offer(
                label: 'Along…', from: 'guides', family: Family::Copy, key: 2,
                words: 'duplicate, step and repeat, row, array, linear pattern, copies, grid of copies',
                says: 'Copies in a row, or in rows.',
                picture: 'M4 18h10v12h-10zM19 18h10v12h-10zM34 18h10v12h-10z',
                takes: 'of',
                preset: $preset,
                asks: ['by', 'count', 'across', 'rows', 'factor'],
            ),
        ];
    }
}
