import './browser';
import { describe, expect, it } from 'vitest';
import type { Handles, Kind, Plan, Schemas, Step } from '../api/client';
import {
    frameSaid,
    type Handle,
    handlesOf,
    hasRoom,
    moved,
    movedBy,
    type Pull,
    roughly,
    said as saidIn,
    sideTaken,
    valueAt,
    withIn,
    withoutPoint,
    withPoint,
} from '../editor/model/handles';
import { shifted } from '../editor/model/scene/addresses';
import { Answers } from '../editor/model/scene/answers';
import { handleShape } from '../editor/model/scene/geometry';
import { inRepeat } from '../editor/state/useWorkedOn';
import { bent, bulgeTowards } from '../editor/model/verbs/asking';
import { asked, EVALUATED, plan as planOf } from './core';
import { describedKinds } from './kinds';

const kinds = describedKinds();

function kindWith(handle: 'place' | 'places') {
    const kind = kinds.find((one) => one.fields.some((field) => field.handle === handle && field.required));
    const field = kind?.fields.find((one) => one.handle === handle && one.required);
    if (kind === undefined || field === undefined) throw new Error(`No kind has a field with ${handle}.`);
    return { kind, field };
}

const step = { id: 's1', label: 'thing 1' } as unknown as Step;
const at = (places: Record<string, number[]>) => ({ at: places, pulls: [] });
const plan = (said: Record<string, unknown>) => ({ steps: [{ id: 's1', ...said }] }) as unknown as Plan;

/** The steps of a plan as the core describes them, with their kinds. */
function described(steps: Record<string, unknown>[]): {
    plan: Plan;
    of: (id: string) => { step: Step; grips: Handles; kind: Kind | undefined; handles: Handle[] };
} {
    const scene = new Answers().scene(
        asked<Schemas['Scene']>(
            `${EVALUATED} return Sternbild\\Core\\View\\SceneView::describe($scene, [], asking: new Sternbild\\Desk\\Desk);`,
            { plan: planOf(steps) },
        ),
        'page',
    );
    return {
        plan: { steps } as unknown as Plan,
        of: (id) => {
            const one = scene.steps.find((other) => other.id === id);
            const kind = kinds.find((other) => other.kind === one?.kind);
            if (one === undefined) throw new Error(`There is no ${id}.`);
            const grips = handleShape(one.geometry);
            return { step: one, grips, kind, handles: handlesOf(one, grips, kind) };
        },
    };
}

describe('handles', () => {
    it('stand where the places of a step lie, in the order of its fields', () => {
        for (const kind of kinds) {
            const fields = kind.fields.filter((field) => field.handle !== null);
            const handles = handlesOf(step, at(Object.fromEntries(fields.map((field, k) => [field.name, [k, 1]]))), kind);
            expect(handles.map(({ field, at }) => [field, at])).toEqual(fields.map((field, k) => [field.name, [k, 1]]));
        }
    });

    it('put one place of many, and leave the others; several go together', () => {
        const { kind, field } = kindWith('places');
        const handles = handlesOf(step, at({ [field.name]: [0, 0, 4, 0, 4, 3] }), kind);
        expect(handles.map(({ at }) => at)).toEqual([[0, 0], [4, 0], [4, 3]]);
        expect(new Set(handles.map(({ label }) => label)).size).toBe(3);
        const [first, second] = handles as [Handle, Handle];
        const before = plan({ [field.name]: ['g1@0,0', [4, 0], 'g1@2,2'] });
        expect(moved(before, step, kind, [[second, 'g1@5,5']])).toEqual([
            { op: 'set', id: 's1', field: field.name, value: ['g1@0,0', 'g1@5,5', 'g1@2,2'] },
        ]);
        expect(
            moved(before, step, kind, [
                [first, 'g1@1,1'],
                [second, [9, 9]],
            ]),
        ).toEqual([{ op: 'set', id: 's1', field: field.name, value: ['g1@1,1', [9, 9], 'g1@2,2'] }]);
    });

    it('move by a way what goes with them, and leave what they were said by', () => {
        expect(movedBy([10, 20], [5.04, 0], 1)).toEqual([15, 20]);
        expect(movedBy(['column1', 20], [5, 0], 1)).toEqual(['(column1) + 5', 20]);
        expect(movedBy(['column1', 'sheet.height/2'], [0, -4], 1)).toEqual(['column1', '(sheet.height/2) - 4']);
        expect(movedBy('g1@3,4', [5, -2], 1)).toEqual({ of: 'g1@3,4', by: [5, -2] });
        expect(movedBy({ of: 'g1@3,4', by: [1, 'bar'] }, [5, -2], 1)).toEqual({ of: 'g1@3,4', by: [6, '(bar) - 2'] });
    });

    it('in the middle of a way are there only where the way is long enough on the screen', () => {
        const bulge = { pull: { sort: 'bulge', from: [0, 0], to: [30, 40] } } as unknown as Handle;
        expect([0.5, 0.8, 1, 4].map((scale) => hasRoom(bulge, scale))).toEqual([false, false, true, true]);
        expect(hasRoom({ pull: null } as unknown as Handle, 0.1)).toBe(true);
    });

    it('take a side of a frame as far as what is framed, and not past the other side; all of it is nothing said', () => {
        const side = (number: number, frame: number[]): Pull => {
            const [left = 0, top = 0, width = 1, height = 1] = frame;
            const across = number % 2 === 0;
            const share = [left, top, left + width, top + height][number] ?? 0;
            // 200 wide and 100 high, from (50, 50).
            const [from, to] = across
                ? [
                      [50, 50 + 100 * (top + height / 2)],
                      [250, 50 + 100 * (top + height / 2)],
                  ]
                : [
                      [50 + 200 * (left + width / 2), 50],
                      [50 + 200 * (left + width / 2), 150],
                  ];
            const at = [0, 1].map((k) => (from[k] ?? 0) + share * ((to[k] ?? 0) - (from[k] ?? 0)));
            return {
                field: 'x',
                path: [],
                sort: 'side',
                at,
                from,
                to,
                zero: 0,
                between: null,
                called: null,
                colour: null,
                step: null,
                frame,
                side: number,
            };
        };
        const handle = (pull: Pull): Handle => ({ key: '', field: 'x', path: [], label: '', what: '', at: [0, 0], pull });
        const whole = [0, 0, 1, 1];
        const free = (x: number, y: number) => ({ raw: [x, y], at: [x, y] as [number, number] });
        expect(valueAt(handle(side(0, whole)), free(90, 7), 1)).toEqual([0.2, 0, 0.8, 1]);
        expect(valueAt(handle(side(1, whole)), free(7, 75), 1)).toEqual([0, 0.25, 1, 0.75]);
        expect(valueAt(handle(side(2, [0.2, 0, 0.8, 1])), free(150, 7), 1)).toEqual([0.2, 0, 0.3, 1]);
        expect(valueAt(handle(side(3, [0.2, 0.1, 0.3, 0.9])), free(7, 100), 1)).toEqual([0.2, 0.1, 0.3, 0.4]);
        // Past the other side it stays a little; beyond what is framed nothing is.
        expect(valueAt(handle(side(0, [0.2, 0, 0.3, 1])), free(999, 7), 1)).toEqual([0.49, 0, 0.01, 1]);
        expect(valueAt(handle(side(2, [0.2, 0, 0.3, 1])), free(999, 7), 1)).toEqual([0.2, 0, 0.8, 1]);
        expect(valueAt(handle(side(0, [0.2, 0, 0.8, 1])), free(-999, 7), 1)).toBeNull();
        // By keys it goes on from where it was taken; a way beside it changes nothing.
        const twice = sideTaken(sideTaken(side(0, whole), [10, 0]), [10, 0]);
        expect(frameSaid(twice.frame)).toEqual([0.1, 0, 0.9, 1]);
        expect(frameSaid(sideTaken(side(0, [0.1, 0, 0.9, 1]), [0, 30]).frame)).toEqual([0.1, 0, 0.9, 1]);
        expect(frameSaid(sideTaken(twice, [-999, 0]).frame)).toBeNull();
        // All four are there by themselves.
        const keys = handlesOf(step, { at: {}, pulls: [0, 1, 2, 3].map((one) => side(one, whole)) }, undefined).map(({ key }) => key);
        expect(new Set(keys).size).toBe(4);
    });

    it('put the only place of a field', () => {
        const { kind, field } = kindWith('place');
        const [handle] = handlesOf(step, at({ [field.name]: [7, 8] }), kind) as [Handle];
        expect(moved(plan({}), step, kind, [[handle, [9, 9]]])).toEqual([{ op: 'set', id: 's1', field: field.name, value: [9, 9] }]);
    });

    it('are none for a kind that says no places', () => {
        expect(handlesOf(step, at({}), kinds[0])).toEqual([]);
        expect(handlesOf(step, at({ somewhere: [1, 2] }), undefined)).toEqual([]);
    });

    it('give numbers as the core says that they follow: whole and short for a free place, exact for one that is snapped to', () => {
        const pull = (sort: Schemas['Pull']['sort'], more: Partial<Schemas['Pull']> = {}): Handle => ({
            key: '',
            field: 'x',
            path: [],
            label: '',
            what: '',
            at: [0, 0],
            pull: {
                field: 'x',
                path: [],
                sort,
                at: [0, 0],
                from: [0, 0],
                to: [10, 0],
                zero: 0,
                between: null,
                called: null,
                colour: null,
                step: null,
                frame: null,
                side: null,
                ...more,
            },
        });
        const free = (x: number, y: number) => ({ raw: [x, y], at: [x, y] as [number, number] });
        const snapped = (x: number, y: number) => ({ raw: 'g1@1,1', at: [x, y] as [number, number] });
        expect(valueAt(pull('distance'), free(3.04, 4.03), 1)).toBe(5);
        expect(valueAt(pull('distance'), snapped(1, 1), 1)).toBe(1.414214);
        expect(valueAt(pull('along', { step: 1 }), free(27, 3), 1)).toBe(3);
        expect(valueAt(pull('along', { step: 0.25 }), snapped(-4, 0), 1)).toBe(-0.5);
        expect(valueAt(pull('angle'), free(1, 1.02), 1)).toBe(46);
        expect(valueAt(pull('angle', { zero: -90 }), snapped(0, -5), 1)).toBe(0);
        expect(valueAt(pull('vector', { zero: 90 }), snapped(-3, 4), 1)).toEqual([4, 3]);
        expect(valueAt(pull('along'), free(15, 99), 1)).toBe(1.5);
        expect(valueAt(pull('bulge'), free(5, -5), 1)).toBe(1);
        expect(valueAt(pull('bulge'), free(5, 2.5), 1)).toBe(-0.5);
        expect(valueAt(pull('place'), snapped(5, 2.5), 1)).toBe('g1@1,1');
    });

    it('show roughly what comes of them before any answer', () => {
        const { of } = described([
            {
                id: 'p1',
                kind: 'part.outline',
                points: [
                    [0, 0],
                    [100, 0],
                    [100, 100],
                ],
            },
            { id: 'c1', kind: 'guide.circle', center: [50, 50], radius: 20 },
        ]);
        const seen = ([x, y]: [number, number]): [number, number] => [2 * x, 2 * y];
        const { handles } = of('p1');
        expect(roughly(handles[1] as Handle, handles, [120, 10], seen)).toBe('M0 0L240 20M200 200L240 20');
        const way = handles.find(({ pull }) => pull?.sort === 'bulge') as Handle;
        // A half circle above the way from 0, 0 to 100, 0, clockwise on the screen.
        expect(roughly(way, handles, [50, -50], seen)).toBe('M0 0A100 100 0 0 1 200 0');
        expect(roughly(way, handles, [50, 0], seen)).toBe('M0 0L200 0');
        const circle = of('c1').handles;
        expect(roughly(circle.find(({ pull }) => pull !== null) as Handle, circle, [80, 90], seen)).toContain('a100 100 0 1 0 200 0');
    });

    it('set what is inside of a value, as far down as it is', () => {
        expect(withIn(null, [2, 'bulge'], 0.5)).toEqual([null, null, { bulge: 0.5 }]);
        expect(withIn([{ tangent: true }, null], [0, 'bulge'], 1)).toEqual([{ bulge: 1 }, null]);
        expect(withIn([{ handles: [[1, 2], [3, 4]] }], [0, 'handles', 1], 'g1@1,1')).toEqual([{ handles: [[1, 2], 'g1@1,1'] }]);
        expect(withIn([70, 40], [1], 50)).toEqual([70, 50]);
    });
});

describe('points of an outline', () => {
    const { plan: said, of } = described([
        {
            id: 'p1',
            kind: 'part.outline',
            points: [
                [100, 100],
                [300, 100],
                [300, 300],
            ],
            bends: [{ bulge: 1 }],
        },
    ]);
    const { step: outline, grips, kind, handles } = of('p1');
    const ways = handles.filter(({ pull }) => pull?.between !== null && pull !== null);

    it('are put on a way, whose arc goes on as two of the same circle', () => {
        expect(ways.map(({ at }) => at)).toEqual([[200, 0], [300, 200], [200, 200]]);
        const arc = withPoint(said, outline, kind, ways[0] as Handle, 1);
        expect(arc).toEqual([
            { op: 'set', id: 'p1', field: 'points', value: [[100, 100], [200, 0], [300, 100], [300, 300]] },
            { op: 'set', id: 'p1', field: 'bends', value: [{ bulge: 0.414213562 }, { bulge: 0.414213562 }] },
        ]);
        const last = withPoint(said, outline, kind, ways[2] as Handle, 1);
        expect(last?.[0]).toMatchObject({ value: [[100, 100], [300, 100], [300, 300], [200, 200]] });
        expect(withPoint(said, outline, kind, handles[0] as Handle, 1)).toBeNull();
    });

    it('are taken out, with the way that they begin', () => {
        expect(withoutPoint(said, outline, grips, kind, handles[0] as Handle)).toEqual([
            { op: 'set', id: 'p1', field: 'bends', value: null },
            { op: 'set', id: 'p1', field: 'points', value: [[300, 100], [300, 300]] },
        ]);
        expect(withoutPoint(said, outline, grips, kind, handles[2] as Handle)).toEqual([
            {
                op: 'set',
                id: 'p1',
                field: 'points',
                value: [
                    [100, 100],
                    [300, 100],
                ],
            },
        ]);
        expect(withoutPoint(said, outline, grips, kind, ways[0] as Handle)).toBeNull();
    });

    it('go by as many steps of the grid as one of them goes', () => {
        const { of: on } = described([{ id: 'g1', kind: 'grid.rectangular', origin: [0, 0], columns: 4, rows: 4, cell: [50, 50] }]);
        const geometry = (id: string) => (id === 'g1' ? on('g1').step.geometry : null);
        expect(shifted('g1@1,1', 'g1@2,0', 'g1@3,2', geometry)).toEqual({ raw: 'g1@2,3', at: [100, 150] });
        expect(shifted('g1@4,4', 'g1@2,0', 'g1@3,2', geometry)).toBeNull();
        expect(shifted([1, 2], 'g1@2,0', 'g1@3,2', geometry)).toBeNull();
        expect(shifted('g2@1,1', 'g1@2,0', 'g1@3,2', geometry)).toBeNull();
    });

    it('are bent while they are drawn', () => {
        expect(bulgeTowards([0, 0], [10, 0], [4, -5])).toBe(1);
        expect(bulgeTowards([0, 0], [0, 0], [4, -5])).toBe(0);
        expect(bent([], 1, { bulge: 2 })).toEqual([null, { bulge: 2 }]);
    });

    it('of a gradient set what of it is meant, and leave the rest', () => {
        const fill = { gradient: 'linear', stops: [[0, 'ink'], [1, 'sand']] };
        expect(withIn(fill, ['to'], [9, 9])).toEqual({ ...fill, to: [9, 9] });
        expect(withIn(fill, ['stops', 1, 0], 0.8)).toEqual({ gradient: 'linear', stops: [[0, 'ink'], [0.8, 'sand']] });
        // A bend is of one sort; another one takes its place.
        expect(withIn({ bulge: 0.3 }, ['through'], [1, 1])).toEqual({ through: [1, 1] });
    });

    it('of a field inside another know what the plan says', () => {
        const written = { steps: [{ id: 's1', kind: 'style', stroke: { color: 'ink' } }] } as unknown as Plan;
        expect(saidIn(written, 's1', undefined, 'stroke.color')).toBe('ink');
        expect(saidIn(written, 's1', undefined, 'stroke.width')).toBeUndefined();
    });
});

describe('what is drawn while a repeat is worked on', () => {
    it('comes into it, where it has no place of its own', () => {
        expect(inRepeat({ op: 'add', step: { kind: 'part.circle' } }, 'r1')).toEqual({
            op: 'add',
            step: { kind: 'part.circle' },
            into: 'r1',
        });
        expect(inRepeat({ op: 'add', step: { kind: 'style' }, before: 'p2' }, 'r1')).toEqual({
            op: 'add',
            step: { kind: 'style' },
            before: 'p2',
        });
        expect(inRepeat({ op: 'remove', ids: ['p1'] }, 'r1')).toEqual({ op: 'remove', ids: ['p1'] });
    });
});
