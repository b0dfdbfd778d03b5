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
use Sternbild\Core\Plan\Family;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\Field\PlacesField;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Offer;
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

    /** @return list<Offer> */
    public static function offers(string $noun, Family $family): array
    {
        $what = strtolower($noun);

        return [
            new Offer(
                label: "$noun, centre and radius", from: 'points', family: $family, key: 4,
                words: 'circle, round, ring, compass, radius, disc, dot',
                says: "A {$what} around a place, with a radius.",
                takes: 'center',
                preset: ['radius' => '{share:8}'],
                asks: ['radius'],
                least: 1,
                most: 1,
            ),
            new Offer(
                label: "$noun, centre and point", from: 'points', family: $family, key: 4,
                words: 'circle, compass, radius to point, round, disc, rim',
                says: "A {$what} around one place, through another.",
                takes: 'center+on',
                least: 2,
                most: 2,
            ),
            new Offer(
                label: "$noun through three", from: 'points', family: $family, key: 5,
                words: 'three points, circumscribed circle, circumcircle, through points, round, circle',
                says: "The {$what} through three places.",
                takes: 'through',
                least: 3,
                most: 3,
            ),
            new Offer(
                label: "Fit a $what", from: 'points', family: $family, key: 6,
                words: 'best fit, regression, least squares, approximate circle, trace circle, average circle',
                says: "The {$what} that comes nearest to many places.",
                takes: 'fit',
                least: 3,
                most: 2000,
            ),
            new Offer(
                label: "Touching $what", from: 'guides', family: $family, key: 4,
                words: 'tangent circle, touch, inscribed, apollonius, nestle, kissing circle',
                says: "A {$what} that touches up to three guides.",
                takes: 'touching',
                preset: ['near' => '{near}'],
                asks: ['radius', 'near'],
                least: 1,
                most: 3,
            ),
        ];
    }

    /** @return list<Pull> of one around a centre its radius */
    public static function pulls(Arguments $given): array
    {
        return $given->has('center') && $given->has('radius') ? [Pull::distance('radius', $given->vec('center'), $given->number('radius'), new Vec(1.0, 0.0))] : [];
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
            throw new FieldFault($forms[0], 'degenerate', sprintf('the radius comes to %.6g; it has to be more than nothing and at most %d', $circle->radius, NumberField::LARGEST));
        }

        return $circle;
    }

    /** @throws FieldFault */
    private static function aroundCenter(Arguments $given): Circle
    {
        if ($given->has('radius') === $given->has('on')) {
            throw new FieldFault('radius', 'choice', $given->has('on') ? 'either a radius or a point on the circle can be given, not both' : 'the radius, or a point on the circle, is missing');
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

        return TouchingGuide::find($guides, $given->has('radius') ? $given->number('radius') : null, $given->has('near') ? $given->vec('near') : $middle);
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
            static fn (Guide $guide): Curve => $guide->curve ?? throw new Degenerate('a run, or copies taken together, cannot be touched; name one line, circle or arc, as in r1[3]'),
            $guides,
        );

        return $curves === [] ? throw new Degenerate('there is no guide left to touch') : $curves;
    }
}
