<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Guide;

use Sternbild\Core\Arrangement\Arrangement;
use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Overlay;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Sides;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Result\Role;
use Sternbild\Core\Shape\Part;

/** Grids and guides laid over one another, and the cells that their lines cut. */
#[Called('overlay', label: 'Overlay', word: 'overlay', prefix: 'o', purpose: Purpose::Ground)]
final class OverlayKind extends Kind
{
    public function makes(): Role
    {
        return Role::Overlay;
    }

    protected function declared(): array
    {
        return [StepsField::withLines('of', 'grids, guides and parts')];
    }

    public function sentence(Step $step): string
    {
        return 'Overlay of {of}.';
    }

    public function evaluate(Arguments $given): Overlay
    {
        $curves = $sources = $frames = $sides = [];
        $key = '';
        foreach ($given->steps('of') as $step) {
            $key .= $step->fingerprint().';';
            if ($step->result instanceof Grid) {
                $frames = [$step->id => $step->result] + $frames;
            } else {
                $frames += array_filter(
                    array_map(static fn (Evaluated $frame): ?Grid => $frame->result instanceof Grid ? $frame->result : null, $step->frames),
                );
            }
            foreach (self::named($step) as $name => $result) {
                $lines = match (true) {
                    $result instanceof Grid => $result->lines(),
                    $result instanceof Guide => $result->curves(),
                    $result instanceof Part => $result->allCurves(),
                    default => throw new \LogicException("{$step->id} has no lines."),
                };
                array_push($curves, ...$lines);
                array_push($sources, ...array_fill(0, count($lines), $name));
                $side = Sides::find($result);
                if ($side !== null) {
                    $sides[$name] = $side;
                }
            }
        }
        try {
            return new Overlay($frames, Arrangement::of($curves, $given->tolerance()), hash('sha512/256', $key), $sources, $sides);
        } catch (Unworkable $fault) {
            throw new FieldFault('of', 'limit', $fault->getMessage());
        }
    }

    /**
     * What a step comes to; of copies each by its own name, so that each has its own sides.
     *
     * @return array<string, Result>
     */
    private static function named(Evaluated $step): array
    {
        $result = $step->result;
        $isWhole = ! str_contains($step->id, '[') && ! str_contains($step->id, '~');

        return $isWhole && ($result instanceof Guide || $result instanceof Part) ? $result->named($step->id) : [$step->id => $result];
    }
}
