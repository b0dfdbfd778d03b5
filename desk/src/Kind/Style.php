<?php

declare(strict_types=1);

namespace Sternbild\Desk\Kind;

use Sternbild\Desk\Family;
use Sternbild\Desk\KindDesk;
use Sternbild\Desk\Offer;

/** How the desk offers it. */
final class Style extends KindDesk
{
    public function offers(): array
    {
        return [
            new Offer(
                label: 'Fill', from: 'parts', family: Family::Look, key: 1,
                words: 'colour, color, paint, tint, shade, background',
                says: 'Gives parts a colour of the palette.',
                takes: 'of',
                preset: ['fill' => '{colour}'],
                asks: ['fill'],
                replaces: 'fill',
                fromCells: true,
            ),
            new Offer(
                label: 'Stroke',
                from: 'parts',
                family: Family::Look,
                key: 2,
                words: 'outline, border, line weight, contour, edge, thickness',
                says: 'Draws the outline of parts in a colour and a width.',
                takes: 'of',
                preset: ['stroke' => ['color' => '{colour}', 'width' => '{share:200}']],
                asks: ['stroke.color', 'stroke.width'],
                replaces: 'stroke.color',
                fromCells: true,
            ),
            new Offer(
                label: 'Look like…', from: 'parts', family: Family::Look, key: 3,
                words: 'copy style, same appearance, eyedropper, match, inherit, pick up the style',
                says: 'The parts picked first look like the part picked last, and go on doing so.',
                takes: 'of+like', least: 2,
            ),
            new Offer(
                label: 'Opacity…', from: 'parts', family: Family::Look, key: 4,
                words: 'transparent, transparency, see through, alpha, faded, translucent',
                says: 'Lets what lies under parts shine through them.',
                takes: 'of', preset: ['opacity' => 0.5], asks: ['opacity'], replaces: 'opacity',
            ),
            new Offer(
                label: 'Blend…', from: 'parts', family: Family::Look, key: 5,
                words: 'multiply, overprint, screen, darken, lighten, blending mode',
                says: 'Mixes the colours of parts with what lies under them.',
                takes: 'of', preset: ['blend' => 'multiply'], asks: ['blend'], replaces: 'blend',
            ),
            new Offer(
                label: 'Dashes…', from: 'parts', family: Family::Look, key: 6,
                words: 'dashed line, dotted, broken line, stitches, gaps, line ends',
                says: 'Breaks the stroke of parts into dashes and gaps, with flat, round or square ends.',
                takes: 'of',
                preset: ['stroke' => ['dash' => ['{share:40}', '{share:60}']]],
                asks: ['stroke.dash', 'stroke.cap'],
                replaces: 'stroke.dash',
            ),
            new Offer(
                label: 'Gradient…', from: 'parts', family: Family::Look, key: 7,
                words: 'colour run, fade, blend of colours, shading, ramp fill, transition, linear, radial, conic',
                says: 'Fills parts with a colour that runs into another: straight, outwards, or along a band. It turns with every copy.',
                takes: 'of',
                preset: ['fill' => ['gradient' => 'linear', 'stops' => [[0, '{colour}'], [1, '{other}']]]],
                asks: ['fill'],
                replaces: 'fill',
                fromCells: true,
            ),
            new Offer(
                label: 'Pattern fill…', from: 'parts', family: Family::Look, key: 9,
                words: 'fill with a pattern, swatch, texture, hatching, pattern fill, motif fill',
                says: 'Fills parts with a pattern of the sheet: turned, resized and moved as said, and changed where that is changed.',
                takes: 'of', preset: ['fill' => ['pattern' => '{last:pattern}']], asks: ['fill'], replaces: 'fill',
                fromCells: true,
            ),
        ];
    }
}
