<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\ConstructionDrawing;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Plan\Field\ChoiceField;

/** What of a sheet a drawing shows. */
final class Shown
{
    private const CHOICES = [
        'result' => 'the result alone',
        'grid' => 'with the grid',
        'construction' => 'its construction, with circles and radii',
        'exact' => 'outlines as they are, for cutters and plotters',
    ];

    public static function field(): ChoiceField
    {
        return new ChoiceField('shown', 'shown', self::CHOICES, 'result');
    }

    /** For drawings that may say what is repeated once. */
    public static function fieldWithUses(): ChoiceField
    {
        return new ChoiceField('shown', 'shown', [...self::CHOICES, 'uses' => 'the result, with what repeats written once'], 'result');
    }

    /** @param  array<string, mixed>  $asked */
    public static function svg(Scene $scene, array $asked, float $scale = 1.0): string
    {
        return match ($asked['shown'] ?? 'result') {
            'construction' => ConstructionDrawing::write($scene),
            'exact' => SvgDrawing::writeExact($scene),
            'grid' => SvgDrawing::writeWithGrids($scene),
            'uses' => SvgDrawing::writeWithUses($scene),
            default => SvgDrawing::write($scene, $scale),
        };
    }
}
