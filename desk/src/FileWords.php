<?php

declare(strict_types=1);

namespace Sternbild\Desk;

use Sternbild\Core\Handing\FileForm;

/** What forms of handing over are called on a screen, and what they are for. */
final class FileWords
{
    /** By the form's name. */
    public const OF = [
        'svg' => ['SVG', 'Exact outlines with true arcs, for other programs and for cutters.'],
        'png' => ['PNG', 'Pixels, with a transparent ground where the sheet has none.'],
        'pdf' => ['PDF', 'One page in the sheet’s size, for print.'],
        'set' => ['Set', 'Each chapter, or the whole, on a square of its own, at several sizes, in one archive.'],
        'tile' => ['Tile', 'The smallest rectangle of a pattern that repeats without a seam, for printers of cloth and paper.'],
        'pixels' => ['Pixels', 'Painted cells as an exact picture: one pixel for each, or a square of them.'],
        'frames' => ['Frames', 'Painted frames: as a moving picture, or all in one with a file that says where each lies.'],
        'plan' => ['Plan', 'The construction itself, to be brought in again later.'],
        'tokens' => ['Tokens', 'The palette as design tokens, for style sheets and other programs.'],
        'strip' => ['Strip', 'The palette as a picture, one pixel a colour.'],
    ];

    public static function label(FileForm $form): string
    {
        return self::OF[$form->name()][0] ?? ucfirst($form->name());
    }

    public static function says(FileForm $form): string
    {
        return self::OF[$form->name()][1] ?? '';
    }
}
