<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Dither extends KindDesk
{
    public function offers(): array
    {
        return [new Offer(
            label: 'Dither…', from: 'cells', family: Family::Make, key: 9,
            words: 'checkerboard, shading, halftone, pattern shading, mixed colours, bayer',
            says: 'Paints the picked cells in two colours by turns, which mix from afar.',
            takes: 'cells', preset: ['colours' => ['{colour}', '{other}'], 'level' => 0.5], asks: ['colours', 'level', 'matrix'],
        ), new Offer(
            label: 'Checkerboard', from: 'cells', family: Family::Make, key: 11,
            words: 'chessboard, every other cell, chequered, alternating cells, black and white squares',
            says: 'Paints the picked cells in two colours, every other one.',
            takes: 'cells', preset: ['colours' => ['{colour}', '{other}'], 'level' => 0.5, 'matrix' => 'checker'],
        )];
    }
}
