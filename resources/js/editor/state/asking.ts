import { createContext, useContext, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { Store } from '../model/Store';
import type { Asking } from '../model/verbs/asking';
import { type Hears, PICKS } from '../model/verbs/hears';
import type { Done } from '../model/verbs/kept';
import type { Verb } from '../model/verbs/verb';
import { inEditor } from './inEditor';

/** Somebody who wants a place from the sheet. */
export interface PlaceWanted {
    take: (raw: unknown, at: [number, number]) => void;
    /** The step that it is for; what stands behind it in the plan cannot be meant. Null for a new one. */
    before: string | null;
    /** Told when the asking ends without a place. */
    leave?: () => void;
}

/** The verbs that fit what is picked, and how one of them is begun. */
export interface Offered {
    verbs: readonly Verb[];
    begin: (verb: Verb) => void;
}

/** What has been said and is not done yet, and what was done before. */
export interface AskingState {
    /** The verb that has been said and is not done yet; it stays whatever is looked at meanwhile. */
    asking: Asking | null;
    setAsking: (next: Asking | null | ((old: Asking | null) => Asking | null)) => void;
    /** Does the verb that is asked for, from the sheet. */
    finishAsking: Store<(() => void) | null>;
    /** Asks for a place to be clicked; null ends the asking. */
    askPlace: (wanted: PlaceWanted | null) => void;
    placeWanted: PlaceWanted | null;
    /** The verb that was done last. */
    last: Done | null;
    setLast: (done: Done) => void;
    /** The verb that is done with every new pick. */
    kept: Done | null;
    setKept: (done: Done | null) => void;
    offered: Store<Offered>;
    /** What a click on the sheet does just now. */
    hears: Store<Hears>;
}

export const AskingContext = createContext<AskingState | null>(null);

export function useAsking(): AskingState {
    return inEditor(useContext(AskingContext));
}

/** What a click on the sheet does just now. */
export function useHears(): Hears {
    const { hears } = useAsking();
    return useSyncExternalStore(hears.subscribe, hears.get);
}

/** What is asked in a new editor: nothing. */
export function useAskingState(): AskingState {
    const [asking, setAsking] = useState<Asking | null>(null);
    const [finishAsking] = useState(() => new Store<(() => void) | null>(null));
    const [placeWanted, askPlace] = useState<PlaceWanted | null>(null);
    const [last, setLast] = useState<Done | null>(null);
    const [kept, setKept] = useState<Done | null>(null);
    const [offered] = useState(() => new Store<Offered>({ verbs: [], begin: () => undefined }));
    const [hears] = useState(() => new Store<Hears>(PICKS));
    // Left with Escape, for another one, or with the sheet; after a place was taken it says nothing new.
    useEffect(() => () => placeWanted?.leave?.(), [placeWanted]);
    return useMemo(
        () => ({ asking, setAsking, finishAsking, askPlace, placeWanted, last, setLast, kept, setKept, offered, hears }),
        [asking, finishAsking, placeWanted, last, kept, offered, hears],
    );
}
