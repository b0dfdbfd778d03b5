import { describe, expect, it } from 'vitest';
import type { Step } from '../api/client';
import { dissected, isThere, Picking } from '../editor/model/pick/Picking';

describe('the pick', () => {
    it('writes whole runs with a star, until one of their cells is taken out', () => {
        const picking = new Picking();
        picking.add('g1', '#', ['3,1', '3,2', '3,3'], 'g1#3,*');
        picking.add('g1', '#', ['5,1']);
        expect(picking.addresses()).toEqual(['g1#3,*', 'g1#5,1']);
        expect(picking.get().count).toBe(4);
        picking.take('g1', ['3,2']);
        expect(picking.addresses()).toEqual(['g1#3,1', 'g1#3,3', 'g1#5,1']);
    });

    it('writes cells of overlays with their own mark', () => {
        const picking = new Picking();
        picking.add('o1', '~', ['g1:1,2;-c1']);
        expect(picking.addresses()).toEqual(['o1~g1:1,2;-c1']);
        expect(dissected('o1~g1:1,2;-c1')).toEqual(['o1', '~', 'g1:1,2;-c1']);
        expect(dissected('g12#3,4')).toEqual(['g12', '#', '3,4']);
    });

    it('takes a second click on the same place, part or line as a change of mind', () => {
        const picking = new Picking();
        for (const raw of ['g1@1,1', 'g1@2,1', 'g1@1,1']) picking.togglePoint({ raw, name: raw, at: [0, 0] });
        expect(picking.get().points.map((point) => point.raw)).toEqual(['g1@2,1']);
        for (const id of ['p1', 'p2', 'p1']) picking.putPart(id);
        expect(picking.get().parts).toEqual(['p2']);
        for (const id of ['c1', 'c1']) picking.putLine(id, [7, 8]);
        expect(picking.get()).toMatchObject({ lines: [], near: [7, 8] });
    });

    it('is empty in a new mode, and tells who listens', () => {
        const picking = new Picking();
        let told = 0;
        const leave = picking.subscribe(() => told++);
        picking.add('g1', '#', ['1,1']);
        picking.setMode('parts');
        expect(picking.get()).toMatchObject({ mode: 'parts', count: 0, parts: [] });
        expect(told).toBe(2);
        leave();
        picking.clear();
        expect(told).toBe(2);
    });

    it('lets go of what is gone', () => {
        const picking = new Picking();
        const steps = new Map(['g1', 'p1'].map((id) => [id, { id, geometry: null } as unknown as Step]));
        const keep = () => picking.keep((name) => isThere(steps, name));
        picking.add('g1', '#', ['1,1'], 'g1#1,*');
        picking.add('g2', '#', ['1,1', '2,1'], 'g2#1,*');
        keep();
        expect(picking.addresses()).toEqual(['g1#1,*']);
        picking.pickParts(['p1', 'p2', 'p1~3,4', 'r1[2]']);
        keep();
        expect(picking.get().parts).toEqual(['p1', 'p1~3,4']);
        picking.setMode('points');
        for (const raw of ['p1@2', 'p9@2', [3, 4]]) picking.togglePoint({ raw, name: '', at: [3, 4] });
        keep();
        expect(picking.get().points.map(({ raw }) => raw)).toEqual(['p1@2', [3, 4]]);
        let told = 0;
        picking.subscribe(() => told++);
        keep();
        expect(told, 'Nothing is told where nothing went.').toBe(0);
    });
});
