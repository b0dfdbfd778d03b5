<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Pixel;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Budget;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Pixel\PlacedPicture;
use Sternbild\Core\Pixel\Straightened;
use Sternbild\Core\Pixel\Unreadable;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\ColourField;
use Sternbild\Core\Plan\Field\FrameField;
use Sternbild\Core\Plan\Field\KnownField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PixelsField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\Field\SourceField;
use Sternbild\Core\Plan\Field\SwitchField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Result\Role;

/** A picture under the construction: a reference, never part of the result. */
#[Called('picture', label: 'Picture', word: 'picture', prefix: 'k', purpose: Purpose::Ground)]
final class PictureKind extends Kind
{
    /** Compositing and Blending Level 1, W3C, section 10. */
    private const BLENDS = [
        'normal',
        'multiply',
        'screen',
        'overlay',
        'darken',
        'lighten',
        'color-dodge',
        'color-burn',
        'hard-light',
        'soft-light',
        'difference',
        'exclusion',
        'hue',
        'saturation',
        'color',
        'luminosity',
    ];

    public function makes(): Role
    {
        return Role::Picture;
    }

    public function offersPlaces(): bool
    {
        return false;
    }

    protected function declared(): array
    {
        return [
            new SourceField('source', 'picture', true),
            new PlaceField('at', 'upper left corner', false, [0, 0]),
            NumberField::size('width', 'width', default: 'sheet.width'),
            NumberField::angle('turn', 'turn', 0),
            new FrameField('crop', 'crop'),
            new PixelsField('corners', 'corners'),
            new SwitchField('even', 'light', 'with its light evened', 'with its light as it is'),
            NumberField::share('fade', 'fade', 0),
            new ColourField('veil', 'veil'),
            new ChoiceField('blend', 'blend', array_combine(self::BLENDS, self::BLENDS), 'normal'),
            new KnownField('known', 'known places'),
        ];
    }

    public function sentence(Step $step): string
    {
        $placed = $step->says('known')
            ? ', with two places at {known}'
            : ' from {at}, {width} wide[, turned by {turn}][, with two places at {known}]';

        return 'Picture {source}'.$placed.'[, cropped to {crop}][, straightened to {corners}][, {even}][, faded to {fade}][, into {veil}][, laid over others by {blend}].';
    }

    public function pulls(Arguments $given, Result $result): array
    {
        if (! $result instanceof PlacedPicture) {
            return [];
        }
        [$along, $down] = [Vec::heading($result->turn + 90), Vec::heading($result->turn + 180)];
        $sides = Pull::sides(
            'crop',
            $given->has('crop') ? $given->shares('crop') : [0.0, 0.0, 1.0, 1.0],
            $result->at,
            $along->times($result->width),
            $down->times($result->height()),
        );
        if ($given->has('known')) {
            [, $first, , $second] = $given->places('known');

            return [
                Pull::place('known', [0, 1], $first)->shownAs('first known place'),
                Pull::place('known', [1, 1], $second)->shownAs('second known place'),
                ...$sides,
            ];
        }

        return [
            Pull::along('width', $result->at, $result->width, $along),
            Pull::angle('turn', $result->at->plus($down->times($result->height())), $result->turn, 0.0, $result->width / 4),
            ...$sides,
        ];
    }

    public function evaluate(Arguments $given): PlacedPicture
    {
        $file = $given->picture('source');
        $corners = $given->has('corners') ? $given->places('corners') : [];
        $crop = $given->has('crop') ? $given->shares('crop') : null;
        $even = $given->isOn('even');
        $whole = Straightened::size($file, $corners);
        Budget::spend($corners !== [] || $crop !== null || $even ? $file->width * $file->height / 400 : 0);
        try {
            $seen = Straightened::made($file, $corners, $crop, $even);
        } catch (Unreadable $fault) {
            throw new FieldFault('source', 'lost', $fault->getMessage());
        }
        [$at, $width, $turn] = $given->has('known')
            ? self::byKnown($given->places('known'), $whole[0])
            : [$given->vec('at'), $given->number('width'), $given->number('turn')];
        $corner = $crop === null ? [0, 0] : Straightened::cropped($crop, ...$whole);
        $done = http_build_query(
            array_filter(
                [
                    'corners' => implode(' ', array_map(static fn (Vec $one): string => "$one->x $one->y", $corners)),
                    'crop' => implode(' ', $crop ?? []),
                    'even' => $even ? '1' : '',
                ],
                static fn (string $one): bool => $one !== '',
            ),
        );

        return new PlacedPicture(
            $seen,
            $at,
            $width,
            $turn,
            $given->number('fade'),
            $file->hash.($done === '' ? '' : "?$done"),
            $whole,
            new Vec((float) $corner[0], (float) $corner[1]),
            $given->has('veil') && $given->text('veil') !== 'none' ? $given->text('veil') : null,
            $given->text('blend'),
        );
    }

    /**
     * @param  list<Vec>  $known  pixel and place, pixel and place
     * @return array{Vec, float, float} upper left corner, width and turn
     */
    private static function byKnown(array $known, int $wide): array
    {
        [$pixel, $place, $other, $there] = $known;
        $scale = $place->distanceTo($there) / $pixel->distanceTo($other);
        $turn = rad2deg($there->minus($place)->angle() - $other->minus($pixel)->angle());
        $turn = fmod(fmod($turn, 360.0) + 540.0, 360.0) - 180.0;

        return [$place->minus(Affine::turn($turn, Vec::zero())->apply($pixel->times($scale))), $scale * $wide, $turn];
    }
}
