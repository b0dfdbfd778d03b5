import { describe, expect, it } from 'vitest';
import { inTurn } from '../sheets/inTurn';

describe('what is asked for in turn', () => {
    it('goes two at a time, and those that wait go when others end, or never where they are given up', () => {
        const gone: number[] = [];
        const ends = Array.from({ length: 6 }, (_, k) => inTurn(() => gone.push(k)));
        expect(gone).toEqual([0, 1]);
        ends[2]?.();
        ends[0]?.();
        expect(gone, 'The third was given up.').toEqual([0, 1, 3]);
        ends[0]?.();
        expect(gone, 'Ended twice it ends once.').toEqual([0, 1, 3]);
        ends[1]?.();
        ends[3]?.();
        expect(gone).toEqual([0, 1, 3, 4, 5]);
        ends[4]?.();
        ends[5]?.();
    });
});
