<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\Fills;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class GridTriangular extends KindDesk
{
    public function offers(): array
    {
        return [
            new Offer(
                label: 'Triangular grid',
                from: 'ground',
                family: Family::Make,
                key: 4,
                words: 'triangles, hexagonal tiling, isometric, honeycomb, tessellation, sixty degrees',
                says: 'Equal triangles, as a rhomb or filling a rectangle.',
                // Rows are √3/2 of a side apart, so that nine are about as high as eight sides are wide.
                preset: [
                    'origin' => ['sheet.width/10', 'sheet.height/10'],
                    'side' => 'min(sheet.width, sheet.height)/10',
                    'columns' => 8,
                    'rows' => 9,
                    'field' => 'rectangle',
                ],
                asks: ['field', 'angle', 'columns', 'rows', 'side', 'show'],
                fills: new Fills('side', high: '*sqrt(3)/2'),
                picture: 'M4 10H30L44 38H18ZM11 24H37M17 10L31 38M30 10L18 38M17 10L11 24M37 24L31 38',
            ),
            new Offer(
                label: 'Isometric grid',
                from: 'ground',
                family: Family::Make,
                key: 7,
                words: 'isometric, axonometric, cubes, blocks, thirty degrees, 3d, boxes',
                says: 'Equal triangles on three axes, one of them upright: what blocks stand on.',
                preset: [
                    'origin' => ['sheet.width/10', 'sheet.height/10'],
                    'side' => 'min(sheet.width, sheet.height)/10',
                    'columns' => 8,
                    'rows' => 9,
                    'field' => 'rectangle',
                    'angle' => 30,
                ],
                asks: ['columns', 'rows', 'side', 'show'],
                fills: new Fills('side', wide: '*sqrt(3)/2', across: 'rows', down: 'columns'),
                picture: 'M24 4L41 14V34L24 44L7 34V14ZM24 4V44M7 14L41 34M41 14L7 34',
            ),
        ];
    }
}
