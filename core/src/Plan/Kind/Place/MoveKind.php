<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Place;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Chapter;
use Sternbild\Core\Plan\Family;
use Sternbild\Core\Plan\Field\PairField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Offer;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;

/** Parts or guides moved by so much, or from one place to another. */
#[Called('move', label: 'Move', word: 'move', prefix: 'v', chapter: Chapter::Construction)]
final class MoveKind extends TransformKind
{
    protected function how(): array
    {
        return [PairField::way('by', 'way'), new PlaceField('from', 'from'), new PlaceField('to', 'to')];
    }

    public function sentence(Step $step): string
    {
        return $step->says('by') ? 'Move {of} by {by}[, {copy}][, {keep}].' : 'Move {of} from {from} to {to}[, {copy}][, {keep}].';
    }

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
                takes: 'of', preset: ['from' => '{this}!', 'to' => ['column' => ['between' => ['{first}!', '{last}!'], 'share' => '{share}'], 'row' => '{this}!']],
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

        return [$release, $beside, ...$aligned, ...self::forBoth('Move by…', 1, 'shift, nudge, translate, offset, slide, displace', 'Moves what is picked by a way, across and down.', ['by' => ['{share:10}', 0]], ['by'], 'M6 26h14v14h-14zM28 8h14v14h-14zM20 26L28 22'), ...self::forBoth('Move to…', 2, 'snap to, position, place at, bring to, translate, align', 'Moves what is picked so that one place of it comes to lie on another.', ['from' => '{centre}', 'to' => ['sheet.width/2', 'sheet.height/2']], ['from', 'to'])];
    }

    public function again(array $said, callable $other): ?array
    {
        return self::isCopy($said) && isset($said['by']) ? ['kind' => 'repeat.along', 'of' => $said['of'] ?? [], 'by' => $said['by'], 'count' => 3] : null;
    }

    public function pulls(Arguments $given, Result $result): array
    {
        return $given->has('by') ? [Pull::vector('by', self::bounds($given)->center(), $given->vec('by'))] : [];
    }

    protected function map(Arguments $given): Affine
    {
        if ($given->has('from') !== $given->has('to')) {
            throw new FieldFault($given->has('from') ? 'to' : 'from', 'choice', 'a move from a place needs a place to go to');
        }
        if ($given->has('by') === $given->has('to')) {
            throw new FieldFault('by', 'choice', 'a move is given by a way, or by two places');
        }

        return Affine::move($given->has('by') ? $given->vec('by') : $given->vec('to')->minus($given->vec('from')));
    }
}
