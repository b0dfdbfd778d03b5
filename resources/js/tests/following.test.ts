import { describe, expect, it } from 'vitest';
import { alsoSet, following } from '../editor/ask/fields/PicturedChoice';
import { describedKinds } from './kinds';

const withWays = describedKinds().find((kind) =>
    kind.fields.some((field) => field.choices?.some((choice) => choice.text.includes('hexagonal') && choice.also !== undefined)),
);
const fields = withWays?.fields ?? [];
const field = fields.find((one) => one.choices?.some((choice) => choice.also !== undefined));
const hexagonal = field?.choices?.find((choice) => choice.text.includes('hexagonal') && choice.also !== undefined);

describe('what is set along with a choice', () => {
    it('goes on with the way that it hangs on, until it is set by itself', () => {
        if (field === undefined || hexagonal === undefined) throw new Error('There is no such choice.');
        const chosen = { [field.name]: hexagonal.value, a: [60, 0] };
        const before = { ...chosen, ...alsoSet(hexagonal, chosen) };
        expect(following(fields, before, { ...before, a: ['p1.wide', 0] })).toEqual({ b: ['(p1.wide)/2', '(p1.wide)*sqrt(3)/2'] });
        expect(following(fields, before, { ...before, b: [0, 80] })).toEqual({});
        const own = { ...before, b: [0, 80] };
        expect(following(fields, own, { ...own, a: [90, 0] })).toEqual({});
        expect(following(fields, before, before)).toEqual({});
    });
});
