import { describe, expect, it } from 'vitest';
import type { Scene, SheetPage, Step } from '../api/client';
import { Picking } from '../editor/model/pick/Picking';
import { asked, isDrawn } from '../editor/model/verbs/asking';
import { hearsOf, named, placed, slotsOf, withHovered } from '../editor/model/verbs/hears';
import { givingLooks, lookingLike } from '../editor/model/verbs/kept';
import type { Verb } from '../editor/model/verbs/verb';
import { verbsFor } from '../editor/model/verbs/verbs';
import { drawingWords } from '../editor/model/verbs/words';
import { describedKinds } from './kinds';

const kinds = describedKinds();

function verbsWith(parts: string[]): Verb[] {
    const steps = ['p1', 'p2'].map((id) => ({ id, role: 'part', label: id, of: [], geometry: null, numbers: {} })) as unknown as Step[];
    const picking = new Picking();
    if (parts.length > 0) picking.pickParts(parts);
    return verbsFor({
        page: { plan: { palette: {}, steps: [] } } as unknown as SheetPage,
        scene: { steps, sheet: { width: 800, height: 800 } } as unknown as Scene,
        kinds,
        pick: picking.get(),
        picking,
        selected: null,
        colour: null,
    });
}

function verb(label: string, parts: string[] = ['p1']): Verb {
    const found = verbsWith(parts).find((one) => one.label === label);
    if (found === undefined) throw new Error(`There is no ${label}.`);
    return found;
}

describe('a click on the sheet, while a verb asks', () => {
    it('answers the place that stands, one after another, and around again', () => {
        const move = verb('Move to…');
        expect(slotsOf(move, move.start).map(({ field }) => field)).toEqual(['from', 'to']);
        const asking = asked(move);
        const first = hearsOf(asking, move);
        expect(first).toMatchObject({ sort: 'place', slot: { field: 'from' } });
        if (first.sort !== 'place') return;
        const answers = placed(asking.answers, first.slot, 'g1@2,3');
        expect(answers).toMatchObject({ from: 'g1@2,3' });
        expect(hearsOf({ ...asking, answers, slot: 1 }, move)).toMatchObject({ sort: 'place', slot: { field: 'to' } });
        expect(hearsOf({ ...asking, answers, slot: 2 }, move)).toMatchObject({ sort: 'place', slot: { field: 'from' } });
        expect(withHovered(asking, first, [5, 5])).toMatchObject({ from: [5, 5] });
        expect(withHovered(asking, { sort: 'nothing' }, [5, 5])).toBeNull();
    });

    it('gives both places of an axis, each its own slot', () => {
        const mirror = verb('Mirror…');
        const slots = slotsOf(mirror, mirror.start);
        expect(slots.map(({ field, index }) => [field, index])).toEqual([['axis', 0], ['axis', 1]]);
        const [first, second] = slots;
        if (first === undefined || second === undefined) throw new Error('An axis has two places.');
        expect(placed(placed({}, second, 'b'), first, 'a')).toEqual({ axis: ['a', 'b'] });
    });

    it('never swaps what the verb is about, which asks for numbers alone', () => {
        const inset = verb('Inset…');
        expect(hearsOf(asked(inset), inset)).toEqual({ sort: 'nothing' });
        expect(hearsOf(null, null)).toEqual({ sort: 'picks' });
        expect(hearsOf(asked({ ...inset, needs: 1 }), { ...inset, needs: 1 })).toEqual({ sort: 'picks' });
    });

    it('of any number of steps takes one more, or one less', () => {
        const field = { name: 'of', type: 'steps' } as Parameters<typeof named>[1];
        expect(named({ of: ['p1'] }, field, 'p2')).toEqual({ of: ['p1', 'p2'] });
        expect(named({ of: ['p1', 'p2'] }, field, 'p1')).toEqual({ of: ['p2'] });
        expect(named({}, { ...field, type: 'step' }, 'p1')).toEqual({ of: 'p1' });
    });
});

describe('what can be drawn', () => {
    const drawn = verbsWith([]);

    it('is offered with nothing picked: shapes, lines and grids, each number once', () => {
        const groups = new Map<string, number[]>();
        for (const { group = '', key } of drawn) groups.set(group, [...(groups.get(group) ?? []), key]);
        expect([...groups.keys()].sort()).toEqual(['grids', 'lines', 'shapes']);
        for (const keys of groups.values()) expect(new Set(keys).size).toBe(keys.length);
    });

    it('says what is pressed and where it is let go', () => {
        const disc = drawn.find(({ label }) => label.startsWith('Disc'));
        if (disc === undefined) throw new Error('A disc can be drawn.');
        expect(drawingWords(disc, 0)).toMatch(/^Disc: press at .*centre, let go at /);
        expect(isDrawn(asked(disc, disc.start, new Picking().snapshot()))).toBe(true);
        expect(isDrawn(asked(disc))).toBe(false);
    });
});

describe('looks that are given on', () => {
    it('come to a step that says so already', () => {
        expect(lookingLike(kinds, [], ['p2'], 'p1')).toEqual([{ op: 'add', step: { kind: 'style', of: ['p2'], like: 'p1' } }]);
        const said = [{ id: 's1', kind: 'style', of: ['p2'], like: 'p1' }];
        expect(lookingLike(kinds, said, ['p3', 'p2', 'p1'], 'p1')).toEqual([{ op: 'set', id: 's1', field: 'of', value: ['p2', 'p3'] }]);
        expect(lookingLike(kinds, said, ['p2'], 'p1')).toEqual([]);
        expect(givingLooks('p1')).toMatchObject({ looksOf: 'p1', from: 'parts' });
    });
});
