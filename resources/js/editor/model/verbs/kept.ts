import type { Kind, Operation } from '../../../api/client';
import type { PickMode } from '../pick/Picking';
import type { Verb } from './verb';

/** A verb that was done, to be done again. */
export interface Done {
    name: string;
    label: string;
    from: Verb['from'];
    answers: Record<string, unknown>;
    /** The part whose looks are given to whatever is picked; null where that is to be picked first. */
    looksOf?: string | null;
}

/** The name of what was copied by hand. */
export const COPIED = 'copied by hand';

/** A copy that was made by hand: said again, it goes on. */
export function copiedByHand(id: string): Done {
    return { name: COPIED, label: 'Copy', from: null, answers: { id } };
}

/** Looks that are taken up from a part, and given to others one after another. */
export function givingLooks(from: string | null): Done {
    return { name: 'looks', label: 'Give its looks on', from: 'parts', answers: {}, looksOf: from };
}

/** Parts that look like another one, in the step that says so of others already where there is one. */
export function lookingLike(
    kinds: readonly Kind[],
    steps: readonly ({ id: string; kind: string } & Record<string, unknown>)[],
    parts: readonly string[],
    like: string,
): Operation[] {
    const kind = kinds.find(({ fields }) => ['fill', 'like'].every((name) => fields.some((field) => field.name === name)))?.kind ?? '';
    const said = steps.findLast((step) => step.kind === kind && step['like'] === like);
    const before: unknown[] = Array.isArray(said?.['of']) ? said['of'] : [];
    const more = parts.filter((part) => part !== like && !before.includes(part));
    if (more.length === 0) return [];
    return [
        said === undefined
            ? { op: 'add', step: { kind, of: more, like } }
            : { op: 'set', id: said.id, field: 'of', value: [...before, ...more] },
    ];
}

/** In which mode the pick that a verb needs is picked. */
export const MODE_OF: Record<NonNullable<Verb['from']>, PickMode | null> = {
    cells: 'cells',
    parts: 'parts',
    points: 'points',
    guides: 'lines',
    ground: null,
};
