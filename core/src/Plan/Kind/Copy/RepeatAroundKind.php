<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Copy;

use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Angle;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\Field\SwitchField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Symmetry\Lap;

/**
 * Copies around a centre. Each copy holds all the parts, so that a later copy lies over an earlier one as a whole.
 *
 * With the mirror every copy brings its mirror image in the upright line through the centre along, turned with it: 2 · count in all.
 */
#[Called('repeat.around', label: 'Repeat around', word: 'repeat', prefix: 'r', purpose: Purpose::Repeat)]
final class RepeatAroundKind extends CopyKind
{
    protected function declared(): array
    {
        return [
            self::things(),
            new PlaceField('center', 'centre', true),
            NumberField::count('count', 'count', 1, self::MOST_COPIES, true)->ofFolds(),
            NumberField::angle('angle', 'angle'),
            new SwitchField('mirror', 'mirror', 'each with its mirror image', 'without mirror images'),
            NumberField::size('factor', 'factor', default: 1),
            new ChoiceField(
                'lap',
                'lapped',
                [
                    'stack' => 'over the one before',
                    'clockwise' => 'over the next one clockwise',
                    'counterclockwise' => 'over the next one counterclockwise',
                ],
                'stack',
            ),
            NumberField::length('gap', 'clearance', 0),
            self::keep(),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Repeat {of} around {center}, {count} times[, every {angle}][, {mirror}][, each {factor} × as large][, each {lap}][, kept clear by {gap}][, {keep}].';
    }

    public function again(array $said, callable $other): ?array
    {
        return self::oneMore($said);
    }

    public function goesAround(): bool
    {
        return true;
    }

    public function evaluate(Arguments $given): Part|Guide
    {
        $count = $given->whole('count');
        self::withinSize($given->number('factor'), $count);
        $center = $given->vec('center');
        $mirror = Affine::mirrorUpright($center);
        $maps = [];
        for ($copy = 0; $copy < $count; $copy++) {
            // Each from its own multiple of the angle, so that no error adds up and the last copy meets the first.
            $degrees = $given->has('angle') ? $copy * $given->number('angle') : $copy * 360 / $count;
            $size = $given->number('factor') ** $copy;
            $turn = $copy === 0 ? Affine::identity() : Affine::turn($degrees, $center);
            $turn = $size === 1.0 ? $turn : $turn->then(Affine::scaling($size, $size, $center));
            $maps[] = $turn;
            if ($given->isOn('mirror')) {
                $maps[] = $mirror->then($turn);
            }
        }

        if ($given->text('lap') !== 'stack') {
            return self::lapped($given, $maps, $given->isOn('mirror') ? 2 : 1);
        }

        /** @var non-empty-list<Affine> $maps there is at least one copy */
        return self::repeated($given, $maps, $given->isOn('mirror') ? 2 : 1, 'count');
    }

    /**
     * @param  list<Affine>  $maps  one for each copy and its mirror image
     *
     * @throws FieldFault
     */
    private static function lapped(Arguments $given, array $maps, int $together): Part
    {
        if (! self::areParts($given)) {
            throw new FieldFault('lap', 'choice', 'only parts lie over one another; guides have no inside');
        }
        $parts = $given->parts('of');
        $count = $given->whole('count');
        self::withinLimit(array_sum(array_map(static fn (Part $part): int => $part->curves(), $parts)) * count($maps), 'count');
        $step = $given->has('angle') ? $given->number('angle') : 360 / $count;
        $angles = array_map(static fn (int $copy): float => Angle::normalised($copy * $step), range(0, $count - 1));
        $lap = new Lap(
            array_chunk($maps, max(1, $together)),
            $angles,
            $given->text('lap') === 'clockwise',
            $given->number('gap'),
            $given->tolerance(),
        );
        try {
            $seen =
                $parts === []
                    ? []
                    : array_merge(...$lap->seen(array_map(static fn (Part $part): Part => $part->throughStep($given->step), $parts)));
        } catch (Unworkable $fault) {
            throw new FieldFault('lap', 'limit', $fault->getMessage());
        }

        if (array_merge(...array_merge(...$seen)) === []) {
            throw new FieldFault(
                'lap',
                'empty',
                'every copy is covered by others all over, so that nothing of them is seen; they lie on one another around the centre',
            );
        }

        return $parts === [] || $maps === []
            ? throw new FieldFault('of', 'empty', 'there is nothing to repeat')
            : Part::lapped($parts, $maps, $seen, $given->step);
    }
}
