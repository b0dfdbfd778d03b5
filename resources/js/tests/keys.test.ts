import { describe, expect, it } from 'vitest';
import { comboOf, type Row, rowsOf, TABLE, type When, type Where } from '../editor/keys/table';

const rows: readonly Row[] = TABLE;

/** Places where both are heard. */
function meet(one: Where, other: Where): boolean {
    const within: Record<Where, Where[]> = {
        sheet: ['sheet'],
        verbs: ['sheet', 'verbs'],
        pick: ['sheet', 'verbs', 'pick'],
        fieldless: ['sheet', 'verbs', 'pick', 'fieldless'],
        anywhere: ['sheet', 'verbs', 'pick', 'fieldless', 'anywhere'],
    };
    return within[one].some((place) => within[other].includes(place));
}

describe('the table of keys', () => {
    it('gives no key two things to do', () => {
        const doubled: string[] = [];
        rows.forEach((one, k) => {
            for (const other of rows.slice(k + 1)) {
                const together = one.when === 'always' || other.when === 'always' || one.when === other.when;
                for (const combo of together && meet(one.where, other.where) ? one.combos.filter((c) => other.combos.includes(c)) : [])
                    doubled.push(`${combo}: ${one.id}, ${other.id}`);
            }
        });
        // Whoever waits for a place lets Escape go on where nobody does.
        expect(doubled).toEqual(['Escape: unasked, leave']);
    });

    it('shows and tells each of them, and calls none alike', () => {
        expect(new Set(rows.map(({ id }) => id)).size).toBe(rows.length);
        for (const one of rows) {
            expect(one.shown.length).toBeGreaterThan(0);
            expect(one.does).not.toBe('');
        }
    });

    it('knows what is pressed in one way of writing', () => {
        const pressed = (key: string, more: Partial<KeyboardEvent> = {}): string =>
            comboOf({ key, ctrlKey: false, metaKey: false, altKey: false, shiftKey: false, ...more });
        expect(pressed('z', { metaKey: true })).toBe('Ctrl+Z');
        expect(pressed('Z', { ctrlKey: true, shiftKey: true })).toBe('Ctrl+Shift+Z');
        expect(pressed(' ')).toBe('Space');
        expect(pressed('Delete')).toBe('Delete');
    });

    it('hears single keys where nothing is typed, and with the brush its own', () => {
        const heard = (combo: string, places: Where[], when: When = 'verbs'): string[] =>
            rowsOf(combo, (where) => places.includes(where), when).map(({ id }) => id);
        expect(heard('3', ['sheet', 'verbs', 'pick', 'fieldless', 'anywhere'])).toEqual(['verb']);
        expect(heard('3', ['sheet', 'verbs', 'pick', 'fieldless', 'anywhere'], 'paint')).toEqual(['colour']);
        expect(heard('0', ['sheet', 'verbs'])).toEqual(['families']);
        expect(heard('.', ['anywhere'])).toEqual([]);
        expect(heard('Ctrl+S', ['anywhere'])).toEqual(['save']);
        expect(heard('Ctrl+Z', ['anywhere'])).toEqual([]);
    });
});
