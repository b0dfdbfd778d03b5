import { useKeys } from '../keys/Keyboard';
import { usePick, usePicks } from '../state/pick';
import type { Arrow } from '../model/scene/nearby';
import { useAsking } from '../state/asking';
import { useLeaving } from '../state/useLeaving';
import type { Engine } from './useEngine';
import { useNudge } from './useNudge';
import type { Walk } from './useWalk';
import type { Hover } from '../model/pick/hover';

const ZOOM = 1.25;

interface Given {
    engine: Engine;
    walk: Walk;
    zoom: (factor: number) => void;
    fit: () => void;
    show: (hover: Hover | null) => void;
    /** The pointer rests nowhere while keys walk. */
    out: () => void;
}

/** What keys do on the sheet: walk, pick, nudge, leave, and move the view. */
export function useSheetKeys({ engine, walk, zoom, fit, show, out }: Given): void {
    const { picking, select } = usePicks();
    const { asking, placeWanted, finishAsking } = useAsking();
    const leave = useLeaving();
    const { mode } = usePick(picking);
    const nudge = useNudge(show);
    const nudges = mode === 'parts' && picking.get().parts.length > 0;
    useKeys({
        hand: () => engine.setHand(true),
        leave: () => {
            if (engine.cancel()) return;
            if (asking !== null) leave();
            else {
                picking.clear();
                select(null);
            }
        },
        in: () => zoom(ZOOM),
        out: () => zoom(1 / ZOOM),
        fit,
        nudge: ({ key, shiftKey }) => (nudges ? nudge(key as Arrow, shiftKey ? 1 : 0.1) : false),
        walk: ({ key, shiftKey }) => {
            if (nudges && shiftKey) {
                nudge(key as Arrow, 1);
                return;
            }
            out();
            walk.arrow(key as Arrow, shiftKey);
        },
        press: () => {
            // Where the keys have walked to is picked first.
            if (asking !== null && placeWanted === null && !walk.isUnderWay) finishAsking.get()?.();
            else walk.press();
        },
    });
}
