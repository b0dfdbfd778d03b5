import { createContext, useContext } from 'react';
import { inEditor } from './inEditor';
import type { Asking } from '../model/verbs/asking';
import type { AskingState } from './asking';
import type { PickState } from './pick';
import type { SheetState } from './sheet';
import type { ViewState } from './view';

/** How things are when something is done. */
export type Now = Pick<SheetState, 'page' | 'scene'> & { asking: Asking | null };

/** What can be done, and how things are when it is. It stays the same object, so that sentences need not be drawn anew for each preview. */
export interface Acts
    extends
        Pick<SheetState, 'change' | 'preview' | 'told' | 'move'>,
        Pick<PickState, 'picking' | 'select' | 'renaming'>,
        Pick<AskingState, 'askPlace' | 'hears' | 'setAsking'>,
        Pick<ViewState, 'toSheet'> {
    now: () => Now;
}

export const ActsContext = createContext<Acts | null>(null);

export function useActs(): Acts {
    return inEditor(useContext(ActsContext));
}

/** #rrggbb by name. */
export const PaletteContext = createContext<Record<string, string>>({});

export function usePalette(): Record<string, string> {
    return useContext(PaletteContext);
}
