import './browser';
import { describe, expect, it } from 'vitest';
import type { Schemas, SheetPage } from '../api/client';
import { withCentre } from '../editor/model/dragging';
import { type PickMode, Picking } from '../editor/model/pick/Picking';
import { Answers } from '../editor/model/scene/answers';
import { filled } from '../editor/model/verbs/presets';
import { turnsAbout } from '../editor/model/verbs/turnsAbout';
import type { Bench } from '../editor/model/verbs/verb';
import { verbsFor } from '../editor/model/verbs/verbs';
import { asked, EVALUATED, plan } from './core';
import { describedKinds } from './kinds';

const kinds = describedKinds();

function benchOf(steps: Record<string, unknown>[], mode: PickMode = 'parts'): Bench {
    const scene = new Answers().scene(
        asked<Schemas['Scene']>(
            `${EVALUATED} return Sternbild\\Core\\View\\SceneView::describe($scene, [], asking: new Sternbild\\Desk\\Desk);`,
            { plan: plan(steps) },
        ),
        'page',
    );
    const picking = new Picking();
    picking.setMode(mode);
    return {
        scene,
        page: { plan: plan(steps) } as unknown as SheetPage,
        kinds,
        picking,
        pick: picking.get(),
        selected: null,
        colour: null,
    };
}

const GRID = { id: 'g1', kind: 'grid.rectangular', origin: [100, 100], columns: 6, rows: 6, cell: [100, 100] };
const hexagon = { id: 'p1', kind: 'part.polygon', center: 'g1@3,3', corners: 6, radius: 100 };
const petal = { id: 'p2', kind: 'part.rectangle', corners: [[390, 260], [410, 330]] };

describe('what a repeat begins with', () => {
    it('is the centre of the shape that it lies on, and as many as that has corners', () => {
        expect(turnsAbout(benchOf([GRID, hexagon, petal]), 'p2')).toEqual({ center: 'g1@3,3', count: 6 });
        const disc = { id: 'p1', kind: 'part.circle', center: 'g1@3,3', radius: 100 };
        expect(turnsAbout(benchOf([GRID, disc, petal]), 'p2')).toEqual({ center: 'g1@3,3', count: undefined });
    });

    it('is nothing of a shape elsewhere, or of one that it is made of', () => {
        const away = { ...petal, corners: [[600, 600], [620, 660]] };
        expect(turnsAbout(benchOf([GRID, hexagon, away]), 'p2')).toEqual({});
        const cut = [
            GRID,
            hexagon,
            { id: 'p2', kind: 'part.circle', center: 'g1@3,3', radius: 50 },
            { id: 'k1', kind: 'cut', from: 'p1', with: ['p2'] },
        ];
        expect(turnsAbout(benchOf(cut), 'k1')).toEqual({});
    });

    it('is what was turned around last, where there is one', () => {
        const around = { id: 'r1', kind: 'repeat.around', of: ['p2'], center: [350, 350], count: 9 };
        expect(turnsAbout(benchOf([GRID, hexagon, petal, around, { ...petal, id: 'p3' }]), 'p3')).toMatchObject({
            center: [350, 350],
            count: 9,
        });
    });
});

describe('what is split along', () => {
    const line = { id: 'c1', kind: 'guide.line', through: [[0, 350], [800, 350]] };
    it('are the lines that were drawn, and the grid where there are none', () => {
        expect(filled('{lines}', benchOf([GRID, hexagon, line]), 'p1')).toEqual(['c1']);
        expect(filled('{lines}', benchOf([GRID, hexagon, { ...line, hidden: true }]), 'p1')).toEqual(['g1']);
    });
});

describe('a verb that takes a grid of its kind', () => {
    const pixels = (id: string) => ({ id, kind: 'grid.pixel', origin: [0, 0], columns: 40, rows: 20, cell: 20 });
    const frames = (steps: Record<string, unknown>[]) =>
        verbsFor({ ...benchOf(steps, 'cells'), asked: 'frames Frames…' }).find(({ label }) => label === 'Frames…');

    it('takes the only one, and makes frames as high as that', () => {
        const verb = frames([GRID, pixels('g2')]);
        // A rectangular grid can have frames, too: which one is meant is asked for.
        expect(verb?.needs).toBe(1);
        const only = frames([pixels('g1')]);
        expect(only?.needs).toBe(0);
        expect(only?.operations(only.start)).toMatchObject([
            { op: 'add', step: { kind: 'frames', on: 'g1', size: ['min(g1.columns, g1.rows)', 'g1.rows'], count: 1 } },
        ]);
    });

    it('asks for it where there are two, or none', () => {
        expect(frames([pixels('g1'), pixels('g2')])?.needs).toBe(1);
        expect(frames([hexagon].map((one) => ({ ...one, center: [400, 400] })))?.needs).toBe(1);
    });
});

describe('what goes along with a centre', () => {
    it('is said by the grid where that goes as far, and else by the same way', () => {
        const { scene } = benchOf([GRID]);
        expect(withCentre(scene, 'g1@3,2', 'g1@2,2', 'g1@4,4', [200, 200], 1)).toBe('g1@5,4');
        expect(withCentre(scene, 'g1@3,2', 'g1@2,2', [317.25, 300], [17.25, 0], 1)).toEqual({ of: 'g1@3,2', by: [17.25, 0] });
        expect(withCentre(scene, [100, 120], [100, 100], [130, 90], [30, -10], 1)).toEqual([130, 110]);
    });
});
