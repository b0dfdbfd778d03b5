import { type ReactNode, useLayoutEffect, useMemo, useRef } from 'react';
import { type Keyboard, KeyboardContext } from '../keys/Keyboard';
import { type Acts, ActsContext, type Now, PaletteContext } from '../state/acts';
import { AskingContext, type AskingState } from '../state/asking';
import { BrushContext, type BrushState } from '../state/brush';
import { PickContext, type PickState } from '../state/pick';
import { SheetContext, type SheetState } from '../state/sheet';
import { ViewContext, type ViewState } from '../state/view';
import { useEverydayKeys } from '../tools/EverydayKeys';

interface Stores {
    sheet: SheetState;
    pick: PickState;
    view: ViewState;
    asking: AskingState;
    brush: BrushState;
    keyboard: Keyboard;
}

/** What the regions of an editor share, each store for those that hang on it. */
export function Shared({ sheet, pick, view, asking, brush, keyboard, children }: Stores & { children: ReactNode }) {
    const latest = useRef<Now>({ page: sheet.page, scene: sheet.scene, asking: asking.asking });
    useLayoutEffect(() => {
        latest.current = { page: sheet.page, scene: sheet.scene, asking: asking.asking };
    });
    const { change, preview, told, move } = sheet;
    const { picking, select, renaming } = pick;
    const { askPlace, hears, setAsking } = asking;
    const { toSheet } = view;
    const acts = useMemo<Acts>(
        () => ({ picking, change, preview, select, askPlace, hears, setAsking, toSheet, told, move, renaming, now: () => latest.current }),
        [picking, change, preview, select, askPlace, hears, setAsking, toSheet, told, move, renaming],
    );
    return (
        <ActsContext value={acts}>
            <PaletteContext value={sheet.page.plan.palette}>
                <SheetContext value={sheet}>
                    <PickContext value={pick}>
                        <ViewContext value={view}>
                            <AskingContext value={asking}>
                                <BrushContext value={brush}>
                                    <KeyboardContext value={keyboard}>
                                        <EditorKeys />
                                        {children}
                                    </KeyboardContext>
                                </BrushContext>
                            </AskingContext>
                        </ViewContext>
                    </PickContext>
                </SheetContext>
            </PaletteContext>
        </ActsContext>
    );
}

/** Keys that belong to no region. */
function EditorKeys() {
    useEverydayKeys();
    return null;
}
