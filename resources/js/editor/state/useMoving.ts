import type { Operation } from '../../api/client';
import { stepIn } from '../model/pick/Picking';
import { stepOf } from '../model/scene/steps';
import { verbsFor } from '../model/verbs/verbs';
import { usePick, usePicks } from './pick';
import { useSheet } from './sheet';

interface Moving {
    /** The operations that move things by a way, or lay a copy of them there. */
    moving: (names: readonly string[], by: [number, number], isCopy: boolean) => Operation[];
    /** The kind of step that says so, and its field for the way. */
    moverOf: (names: readonly string[]) => { kind: string; field: string } | null;
}

/** What the first verb of places does. */
export function useMoving(): Moving {
    const { page, scene, kinds } = useSheet();
    const { picking } = usePicks();
    const pick = usePick(picking);
    const verbOf = (names: readonly string[]) => {
        const areLines = stepOf(scene, stepIn(names[0] ?? ''))?.role === 'guide';
        const of = {
            ...pick,
            mode: areLines ? ('lines' as const) : ('parts' as const),
            parts: areLines ? [] : [...names],
            lines: areLines ? [...names] : [],
        };
        const verb = verbsFor({ page, scene: page.scene, kinds, pick: of, picking, selected: null, colour: null }).find(
            (one) => one.family === 'place' && one.key === 1,
        );
        const field = verb?.kind?.fields.find((one) => one.type === 'pair' && verb.asks.includes(one.name))?.name;
        return verb?.kind === undefined || field === undefined ? null : { verb, kind: verb.kind.kind, field };
    };
    return {
        moving: (names, by, isCopy) => {
            const found = verbOf(names);
            return found === null ? [] : found.verb.operations({ [found.field]: by, ...(isCopy ? { copy: true } : {}) });
        },
        moverOf: verbOf,
    };
}
