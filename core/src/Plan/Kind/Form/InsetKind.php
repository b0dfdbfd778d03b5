<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Form;

use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind\Combine\PartOperation;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Remark;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Part;

/** Parts drawn in by a distance all around, or widened by it; each piece by itself. */
#[Called('inset', label: 'Inset', word: 'inset', prefix: 'i', purpose: Purpose::Construction)]
final class InsetKind extends PartOperation
{
    use CornerFields;

    protected function declared(): array
    {
        return [StepsField::parts('of', 'parts'), NumberField::offset('distance', 'distance', 10), ...self::corners(), self::keep()];
    }

    public function sentence(Step $step): string
    {
        $limit = ($step->raw('corner') ?? 'miter') === 'miter' ? '[ up to {limit} times the distance]' : '';

        return "Inset {of} by {distance}, with {corner} corners$limit".'[, {keep}].';
    }

    public function pulls(Arguments $given, Result $result): array
    {
        $curve = $given->parts('of')[0]->allCurves()[0];
        $from = $curve->pointAt(0.5);

        return [Pull::along('distance', $from, $given->number('distance'), $curve->tangentAt(0.5)->quarterTurned())];
    }

    public function evaluate(Arguments $given): Part
    {
        $inset = self::inset($given, $given->number('distance'));
        $all = array_merge(...array_map(static fn (Part $part): array => $part->figures(), $given->parts('of')));
        $pieces = array_sum(array_map(static fn (Figure $figure): int => count($figure->shape->pieces()), $all));
        try {
            $figures = $inset->figures($all);
        } catch (Unworkable $fault) {
            throw new FieldFault('distance', 'limit', $fault->getMessage());
        }
        $gone = $pieces - count($figures);
        if ($figures === []) {
            return Part::nothing()->remarked(
                new Remark(
                    'empty',
                    'the distance is larger than there is room for, and nothing is left; a smaller one would leave something',
                    'distance',
                ),
            );
        }
        $part = Part::of($figures)->throughStep($given->step);

        return $gone === 0
            ? $part
            : $part->remarked(
                new Remark(
                    'vanished',
                    "$gone of $pieces pieces ".
                        ($gone === 1 ? 'has' : 'have').
                        ' no room for it, and nothing of '.
                        ($gone === 1 ? 'it' : 'them').
                        ' is left',
                    'distance',
                ),
            );
    }
}
