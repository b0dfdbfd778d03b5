<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind;

use Sternbild\Core\Arrangement\Arrangement;
use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Overlay;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Chapter;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Plan\Offer;
use Sternbild\Core\Plan\Step;

/** Grids and guides laid over one another, and the cells that their lines cut. */
final class OverlayKind extends Kind
{
    public function name(): string
    {
        return 'overlay';
    }

    public function label(): string
    {
        return 'Overlay';
    }

    public function word(): string
    {
        return 'overlay';
    }

    public function chapter(): Chapter
    {
        return Chapter::Ground;
    }

    public function idPrefix(): string
    {
        return 'o';
    }

    public function fields(): array
    {
        return [StepsField::gridsAndGuides('of', 'grids and guides')];
    }

    public function sentence(Step $step): string
    {
        return 'Overlay of {of}.';
    }

    public function offers(): array
    {
        return [new Offer(label: 'Overlay', from: 'guides', takes: 'of', least: 1, most: 10_000)];
    }

    public function evaluate(Arguments $given): Overlay
    {
        $curves = $frames = [];
        $key = '';
        foreach ($given->steps('of') as $step) {
            $key .= $step->fingerprint().';';
            if ($step->result instanceof Grid) {
                $frames = [$step->id => $step->result] + $frames;
                array_push($curves, ...$step->result->lines());
            } elseif ($step->result instanceof Guide) {
                $frames += array_filter(array_map(static fn (Evaluated $frame): ?Grid => $frame->result instanceof Grid ? $frame->result : null, $step->frames));
                $curves[] = $step->result->curve;
            }
        }
        try {
            return new Overlay($frames, Arrangement::of($curves, $given->tolerance()), hash('xxh128', $key));
        } catch (Unworkable $fault) {
            throw new FieldFault('of', 'limit', $fault->getMessage());
        }
    }
}
