<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Place;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\PairField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;

/** Parts or guides moved by so much, or from one place to another. */
#[Called('move', label: 'Move', word: 'move', prefix: 'v', purpose: Purpose::Construction)]
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

    public function again(array $said, callable $other): ?array
    {
        return self::isCopy($said) && isset($said['by'])
            ? ['kind' => 'repeat.along', 'of' => $said['of'] ?? [], 'by' => $said['by'], 'count' => 3]
            : null;
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
