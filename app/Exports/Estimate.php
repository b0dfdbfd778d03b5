<?php

namespace App\Exports;

use App\Sheets\ChapterSet;
use Illuminate\Validation\ValidationException;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\Raster;
use Sternbild\Core\Format\Tile;

/** What making a file would take, looked at before it is begun. */
final class Estimate
{
    /** Pixels times the figures that are laid over one another as pictures; more would take longer than anybody waits. */
    private const MOST_BLENDED = 1.5e9;

    /** Pixels that a tile may have on its longer side. */
    private const MOST_TILE = 5000;

    /**
     * Refuses a picture that is too large or would take too long, by the field that makes it so.
     *
     * @throws ValidationException
     */
    public static function holdPng(Scene $scene, float $scale): void
    {
        $unit = $scale * $scene->plan->unit->pixels();
        $side = max($scene->plan->width, $scene->plan->height) * $unit;
        if ($side > Raster::LARGEST_SIDE) {
            throw ValidationException::withMessages(['scale' => sprintf(
                'The picture would be %s pixels on its longer side; at most %s can be made.', number_format($side), number_format(Raster::LARGEST_SIDE),
            )]);
        }
        $pixels = $scene->plan->width * $scene->plan->height * $unit ** 2;
        $blended = 0;
        foreach ($scene->drawing as $drawn) {
            foreach ($drawn->styles as $style) {
                $blended += $style !== null && ($style->opacity < 1.0 || $style->blend !== 'normal') ? 1 : 0;
            }
        }
        if ($pixels * $blended > self::MOST_BLENDED) {
            throw ValidationException::withMessages(['scale' => sprintf(
                'There are %s half transparent or blended figures; at this size they would take too long. A scale of %.2g would do.',
                number_format($blended), $scale * sqrt(self::MOST_BLENDED / ($pixels * $blended)),
            )]);
        }
    }

    /**
     * @param  int  $width  of a picture of it, in pixels
     *
     * @throws ValidationException
     */
    public static function holdTile(Tile $tile, int $width): void
    {
        $height = $tile->heightFor($width);
        if (max($width, $height) > self::MOST_TILE) {
            throw ValidationException::withMessages(['width' => sprintf('The tile would be %s × %s pixels; at most %s a side can be made.', number_format($width), number_format($height), number_format(self::MOST_TILE))]);
        }
    }

    /**
     * @throws ValidationException
     */
    public static function holdSet(Scene $scene, ChapterSet $set): void
    {
        if ($set->pictures() > ChapterSet::MOST_PICTURES) {
            throw ValidationException::withMessages(['sizes' => sprintf('There would be %d pictures; at most %d can be made at once.', $set->pictures(), ChapterSet::MOST_PICTURES)]);
        }
        if (! $set->isDrawn($scene)) {
            throw ValidationException::withMessages(['chapters' => 'Nothing of these chapters is drawn by itself.']);
        }
    }
}
