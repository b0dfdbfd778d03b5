<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Place;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\PlacesField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;

/** The mirror image of parts or guides in the line through two places. */
#[Called('mirror', label: 'Mirror', word: 'mirror', prefix: 'v', purpose: Purpose::Construction)]
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

    protected function map(Arguments $given): Affine
    {
        [$a, $b] = $given->places('axis');
        if ($a->distanceTo($b) <= $given->tolerance()->distance) {
            throw new FieldFault('axis', 'degenerate', 'the two places of the axis are the same, and no line goes through them');
        }

        return Affine::mirror($a, $b);
    }
}
