import { describe, expect, it } from 'vitest';
import { readColour } from '../editor/model/palette/readColour';

const PALETTE = { ink: '#1b2140', 'deep sea': '#0f6e84' };

describe('a colour that is typed', () => {
    // #rrggbb of CSS Color Module Level 4; its named colours and hsl() too.
    it.each([
        ['#f2b33d', '#f2b33d'],
        ['F2B33D', '#f2b33d'],
        ['#fc0', '#ffcc00'],
        ['242 179 61', '#f2b33d'],
        ['242, 179, 61', '#f2b33d'],
        ['rgb(242 179 61)', '#f2b33d'],
        ['hsl(120 100% 25%)', '#008000'],
        ['rebeccapurple', '#663399'],
        ['Ink', 'ink'],
        [' deep sea ', 'deep sea'],
        ['none', 'none'],
    ])('as %s is %s', (text, colour) => {
        expect(readColour(text, PALETTE)).toBe(colour);
    });

    it.each(['', 'lagon', '#12', '256 0 0', '1 2', '#11223344', 'rgb(1 2 3 / 50%)', 'url(x)'])('as “%s” is none', (text) => {
        expect(readColour(text, PALETTE)).toBeNull();
    });
});
