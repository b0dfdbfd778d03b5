<?php

declare(strict_types=1);

namespace Sternbild\Desk;

use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Field\BendsField;
use Sternbild\Core\Plan\Field\CellsField;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\ColourField;
use Sternbild\Core\Plan\Field\ColoursField;
use Sternbild\Core\Plan\Field\ColoursOrCountField;
use Sternbild\Core\Plan\Field\DashField;
use Sternbild\Core\Plan\Field\FrameField;
use Sternbild\Core\Plan\Field\HeightsField;
use Sternbild\Core\Plan\Field\HeldToField;
use Sternbild\Core\Plan\Field\KnownField;
use Sternbild\Core\Plan\Field\ManyField;
use Sternbild\Core\Plan\Field\MapField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PaintedCellsField;
use Sternbild\Core\Plan\Field\PaintField;
use Sternbild\Core\Plan\Field\PairField;
use Sternbild\Core\Plan\Field\PathField;
use Sternbild\Core\Plan\Field\PixelsField;
use Sternbild\Core\Plan\Field\PlaceField;
use Sternbild\Core\Plan\Field\PlacesField;
use Sternbild\Core\Plan\Field\SeatsField;
use Sternbild\Core\Plan\Field\SizesField;
use Sternbild\Core\Plan\Field\SourceField;
use Sternbild\Core\Plan\Field\SpanField;
use Sternbild\Core\Plan\Field\StepField;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\Field\SwitchField;

/** In one line what a field is, and how it is given on a screen. */
final class Help
{
    private const GIVEN = [
        BendsField::class => 'how each way is bent; pull its middle on the sheet',
        CellsField::class => 'the cells that it is made of; click to pick them on the sheet',
        ChoiceField::class => 'one of a few',
        ColourField::class => 'a colour of the palette, or none',
        ColoursField::class => 'colours of the palette, one after another',
        ColoursOrCountField::class => 'colours, or how many are to be found',
        DashField::class => 'lengths of dashes and gaps, one after another',
        FrameField::class => 'four shares of the whole: left, top, width, height',
        HeightsField::class => 'a number, or one for each cell',
        HeldToField::class => 'how many there may be, or those of the palette',
        KnownField::class => 'two places of the picture, and where they belong; clicked on the sheet one after another',
        ManyField::class => 'some of a few',
        MapField::class => 'six numbers of a map',
        PaintField::class => 'a colour of the palette, none, a gradient of several, or a pattern',
        PaintedCellsField::class => 'the cells by their colours; painted on the sheet',
        PairField::class => 'two numbers, across and down; typed, worked out, dragged sideways, or stepped with the arrow keys',
        PathField::class => 'path data, of a drawing that was brought in',
        PixelsField::class => 'four places of the picture; clicked on the sheet, or found by itself',
        PlaceField::class => 'a place clicked or dragged on the sheet, one of a list, or two coordinates',
        PlacesField::class => 'places on the sheet, each clicked, dragged or typed',
        SeatsField::class => 'places or cells on the sheet, each clicked, dragged or typed',
        SizesField::class => 'whole numbers of pixels, with commas between them',
        SourceField::class => 'a picture from disk, dropped on the sheet, or pasted',
        SpanField::class => 'column and row of a cell, and of another one',
        StepField::class => 'one of what stands before it in the plan',
        StepsField::class => 'some of what stands before it in the plan',
        SwitchField::class => 'yes or no; click to change it',
    ];

    private const NUMBERS = [
        'angle' => 'degrees, clockwise',
        'count' => 'a whole number',
        'factor' => 'a number of times, or a share',
        'length' => 'a length in the sheet’s unit, or with one of its own',
    ];

    private const TYPED = '; typed, worked out, dragged sideways, or stepped with the arrow keys';

    public static function for(Field $field): string
    {
        $given = $field instanceof NumberField ? self::NUMBERS[$field->measure].self::TYPED : self::GIVEN[$field::class];

        return ucfirst($field->label).": $given.";
    }
}
