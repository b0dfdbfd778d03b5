<?php

declare(strict_types=1);

namespace Sternbild\Core\View;

use Sternbild\Core\Format\PathData;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Tiling;
use Sternbild\Core\Mesh\Mesh;

/** Grids and overlays as the interface gets them, in two parts: where they lie, and how they hang together. */
final readonly class TilingView
{
    private PathData $paths;

    /** @param  int  $decimals  as many as can be told apart on the sheet */
    public function __construct(private int $decimals)
    {
        $this->paths = new PathData($decimals);
    }

    /** @return array<string, mixed> where a grid or an overlay lies; how it hangs together is sent apart, because it seldom changes */
    public function places(Tiling $grid): array
    {
        $mesh = $grid->listed();
        $places = [];
        foreach ($mesh->x as $point => $x) {
            $places[] = round($x, $this->decimals) + 0.0;
            $places[] = round($mesh->y[$point], $this->decimals) + 0.0;
        }
        $lattice = $grid->lattice();

        return [
            'topology' => $grid->topologyKey(),
            // The lines of an overlay are those of its grids and guides, which are drawn anyway.
            'lines' => $grid instanceof Grid ? $this->paths->ofCurves($grid->lines()) : '',
            'places' => $places,
            'circles' => (object) $mesh->circles,
            'bends' => (object) $this->bends($mesh),
            ...$lattice === null
                ? []
                : [
                    'lattice' => [
                        'size' => $lattice['size'],
                        ...array_map(static fn (Vec $one): array => [$one->x, $one->y], [
                            'at' => $lattice['corner'],
                            'across' => $lattice['across'],
                            'down' => $lattice['down'],
                        ]),
                    ],
                ],
        ];
    }

    /** @return array<int, list<float>> the control points of the edges that are cubics */
    private function bends(Mesh $mesh): array
    {
        $bends = [];
        foreach ($mesh->spans as $edge => [$from, $to]) {
            $part = $mesh->cubics[$mesh->carrier[$edge]]->part($from, $to);
            $bends[$edge] = array_map(
                fn (float $one): float => round($one, $this->decimals),
                [$part->leaving->x, $part->leaving->y, $part->arriving->x, $part->arriving->y],
            );
        }

        return $bends;
    }

    /** @return array<string, mixed> how it hangs together */
    public static function topology(Tiling $tiling): array
    {
        $mesh = $tiling->listed();
        $cells = [];
        $outlines = [];
        foreach ($mesh->cells as $cell => $outline) {
            $cells[] = substr($tiling->cellAddress($cell), 1);
            // No edge has the number 0, so that it can part the outlines.
            array_push($outlines, 0, ...$outline);
        }
        $points = [];
        foreach (array_keys($mesh->x) as $point) {
            $coordinates = $tiling->pointCoordinates($point);
            if ($coordinates === null) {
                break;
            }
            $points[] = implode(',', $coordinates);
        }

        return [
            'mark' => $tiling->cellMark(),
            'cells' => $cells,
            'points' => $points,
            'from' => $mesh->from,
            'to' => $mesh->to,
            'carriers' => $mesh->carrier,
            'outlines' => $outlines,
            'cellWords' => $tiling->cellWords(),
            'pointWords' => $tiling->pointWords(),
            'arrows' => $tiling->arrows(),
            'about' => $tiling->about(),
        ];
    }
}
