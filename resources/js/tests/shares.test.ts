import './browser';
import { describe, expect, it } from 'vitest';
import type { Scene, Step } from '../api/client';
import { between } from '../editor/model/palette/readColour';
import { pixelsOf, shareOf } from '../editor/model/verbs/shares';

const scene = (width: number, height: number, steps: Partial<Step>[] = []): Scene =>
    ({ sheet: { width, height }, steps }) as unknown as Scene;
const grid = (numbers: Record<string, number>): Partial<Step> => ({ id: 'g1', role: 'grid', hidden: false, numbers });

describe('a length that begins', () => {
    it('is a round share of the cell where there is a grid, in its own measure', () => {
        const cells = scene(800, 800, [grid({ cellw: 80, cellh: 40 })]);
        expect([80, 40, 20, 10, 8, 6, 200].map((part) => shareOf(cells, undefined, part, false))).toEqual([
            'g1.cellw/8',
            'g1.cellw/4',
            'g1.cellw/2',
            'g1.cellw',
            'g1.cellw*3/2',
            'g1.cellw*3/2',
            'g1.cellw/20',
        ]);
        expect(shareOf(cells, undefined, 80, true)).toBe('-g1.cellw/8');
        expect(shareOf(scene(800, 800, [grid({ ring: 100, sector: 36 })]), undefined, 8, false)).toBe('g1.ring');
        expect(shareOf(scene(800, 800, [{ ...grid({ cellw: 80 }), hidden: true }]), undefined, 80, false)).toBe(10);
    });

    it('is a round number of the sheet’s unit where there is none, whatever the unit', () => {
        for (const [side, part, value] of [
            [800, 80, 10],
            [800, 40, 20],
            [210, 80, 2.5],
            [8.5, 80, 0.1],
            [100, 200, 0.5],
            [3000, 27, 100],
        ] as const)
            expect(shareOf(scene(side, side), undefined, part, false), `${side}/${part}`).toBe(value);
    });
});

describe('a pixel grid', () => {
    it('fills the sheet with whole pixels', () => {
        expect(pixelsOf(scene(800, 800))).toEqual({ '{pixel}': 25, '{pixels across}': 32, '{pixels down}': 32 });
        expect(pixelsOf(scene(640, 320))).toEqual({ '{pixel}': 10, '{pixels across}': 64, '{pixels down}': 32 });
        expect(pixelsOf(scene(20, 10))).toEqual({ '{pixel}': 1, '{pixels across}': 20, '{pixels down}': 10 });
    });
});

describe('a new stop of a gradient', () => {
    it('has the colour that is there, by its name where the palette has it', () => {
        const palette = { ink: '#000000', paper: '#ffffff', same: '#000000' };
        // Halfway between black and white Oklab's lightness is 0.5: #636363 (CSS Color 4, 9.2, rounded).
        expect(between('ink', 'paper', palette)).toBe('#636363');
        expect(between('ink', 'paper', { ...palette, grey: '#636363' })).toBe('grey');
        expect(between('ink', 'ink', palette)).toBe('ink');
        expect(between('#112233', '#112233', palette)).toBe('#112233');
    });
});
