<?php

namespace App\Sheets;

use Sternbild\Core\Evaluation\DrawnPart;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\Raster;
use Sternbild\Core\Format\RenderFailed;
use Sternbild\Core\Format\SeamProof;
use Sternbild\Core\Format\Tile;
use Sternbild\Core\Plan\Unusable;

/** What is said of the tile of a pattern. */
final class TilePages
{
    /**
     * @param  list<string>  $with  other patterns in it
     * @param  int|null  $width  pixels that a picture of it is wanted to be wide; as many as it has at one to a CSS pixel unless said
     * @return array<string, mixed>
     *
     * @throws Unusable
     */
    public static function page(Scene $scene, string $id, array $with, ?int $width): array
    {
        $tile = Tile::of($scene, $id, $with);
        $width ??= $tile->naturalWidth($scene->plan->unit);

        return [
            'of' => $id,
            'at' => [$tile->origin->x, $tile->origin->y],
            'size' => [$tile->width, $tile->height],
            'pixels' => [$width, $tile->heightFor($width)],
            'off' => round($tile->offAt($width), 4),
            'exact' => $tile->isExactAt($width),
            'near' => $tile->exactNear($width),
            'others' => array_values(array_map(
                static fn (DrawnPart $drawn): array => ['id' => $drawn->id, 'label' => $scene->labels[$drawn->id]],
                array_filter($scene->drawing, static fn (DrawnPart $drawn): bool => $drawn->id !== $id && $drawn->part->spread !== null),
            )),
        ];
    }

    /**
     * @param  list<string>  $with
     * @return array{holds: bool, compared: int, off: int}
     *
     * @throws RenderFailed where it takes longer than anybody waits
     * @throws Unusable
     */
    public static function seam(Scene $scene, string $id, array $with): array
    {
        $proof = SeamProof::of($scene, Tile::of($scene, $id, $with), Raster::AT_ONCE);

        return ['holds' => $proof->holds(), 'compared' => $proof->compared, 'off' => $proof->off];
    }
}
