<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Place;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Chapter;
use Sternbild\Core\Plan\Family;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Offer;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;

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
        return [
            ...self::forBoth('Turn…', 3, 'rotate, spin, pivot, tilt, swing, angle', 'Turns what is picked about a place.', ['about' => '{centre}', 'angle' => 90], ['angle', 'about'], 'M24 10a14 14 0 1 1-14 14M24 4v12l-7-6z'),
            new Offer(
                label: 'Shadow…', from: 'parts', family: Family::Look, key: 8,
                words: 'drop shadow, inner shadow, depth, darken, overlap, multiply',
                says: 'Darkens what a part and its copy, turned by a little about a centre, have in common.',
                takes: 'of', most: 1,
                preset: ['about' => '{center}', 'angle' => 4, 'copy' => true, 'hidden' => true],
                asks: ['angle', 'about'],
                next: [
                    ['id' => '+shadow', 'kind' => 'common', 'of' => ['{of*}', '+new'], 'keep' => true],
                    ['kind' => 'style', 'of' => ['+shadow'], 'fill' => '#000000', 'opacity' => 0.25, 'blend' => 'multiply'],
                ],
            ),
        ];
    }

    public function again(array $said, callable $other): ?array
    {
        return self::isCopy($said) && isset($said['angle'], $said['about'])
            ? ['kind' => 'repeat.around', 'of' => $said['of'] ?? [], 'center' => $said['about'], 'count' => 3, 'angle' => $said['angle']] : null;
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
