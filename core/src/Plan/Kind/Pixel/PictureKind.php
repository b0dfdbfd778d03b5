<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Pixel;

use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Pixel\PlacedPicture;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Chapter;
use Sternbild\Core\Plan\Family;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\Field\SourceField;
use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Plan\Offer;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Result\Role;

/** A picture under the construction: a reference, never part of the result. */
#[Called('picture', label: 'Picture', word: 'picture', prefix: 'k', chapter: Chapter::Ground)]
final class PictureKind extends Kind
{
    public function makes(): Role
    {
        return Role::Picture;
    }

    public function offersPlaces(): bool
    {
        return false;
    }

    public function fields(): array
    {
        return [
            new SourceField('source', 'picture', true),
            new PlaceField('at', 'upper left corner', false, [0, 0]),
            NumberField::size('width', 'width', default: 'sheet.width'),
            NumberField::angle('turn', 'turn', 0),
            NumberField::share('fade', 'fade', 0),
        ];
    }

    public function sentence(Step $step): string
    {
        return 'Picture {source} from {at}, {width} wide[, turned by {turn}][, faded to {fade}].';
    }

    public function offers(): array
    {
        return [new Offer(
            label: 'Picture…', from: 'ground', family: Family::Guide, key: 8,
            words: 'reference, photograph, scan, sketch, image, import a picture, trace, place an image',
            says: 'Lays a picture under the construction, to sample or to trace; it is never part of the result.',
            preset: ['fade' => 0.4], asks: ['source', 'width', 'fade'],
        )];
    }

    public function pulls(Arguments $given, Result $result): array
    {
        if (! $result instanceof PlacedPicture) {
            return [];
        }
        $map = $result->map();
        $right = $map->apply(new Vec((float) $result->file->width, 0.0));
        $along = $right->minus($result->at)->unit();

        return [Pull::along('width', $result->at, $result->width, $along), Pull::angle('turn', $map->apply(new Vec(0.0, (float) $result->file->height)), $result->turn, 0.0, $result->width / 4)];
    }

    public function evaluate(Arguments $given): PlacedPicture
    {
        return new PlacedPicture($given->picture('source'), $given->vec('at'), $given->number('width'), $given->number('turn'), $given->number('fade'), $given->picture('source')->hash);
    }
}
