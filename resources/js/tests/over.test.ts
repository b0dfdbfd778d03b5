import { describe, expect, it } from 'vitest';
import { bytesOf, over } from '../editor/model/paint/over';

describe('colours over one another', () => {
    it('hide what is under them, or mix with it, as Porter and Duff have it', () => {
        expect(over('#1b2140', '#f2b33d', 1, 'normal')).toBe('#1b2140');
        expect(over('#000000', '#ffffff', 0.6, 'normal')).toBe('#666666');
        expect(over('#000000', '', 0.6, 'normal')).toBe('#00000099');
        expect(over('#000000', '', 0, 'normal')).toBe('');
        expect(bytesOf(over('#ffffff80', '#ffffff80', 1, 'normal'))[3]).toBe(Math.round(255 * (1 - (127 / 255) ** 2)));
    });

    it('blend with what is there only', () => {
        expect(over('#ffffff', '#804020', 1, 'multiply')).toBe('#804020');
        expect(over('#ffffff', '#804020', 1, 'screen')).toBe('#ffffff');
        expect(over('#102030', '', 1, 'multiply')).toBe('#102030');
        expect([over('#106030', '#804020', 1, 'darken'), over('#106030', '#804020', 1, 'lighten')]).toEqual(['#104020', '#806030']);
    });
});
