<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\ForBoth;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Move extends KindDesk
{
    public function offers(): array
    {
        $release = new Offer(
            label: 'Release', from: 'parts', family: Family::Copy, key: 7,
            words: 'detach, break apart, expand, unlink, make independent, single out',
            says: 'Makes picked copies parts of their own, where they are.',
            takes: 'of', preset: ['by' => [0, 0]], copies: true,
        );

        $aligned = [
            new Offer(
                label: 'Into one row', from: 'parts', family: Family::Order, key: 5, each: 'others', least: 2,
                words: 'align, level, horizontal alignment, same height, line up, baseline',
                says: 'Moves the others up or down until their middles are level with that of the part picked first.',
                takes: 'of', preset: ['from' => '{this}!', 'to' => ['column' => '{this}!', 'row' => '{first}!']],
            ),
            new Offer(
                label: 'Into one column', from: 'parts', family: Family::Order, key: 6, each: 'others', least: 2,
                words: 'align, vertical alignment, stack, line up, one above another, centre',
                says: 'Moves the others sideways until their middles are straight above or below that of the part picked first.',
                takes: 'of', preset: ['from' => '{this}!', 'to' => ['column' => '{first}!', 'row' => '{this}!']],
            ),
            new Offer(
                label: 'Spread evenly', from: 'parts', family: Family::Order, key: 7, each: 'between', least: 3,
                words: 'distribute, equal spacing, space out, even gaps, justify, rhythm',
                says: 'The first and the last along the way stay; the middles of the others are spread evenly between them.',
                takes: 'of',
                preset: [
                    'from' => '{this}!',
                    'to' => ['column' => ['between' => ['{first}!', '{last}!'], 'share' => '{share}'], 'row' => '{this}!'],
                ],
            ),
            new Offer(
                label: 'Centre on…', from: 'parts', family: Family::Order, key: 8,
                words: 'align to centre, middle of the sheet, in the cell, on the grid, align to the sheet, centre in',
                says: 'Moves what is picked so that its middle lies on a place: of a cell, a grid or the sheet.',
                takes: 'of', preset: ['from' => '{centre}', 'to' => '{center}'], asks: ['to'],
            ),
        ];

        $beside = new Offer(
            label: 'Copy beside it', from: 'parts', family: Family::Copy, key: 11,
            words: 'until it touches, duplicate next to it, adjacent, side by side, touching copy, abut',
            says: 'A copy to the right that just touches it.',
            takes: 'of', preset: ['by' => ['{first}.wide', 0], 'copy' => true],
        );

        return [
            $release,
            $beside,
            ...$aligned,
            ...ForBoth::offers(
                'Move by…',
                1,
                'shift, nudge, translate, offset, slide, displace',
                'Moves what is picked by a way, across and down.',
                ['by' => ['{share:10}', 0]],
                ['by'],
                'M6 26h14v14h-14zM28 8h14v14h-14zM20 26L28 22',
            ),
            ...ForBoth::offers(
                'Move to…',
                2,
                'snap to, position, place at, bring to, translate, align',
                'Moves what is picked so that one place of it comes to lie on another.',
                ['from' => '{centre}', 'to' => ['sheet.width/2', 'sheet.height/2']],
                ['from', 'to'],
            ),
        ];
    }
}
