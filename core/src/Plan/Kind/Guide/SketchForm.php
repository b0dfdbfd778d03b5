<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Guide;

use Sternbild\Core\Geometry\Degenerate;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Pixel\PlacedPicture;
use Sternbild\Core\Pixel\Unreadable;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PlacesField;
use Sternbild\Core\Plan\Field\StepField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Result\Role;

/** The way to say a circle, an arc or a line by a line of a picture that it is fitted to. */
final class SketchForm
{
    public const MOST = 400;

    /** @return list<Field> */
    public static function fields(): array
    {
        return [
            new StepField('sketch', 'picture', Role::Picture),
            new PlacesField('along', 'places', ['the beginning', 'the end'], false, false, self::MOST),
            NumberField::size('reach', 'reach', default: 'max(sheet.width, sheet.height)/60'),
        ];
    }

    public static function sentence(string $noun): string
    {
        return "$noun fitted to a line of {sketch} along {along}[, looked for within {reach}], deviation{=deviation}, at most{=farthest}.";
    }

    /**
     * @template Fit
     *
     * @param  callable(PlacedPicture, list<Vec>, float): Fit  $fit
     * @return Fit
     *
     * @throws FieldFault
     */
    public static function fitted(Arguments $given, callable $fit): mixed
    {
        $picture = $given->step('sketch')->result;
        if (! $picture instanceof PlacedPicture) {
            throw new FieldFault('sketch', 'lost', 'it is no picture');
        }
        if (! $given->has('along')) {
            throw new FieldFault('along', 'choice', 'it is fitted along places, which are missing');
        }
        try {
            return $fit($picture, $given->places('along'), $given->number('reach'));
        } catch (Degenerate $fault) {
            throw new FieldFault('along', 'degenerate', $fault->getMessage());
        } catch (Unreadable $fault) {
            throw new FieldFault('sketch', 'lost', $fault->getMessage());
        }
    }
}
