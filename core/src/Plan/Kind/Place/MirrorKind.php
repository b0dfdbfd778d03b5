<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Place;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Chapter;
use Sternbild\Core\Plan\Family;
use Sternbild\Core\Plan\Field\PlacesField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Offer;
use Sternbild\Core\Plan\Step;

/** The mirror image of parts or guides in the line through two places. */
#[Called('mirror', label: 'Mirror', word: 'mirror', prefix: 'v', chapter: Chapter::Construction)]
final class MirrorKind extends TransformKind
{
    protected function how(): array
    {
        return [new PlacesField('axis', 'axis', ['the first place', 'the second place'], true, true)];
    }

    public function sentence(Step $step): string
    {
        return 'Mirror {of} in the line through {axis}[, {copy}][, {keep}].';
    }

    public function offers(): array
    {
        $whole = new Offer(
            label: 'Mirrored half as one…', from: 'parts', family: Family::Copy, key: 12,
            words: 'complete the half, other half, symmetric shape, reflect and join, butterfly, mirror and merge',
            says: 'Mirrors a half in a line, and joins both to one part.',
            takes: 'of', preset: ['axis' => [['sheet.width/2', 0], ['sheet.width/2', 'sheet.height']], 'copy' => true], asks: ['axis'],
            next: [['kind' => 'join', 'of' => ['{of*}', '+new']]],
        );

        return [$whole, ...self::forBoth('Mirror…', 4, 'flip, reflect, reflection, symmetry, flop, reverse', 'Mirrors what is picked in a line.', ['axis' => [['sheet.width/2', 0], ['sheet.width/2', 'sheet.height']], 'copy' => true], ['axis'], 'M24 4V44M18 12L6 36H18ZM30 12L42 36H30Z')];
    }

    protected function map(Arguments $given): Affine
    {
        [$a, $b] = $given->places('axis');
        if ($a->distanceTo($b) <= $given->tolerance()->distance) {
            throw new FieldFault('axis', 'degenerate', 'the two places of the axis are the same, and no line goes through them');
        }

        return Affine::mirror($a, $b);
    }
}
