<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Pixel;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Run;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Rectangles;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Pixel\Frames;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PairField;
use Sternbild\Core\Plan\Field\StepField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind\Guide\GuideKind;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Role;

/** The frames of a moving picture on a pixel grid: where each lies, and how long it is shown. */
#[Called('frames', label: 'Frames', word: 'frames', prefix: 'f', purpose: Purpose::Ground)]
final class FramesKind extends GuideKind
{
    public const MOST = 256;

    protected function declared(): array
    {
        return [
            new StepField('on', 'grid', Role::Grid, true, ['grid.pixel', 'grid.rectangular']),
            PairField::counts('size', 'size of a frame', 1, 10_000, true),
            NumberField::count('count', 'frames', 1, self::MOST, true),
            NumberField::count('ms', 'milliseconds', 10, 10_000, default: 120),
        ];
    }

    public function sentence(Step $step): string
    {
        return '{count} frames of {size} cells on {on}, {ms} ms each.';
    }

    public function copyNames(): array
    {
        return array_map(strval(...), range(1, self::MOST));
    }

    public function offersPlaces(): bool
    {
        return false;
    }

    public function evaluate(Arguments $given): Guide
    {
        $grid = $given->step('on')->result;
        if (! $grid instanceof Rectangles) {
            throw new FieldFault('on', 'lost', 'frames lie on a pixel or a rectangular grid');
        }
        $frames = self::laid($grid, $given->numbers());
        if ($frames->wide > $frames->columns || $frames->high > $frames->rows) {
            throw new FieldFault(
                'size',
                'number',
                "a frame of $frames->wide × $frames->high cells does not fit: its grid has $frames->columns × $frames->rows",
            );
        }
        if ($frames->count > $frames->most()) {
            throw new FieldFault(
                'count',
                'number',
                "there is room for {$frames->most()} frames of $frames->wide × $frames->high cells, not for $frames->count",
            );
        }
        Budget::spend(40 * $frames->count);
        $corner = static fn (int $column, int $row): Vec => $grid->placeAt((float) $column, (float) $row);
        [$one, $two, $three, $four] = [
            $corner(0, 0),
            $corner($frames->wide, 0),
            $corner($frames->wide, $frames->high),
            $corner(0, $frames->high),
        ];
        $edge = Guide::run(new Run([new Line($one, $two), new Line($two, $three), new Line($three, $four), new Line($four, $one)]));

        return Guide::repeated(
            [$edge],
            array_map(static fn (array $at): Affine => Affine::move($corner(...$at)->minus($one)), $frames->corners()),
        );
    }

    /** The frames of a step of this kind; null where it came to none. */
    public static function framesOf(Evaluated $known, ?Evaluated $grid): ?Frames
    {
        return $known->result instanceof Guide && $grid?->result instanceof Rectangles ? self::laid($grid->result, $known->numbers) : null;
    }

    /** @param  array<string, float>  $numbers */
    private static function laid(Rectangles $grid, array $numbers): Frames
    {
        [$columns, $rows] = $grid->size();

        return new Frames(
            $columns,
            $rows,
            (int) ($numbers['size.0'] ?? 1),
            (int) ($numbers['size.1'] ?? 1),
            (int) ($numbers['count'] ?? 1),
            (int) ($numbers['ms'] ?? 120),
        );
    }
}
