<?php

namespace App\Exports;

use App\Models\Export;
use App\Pictures\StoredPictures;
use App\Sheets\AllSheets;
use App\Sheets\ChapterSet;
use App\Sheets\Planning;
use App\Work\Cancelled;
use App\Work\Progress;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\ConstructionDrawing;
use Sternbild\Core\Format\Raster;
use Sternbild\Core\Format\RenderFailed;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Format\Tile;
use Sternbild\Core\Format\TilePicture;
use Sternbild\Core\Plan\Unusable;

/** Makes the files that people ask for. */
final readonly class Workshop
{
    public function __construct(private Planning $planning)
    {
    }

    /**
     * Writes the file at a path.
     *
     * @throws Cancelled
     * @throws RenderFailed
     * @throws Unusable
     */
    public function make(Export $export, string $path, Progress $progress): void
    {
        if ($export->sheet_id === null) {
            AllSheets::write($export->user, $path, $progress);

            return;
        }
        app(StoredPictures::class)->within($export->user_id, fn () => $this->makeOfSheet($export, $path, $progress));
    }

    /**
     * @throws Cancelled
     * @throws RenderFailed
     * @throws Unusable
     */
    private function makeOfSheet(Export $export, string $path, Progress $progress): void
    {
        // As it was when the file was asked for, whatever was changed since.
        $sheet = $export->sheet ?? throw new Cancelled;
        $scene = $this->planning->scene($sheet->revision((int) $export->asked['revision'])->plan);
        $progress->goesOn();
        if ($export->asked['format'] === 'set') {
            ChapterSet::asked($scene, $export->asked, pathinfo($export->name, PATHINFO_FILENAME))->write($scene, $path, $progress);

            return;
        }
        if ($export->asked['format'] === 'pixels') {
            Pixels::asked($scene, $export->asked)->write($path, pathinfo($export->name, PATHINFO_FILENAME));

            return;
        }
        if ($export->asked['format'] === 'tile') {
            self::makeTile($scene, $export->asked, $path, $progress);

            return;
        }
        $svg = self::svg($scene, $export->asked);
        $progress->goesOn();
        file_put_contents($path, $export->asked['format'] === 'pdf'
            ? Raster::pdf($svg, $progress->goesOn(...))
            : Raster::png($svg, (float) ($export->asked['scale'] ?? 1.0), meanwhile: $progress->goesOn(...)));
    }

    /**
     * @param  array<array-key, mixed>  $asked  `of`: the pattern; `with`: others in it
     *
     * @throws Unusable
     */
    public static function tile(Scene $scene, array $asked): Tile
    {
        return Tile::of($scene, is_string($asked['of'] ?? null) ? $asked['of'] : '', is_array($asked['with'] ?? null) ? array_values(array_filter($asked['with'], is_string(...))) : []);
    }

    /** @param  array<array-key, mixed>  $asked  `width`, in pixels; as many as it has at one to a CSS pixel unless said */
    public static function tileWidth(Scene $scene, Tile $tile, array $asked): int
    {
        return is_numeric($asked['width'] ?? null) ? (int) $asked['width'] : $tile->naturalWidth($scene->plan->unit);
    }

    /**
     * @param  array<array-key, mixed>  $asked  `as`: svg, png or pdf; `width`: of a PNG, in pixels
     *
     * @throws RenderFailed
     * @throws Unusable
     */
    private static function makeTile(Scene $scene, array $asked, string $path, Progress $progress): void
    {
        $tile = self::tile($scene, $asked);
        file_put_contents($path, match ($asked['as'] ?? 'svg') {
            'png' => TilePicture::png($scene, $tile, self::tileWidth($scene, $tile, $asked), $progress->goesOn(...)),
            'pdf' => Raster::pdf(SvgDrawing::writeTile($scene, $tile), $progress->goesOn(...)),
            default => SvgDrawing::writeTile($scene, $tile),
        });
    }

    /** @param  array<array-key, mixed>  $asked  `construction`: with all that it was constructed on; `grid`: with the lines; `uses`: what is repeated written once; `exact`: outlines only, for cutters */
    public static function svg(Scene $scene, array $asked): string
    {
        return match (true) {
            (bool) ($asked['construction'] ?? false) => ConstructionDrawing::write($scene),
            (bool) ($asked['exact'] ?? false) => SvgDrawing::writeExact($scene),
            (bool) ($asked['grid'] ?? false) => SvgDrawing::writeWithGrids($scene),
            (bool) ($asked['uses'] ?? false) => SvgDrawing::writeWithUses($scene),
            default => SvgDrawing::write($scene, is_numeric($asked['scale'] ?? null) ? (float) $asked['scale'] : 1.0),
        };
    }

    /** What is said of a failure to the person who waits. */
    public static function why(?\Throwable $fault): string
    {
        return match (true) {
            $fault instanceof RenderFailed && $fault->isLate => 'The picture took too long. A smaller scale, or fewer half transparent figures, would do.',
            default => 'The file could not be made. Nothing of the sheet is lost; please try again.',
        };
    }
}
