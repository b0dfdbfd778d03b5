import { describe, expect, it } from 'vitest';
import { readRuns, written } from '../editor/model/pick/runs';

describe('painted cells as plans write them', () => {
    it('are runs along a coordinate, each cell once', () => {
        expect(written([[5, 4], [3, 4], [4, 4], [9, 4], [3, 2], [4, 4]])).toBe('3,2 3,4+2 9,4');
        expect(written([[2, 9], [2, 8], [2, 10], [3, 8]], 1)).toBe('2,8+2 3,8');
        expect(written([])).toBe('');
    });

    it('have one number where the grid counts its cells', () => {
        expect(written([[3, 0], [5, 0], [4, 0], [9, 0]])).toBe('3+2 9');
        expect(readRuns('3+2 9')).toEqual([[3, 0], [4, 0], [5, 0], [9, 0]]);
    });

    it('read back are the same cells', () => {
        let seed = 7;
        const next = (most: number): number => (seed = (seed * 48271) % 2147483647) % most;
        for (let round = 0; round < 60; round++) {
            const along = round % 2 === 0 ? 0 : 1;
            const cells = Array.from({ length: 40 }, (): [number, number] => [1 + next(9), 1 + next(9)]);
            const keys = (those: Iterable<readonly [number, number]>): string[] =>
                [...new Set([...those].map(([column, row]) => `${column},${row}`))].sort();
            expect(keys(readRuns(written(cells, along), along))).toEqual(keys(cells));
        }
    });
});
