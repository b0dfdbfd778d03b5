<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Guide;

use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Run;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Shape\Part;

/** The box around a mark that nothing else may enter. */
#[Called('guide.clear', label: 'Clear space', word: 'clear space', prefix: 'c', purpose: Purpose::Construction)]
final class ClearSpaceKind extends GuideKind
{
    protected function declared(): array
    {
        return [StepsField::parts('of', 'parts'), NumberField::length('distance', 'distance', 10)];
    }

    public function sentence(Step $step): string
    {
        return 'Clear space of {distance} around {of}.';
    }

    public function pulls(Arguments $given, Result $result): array
    {
        $box = self::box($given, 0.0);

        return [Pull::along('distance', new Vec($box->right, $box->center()->y), $given->number('distance'), new Vec(1.0, 0.0))];
    }

    public function evaluate(Arguments $given): Guide
    {
        $box = self::box($given, $given->number('distance'));
        $corners = [
            new Vec($box->left, $box->top),
            new Vec($box->right, $box->top),
            new Vec($box->right, $box->bottom),
            new Vec($box->left, $box->bottom),
        ];
        $sides = [];
        foreach ($corners as $number => $corner) {
            $sides[] = new Line($corner, $corners[($number + 1) % 4]);
        }

        return Guide::run(new Run($sides));
    }

    private static function box(Arguments $given, float $distance): Bounds
    {
        $parts = $given->parts('of');
        $box = Bounds::of(...array_map(static fn (Part $part): Bounds => $part->bounds(), $parts));

        return new Bounds($box->left - $distance, $box->top - $distance, $box->right + $distance, $box->bottom + $distance);
    }
}
