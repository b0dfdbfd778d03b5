<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Place;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PairField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;

/** Parts or guides made larger or smaller, seen from a place; evenly, or by two factors. */
#[Called('resize', label: 'Resize', word: 'resize', prefix: 'v', purpose: Purpose::Construction)]
final class ResizeKind extends TransformKind
{
    /** Factors nearer to nothing leave lines. */
    private const LEAST = 1e-9;

    protected function how(): array
    {
        return [new PlaceField('about', 'about', true), NumberField::factor('factor', 'factor'), PairField::factors('factors', 'factors')];
    }

    public function sentence(Step $step): string
    {
        return $step->says('factors')
            ? 'Resize {of} by {factors} about {about}[, {copy}][, {keep}].'
            : 'Resize {of} by {factor} about {about}[, {copy}][, {keep}].';
    }

    /** What was turned and resized at once is a copy that was turned, resized. */
    public function again(array $said, callable $other): ?array
    {
        if (! isset($said['factor'], $said['about'])) {
            return null;
        }
        $turned = self::isCopy($said) ? null : $other($this->namesake($said) ?? '');
        $isBoth =
            $turned !== null &&
            ($turned['kind'] ?? null) === 'turn' &&
            self::isCopy($turned) &&
            ($turned['about'] ?? null) === $said['about'];
        if (! $isBoth && ! self::isCopy($said)) {
            return null;
        }

        return [
            'kind' => 'repeat.around',
            'of' => ($isBoth ? $turned : $said)['of'] ?? [],
            'center' => $said['about'],
            'count' => 3,
            'angle' => $isBoth ? $turned['angle'] ?? 0 : 0,
            'factor' => $said['factor'],
        ];
    }

    public function pulls(Arguments $given, Result $result): array
    {
        $bounds = self::bounds($given);
        $corner = new Vec($bounds->right, $bounds->bottom);

        return $given->has('factor')
            ? [Pull::along('factor', $given->vec('about'), $given->number('factor'), $corner->minus($given->vec('about')))]
            : [];
    }

    protected function map(Arguments $given): Affine
    {
        if ($given->has('factor') === $given->has('factors')) {
            throw new FieldFault(
                'factor',
                'choice',
                $given->has('factor') ? 'either one factor or two can be given' : 'the factor to resize by is missing',
            );
        }
        $factors = $given->has('factor') ? new Vec($given->number('factor'), $given->number('factor')) : $given->vec('factors');
        if (min(abs($factors->x), abs($factors->y)) < self::LEAST) {
            throw new FieldFault($given->has('factor') ? 'factor' : 'factors', 'number', 'a factor of 0 leaves nothing of it');
        }

        return Affine::scaling($factors->x, $factors->y, $given->vec('about'));
    }
}
