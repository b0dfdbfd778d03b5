import { describe, expect, it } from 'vitest';
import type { Scene } from '../api/client';
import { foldsFor } from '../editor/model/fields/folds';
import { shapes } from '../editor/model/scene/geometry';

const NONE = { steps: [] } as unknown as Scene;

/** A scene of a polar grid, a rectangular one and a part, in this order. */
function withGrids(): Scene {
    const grid = (topology: string): Record<string, unknown> => ({
        topology,
        places: [0, 0, 1, 0, 1, 1],
        circles: [],
        bends: [],
        lines: '',
    });
    const topology = (about: unknown): Record<string, unknown> => ({
        outlines: [1, 2, 3, 0], from: [0, 1, 2], to: [1, 2, 0], carriers: [], cells: ['1,1'], points: ['0,0', '1,0', '1,1'],
        cellWords: ['ring', 'sector'], pointWords: ['ring', 'spoke'], arrows: null, about,
    });
    const scene = {
        geometry: { g1: grid('t1'), g2: grid('t2'), t1: topology({ center: '@0', count: '.sectors' }), t2: topology(null) },
        steps: [
            { id: 'g1', role: 'grid', label: 'petal grid', geometry: 'g1' },
            { id: 'g2', role: 'grid', label: 'frame', geometry: 'g2' },
            { id: 'p1', role: 'part', label: 'petal', geometry: null },
        ],
    } as unknown as Scene;
    shapes.take(scene, 'page');
    return scene;
}

const own = (count: number | null): (number | string)[] => foldsFor(NONE, count, null).map(({ value }) => value);

describe('folds that are offered', () => {
    it('keep what lies in line: halves and doubles of what is there', () => {
        expect(own(8)).toEqual([4, 16, 32]);
        expect(own(12)).toEqual([6, 24, 48]);
        for (let count = 2; count <= 360; count++) {
            for (const fold of own(count))
                expect(Number(fold) % count === 0 || count % Number(fold) === 0, `${fold} of ${count}`).toBe(true);
        }
    });

    it('are whole, two at least and 360 at most', () => {
        expect(own(7)).toEqual([14, 28]);
        expect(own(2)).toEqual([4, 8]);
        expect(own(180)).toEqual([90, 360]);
        expect(own(null)).toEqual([]);
    });

    it('follow the sectors of a grid that has some, half and twice as many', () => {
        const offered = foldsFor(withGrids(), null, 'p1');
        expect(offered.map(({ value }) => value)).toEqual(['g1.sectors', 'g1.sectors/2', 'g1.sectors*2']);
        expect(offered[0]?.label).toContain('petal grid');
    });

    it('name no grid that comes later', () => {
        expect(foldsFor(withGrids(), null, 'g1')).toEqual([]);
    });
});
