import type { Kind, Offer } from '../../../api/client';
import { POINT_VERBS } from './pointVerbs';
import { type Family, nameOf } from './verb';

/** What can be done at all, with what is to be picked for it and the words by which people look for it. */
export interface Saying {
    name: string;
    label: string;
    family: Family;
    words: string[];
    from: Offer['from'];
    least: number;
}

export const DRAW_IN: Saying = {
    name: 'draw-in', label: 'Draw in its sectors', family: 'copy', from: 'parts', least: 1,
    words: ['kaleidoscope', 'symmetry drawing', 'live mirror', 'draw in a wedge', 'fill the sectors', 'mandala'],
};

export const DRAW_IN_CELLS: Saying = {
    name: 'draw-in-cells', label: 'Draw in its cells', family: 'copy', from: 'parts', least: 1,
    words: ['draw in a pattern', 'fundamental cell', 'live pattern', 'mirrors and glides', 'turning centres', 'edit the repeat'],
};

export const FIT_PICTURE: Saying = {
    name: 'fit picture', label: 'Fit the picture', family: 'place', from: 'guides', least: 1,
    words: ['cover the grid', 'photo over the cells', 'scale the reference', 'align the image', 'lay the picture over'],
};

/** Every verb that there is, each once. */
export function sayings(kinds: Kind[]): Saying[] {
    const all = new Map<string, Saying>();
    for (const kind of kinds) {
        for (const { label, family, words, from, least } of kind.offers) {
            const name = nameOf(kind, { label });
            if (!all.has(name)) all.set(name, { name, label, family, words, from, least });
        }
    }
    all.set(DRAW_IN.name, DRAW_IN);
    all.set(DRAW_IN_CELLS.name, DRAW_IN_CELLS);
    all.set(FIT_PICTURE.name, FIT_PICTURE);
    for (const { name, label, family, words, least } of POINT_VERBS) all.set(name, { name, label, family, words, from: 'points', least });
    return [...all.values()];
}
