import { describe, expect, it } from 'vitest';
import type { Scene, Schemas } from '../api/client';
import { movedTo } from '../editor/panels/plan/PlanPanel';
import { plural, type Row, rowsOf } from '../editor/model/plan/rows';
import { inChapter, stepsIn } from '../editor/state/useWorkedOn';
import { Answers } from '../editor/model/scene/answers';
import './browser';
import { asked, EVALUATED, plan } from './core';
import { describedKinds } from './kinds';

const kinds = describedKinds();

const circle = (id: string, radius: number, more = {}) => ({ id, kind: 'guide.circle', center: 'g1@0', radius, ...more });
const part = (id: string, ...cells: string[]) => ({ id, kind: 'part.cells', cells });

const STEPS = [
    { id: 'g1', kind: 'grid.polar', center: [400, 400], radius: 300, rings: 4, sectors: 10 },
    circle('c1', 20), circle('c2', 40), circle('c3', 60), circle('c4', 80), circle('c5', 90, { name: 'rim' }), circle('c6', 100),
    part('p1', 'g1#1,1'), part('p2', 'g1#2,1'),
    { id: 'j1', kind: 'join', of: ['p1', 'p2'] },
    { id: 's1', kind: 'style', of: ['j1'], fill: 'ink' },
];

const CHAPTERS = [{ name: 'Wing', from: 'p1' }, { name: 'Colour', from: 's1' }];

function scene(chapters: object[] = CHAPTERS): Scene {
    return new Answers().scene(
        asked<Schemas['Scene']>(
            `${EVALUATED} return Sternbild\\Core\\View\\SceneView::describe($scene, [], asking: new Sternbild\\Desk\\Desk);`,
            { plan: plan(STEPS, { chapters }) },
        ),
        'page',
    );
}

const wing = scene();
const rows = (folds: Partial<Parameters<typeof rowsOf>[1]> = {}, of = wing): Row[] =>
    rowsOf(of, { turned: new Set(), sought: '', selected: null, kinds, working: null, ...folds });
const keys = (of: Row[]): string[] => of.map((row) => row.key);

describe('lines of the plan', () => {
    it('stand under their chapters, and like ones in a row are told in one', () => {
        expect(keys(rows())).toEqual(['chapter g1', 'g1', 'alike c1', 'c5', 'c6', 'chapter p1', 'p1', 'p2', 'j1', 'chapter s1', 's1']);
        expect(rows().find((row) => row.type === 'alike')).toMatchObject({ text: '4 circles on grid 1', at: 1 });
        expect(
            rows()
                .filter((row) => row.type === 'chapter')
                .map((row) => [row.section.name, row.section.named, row.section.steps]),
        ).toEqual([
            ['Ground', false, 7],
            ['Wing', true, 3],
            ['Colour', true, 1],
        ]);
    });

    it('stand under what they are for where no chapter is named', () => {
        expect(
            rows({}, scene([]))
                .filter((row) => row.type === 'chapter')
                .map((row) => row.section.name),
        ).toEqual(['Ground', 'Construction', 'Look']);
    });

    it('are folded and unfolded, but never hide what is picked', () => {
        expect(keys(rows({ turned: new Set(['chapter p1']) }))).not.toContain('p2');
        expect(keys(rows({ turned: new Set(['chapter p1']), selected: 'p2' }))).toContain('p2');
        expect(keys(rows({ turned: new Set(['alike c1']) }))).toEqual(expect.arrayContaining(['alike c1', 'c1', 'c4']));
        expect(keys(rows({ selected: 'c2' }))).toEqual(expect.arrayContaining(['c1', 'c2', 'c3', 'c4']));
    });

    it('of other chapters are folded while one is worked on alone', () => {
        expect(keys(rows({ working: 'p1' }))).toEqual(['chapter g1', 'chapter p1', 'p1', 'p2', 'j1', 'chapter s1']);
        expect(keys(rows({ working: 'p1', turned: new Set(['chapter s1']) }))).toContain('s1');
    });

    it('are found by what they say, whatever is folded, and keep their places', () => {
        const found = rows({ sought: 'RIM', turned: new Set(['chapter g1']) });
        expect(found.map((row) => (row.type === 'step' ? row.at : row.key))).toEqual(['chapter g1', 5]);
        expect(rows({ sought: 'no such words' })).toEqual([]);
        // By what people call it, though no sentence says so.
        expect(rows({ sought: 'mandala' }).filter((row) => row.type === 'step').map((row) => row.step.kind)).toEqual(['grid.polar']);
    });

    it('that something is wrong with stand for themselves', () => {
        const finding = { step: 'c3', level: 'warning', field: null, message: '' } as unknown as Scene['findings'][number];
        expect(keys(rows({}, { ...wing, findings: [finding] }))).toContain('c3');
    });

    it('have words for many', () => {
        expect(['circle', 'copy', 'run', 'arch', 'ray'].map(plural)).toEqual(['circles', 'copies', 'runs', 'arches', 'rays']);
        expect(['part from cells', 'in-betweens', 'discs in cells', 'frames', 'cross of rays', 'repeat around'].map(plural)).toEqual([
            'parts from cells',
            'in-betweens',
            'discs in cells',
            'frames',
            'crosses of rays',
            'repeats around',
        ]);
    });
});

describe('dragging in the plan', () => {
    const all = rows({ turned: new Set(['alike c1']) });

    it('puts a sentence before the one it came from below, and behind the one it came from above', () => {
        expect(movedTo(all, 'c6', 'c2')).toEqual({ op: 'move', id: 'c6', before: 'c2', leads: false });
        expect(movedTo(all, 'c1', 'c3')).toEqual({ op: 'move', id: 'c1', before: 'c4' });
        expect(movedTo(all, 'c1', 's1')).toEqual({ op: 'move', id: 'c1', before: null });
        expect(movedTo(all, 'c1', 'c1')).toBeNull();
    });

    it('puts it at the head of a chapter on its heading, and on its first sentence', () => {
        expect(movedTo(all, 'c1', 'chapter p1')).toEqual({ op: 'move', id: 'c1', before: 'p1', leads: true });
        expect(movedTo(all, 'j1', 'p1')).toEqual({ op: 'move', id: 'j1', before: 'p1', leads: true });
    });

    it('moves a chapter as a whole, and not one that nobody named', () => {
        expect(movedTo(all, 'chapter s1', 'p2')).toEqual({ op: 'move-chapter', from: 's1', before: 'p1' });
        expect(movedTo(all, 'chapter p1', 'chapter s1')).toEqual({ op: 'move-chapter', from: 'p1', before: null });
        expect(movedTo(all, 'chapter g1', 'chapter s1')).toBeNull();
    });
});

describe('a chapter worked on alone', () => {
    it('has its steps, and takes in what is new', () => {
        expect([...stepsIn(wing.chapters, wing.steps, 'p1')]).toEqual(['p1', 'p2', 'j1']);
        expect(inChapter({ op: 'add', step: {} }, 's1')).toEqual({ op: 'add', step: {}, before: 's1' });
        expect(inChapter({ op: 'add', step: {}, before: null }, 's1')).toEqual({ op: 'add', step: {}, before: null });
        expect(inChapter({ op: 'remove', ids: ['p1'] }, 's1')).toEqual({ op: 'remove', ids: ['p1'] });
    });
});
