<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Weave;

use Sternbild\Core\Arrangement\Unworkable;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlacesField;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind\Combine\PartOperation;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Remark;
use Sternbild\Core\Shape\Band;
use Sternbild\Core\Shape\Corner;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Shape\Strand;
use Sternbild\Core\Symmetry\Weave;

/** Bands, rings, or guides of a width, that go over and under one another in turn. */
#[Called('weave', label: 'Weave', word: 'weave', prefix: 'w', purpose: Purpose::Construction)]
final class WeaveKind extends PartOperation
{
    protected function declared(): array
    {
        return [
            StepsField::partsOrGuides('of', 'strands'),
            NumberField::size('width', 'width'),
            new ChoiceField('first', 'first', ['over' => 'over', 'under' => 'under'], 'over'),
            NumberField::length('gap', 'clearance', 0),
            new PlacesField('swap', 'crossings swapped', ['a crossing'], false),
            self::keep(),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Weave {of}[, {width} wide], going {first} at the first crossing[, kept clear by {gap}][, the other way at {swap}][, {keep}].';
    }

    /**
     * The crossings, with the strands by the numbers of their figures; of those with one of which nothing is left the crossing is one of
     * nothing.
     *
     * @param  list<array{array{int, float}, array{int, float}}>  $dives
     * @param  array<int, int>  $numbers
     * @return list<array{array{int, float}, array{int, float}}>
     */
    private static function dives(array $dives, array $numbers): array
    {
        return array_map(
            static fn (array $pair): array => array_map(static fn (array $one): array => [$numbers[$one[0]] ?? -1, $one[1]], $pair),
            $dives,
        );
    }

    public function sources(Arguments $given): array
    {
        return array_values(array_filter($given->steps('of'), static fn (Evaluated $step): bool => $step->result instanceof Part));
    }

    public function evaluate(Arguments $given): Part
    {
        $strands = $figures = [];
        foreach ($given->steps('of') as $step) {
            foreach ($step->result instanceof Part ? $step->result->figures() : [] as $figure) {
                $strands[] = $figure->strand() ?? throw new FieldFault('of', 'choice', 'strands are bands, rings between two circles around one centre, and guides with a width; other parts have no way that they follow');
                $figures[] = $figure;
            }
            foreach ($step->result instanceof Guide ? $step->result->runs : [] as $run) {
                if (! $given->has('width')) {
                    throw new FieldFault('width', 'choice', 'guides are woven as bands of a width, which is not said');
                }
                $half = $given->number('width') / 2;
                $strands[] = new Strand($run->curves, $half, $half, Corner::Miter);
                $figures[] = null;
            }
        }
        if ($strands === []) {
            throw new FieldFault('of', 'empty', 'there is no strand');
        }
        try {
            $whole = array_map(
                static fn (Strand $strand, ?Figure $figure): array => $figure?->outlines() ??
                    (new Band($strand->left, $strand->right, $strand->join, 'butt', 4.0, $given->tolerance()))->of($strand->way),
                $strands,
                $figures,
            );
            $woven = Weave::woven(
                $strands,
                $whole,
                $given->text('first') === 'over',
                $given->number('gap'),
                $given->has('swap') ? $given->places('swap') : [],
                $given->tolerance(),
            );
            $drawn = $numbers = [];
            foreach ($strands as $number => $strand) {
                $figure = $figures[$number];
                $outlines = $woven->strands[$number] ?? $whole[$number];
                if ($outlines !== []) {
                    $numbers[$number] = count($drawn);
                    $drawn[] =
                        $figure === null
                            ? Figure::drawn($outlines, [])->following($strand)
                            : Figure::drawn($outlines, [])->cameAs($figure)->following($strand);
                }
            }
        } catch (Unworkable $fault) {
            throw new FieldFault('of', 'limit', $fault->getMessage());
        }
        if ($drawn === []) {
            throw new FieldFault('gap', 'empty', 'with such a clearance nothing is left');
        }
        $part = Part::of($drawn)
            ->throughStep($given->step)
            ->knowing(
                $woven->crossings,
                ['crossings' => (float) count($woven->crossings), 'strands' => (float) count($strands)],
                ['gap' => $given->number('gap'), 'dives' => self::dives($woven->dives, $numbers)],
            );
        $stuck = $woven->stuck;

        return $stuck === []
            ? $part
            : $part->remarked(
                new Remark(
                    'no-turn',
                    sprintf(
                        'over and under cannot alternate at %s; swap a crossing, or let a strand cross once more',
                        implode(
                            ' and ',
                            array_map(static fn ($at): string => sprintf('%.4g, %.4g', $at->x, $at->y), array_slice($stuck, 0, 3)),
                        ),
                    ),
                    'of',
                ),
            );
    }
}
