<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind;

use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Geometry\Line;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\PlacesField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Offer;
use Sternbild\Core\Plan\Step;

/** A straight line between two places, or through them to the edges of the sheet. */
final class GuideLineKind extends GuideKind
{
    public function name(): string
    {
        return 'guide.line';
    }

    public function label(): string
    {
        return 'Line';
    }

    public function word(): string
    {
        return 'line';
    }

    public function fields(): array
    {
        return [
            new PlacesField('through', 'points', ['the first point', 'the second point'], true, true),
            new ChoiceField('extend', 'reaching', ['none' => 'from point to point', 'both' => 'to the edges of the sheet'], 'none'),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Line through {through}, {extend}.';
    }

    public function offers(): array
    {
        return [new Offer(label: 'Line', from: 'points', takes: 'through', preset: ['extend' => 'none'], asks: ['extend'], least: 2, most: 2)];
    }

    public function evaluate(Arguments $given): Guide
    {
        [$from, $to] = $given->places('through');
        if ($from->distanceTo($to) <= $given->tolerance()->distance) {
            throw new FieldFault('through', 'degenerate', 'the two points are the same place, and no line goes through them');
        }

        return $given->text('extend') === 'both'
            ? new Guide(self::acrossSheet($from, $to, $given->sheet), false)
            : new Guide(new Line($from, $to), true);
    }

    /** The stretch of the line that lies on the sheet, and reaches the two points. */
    private static function acrossSheet(Vec $from, Vec $to, Bounds $sheet): Line
    {
        $way = $to->minus($from);
        [$enters, $leaves] = [-INF, INF];
        foreach ([[$way->x, $sheet->left - $from->x, $sheet->right - $from->x], [$way->y, $sheet->top - $from->y, $sheet->bottom - $from->y]] as [$step, $low, $high]) {
            if ($step !== 0.0) {
                $enters = max($enters, min($low / $step, $high / $step));
                $leaves = min($leaves, max($low / $step, $high / $step));
            }
        }
        if ($enters > $leaves) {
            [$enters, $leaves] = [0.0, 1.0];
        }

        return new Line(min($enters, 0.0) === 0.0 ? $from : $from->towards($to, min($enters, 0.0)), max($leaves, 1.0) === 1.0 ? $to : $from->towards($to, max($leaves, 1.0)));
    }
}
