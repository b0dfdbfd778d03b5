import { describe, expect, it } from 'vitest';
import type { Field } from '../api/client';
import { answered, asking, sent } from '../editor/model/handover/options';

const field = (name: string, type: Field['type'], more: Partial<Field> = {}) =>
    ({ name, type, label: name, default: null, when: null, ...more }) as unknown as Field;
const form = {
    options: [
        field('as', 'choice', { default: 'svg' }),
        field('width', 'number', { when: { field: 'as', is: 'png' } }),
        field('sizes', 'sizes', { default: [16, 24] }),
        field('ground', 'switch', { default: false }),
        field('scale', 'number', { default: 1 }),
    ],
    proposed: { scale: 2 },
};

describe('the options of a file', () => {
    it('are as answered, else as proposed, else as usual', () => {
        expect(answered(form, { ground: true })).toEqual({ as: 'svg', width: null, sizes: [16, 24], ground: true, scale: 2 });
    });

    it('are asked for where they mean anything', () => {
        expect(asking(form, answered(form, {})).map(({ name }) => name)).toEqual(['as', 'sizes', 'ground', 'scale']);
        expect(asking(form, answered(form, { as: 'png' })).map(({ name }) => name)).toContain('width');
    });

    it('offer what may go together with another choice, but that one itself', () => {
        const choices = [{ value: 'w1', text: 'cloth' }, { value: 'w2', text: 'behind' }];
        const with_ = { options: [field('of', 'choice', { default: 'w2' }), field('with', 'many', { choices, but: 'of' })], proposed: {} };
        expect(asking(with_, answered(with_, {}))[1]?.choices).toEqual([choices[0]]);
        expect(asking(with_, answered(with_, { of: 'w1' }))[1]?.choices).toEqual([choices[1]]);
    });

    it('are sent as numbers and lists where they were typed, arithmetic as it is, and not at all where nothing stands', () => {
        expect(sent(form, answered(form, { as: 'png', width: ' 209 ', sizes: '16, 2x', scale: '2*3' }))).toEqual({
            as: 'png',
            width: 209,
            sizes: [16, '2x'],
            ground: false,
            scale: '2*3',
        });
        expect(sent(form, answered(form, { as: 'png', width: '' }))).not.toHaveProperty('width');
    });

    it('that mean nothing are not sent', () => {
        expect(sent(form, answered(form, { width: '209' }))).not.toHaveProperty('width');
    });
});
