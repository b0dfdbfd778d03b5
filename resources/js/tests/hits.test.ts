import './browser';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { Hits } from '../editor/model/pick/Hits';
import { memberLabel } from '../editor/tools/useHits';
import { copyIn, placeIn, stepIn } from '../editor/model/pick/Picking';
import { Answers } from '../editor/model/scene/answers';
import { partShape } from '../editor/model/scene/geometry';
import { asked, EVALUATED, plan } from './core';

const square = (id: string, x: number, more = {}) => ({ id, kind: 'part.rectangle', corners: [[x, 100], [x + 100, 200]], ...more });

const STEPS = [
    { id: 'g1', kind: 'grid.rectangular', origin: [0, 0], columns: 8, rows: 8, cell: [100, 100] },
    square('p1', 100), square('p2', 150), square('p3', 400, { hidden: true }), square('p4', 20),
    { id: 'r1', kind: 'repeat.along', of: ['p4'], by: [0, 150], count: 4 },
    { id: 'c1', kind: 'guide.line', through: [[0, 700], [800, 700]] },
];

const scene = new Answers().scene(
    asked<Schemas['Scene']>(
        `${EVALUATED} return Sternbild\\Core\\View\\SceneView::describe($scene, [], asking: new Sternbild\\Desk\\Desk);`,
        { plan: plan(STEPS) },
    ),
    'page',
);
/** Takes a place to be in whatever the boxes let through. */
const inside = { isPointInPath: () => true, isPointInStroke: () => true, lineWidth: 1 } as unknown as CanvasRenderingContext2D;
const nowhere = { isPointInPath: () => false, isPointInStroke: () => false, lineWidth: 1 } as unknown as CanvasRenderingContext2D;

describe('what lies under a place', () => {
    const hits = new Hits(scene, null, null);

    it('is the part on top, as far as its outline reaches', () => {
        expect(hits.partAt(inside, 175, 150)?.step.id).toBe('p2');
        expect(hits.partAt(inside, 130, 150)?.step.id).toBe('p1');
        expect(hits.partAt(inside, 350, 350)).toBeUndefined();
        expect(hits.partAt(nowhere, 175, 150)).toBeUndefined();
    });

    it('is not what is hidden or used up', () => {
        expect(hits.partAt(inside, 450, 150)).toBeUndefined();
        expect(hits.drawing.map(({ id }) => id)).toEqual(['p1', 'p2', 'r1']);
    });

    it('is a copy by the number that the plan counts it by', () => {
        const numbers = [0, 1, 2, 3].map((k) => {
            const hit = hits.partAt(inside, 60, 150 + 150 * k);
            return hit?.shape.data.copies?.[hit.figure];
        });
        expect(numbers).toEqual([1, 2, 3, 4]);
        expect(partShape(scene.steps.find((step) => step.id === 'r1')?.geometry)?.figuresOf(3)).toEqual([2]);
    });

    it('is gone over part by part, or copy by copy', () => {
        expect(hits.names('whole parts')).toEqual(['p1', 'p2', 'r1']);
        expect(hits.names('copies')).toEqual(['p1', 'p2', 'r1[1]', 'r1[2]', 'r1[3]', 'r1[4]']);
    });

    it('is a guide before a grid', () => {
        expect(hits.lineAt(inside, 400, 700, 1)?.id).toBe('c1');
        expect(hits.lineAt(nowhere, 400, 700, 1)).toBeUndefined();
    });

    it('is only of the chapter that is worked on, and grids', () => {
        const alone = new Hits(scene, new Set(['p1']), null);
        expect(alone.partAt(inside, 175, 150)?.step.id).toBe('p1');
        expect(alone.lines.map(({ id }) => id)).toEqual(['g1']);
        expect(alone.tilings.map(({ id }) => id)).toEqual(['g1']);
    });
});

describe('names of copies and pieces', () => {
    it('lead back to the step, the copy and the place', () => {
        expect(['r1[3]', 'p1~30,-4.5', 'p1'].map(stepIn)).toEqual(['r1', 'p1', 'p1']);
        expect(['r1[3]', 'p1~30,-4.5', 'p1'].map(copyIn)).toEqual([3, null, null]);
        expect(['r1[3]', 'p1~30,-4.5', 'p1'].map(placeIn)).toEqual([null, [30, -4.5], null]);
        expect(['r1[3]', 'p1~30,-4.5', 'p1'].map((name) => memberLabel(name, (id) => `the ${id}`))).toEqual([
            'copy 3 of the r1',
            'a piece of the p1',
            'the p1',
        ]);
    });
});
