import { createContext, type RefObject, useCallback, useContext, useMemo, useState } from 'react';
import type { SheetHandle } from '../model/camera';
import { inEditor } from './inEditor';
import type { WorkedOn } from './useWorkedOn';

/** What is folded away beside the sheet. */
export interface Folded {
    plan: boolean;
    proofs: boolean;
}

/** How the result is shown: as it is; as outlines, to judge how they meet; faded, with what it was constructed on. */
export type ShownAs = 'result' | 'outlines' | 'circles';

/** What is seen of the sheet, and what of it is worked on. */
export interface ViewState extends Pick<WorkedOn, 'working' | 'workOn' | 'worked' | 'drawingIn' | 'drawIn'> {
    gridsShown: boolean;
    showGrids: (shown: boolean) => void;
    /** Whether the dimension lines of measures are drawn. */
    measuresShown: boolean;
    showMeasures: (shown: boolean) => void;
    shownAs: ShownAs;
    showAs: (as: ShownAs) => void;
    folded: Folded;
    fold: (side: keyof Folded) => void;
    /** Puts a place of the sheet into the middle of the view; enlarged to `scale` where that is more. */
    lookAt: (x: number, y: number, scale?: number) => void;
    /** Puts the focus on the sheet, where keys are heard. */
    toSheet: () => void;
}

export const ViewContext = createContext<ViewState | null>(null);

export function useView(): ViewState {
    return inEditor(useContext(ViewContext));
}

const KEPT = 'sternbild-folded';

/** What is folded away, as it was left last. */
function useFolded(): Pick<ViewState, 'folded' | 'fold'> {
    const [folded, setFolded] = useState<Folded>(() => {
        const kept: unknown = JSON.parse(localStorage.getItem(KEPT) ?? '{}');
        const is = (side: string): boolean => kept !== null && typeof kept === 'object' && (kept as Record<string, unknown>)[side] === true;
        return { plan: is('plan'), proofs: is('proofs') };
    });
    const fold = useCallback((side: keyof Folded) => {
        setFolded((old) => {
            const next = { ...old, [side]: !old[side] };
            localStorage.setItem(KEPT, JSON.stringify(next));
            return next;
        });
    }, []);
    return { folded, fold };
}

/** How a new editor is looked at. */
export function useViewState({ working, workOn, worked, drawingIn, drawIn }: WorkedOn, sheet: RefObject<SheetHandle | null>): ViewState {
    const [gridsShown, showGrids] = useState(true);
    const [measuresShown, showMeasures] = useState(true);
    const [shownAs, showAs] = useState<ShownAs>('result');
    const { folded, fold } = useFolded();
    const lookAt = useCallback((x: number, y: number, scale?: number) => sheet.current?.lookAt(x, y, scale), [sheet]);
    const toSheet = useCallback(() => sheet.current?.focus(), [sheet]);
    return useMemo(
        () => ({
            gridsShown,
            showGrids,
            measuresShown,
            showMeasures,
            shownAs,
            showAs,
            folded,
            fold,
            lookAt,
            toSheet,
            working,
            workOn,
            worked,
            drawingIn,
            drawIn,
        }),
        [gridsShown, measuresShown, shownAs, folded, fold, lookAt, toSheet, working, workOn, worked, drawingIn, drawIn],
    );
}
