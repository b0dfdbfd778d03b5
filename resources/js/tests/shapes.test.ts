import { describe, expect, it } from 'vitest';
import type { Scene } from '../api/client';
import { GridShape } from '../editor/model/scene/GridShape';
import { PartShape } from '../editor/model/scene/PartShape';
import { ShapeStore } from '../editor/model/scene/geometry';

type Given = Pick<Scene, 'geometry' | 'steps'>;

/** A scene of one square each under these hashes; what the browser has already is not sent. */
function parts(hashes: string[], has: readonly string[] = []): Given {
    const one = { shapes: ['M0 0H1V1Z'], figures: [[0]], measures: {} } as unknown as Scene['geometry'][string];
    return {
        geometry: Object.fromEntries(hashes.filter((hash) => !has.includes(hash)).map((hash) => [hash, one])),
        steps: hashes.map((geometry, k) => ({ id: `p${k}`, geometry })) as unknown as Scene['steps'],
    };
}

function grid(hash: string, topology: string, has: readonly string[] = []): Given {
    const square = {
        outlines: [1, 2, 3, 4, 0], from: [0, 1, 2, 3], to: [1, 2, 3, 0], carriers: [], cells: ['1,1'], points: ['0,0', '1,0', '1,1', '0,1'],
        cellWords: ['column', 'row'], pointWords: ['column', 'row'], arrows: null,
    };
    const geometry: Record<string, unknown> = {
        [hash]: { topology, places: [0, 0, 1, 0, 1, 1, 0, 1], circles: [], bends: [], lines: '' },
        ...(has.includes(topology) ? {} : { [topology]: square }),
    };
    return { geometry: geometry as unknown as Scene['geometry'], steps: [{ id: 'g1', geometry: hash }] as unknown as Scene['steps'] };
}

const named = (prefix: string, count: number): string[] => Array.from({ length: count }, (_, k) => `${prefix}${k}`);

describe('shapes of the scenes', () => {
    it('stay for the page, however many frames a preview has', () => {
        const store = new ShapeStore();
        const page = named('page', 60);
        store.take(parts(page), 'page');
        for (let frame = 0; frame < 40; frame++) store.take(parts(named(`frame${frame}-`, 60)), 'preview');
        store.end('preview');
        expect(page.filter((hash) => !(store.get(hash) instanceof PartShape))).toEqual([]);
    });

    it('stay for the preview that is shown, while the page is answered anew', () => {
        const store = new ShapeStore(0);
        store.take(parts(named('page', 5)), 'page');
        store.take(parts(named('seen', 5)), 'preview');
        store.take(parts(named('newer', 5)), 'page');
        expect(named('seen', 5).every((hash) => store.get(hash) !== undefined)).toBe(true);
        expect(named('newer', 5).every((hash) => store.get(hash) !== undefined)).toBe(true);
        expect(named('page', 5).some((hash) => store.get(hash) !== undefined)).toBe(false);
    });

    it('that were told to the server as kept stay until its answer is there', () => {
        const store = new ShapeStore(0);
        store.take(parts(['a', 'b']), 'page');
        const has = store.lend();
        store.take(parts(['c']), 'page');
        const answer = parts(['a', 'd'], has);
        expect(Object.keys(answer.geometry)).toEqual(['d']);
        store.take(answer, 'page');
        store.giveBack(has);
        expect(['a', 'd'].every((hash) => store.get(hash) !== undefined)).toBe(true);
        expect(['b', 'c'].some((hash) => store.get(hash) !== undefined)).toBe(false);
    });

    it('are forgotten from the oldest on, down to the spare ones', () => {
        const store = new ShapeStore(10);
        for (let frame = 0; frame < 30; frame++) store.take(parts([`frame${frame}`]), 'preview');
        expect(store.lend()).toEqual(named('frame', 30).slice(-11));
    });

    it('of grids that differ in places only share how they hang together', () => {
        const store = new ShapeStore(0);
        store.take(grid('first', 'square'), 'page');
        const has = store.lend();
        store.take(grid('second', 'square', has), 'page');
        store.giveBack(has);
        const second = store.get('second');
        expect(second).toBeInstanceOf(GridShape);
        expect((second as GridShape).cell('1,1')).toBe(0);
        expect(store.lend()).toEqual(['square', 'second']);
        store.take(parts(['alone']), 'page');
        store.end('preview');
        expect(store.lend()).toContain('alone');
    });
});
