import { useRef } from 'react';
import { useAsking } from '../state/asking';
import { usePicks } from '../state/pick';
import { bent, bulgeTowards } from '../model/verbs/asking';
import type { Camera } from '../model/camera';
import type { Hover } from '../model/pick/hover';
import type { Putting } from './usePutting';
import { useSnapping } from './useSnapping';

/** From how many pixels on a press and a release are two places. */
export const PULL = 12;

interface Given {
    view: Camera;
    putting: Putting;
    show: (hover: Hover | null) => void;
}

/**
 * Places given by the pointer: pressed at one and let go at another both are; while an outline is drawn, pulling bends the way to the place
 * that was pressed.
 */
export function usePlacing({ view, putting, show }: Given) {
    const { picking } = usePicks();
    const { placeWanted, asking, setAsking, finishAsking } = useAsking();
    const snapping = useSnapping(view);
    const pressed = useRef<{ x: number; y: number; points: number } | null>(null);
    const taking = useRef<Promise<unknown>>(Promise.resolve());
    /** Whether the outline that is drawn is back where it began: it is done when the pointer lifts, perhaps with an arc as its last way. */
    const closing = useRef(false);

    /** After all places that were clicked before are known. */
    function inTurn(work: () => void): void {
        taking.current = taking.current.then(work);
    }

    /** One after another, in the order of the clicks. */
    function take(x: number, y: number): void {
        const found = snapping.take(x, y);
        taking.current = taking.current.then(() => found).then((one) => {
            closing.current = putting.point(one?.point);
        });
    }

    function bends(from: { x: number; y: number; points: number }, x: number, y: number): boolean {
        const { points } = picking.get();
        // Back where it began the last way is bent, from the last place to the first.
        const [before, end] = closing.current ? [points.at(-1), points[0]] : points.slice(-2);
        if (asking?.verb.bends == null || before === undefined || end === undefined || (points.length <= from.points && !closing.current))
            return false;
        if (Math.hypot(x - from.x, y - from.y) <= PULL) return false;
        const bulge = bulgeTowards(before.at, end.at, [(x - view.x) / view.scale, (y - view.y) / view.scale]);
        const way = points.length - (closing.current ? 1 : 2);
        setAsking((old) => old && { ...old, bends: bent(old.bends, way, { bulge }) });
        show({ name: `bulge ${bulge}`, point: { raw: end.raw, name: '', at: end.at } });
        return true;
    }

    return {
        inTurn,

        down(x: number, y: number): void {
            // Two pulls stay two, also where their places are asked for and come when the next is under way.
            inTurn(() => picking.setHeld(true));
            if (placeWanted === null) pressed.current = { x, y, points: picking.get().points.length };
            take(x, y);
        },

        move(x: number, y: number): void {
            if (pressed.current !== null && bends(pressed.current, x, y)) return;
            void snapping.look(x, y).then((found) => found !== null && show(found));
        },

        up(x: number, y: number): void {
            const from = pressed.current;
            pressed.current = null;
            if (from !== null && !bends(from, x, y) && Math.hypot(x - from.x, y - from.y) > PULL) take(x, y);
        },

        /** What is pressed is let go of, once all places are known. */
        letGo(): void {
            inTurn(() => {
                picking.setHeld(false);
                if (closing.current) finishAsking.get()?.();
                closing.current = false;
            });
        },

        cancel(): void {
            pressed.current = null;
        },
    };
}
