<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Form;

use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Chapter;
use Sternbild\Core\Plan\Family;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind\Part\PartKind;
use Sternbild\Core\Plan\Offer;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Shape\Between;
use Sternbild\Core\Shape\Part;

/** Parts on the way from one to another, in place, size, turn, outline and look. */
#[Called('between', label: 'In-betweens', word: 'in-betweens', prefix: 'b', chapter: Chapter::Construction)]
final class BetweenKind extends PartKind
{
    private const MOST = 1000;

    public function fields(): array
    {
        return [StepsField::parts('of', 'parts'), NumberField::count('steps', 'steps', 1, self::MOST, default: 3)];
    }

    public function sentence(Step $step): string
    {
        return '{steps} in-betweens of {of}.';
    }

    public function offers(): array
    {
        return [new Offer(
            label: 'In-betweens…', from: 'parts', family: Family::Copy, key: 3,
            words: 'morph, tween, intermediate, interpolate, gradation, transition, steps between',
            says: 'Puts parts between two, each a step nearer to the other in place, size, outline and colour.',
            picture: 'M6 30h8v8h-8zM18 22h9v9h-9zM32 8h12v12h-12z',
            takes: 'of', preset: ['steps' => 3], asks: ['steps'], least: 2, most: 2,
        )];
    }

    public function evaluate(Arguments $given): Part
    {
        $parts = $given->parts('of');
        if (count($parts) !== 2) {
            throw new FieldFault('of', 'choice', 'in-betweens lie between two parts; there are '.count($parts));
        }
        [$one, $other] = $parts;
        if ($one->count() !== $other->count()) {
            throw new FieldFault('of', 'choice', 'the one is drawn as '.$one->count().' shapes, the other as '.$other->count().'; in-betweens need as many of both');
        }
        $steps = $given->whole('steps');
        $figures = [];
        for ($step = 1; $step <= $steps; $step++) {
            foreach ($one->figures() as $number => $figure) {
                Budget::spend(25);
                $figures[] = Between::figures($figure, $other->figures()[$number], $step / ($steps + 1))
                    ?? throw new FieldFault('of', 'choice', 'the one has more holes or pieces than the other; in-betweens need as many of both');
            }
        }

        return $figures === [] ? throw new \LogicException('There is a step.') : Part::of($figures)->throughStep($given->step);
    }
}
