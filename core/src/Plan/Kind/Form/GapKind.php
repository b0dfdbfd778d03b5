<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Form;

use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Bar;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\Kind\Combine\PartOperation;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Shape\Combination;
use Sternbild\Core\Shape\Part;

/** What lies behind, without what lies in front and an even clearance around that. */
#[Called('gap', label: 'Clearance', word: 'clearance', prefix: 'k', purpose: Purpose::Construction)]
final class GapKind extends PartOperation
{
    use CornerFields;

    protected function declared(): array
    {
        return [
            StepsField::parts('behind', 'what lies behind'),
            StepsField::partsOrNothing('front', 'what lies in front'),
            NumberField::length('distance', 'distance', 10),
            ...self::corners(),
            self::keep(),
        ];
    }

    public function sentence(Step $step): string
    {
        $limit = ($step->raw('corner') ?? 'miter') === 'miter' ? '[ up to {limit} times the distance]' : '';

        return "Keep {behind} clear of {front} by {distance}, with {corner} corners$limit".'[, {keep}].';
    }

    public function bar(Step $step, Evaluated $known): Bar
    {
        return new Bar($known->numbers['distance'] ?? 0.0, 'distance', null, "$step->id.distance", 'clearance');
    }

    public function sources(Arguments $given): array
    {
        return $given->steps('behind');
    }

    public function looksLikeFirst(): bool
    {
        return true;
    }

    public function evaluate(Arguments $given): Part
    {
        $distance = $given->number('distance');
        $outlines = static fn (string $field): array => array_merge(
            ...array_map(static fn (Part $part): array => $part->allOutlines(), $given->parts($field)),
        );

        return self::result($given, static function () use ($given, $distance, $outlines): array {
            $front = $distance > 0.0 ? self::widened($given, $distance) : $outlines('front');

            return $front === [] ? $outlines('behind') : Combination::cut([$outlines('behind'), $front], $given->tolerance());
        }, 'distance', 'what lies in front, with its clearance, covers all of it, and nothing is left');
    }

    /**
     * @return list<Outline>
     *
     * @throws \Sternbild\Core\Arrangement\Unworkable
     */
    private static function widened(Arguments $given, float $distance): array
    {
        $wide = [];
        foreach ($given->parts('front') as $part) {
            foreach (self::inset($given, -$distance)->figures($part->figures()) as $piece) {
                $wide[] = $piece->outlines();
            }
        }

        return $wide === [] ? [] : Combination::join($wide, $given->tolerance());
    }
}
