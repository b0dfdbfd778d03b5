<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Place;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;

/** Parts or guides turned about a place. */
#[Called('turn', label: 'Turn', word: 'turn', prefix: 'v', purpose: Purpose::Construction)]
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

    public function again(array $said, callable $other): ?array
    {
        return self::isCopy($said) && isset($said['angle'], $said['about'])
            ? ['kind' => 'repeat.around', 'of' => $said['of'] ?? [], 'center' => $said['about'], 'count' => 3, 'angle' => $said['angle']]
            : null;
    }

    public function pulls(Arguments $given, Result $result): array
    {
        $about = $given->vec('about');
        $middle = self::bounds($given)->center()->minus($about);
        $arm = max($middle->length(), min($given->sheet->right, $given->sheet->bottom) / 8);
        // Where the middle of what is turned lies on its pivot, it is turned from the right.
        $zero = $middle->length() > $given->tolerance()->distance ? $middle->angle() * 180 / M_PI : 0.0;

        return $given->has('angle') ? [Pull::angle('angle', $about, $given->number('angle'), $zero, $arm)] : [];
    }

    protected function map(Arguments $given): Affine
    {
        if (! $given->has('angle')) {
            throw new FieldFault('angle', 'choice', 'the angle to turn by is missing');
        }

        return Affine::turn($given->number('angle'), $given->vec('about'));
    }
}
