<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Copy;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PairField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Shape\Part;

/** Copies in a row, or in rows, each so much larger than the one before and turned from it, about its own centre. */
#[Called('repeat.along', label: 'Repeat along', word: 'repeat', prefix: 'r', purpose: Purpose::Repeat)]
final class RepeatAlongKind extends CopyKind
{
    protected function declared(): array
    {
        return [
            self::things(),
            PairField::way('by', 'way', true),
            NumberField::count('count', 'count', 1, self::MOST_COPIES, true),
            PairField::way('across', 'way between rows'),
            NumberField::count('rows', 'rows', 1, self::MOST_COPIES, false, 1),
            NumberField::size('factor', 'factor', default: 1),
            NumberField::angle('angle', 'angle', 0),
            self::keep(),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Repeat {of} along {by}, {count} times[, in {rows} rows][, {across} apart][, each {factor} × as large][, each turned by {angle}][, {keep}].';
    }

    public function pulls(Arguments $given, Result $result): array
    {
        $center = self::bounds($given)->center();

        return [
            Pull::vector('by', $center, $given->vec('by')),
            ...($given->has('across') ? [Pull::vector('across', $center, $given->vec('across'))] : []),
        ];
    }

    public function again(array $said, callable $other): ?array
    {
        return self::oneMore($said);
    }

    public function evaluate(Arguments $given): Part|Guide
    {
        $rows = $given->whole('rows');
        $count = $given->whole('count');
        if ($rows > 1 && ! $given->has('across')) {
            throw new FieldFault('across', 'choice', 'rows need a way from one to the next');
        }
        if ($rows * $count > self::MOST_COPIES) {
            throw new FieldFault(
                'count',
                'limit',
                'there would be '.
                    number_format($rows * $count).
                    ' copies; at most '.
                    number_format(self::MOST_COPIES).
                    ' are possible',
            );
        }
        self::withinSize($given->number('factor'), $rows * $count);
        $center = self::bounds($given)->center();
        $maps = [];
        for ($copy = 0; $copy < $rows * $count; $copy++) {
            $size = $given->number('factor') ** $copy;
            $way = $given->vec('by')->times($copy % $count);
            if ($rows > 1) {
                $way = $way->plus($given->vec('across')->times(intdiv($copy, $count)));
            }
            $map = $given->number('angle') * $copy === 0.0 ? Affine::identity() : Affine::turn($given->number('angle') * $copy, $center);
            $map = $size === 1.0 ? $map : $map->then(Affine::scaling($size, $size, $center));
            $maps[] = $copy === 0 ? Affine::identity() : $map->then(Affine::move($way));
        }

        /** @var non-empty-list<Affine> $maps there is at least one copy */
        return self::repeated($given, $maps, 1, 'count');
    }
}
