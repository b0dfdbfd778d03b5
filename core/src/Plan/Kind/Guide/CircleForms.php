<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Guide;

use Sternbild\Core\Geometry\Circle;
use Sternbild\Core\Geometry\CircleFit;
use Sternbild\Core\Geometry\Curve;
use Sternbild\Core\Geometry\Degenerate;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Guide\TouchingGuide;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\Field\PlacesField;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Step;

/** The ways to say a circle, for guides and for parts: around a centre, through three points, fitted to many, or touching guides. */
final class CircleForms
{
    private const FORMS = ['center', 'through', 'fit', 'touching'];

    /** @return list<Field> */
    public static function fields(): array
    {
        return [
            new PlaceField('center', 'centre'),
            NumberField::size('radius', 'radius'),
            new PlaceField('on', 'point on it'),
            new PlacesField('through', 'points', ['the first point', 'the second point', 'the third point'], true),
            new PlacesField('fit', 'points', ['the first point', 'the second point', 'the third point'], false),
            StepsField::guides('touching', 'guides', 3),
            new PlaceField('near', 'place'),
        ];
    }

    /** @param  string  $noun  `Circle` */
    public static function sentence(Step $step, string $noun): string
    {
        return $noun.match (true) {
            $step->says('through') => ' through {through}.',
            $step->says('fit') => ' fitted to {fit}.',
            $step->says('touching') => ' touching {touching}[, radius {radius}][, near {near}].',
            $step->says('on') => ' around {center} through {on}.',
            default => ' around {center}, radius {radius}.',
        };
    }

    /** @return list<Pull> of one around a centre its radius */
    public static function pulls(Arguments $given): array
    {
        return $given->has('center') && $given->has('radius')
            ? [Pull::distance('radius', $given->vec('center'), $given->number('radius'), new Vec(1.0, 0.0))]
            : [];
    }

    /** @throws FieldFault */
    public static function circle(Arguments $given): Circle
    {
        $forms = array_values(array_filter(self::FORMS, $given->has(...)));
        if (count($forms) !== 1) {
            throw new FieldFault($forms[1] ?? 'center', 'choice', $forms === []
                ? 'a circle needs a centre, three points, points to fit, or guides to touch'
                : 'a circle is given in one way, not by '.implode(' and by ', $forms));
        }
        try {
            $circle = match ($forms[0]) {
                'center' => self::aroundCenter($given),
                'through' => Circle::through(...$given->places('through')),
                'fit' => CircleFit::to($given->places('fit')),
                'touching' => self::touching($given),
            };
        } catch (Degenerate $fault) {
            throw new FieldFault($forms[0], 'degenerate', $fault->getMessage());
        }
        if ($circle->radius <= $given->tolerance()->distance || $circle->radius > NumberField::LARGEST) {
            throw new FieldFault(
                $forms[0],
                'degenerate',
                sprintf('the radius comes to %.6g; it has to be more than nothing and at most %d', $circle->radius, NumberField::LARGEST),
            );
        }

        return $circle;
    }

    /** @throws FieldFault */
    private static function aroundCenter(Arguments $given): Circle
    {
        if ($given->has('radius') === $given->has('on')) {
            throw new FieldFault(
                'radius',
                'choice',
                $given->has('on')
                    ? 'either a radius or a point on the circle can be given, not both'
                    : 'the radius, or a point on the circle, is missing',
            );
        }
        $center = $given->vec('center');

        return new Circle($center, $given->has('radius') ? $given->number('radius') : $given->vec('on')->distanceTo($center));
    }

    /** @throws Degenerate */
    private static function touching(Arguments $given): Circle
    {
        $guides = self::single($given->guides('touching'));
        $middle = Vec::zero();
        foreach ($guides as $guide) {
            $middle = $middle->plus($guide->bounds()->center()->times(1 / count($guides)));
        }

        return TouchingGuide::find(
            $guides,
            $given->has('radius') ? $given->number('radius') : null,
            $given->has('near') ? $given->vec('near') : $middle,
        );
    }

    /**
     * The curves of guides that are one curve each.
     *
     * @param  list<Guide>  $guides
     * @return non-empty-list<Curve>
     *
     * @throws Degenerate
     */
    public static function single(array $guides): array
    {
        $curves = array_map(
            static fn (Guide $guide): Curve => $guide->curve ??
                throw new Degenerate('a run, or copies taken together, cannot be touched; name one line, circle or arc, as in r1[3]'),
            $guides,
        );

        return $curves === [] ? throw new Degenerate('there is no guide left to touch') : $curves;
    }
}
