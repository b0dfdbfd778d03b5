import { createContext, useContext, useMemo, useState, useSyncExternalStore } from 'react';
import type { Hover } from '../model/pick/hover';
import { type Pick, Picking } from '../model/pick/Picking';
import { Store } from '../model/Store';
import { inEditor } from './inEditor';

/** What is picked, chosen and pointed at. */
export interface PickState {
    picking: Picking;
    /** The step that is chosen in the plan, and whose handles are shown. */
    selected: string | null;
    select: (step: string | null) => void;
    /** What the pointer, or the keyboard, is on. */
    pointed: Store<Hover | null>;
    /** The step whose name is being typed in the plan. */
    renaming: Store<string | null>;
}

export const PickContext = createContext<PickState | null>(null);

export function usePicks(): PickState {
    return inEditor(useContext(PickContext));
}

export function usePick(picking: Picking): Pick {
    return useSyncExternalStore(picking.subscribe, picking.get);
}

/** The pick of a new editor. */
export function usePickState(): Omit<PickState, 'selected'> & { chosen: string | null } {
    const [picking] = useState(() => new Picking());
    const [chosen, select] = useState<string | null>(null);
    const [pointed] = useState(() => new Store<Hover | null>(null));
    const [renaming] = useState(() => new Store<string | null>(null));
    return useMemo(() => ({ picking, chosen, select, pointed, renaming }), [picking, chosen, pointed, renaming]);
}
