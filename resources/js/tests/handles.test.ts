import { describe, expect, it } from 'vitest';
import type { SheetPage, Step } from '../api/client';
import { handlesOf, placed } from '../editor/handles/Handles';
import { describedKinds } from './kinds';

const kinds = describedKinds();

function kindWith(handle: 'place' | 'places') {
    const kind = kinds.find((one) => one.fields.some((field) => field.handle === handle && field.required));
    const field = kind?.fields.find((one) => one.handle === handle && one.required);
    if (kind === undefined || field === undefined) throw new Error(`No kind has a field with ${handle}.`);
    return { kind, field };
}

const step = (places: Record<string, number[]>) => ({ id: 's1', label: 'thing 1', places }) as unknown as Step;
const page = (said: Record<string, unknown>) => ({ plan: { steps: [{ id: 's1', ...said }] } }) as unknown as SheetPage;

describe('handles', () => {
    it('stand where the places of a step lie, in the order of its fields', () => {
        for (const kind of kinds) {
            const fields = kind.fields.filter((field) => field.handle !== null);
            const handles = handlesOf(step(Object.fromEntries(fields.map((field, k) => [field.name, [k, 1]]))), kind);
            expect(handles.map(({ field, at }) => [field, at])).toEqual(fields.map((field, k) => [field.name, [k, 1]]));
        }
    });

    it('put one place of many, and leave the others', () => {
        const { kind, field } = kindWith('places');
        const handles = handlesOf(step({ [field.name]: [0, 0, 4, 0, 4, 3] }), kind);
        expect(handles.map(({ at }) => at)).toEqual([[0, 0], [4, 0], [4, 3]]);
        expect(new Set(handles.map(({ label }) => label)).size).toBe(3);
        const [, second] = handles;
        if (second === undefined) throw new Error('There is no second handle.');
        expect(placed(page({ [field.name]: ['g1@0,0', [4, 0], 'g1@2,2'] }), step({}), kind, second, 'g1@5,5')).toEqual({ op: 'set', id: 's1', field: field.name, value: ['g1@0,0', 'g1@5,5', 'g1@2,2'] });
    });

    it('put the only place of a field', () => {
        const { kind, field } = kindWith('place');
        const [handle] = handlesOf(step({ [field.name]: [7, 8] }), kind);
        if (handle === undefined) throw new Error('There is no handle.');
        expect(handle.index).toBeNull();
        expect(placed(page({}), step({}), kind, handle, [9, 9])).toEqual({ op: 'set', id: 's1', field: field.name, value: [9, 9] });
    });

    it('are none for a kind that says no places', () => {
        expect(handlesOf(step({}), kinds[0])).toEqual([]);
        expect(handlesOf(step({ somewhere: [1, 2] }), undefined)).toEqual([]);
    });
});
