import { describe, expect, it } from 'vitest';
import type { Kind, Operation, Scene, SheetPage, Step } from '../api/client';
import { Picking } from '../editor/model/pick/Picking';
import { answeredAnew, FAMILIES, groupOf, type Verb } from '../editor/model/verbs/verb';
import { sayings } from '../editor/model/verbs/sayings';
import { verbsFor } from '../editor/model/verbs/verbs';
import { found } from '../editor/model/verbs/found';
import { POINT_VERBS } from '../editor/model/verbs/pointVerbs';
import { describedKinds } from './kinds';

const kinds = describedKinds();

/** A desk with grids, guides and parts on it, nothing picked. */
function desk(planned: Record<string, unknown>[] = []) {
    const steps = [
        ...['g1', 'g2'].map((id) => ({ id, role: 'grid', label: id, of: [], geometry: null, usedUp: false, numbers: {} })),
        ...['c1', 'c2', 'c3'].map((id) => ({ id, role: 'guide', label: id, of: [], geometry: null, usedUp: false, numbers: {} })),
        ...['p1', 'p2', 'p3'].map((id) => ({ id, role: 'part', label: id, of: ['g1'], geometry: null, usedUp: false, numbers: {} })),
    ] as unknown as Step[];
    const plan = { palette: { ink: '#1b2140' }, steps: [...steps.map(({ id }) => ({ id, kind: '' })), ...planned] };
    return {
        page: { plan } as unknown as SheetPage,
        scene: { steps, sheet: { width: 800, height: 800 } } as unknown as Scene,
        kinds,
        selected: null as string | null,
        colour: null,
        picking: new Picking(),
    };
}

type Bench = ReturnType<typeof desk>;

const verbs = (bench: Bench): Verb[] => verbsFor({ ...bench, pick: bench.picking.get() });

const PICKS: Record<Kind['offers'][number]['from'], (bench: Bench, count: number) => void> = {
    ground: () => undefined,
    cells: ({ picking }, count) => picking.add('g1', '#', Array.from({ length: count }, (_, k) => `${k + 1},1`)),
    parts: ({ picking }, count) => picking.pickParts(['p1', 'p2', 'p3'].slice(0, count)),
    points: ({ picking }, count) => {
        picking.setMode('points');
        for (let k = 0; k < count; k++) picking.togglePoint({ raw: `g1@${k},0`, name: `point ${k}`, at: [k, 0] });
    },
    guides: ({ picking }, count) => {
        picking.setMode('lines');
        for (const id of ['c1', 'c2', 'c3'].slice(0, count)) picking.putLine(id, [1, 2]);
    },
};

function picked(from: keyof typeof PICKS, count: number, planned: Record<string, unknown>[] = []): Bench {
    const bench = desk(planned);
    PICKS[from](bench, count);
    return bench;
}

describe('verbs', () => {
    const all = kinds.flatMap((kind) => kind.offers.map((offer) => ({ kind, offer, name: `${kind.kind} ${offer.label}` })));

    it.each(all)('$name is there for its pick, and makes a step of its kind', ({ kind, offer, name }) => {
        const begins = Object.values(offer.preset).flatMap((one) =>
            typeof one === 'string' ? (/^\{last:(.+)\}$/.exec(one)?.[1] ?? []) : [],
        );
        const bench = picked(
            offer.from,
            offer.least,
            begins.map((one) => ({ id: 'b1', kind: one })),
        );
        if (offer.copies) bench.picking.pickParts(['p1[1]']);
        if (offer.only !== null)
            (bench.scene.steps.find(({ id }) => id === 'p1') as unknown as Record<string, unknown>)['kind'] = offer.only;
        // Some can lie on grids of one sort only.
        const lies =
            kind.fields.find((field) => field.name === 'on')?.kinds?.[0] ??
            kind.fields.find((field) => field.name === offer.takes)?.kinds?.[0];
        if (lies !== undefined) (bench.scene.steps.find(({ id }) => id === 'g1') as unknown as Record<string, unknown>)['kind'] = lies;
        if (JSON.stringify(offer.preset).includes('{owner}') || offer.into) {
            (bench.scene as unknown as Record<string, unknown>).drawing = [{ id: 'p1' }];
            bench.picking.setMode('points');
            bench.picking.togglePoint({ raw: 'p1@2', name: 'corner', at: [5, 5] });
            if (offer.into) bench.page.plan.steps.splice(0, Infinity, { id: 'p1', kind: kind.kind });
        }
        const roles = kind.fields.find((field) => field.name === offer.takes)?.roles ?? [];
        if (offer.from === 'guides' && !roles.includes('guide')) {
            bench.picking.setMode('lines');
            bench.picking.putLine('g1', [1, 2]);
        }
        const verb = verbs(bench).find((one) => one.name === name && one.family === offer.family);
        expect(verb?.key).toBe(offer.key);
        const made = verb?.operations(verb.start).at(-1 - offer.next.length) as Operation & { op: 'add'; step: { kind: string } };
        if (offer.into) {
            expect(made).toEqual({ op: 'set', id: 'p1', field: offer.takes, value: [[5, 5]] });
            return;
        }
        if ((made as Operation).op === 'paint') {
            expect(made).toMatchObject({ kind: kind.kind, on: 'g1', cells: { ink: '1,1' } });
            return;
        }
        expect(made.op).toBe('add');
        expect(made.step.kind).toBe(kind.kind);
    });

    it('keep their numbers, whatever else is picked', () => {
        for (const from of Object.keys(PICKS) as (keyof typeof PICKS)[]) {
            const keys = new Map<string, string>();
            for (const count of [1, 2, 3]) {
                const seen = new Set<string>();
                for (const verb of verbs(picked(from, count))) {
                    const place = `${verb.family} ${verb.key}`;
                    const shown = `${groupOf(verb)} ${verb.key}`;
                    expect(seen, `${from}, ${count}: ${verb.name}`).not.toContain(shown);
                    seen.add(shown);
                    expect(keys.get(verb.name) ?? place).toBe(place);
                    keys.set(verb.name, place);
                    expect(verb.key === 10 || verb.key > 19, 'The tenth place opens the rest.').toBe(false);
                    expect(FAMILIES).toContain(verb.family);
                }
            }
        }
    });

    it('begin with a step of another kind only where there is one', () => {
        const offer = all.find(({ offer }) =>
            Object.values(offer.preset).some((one) => typeof one === 'string' && one.startsWith('{last:')),
        );
        expect(verbs(picked('points', 1)).map((verb) => verb.name)).not.toContain(offer?.name);
    });

    it('for copies are not there for whole parts', () => {
        const names = all.filter(({ offer }) => offer.copies).map(({ name }) => name);
        expect(names).not.toEqual([]);
        expect(verbs(picked('parts', 1)).filter((verb) => names.includes(verb.name))).toEqual([]);
    });

    it('make what follows at once, with the same answers', () => {
        const motif = all.find(({ offer }) => offer.label === 'Motif…');
        const verb = verbs(picked('parts', 2)).find((one) => one.name === motif?.name);
        const [made, next] = (verb?.operations({ ...verb.start, anchor: 'g1@0' }) ?? []) as { step: Record<string, unknown> }[];
        expect(made?.step).toMatchObject({ id: '+new', of: ['p1', 'p2'], anchor: 'g1@0' });
        expect(next?.step).toMatchObject({ motif: '+new', at: ['g1@0'] });
        // What a part and its turned copy have in common, and how that looks.
        const shadow = verbs(picked('parts', 1)).find((one) => one.label === 'Shadow…');
        expect(shadow?.operations(shadow.start)).toMatchObject([
            { step: { id: '+new', kind: 'turn', of: ['p1'], angle: 4, copy: true, hidden: true } },
            { step: { id: '+shadow', kind: 'common', of: ['p1', '+new'], keep: true } },
            { step: { kind: 'style', of: ['+shadow'], blend: 'multiply' } },
        ]);
    });

    it('say where picked points lie, and whose they are where a step is selected', () => {
        const bench = { ...picked('points', 2), selected: 'p2' };
        const row = verbs(bench).find((verb) => verb.name === 'points into a row');
        expect(row?.operations({})).toEqual([{ op: 'arrange', points: ['g1@0,0', 'g1@1,0'], way: 'row', of: 'p2' }]);
        const cells = verbs(picked('points', 1)).find((verb) => verb.name === 'points by cells');
        expect(cells?.operations({ cells: [2, 0] })).toEqual([{ op: 'arrange', points: ['g1@0,0'], way: 'shift', cells: [2, 0] }]);
        expect(verbs(picked('points', 1)).find((verb) => verb.name === 'points spread')?.wants).toBe('pick 2 more points');
    });

    it('for each part make one step, the first and the last staying where parts are spread', () => {
        const each = (label: string) => verbs(picked('parts', 3)).find((verb) => verb.label === label)?.operations({});
        expect(each('Into one row')).toEqual([
            { op: 'add', step: { kind: 'move', of: ['p2'], from: 'p2!', to: { column: 'p2!', row: 'p1!' } } },
            { op: 'add', step: { kind: 'move', of: ['p3'], from: 'p3!', to: { column: 'p3!', row: 'p1!' } } },
        ]);
        expect(each('Spread evenly')).toEqual([
            {
                op: 'add',
                step: { kind: 'move', of: ['p2'], from: 'p2!', to: { column: { between: ['p1!', 'p3!'], share: '1/2' }, row: 'p2!' } },
            },
        ]);
    });

    it('open what is drawn once, in a chapter of its own', () => {
        const bench = picked('parts', 0);
        const steps = bench.scene.steps as unknown as Record<string, unknown>[];
        for (const [id, opens, of] of [
            ['f1', ['p1', 'p2'], ['p1', 'p2']],
            ['q1', ['f1'], ['f1']],
        ] as const)
            steps.push({ id, role: 'part', label: id === 'f1' ? 'lamp' : id, of, opens, geometry: null });
        for (const step of steps) step.opens ??= null;
        (bench.scene as unknown as Record<string, unknown>).chapters = [{ name: 'Construction', from: 'c1', named: false, steps: 8 }];
        bench.picking.pickParts(['q1[2]']);
        const open = verbs(bench).find((verb) => verb.opens !== undefined);
        expect(open?.label).toBe('Open lamp');
        expect(open?.opens).toBe('p1');
        expect(open?.operations({})).toEqual([
            { op: 'chapter', from: 'p1', name: 'Lamp' },
            { op: 'chapter', from: 'q1', name: 'Construction' },
        ]);
        (bench.scene as unknown as Record<string, unknown>).chapters = [{ name: 'Lamp', from: 'p1', named: true, steps: 5 }];
        expect(verbs(bench).find((verb) => verb.opens !== undefined)?.operations({})).toEqual([]);
    });

    it('of cells make the part first', () => {
        const fill = verbs(picked('cells', 2)).find((verb) => verb.label === 'Fill');
        const operations = fill?.operations({ fill: 'ink' }) ?? [];
        expect(operations).toMatchObject([
            { op: 'add', step: { id: '+part', cells: ['g1#1,1', 'g1#2,1'] } },
            { op: 'add', step: { of: ['+part'], fill: 'ink' } },
        ]);
    });

    it('change a look that the same parts have, and say no second one', () => {
        const [look] = kinds.flatMap((kind) => kind.offers.filter((offer) => offer.replaces !== null).map((offer) => ({ kind, offer })));
        const field = look?.offer.replaces ?? '';
        const bench = picked('parts', 2, [{ id: 's1', kind: look?.kind.kind, of: ['p1', 'p2'], [field]: 'ink' }]);
        const verb = verbs(bench).find((one) => one.label === look?.offer.label);
        expect(verb?.operations({ ...verb.start, [field]: 'brick' })[0]).toMatchObject({ op: 'set', id: 's1', field, value: 'brick' });
    });

    it('say a look anew where another one covers what was said before', () => {
        const [look] = kinds.flatMap((kind) => kind.offers.filter((offer) => offer.replaces !== null).map((offer) => ({ kind, offer })));
        const field = look?.offer.replaces ?? '';
        const copy = (id: string, of: string) => ({ id, kind: look?.kind.kind, of: [of], [field]: 'ink' });
        const fill = (planned: Record<string, unknown>[], id: string) => {
            const bench = picked('parts', 1, planned);
            (bench.scene.steps as unknown[]).push({ id: 'r1', role: 'part', label: 'r1', of: ['p1'], geometry: null, usedUp: false });
            bench.picking.pickParts([id]);
            const verb = verbs(bench).find((one) => one.label === look?.offer.label);
            return verb?.operations({ ...verb.start, [field]: 'brick' })[0]?.op;
        };
        expect(fill([copy('s1', 'r1[3]')], 'r1[3]')).toBe('set');
        expect(fill([copy('s1', 'r1[3]'), copy('s2', 'r1')], 'r1[3]')).toBe('add');
        expect(fill([copy('s1', 'p1'), copy('s2', 'r1')], 'p1')).toBe('add');
        expect(fill([copy('s1', 'p1'), copy('s2', 'p2')], 'p1')).toBe('set');
    });

    it('turn copies all the way around about the centre that these have', () => {
        const bench = picked('parts', 1, [{ id: 'r1', kind: '', center: 'g1@0' }]);
        (bench.scene.steps as unknown[]).push({
            id: 'r1',
            role: 'part',
            label: 'r1',
            of: ['p1'],
            geometry: null,
            usedUp: false,
            sector: { center: [1, 2], from: 0, angle: 60, mirrored: false },
        });
        const about = (id: string): unknown => {
            bench.picking.pickParts([id]);
            return verbs(bench).find((one) => one.label === 'Turn…')?.start['about'];
        };
        expect([about('p1'), about('r1'), about('r1[2]')]).toEqual(['p1!', 'g1@0', 'r1[2]!']);
    });

    it('arrange points by their addresses, where they have one', () => {
        const bench = picked('points', 0);
        bench.picking.setMode('points');
        for (const raw of ['g1@3,1', [4, 5]]) bench.picking.togglePoint({ raw, name: 'point', at: [4, 5] });
        expect(
            verbs(bench)
                .find((verb) => verb.name === 'points into a row')
                ?.operations({}),
        ).toMatchObject([{ points: ['g1@3,1', [4, 5]] }]);
    });

    it('of tens of thousands of cells list none before they are done', () => {
        const bench = picked('cells', 0, [{ id: 'p4', kind: 'part.cells', cells: ['g1#1,1', 'g1#2,1', 'g1#900,1'] }]);
        (bench.scene.steps as unknown[]).push({ id: 'p4', role: 'part', label: 'fourth', of: ['g1'], geometry: null });
        bench.picking.add('g1', '#', Array.from({ length: 40_000 }, (_, k) => `${(k % 200) + 1},${Math.floor(k / 200) + 1}`));
        let listed = 0;
        const addresses = bench.picking.addresses.bind(bench.picking);
        bench.picking.addresses = () => {
            listed++;
            return addresses();
        };
        const shown = verbs(bench);
        expect(listed).toBe(0);
        expect(shown.find((verb) => verb.label === 'Take from fourth')?.operations({})).toEqual([
            { op: 'set', id: 'p4', field: 'cells', value: ['g1#900,1'] },
        ]);
        const [added] = shown.find((verb) => verb.label === 'Add to fourth')?.operations({}) ?? [];
        expect((added as unknown as { value: string[] }).value).toHaveLength(40_001);
        expect(listed).toBe(1);
    });

    it('done again answer what was answered otherwise than they begin with', () => {
        const verb = { start: { angle: 30, copy: null } } as unknown as Verb;
        expect(answeredAnew(verb, { angle: 45, copy: null })).toEqual({ angle: 45 });
        expect(answeredAnew(verb, { angle: 30, copy: true })).toEqual({ copy: true });
    });

    it('take lines in the order of the plan, whatever the order of the clicks', () => {
        const bench = picked('guides', 0);
        bench.picking.setMode('lines');
        for (const id of ['c3', 'c1']) bench.picking.putLine(id, [0, 0]);
        const overlay = verbs(bench).find((verb) => verb.cuts);
        expect(overlay?.operations({})).toMatchObject([{ op: 'add', step: { of: ['c1', 'c3'] } }]);
    });

    it('can all be said, by five everyday words at least', () => {
        const said = sayings(kinds);
        expect(new Set(said.map((one) => one.name))).toEqual(
            new Set([...[...all, ...POINT_VERBS].map((one) => one.name), 'draw-in', 'draw-in-cells', 'fit picture']),
        );
        for (const one of said) expect(new Set(one.words).size, one.label).toBeGreaterThanOrEqual(5);
    });

    it('are found first by what they are called, then by other words', () => {
        const said = sayings(kinds);
        const rank = (search: string): string[] =>
            said
                .map(({ label, words }) => ({ label, score: found('', search, [label, ...words]) }))
                .filter(({ score }) => score > 0)
                .sort((a, b) => b.score - a.score)
                .map(({ label }) => label);
        for (const { label } of said) expect(rank(label.replace('…', ''))[0], label).toBe(said.find((one) => one.label === label)?.label);
        expect(rank('turn')[0]).toBe('Turn…');
        expect(rank('rotate')).toContain('Turn…');
        expect(rank('disc')[0]).toMatch(/^Disc, centre/);
        expect(rank('xyzzy')).toEqual([]);
        expect(rank('ring')[0]).not.toBe('Polar grid');
        expect(rank('ring')).not.toContain('Move to…');
        expect(rank('(')).toEqual([]);
    });
});
