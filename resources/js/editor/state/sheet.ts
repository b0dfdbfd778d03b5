import { useQueryClient } from '@tanstack/react-query';
import { createContext, useCallback, useContext, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { Field, Kind, Operation, Problem, Scene, SheetPage } from '../../api/client';
import { isThere, type Picking, type Snapshot } from '../model/pick/Picking';
import type { SnapIndex } from '../model/pick/SnapIndex';
import { Store } from '../model/Store';
import { inEditor } from './inEditor';
import type { SheetWork } from './useSheetWork';
import { useSnapPlaces } from './useSnapPlaces';
import type { WorkedOn } from './useWorkedOn';

export type Told = string | { text: string; label: string; run: () => void };

/** The sheet: what it is now, and how it is changed. */
export interface SheetState {
    page: SheetPage;
    /** As shown: of the preview while there is one. */
    scene: Scene;
    kinds: Kind[];
    /** What the sheet as a whole can say. */
    properties: Field[];
    change: (operations: Operation[]) => Promise<Problem | null>;
    preview: (operations: Operation[] | null) => Promise<Problem | null>;
    /** Back to the revision before, or forth again; what was picked then is picked again. */
    move: (way: 'undo' | 'redo') => Promise<unknown>;
    /** Ids of what the last change made: parts, and lines to build on. */
    added: () => { parts: string[]; lines: string[] };
    /** What there is to be told of a change, with what can be done about it; it goes with the next one. */
    told: Store<Told | null>;
    /** What can be snapped to, as far as it is known beforehand. */
    snapPlaces: SnapIndex | null;
}

export const SheetContext = createContext<SheetState | null>(null);

export function useSheet(): SheetState {
    return inEditor(useContext(SheetContext));
}

/** Changes of a sheet, each remembered with what was picked before it; what is gone is picked no more. */
export function useSheetState(
    id: string,
    { page, move: moved }: SheetWork,
    { change: changed, preview }: WorkedOn,
    picking: Picking,
): Omit<SheetState, 'page' | 'scene' | 'kinds' | 'properties'> {
    const queries = useQueryClient();
    const [told] = useState(() => new Store<Told | null>(null));
    const [picks] = useState(() => new Map<number, Snapshot>());
    const revision = useRef(0);
    useLayoutEffect(() => {
        revision.current = page?.revision ?? 0;
    }, [page?.revision]);

    const change = useCallback(
        (operations: Operation[]) => {
            told.set(null);
            picks.set(revision.current, picking.snapshot());
            return changed(operations);
        },
        [changed, told, picks, picking],
    );
    const move = useCallback(
        async (way: 'undo' | 'redo') => {
            told.set(null);
            picks.set(revision.current, picking.snapshot());
            await moved(way);
            const before = picks.get(queries.getQueryData<SheetPage>(['sheet', id])?.revision ?? 0);
            if (before !== undefined) picking.restore(before);
        },
        [moved, told, picks, picking, queries, id],
    );
    const added = useCallback(() => {
        const now = queries.getQueryData<SheetPage>(['sheet', id]);
        const added = new Set(now?.added);
        const steps = now?.scene.steps.filter(({ id }) => added.has(id)) ?? [];
        // What others of them are made of only leads to those.
        const made = (role: string): string[] =>
            steps
                .filter((step) => step.role === role && !step.usedUp && !steps.some((other) => other.of.includes(step.id)))
                .map(({ id }) => id);
        return { parts: made('part'), lines: made('guide') };
    }, [queries, id]);

    // What is gone is not picked any more.
    const steps = page?.scene.steps;
    useEffect(() => {
        if (steps === undefined) return;
        const there = new Map(steps.map((step) => [step.id, step]));
        picking.keep((name) => isThere(there, name));
    }, [steps, picking]);

    const snapPlaces = useSnapPlaces(page);
    return useMemo(() => ({ change, preview, move, added, told, snapPlaces }), [change, preview, move, added, told, snapPlaces]);
}
