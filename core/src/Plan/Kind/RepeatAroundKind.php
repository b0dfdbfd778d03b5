<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Chapter;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\Field\SwitchField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Plan\Offer;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Shape\Part;

/**
 * Copies around a centre. Each copy holds all the parts, so that a later copy lies over an earlier one as a whole.
 *
 * With the mirror every copy brings its mirror image in the upright line through the centre along, turned with it: 2 · count in all.
 */
final class RepeatAroundKind extends Kind
{
    private const MOST_COPIES = 10_000;

    /** Curves of all copies together; what is beyond cannot be drawn in reasonable time. */
    private const MOST_CURVES = 200_000;

    public function name(): string
    {
        return 'repeat.around';
    }

    public function label(): string
    {
        return 'Repeat around';
    }

    public function word(): string
    {
        return 'repeat';
    }

    public function chapter(): Chapter
    {
        return Chapter::Repeat;
    }

    public function fields(): array
    {
        return [
            StepsField::parts('of', 'parts'),
            new PlaceField('center', 'centre', true),
            NumberField::count('count', 'count', 1, self::MOST_COPIES, true),
            NumberField::angle('angle', 'angle'),
            new SwitchField('mirror', 'mirror', 'each with its mirror image', 'without mirror images'),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Repeat {of} around {center}, {count} times[, every {angle}][, {mirror}].';
    }

    public function usesUp(): array
    {
        return ['of'];
    }

    public function offers(): array
    {
        return [new Offer(
            label: 'Around…',
            from: 'parts',
            takes: 'of',
            preset: ['center' => '{center}', 'count' => '{count}'],
            asks: ['center', 'count', 'mirror'],
        )];
    }

    public function evaluate(Arguments $given): Part
    {
        $sources = array_map(static fn (Evaluated $step): Part => self::part($step), $given->steps('of'));
        $count = $given->whole('count');
        $curves = array_sum(array_map(static fn (Part $part): int => $part->curves(), $sources)) * $count * ($given->isOn('mirror') ? 2 : 1);
        if ($curves > self::MOST_CURVES) {
            throw new FieldFault('count', 'limit', 'the copies would have '.number_format($curves).' curves together; at most '.number_format(self::MOST_CURVES).' can be drawn');
        }
        $center = $given->vec('center');
        $mirror = Affine::mirrorUpright($center);
        $figures = [];
        for ($copy = 0; $copy < $count; $copy++) {
            // Each from its own multiple of the angle, so that no error adds up and the last copy meets the first.
            $degrees = $given->has('angle') ? $copy * $given->number('angle') : $copy * 360 / $count;
            $turn = $copy === 0 ? Affine::identity() : Affine::turn($degrees, $center);
            foreach ($sources as $source) {
                array_push($figures, ...$source->mapped($turn)->throughStep($given->step)->figures);
                if ($given->isOn('mirror')) {
                    array_push($figures, ...$source->mapped($mirror->then($turn))->throughStep($given->step)->figures);
                }
            }
        }
        if ($figures === []) {
            throw new \LogicException('A repeat of at least one part at least once has figures.');
        }

        return new Part($figures);
    }

    private static function part(Evaluated $step): Part
    {
        return $step->result instanceof Part ? $step->result : throw new \LogicException("{$step->id} is not a part.");
    }
}
