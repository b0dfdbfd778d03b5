import type { PickMode } from '../pick/Picking';
import type { Verb } from './verbs';

/** A verb that was done, to be done again. */
export interface Done {
    name: string;
    label: string;
    from: Verb['from'];
    answers: Record<string, unknown>;
}

/** In which mode the pick that a verb needs is picked. */
export const MODE_OF: Record<NonNullable<Verb['from']>, PickMode | null> = { cells: 'cells', parts: 'parts', points: 'points', guides: 'lines', ground: null };
