<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Band extends KindDesk
{
    public function offers(): array
    {
        $nib = array_map(
            static fn (string $from): Offer => new Offer(
                label: 'Broad nib…',
                from: $from,
                family: Family::Shape,
                key: 7,
                words: 'calligraphy, pen angle, flat pen, quill, thick and thin, marker, lettering',
                says: 'Draws lines with a broad nib held at an angle, thick one way and thin the other, as a shape.',
                picture: 'M6 30C10 12 20 12 24 24S36 38 42 18L38 12C34 28 30 26 26 16S8 6 2 24Z',
                takes: 'of',
                preset: ['width' => '{share:27}', 'nib' => ['angle' => -40, 'thin' => '{share:200}']],
                asks: ['width', 'nib.thin', 'nib.angle'],
            ),
            ['guides', 'parts'],
        );

        $edge = new Offer(
            label: 'Bands around the edge…', from: 'parts', family: Family::Shape, key: 11,
            words: 'border, frame, double line, edging, trim, rim, passe-partout, corners',
            says: 'Two bands inside the outline of a part, with sharp corners and as much room between them as they are wide.',
            takes: 'of', preset: ['width' => '{share:40}', 'side' => 'right', 'keep' => true], asks: ['width'],
            next: [
                ['id' => '+inner', 'kind' => 'inset', 'of' => ['{of*}'], 'distance' => '+new.width*2', 'keep' => true],
                ['kind' => 'band', 'of' => ['+inner'], 'width' => '+new.width', 'side' => 'right'],
            ],
        );

        return [$edge, ...$nib, ...array_map(static fn (string $from): Offer => new Offer(
            label: 'Band…', from: $from, family: Family::Shape, key: 6,
            words: 'bar, ribbon, thick line, strip, track, ring, pen line, make a line a shape',
            says: 'Makes lines and outlines shapes of an even width, with the ends and corners that are wanted.',
            picture: 'M6 32L20 10L42 18L39 26L23 20L13 36Z',
            takes: 'of', preset: ['width' => '{share:40}'], asks: ['width'],
        ), ['guides', 'parts'])];
    }
}
