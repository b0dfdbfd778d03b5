<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Form;

use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind\Part\PartKind;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Shape\Between;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Part;

/** Parts on the way from one to another, in place, size, turn, outline and look. */
#[Called('between', label: 'In-betweens', word: 'in-betweens', prefix: 'b', purpose: Purpose::Construction)]
final class BetweenKind extends PartKind
{
    private const MOST = 1000;

    protected function declared(): array
    {
        return [
            StepsField::parts('of', 'parts'),
            NumberField::count('steps', 'steps', 1, self::MOST, default: 3),
            NumberField::count('rows', 'rows between', 0, self::MOST),
        ];
    }

    public function sentence(Step $step): string
    {
        return $step->says('rows') ? '{steps} in-betweens in {rows} rows over the face of {of}.' : '{steps} in-betweens of {of}.';
    }

    public function evaluate(Arguments $given): Part
    {
        $parts = $given->parts('of');
        if ($given->has('rows')) {
            return self::overFace($given, $parts);
        }
        if (count($parts) !== 2) {
            throw new FieldFault(
                'of',
                'choice',
                'in-betweens lie between two parts; there are '.
                    count($parts).
                    (count($parts) === 4 ? '; over the face of four, rows are said' : ''),
            );
        }
        [$one, $other] = array_map(self::drawn(...), $parts);
        $steps = $given->whole('steps');
        $figures = [];
        for ($step = 1; $step <= $steps; $step++) {
            array_push($figures, ...self::blended($one, $other, $step / ($steps + 1)));
        }

        return self::part($given, $figures);
    }

    /**
     * Rows and columns of them: along the first two and along the two others by turns, and then from one to the other; the four corners are
     * there already.
     *
     * @param  list<Part>  $parts
     *
     * @throws FieldFault
     */
    private static function overFace(Arguments $given, array $parts): Part
    {
        if (count($parts) !== 4) {
            throw new FieldFault('of', 'choice', 'a face has four corners; there are '.count($parts).' parts');
        }
        [$a, $b, $c, $d] = array_map(self::drawn(...), $parts);
        [$steps, $rows] = [$given->whole('steps'), $given->whole('rows')];
        if (($steps + 2) * ($rows + 2) > self::MOST * 10) {
            throw new FieldFault(
                'rows',
                'limit',
                'there would be '.
                    number_format(($steps + 2) * ($rows + 2)).
                    ' in-betweens; at most '.
                    number_format(self::MOST * 10).
                    ' are possible',
            );
        }
        $figures = [];
        for ($row = 0; $row <= $rows + 1; $row++) {
            $down = $row / ($rows + 1);
            [$left, $right] = [self::blended($a, $d, $down), self::blended($b, $c, $down)];
            for ($step = 0; $step <= $steps + 1; $step++) {
                if (($row > 0 && $row <= $rows) || ($step > 0 && $step <= $steps)) {
                    array_push($figures, ...self::blended($left, $right, $step / ($steps + 1)));
                }
            }
        }

        return self::part($given, $figures);
    }

    /** @return list<Figure> */
    private static function drawn(Part $part): array
    {
        return [...$part->figures()];
    }

    /**
     * @param  list<Figure>  $one
     * @param  list<Figure>  $other
     * @param  float  $share  of the way from the one to the other, 0 to 1
     * @return list<Figure>
     *
     * @throws FieldFault
     */
    private static function blended(array $one, array $other, float $share): array
    {
        if (count($one) !== count($other)) {
            throw new FieldFault(
                'of',
                'choice',
                'the one is drawn as '.count($one).' shapes, the other as '.count($other).'; in-betweens need as many of both',
            );
        }
        if ($share === 0.0 || $share === 1.0) {
            return $share === 0.0 ? $one : $other;
        }
        Budget::spend(25 * count($one));

        return array_map(
            static fn (Figure $figure, Figure $towards): Figure => Between::figures($figure, $towards, $share) ??
                throw new FieldFault('of', 'choice', 'the one has more holes or pieces than the other; in-betweens need as many of both'),
            $one,
            $other,
        );
    }

    /** @param  list<Figure>  $figures */
    private static function part(Arguments $given, array $figures): Part
    {
        return $figures === [] ? throw new \LogicException('There is a step.') : Part::of($figures)->throughStep($given->step);
    }
}
