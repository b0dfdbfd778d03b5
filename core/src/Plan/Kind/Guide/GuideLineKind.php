<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Guide;

use Sternbild\Core\Geometry\Angle;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Degenerate;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\TouchingLines;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\Field\PlacesField;
use Sternbild\Core\Plan\Field\StepField;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Result\Role;
use Sternbild\Core\Tracing\SketchFit;

/**
 * A straight line: between two places, touching circles, beside or square to another, at an angle, or halving one.
 *
 * | said with | from where to where, unless it is carried on |
 * |---|---|
 * | `through` | from the first place to the second |
 * | `touching` one, `through` one | from the place to where it touches |
 * | `touching` two | from where it touches the first to where it touches the second |
 * | `beside` | as long as the other |
 * | `square`, `at` | from the place to the other line; from edge to edge of the sheet where the place lies on it |
 * | `halves` | from the corner to the line through the two other places; from edge to edge where all three lie in a line |
 * | `at`, `angle` | always from edge to edge |
 */
#[Called('guide.line', label: 'Line', word: 'line', prefix: 'c', purpose: Purpose::Ground)]
final class GuideLineKind extends GuideKind
{
    private const FORMS = ['touching', 'beside', 'square', 'halves', 'at', 'through'];

    protected function declared(): array
    {
        return [
            new PlacesField('through', 'points', ['the first point'], false, false, 2),
            StepsField::guides('touching', 'guides', 2),
            new PlaceField('near', 'place'),
            new StepField('beside', 'line', Role::Guide),
            NumberField::offset('distance', 'distance'),
            new PlaceField('at', 'place'),
            NumberField::angle('angle', 'angle'),
            new StepField('square', 'line', Role::Guide),
            new PlacesField('halves', 'points', ['the first arm', 'the corner', 'the second arm'], true),
            ...SketchForm::fields(),
            new ChoiceField('extend', 'reaching', ['none' => 'no farther', 'both' => 'to the edges of the sheet'], 'none'),
        ];
    }

    public function sentence(Step $step): string
    {
        return match (true) {
            $step->says('sketch') => rtrim(SketchForm::sentence('Line'), '.').', reaching {extend}.',
            $step->says('touching') => 'Line touching {touching}[, through {through}][, near {near}], reaching {extend}.',
            $step->says('beside') => 'Line beside {beside}, {distance} to its left, reaching {extend}.',
            $step->says('square') => 'Line from {at} square to {square}, reaching {extend}.',
            $step->says('halves') => 'Line that halves {halves}, reaching {extend}.',
            $step->says('at') => 'Line through {at} at {angle}°.',
            default => 'Line through {through}, reaching {extend}.',
        };
    }

    public function pulls(Arguments $given, Result $result): array
    {
        if ($given->has('at') && $given->has('angle')) {
            return [
                Pull::angle('angle', $given->vec('at'), $given->number('angle'), 0.0, min($given->sheet->right, $given->sheet->bottom) / 8),
            ];
        }
        $beside = $given->has('beside') && $given->has('distance') ? $given->guides('beside')[0]->curve : null;
        if (! $beside instanceof Line) {
            return [];
        }
        $left = $beside->end()->minus($beside->start())->unit()->quarterTurned()->times(-1.0);

        return [Pull::along('distance', $beside->start()->towards($beside->end(), 0.5), $given->number('distance'), $left)];
    }

    public function evaluate(Arguments $given): Guide
    {
        if ($given->has('sketch')) {
            $fit = SketchForm::fitted($given, SketchFit::line(...));

            return ($given->text('extend') === 'both'
                ? Guide::along(self::acrossSheet($fit->line[0], $fit->line[1], $given->sheet, true), false)
                : Guide::along(new Line(...$fit->line), true)
            )->knowing($fit->facts());
        }
        $forms = array_values(
            array_filter(
                self::FORMS,
                static fn (string $form): bool => $given->has($form) &&
                    ! ($form === 'at' && $given->has('square')) &&
                    ! ($form === 'through' && $given->has('touching')),
            ),
        );
        $form =
            $forms[0] ??
            throw new FieldFault(
                'through',
                'choice',
                'a line needs two points, or something to touch, to lie beside, to stand square to, or to halve',
            );
        if (count($forms) > 1) {
            throw new FieldFault($forms[1], 'choice', "a line is given in one way, not by {$forms[0]} and by {$forms[1]}");
        }
        try {
            [$from, $to, $across] = match ($form) {
                'touching' => self::touching($given),
                'beside' => self::beside($given),
                'square' => self::square($given),
                'halves' => self::halving($given),
                'at' => self::atAngle($given),
                'through' => self::between($given),
            };
        } catch (Degenerate $fault) {
            throw new FieldFault($form, 'degenerate', $fault->getMessage());
        }
        if ($from->distanceTo($to) <= $given->tolerance()->distance) {
            throw new FieldFault($form, 'degenerate', 'the two points are the same place, and no line goes through them');
        }

        return $across || $given->text('extend') === 'both'
            ? Guide::along(self::acrossSheet($from, $to, $given->sheet, ! $across), false)
            : Guide::along(new Line($from, $to), true);
    }

    /**
     * @return array{Vec, Vec, bool} two places on it, and whether only the sheet ends it
     *
     * @throws FieldFault
     */
    private static function between(Arguments $given): array
    {
        $points = $given->places('through');

        return count($points) === 2
            ? [$points[0], $points[1], false]
            : throw new FieldFault('through', 'choice', 'a line goes through two points; one is enough where it touches something');
    }

    /**
     * @return array{Vec, Vec, bool}
     *
     * @throws FieldFault
     * @throws Degenerate
     */
    private static function touching(Arguments $given): array
    {
        $curves = CircleForms::single($given->guides('touching'));
        $through = $given->has('through') ? $given->places('through') : [];
        if (count($curves) + count($through) !== 2) {
            throw new FieldFault('through', 'choice', 'a line touches one circle and goes through one place, or touches two circles');
        }
        $near = $given->has('near') ? $given->vec('near') : $curves[0]->bounds()->center();
        $lines = TouchingLines::all($curves[0], $curves[1] ?? $through[0]);
        $wanted = $through === [] ? static fn (Line $line): Line => $line : static fn (Line $line): Line => $line->reversed();
        $lines = array_map($wanted, $lines);
        // Lines that touch arcs where they are drawn come before those that touch where they would go on.
        $misses = static fn (Line $line): int => count(array_filter($curves, static fn (Curve $curve): bool => min(
            $curve->pointAt($curve->nearest($line->start()))->distanceTo($line->start()),
            $curve->pointAt($curve->nearest($line->end()))->distanceTo($line->end()),
        ) > 1e-9 * $curve->length()));
        usort($lines, static fn (Line $a, Line $b): int => [$misses($a), self::away($a, $near)] <=> [$misses($b), self::away($b, $near)]);

        return $lines === [] ? throw new Degenerate('no line touches these') : [$lines[0]->start(), $lines[0]->end(), false];
    }

    private static function away(Line $line, Vec $place): float
    {
        return $line->pointAt($line->nearest($place))->distanceTo($place);
    }

    /**
     * @return array{Vec, Vec, bool}
     *
     * @throws FieldFault
     */
    private static function beside(Arguments $given): array
    {
        $line = self::line($given, 'beside');
        if (! $given->has('distance')) {
            throw new FieldFault('distance', 'choice', 'the distance from the other line is missing');
        }
        $aside = $line->tangentAt(0.0)->quarterTurned()->times(-$given->number('distance'));

        return [$line->start()->plus($aside), $line->end()->plus($aside), false];
    }

    /**
     * @return array{Vec, Vec, bool}
     *
     * @throws FieldFault
     */
    private static function square(Arguments $given): array
    {
        $line = self::line($given, 'square');
        $at = $given->has('at') ? $given->vec('at') : throw new FieldFault('at', 'choice', 'the place that it goes through is missing');
        $along = $line->tangentAt(0.0);
        $foot = $line->start()->plus($along->times($at->minus($line->start())->dot($along)));

        return $foot->distanceTo($at) <= $given->tolerance()->distance
            ? [$at, $at->plus($along->quarterTurned()), true]
            : [$at, $foot, false];
    }

    /**
     * @return array{Vec, Vec, bool}
     *
     * @throws Degenerate
     */
    private static function halving(Arguments $given): array
    {
        [$one, $corner, $other] = $given->places('halves');
        [$a, $b] = [$one->minus($corner), $other->minus($corner)];
        if (min($a->length(), $b->length()) <= $given->tolerance()->distance) {
            throw new Degenerate('an arm of the angle has no length');
        }
        $way = $a->unit()->plus($b->unit());
        if ($way->length() < 1e-9) {
            return [$corner, $corner->plus($a->unit()->quarterTurned()), true];
        }

        // It meets the opposite side in the ratio of the arms (the angle bisector theorem).
        return [$corner, $one->towards($other, $a->length() / ($a->length() + $b->length())), false];
    }

    /**
     * @return array{Vec, Vec, bool}
     *
     * @throws FieldFault
     */
    private static function atAngle(Arguments $given): array
    {
        $angle = $given->has('angle')
            ? $given->number('angle')
            : throw new FieldFault('angle', 'choice', 'the angle of the line is missing');
        $at = $given->vec('at');

        return [$at, $at->plus(new Vec(Angle::cosine($angle), Angle::sine($angle))), true];
    }

    /** @throws FieldFault */
    private static function line(Arguments $given, string $field): Line
    {
        $curve = $given->guides($field)[0]->curve;

        return $curve instanceof Line ? $curve : throw new FieldFault($field, 'choice', 'it is not a straight line');
    }

    /** The stretch of the line that lies on the sheet, and reaches the two points where they are the designer's. */
    private static function acrossSheet(Vec $from, Vec $to, Bounds $sheet, bool $reachesPoints): Line
    {
        $way = $to->minus($from);
        [$enters, $leaves] = [-INF, INF];
        $those = [
            [$way->x, $sheet->left - $from->x, $sheet->right - $from->x],
            [$way->y, $sheet->top - $from->y, $sheet->bottom - $from->y],
        ];
        foreach ($those as [$step, $low, $high]) {
            if ($step !== 0.0) {
                $enters = max($enters, min($low / $step, $high / $step));
                $leaves = min($leaves, max($low / $step, $high / $step));
            }
        }
        if ($enters > $leaves) {
            [$enters, $leaves] = [0.0, 1.0];
        }
        if ($reachesPoints) {
            [$enters, $leaves] = [min($enters, 0.0), max($leaves, 1.0)];
        }

        return new Line($enters === 0.0 ? $from : $from->towards($to, $enters), $leaves === 1.0 ? $to : $from->towards($to, $leaves));
    }
}
