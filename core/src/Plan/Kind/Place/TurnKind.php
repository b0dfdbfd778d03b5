<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Place;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Chapter;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Step;

/** Parts or guides turned about a place. */
#[Called('turn', label: 'Turn', word: 'turn', prefix: 'v', chapter: Chapter::Construction)]
final class TurnKind extends TransformKind
{
    protected function how(): array
    {
        return [new PlaceField('about', 'about', true), NumberField::angle('angle', 'angle')];
    }

    public function sentence(Step $step): string
    {
        return 'Turn {of} by {angle} about {about}[, {copy}][, {keep}].';
    }

    public function offers(): array
    {
        return self::forBoth('Turn…', 3, 'rotate, spin, pivot, tilt, swing, angle', ['about' => '{centre}', 'angle' => 90], ['angle', 'about']);
    }

    protected function map(Arguments $given): Affine
    {
        if (! $given->has('angle')) {
            throw new FieldFault('angle', 'choice', 'the angle to turn by is missing');
        }

        return Affine::turn($given->number('angle'), $given->vec('about'));
    }
}
