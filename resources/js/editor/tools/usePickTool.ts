import { type RefObject, useEffect, useEffectEvent, useRef } from 'react';
import { useAsking } from '../state/asking';
import { usePick, usePicks } from '../state/pick';
import { useSheet } from '../state/sheet';
import type { Spot, Tool } from './tool';
import { useSettledDrag } from './useSettledDrag';
import { type Hover, tellable } from '../model/pick/hover';
import type { HitWork } from './useHits';
import type { Putting } from './usePutting';
import { useSnapping } from './useSnapping';
import { bent, bulgeTowards } from '../model/verbs/asking';
import type { Camera } from '../model/camera';

/** From how many pixels on a press and a release are two places. */
const PULL = 12;

/** Between two places that a pointer was seen at, one is looked at each so many pixels. */
const STRIDE = 4;

const MOST_STOPS = 200;

/** What a press goes on as: `again` is one on a cell that is picked, a click that takes it out, or a pull that picks across. */
type Held = 'add' | 'take' | 'again' | 'pull';

interface Given {
    /** Answers what lies where. */
    canvas: RefObject<HTMLCanvasElement | null>;
    view: Camera;
    hit: HitWork;
    putting: Putting;
    show: (hover: Hover | null | ((old: Hover | null) => Hover | null)) => void;
}

/** Whether two are of one thing, called alike. */
function isSame(old: Hover | null, found: Hover | null): boolean {
    return old?.name === found?.name && old?.grid === found?.grid && old?.part === found?.part && old?.line === found?.line && old?.cells?.join() === found?.cells?.join();
}

/** Picking: hovers, picks, picks on the way, pulls from one place to another, drags circles. */
export function usePickTool({ canvas, view, hit, putting, show }: Given) {
    const { scene } = useSheet();
    const { picking } = usePicks();
    const { placeWanted, asking, setAsking, finishAsking } = useAsking();
    const { mode } = usePick(picking);
    const snapping = useSnapping(view);
    const circle = useSettledDrag(view, show);
    const drag = useRef<{ kind: Held; x: number; y: number; points: number; cells: string } | null>(null);
    /** Where the pointer rests; nowhere while keys walk. */
    const rests = useRef<[number, number] | null>(null);
    const held = (kind: Held, x: number, y: number, cells = '') => ({ kind, x, y, points: picking.get().points.length, cells });
    const taking = useRef<Promise<unknown>>(Promise.resolve());
    /** Whether the outline that is drawn is back where it began: it is done when the pointer lifts, perhaps with an arc as its last way. */
    const closing = useRef(false);
    const { wantsPoint } = hit;

    function onSheet(x: number, y: number): [number, number] {
        return [(x - view.x) / view.scale, (y - view.y) / view.scale];
    }

    /** As exactly as the screen can tell. */
    function rounded(x: number, y: number): [number, number] {
        return [tellable(x, view.scale), tellable(y, view.scale)];
    }

    function under(x: number, y: number): Hover | null {
        const context = canvas.current?.getContext('2d');
        return context ? hit.under(context, ...onSheet(x, y), view.scale) : null;
    }

    /** After all places that were clicked before are known. */
    function inTurn(work: () => void): void {
        taking.current = taking.current.then(work);
    }

    /** One after another, in the order of the clicks. */
    function takePlace(x: number, y: number): void {
        const found = snapping.take(x, y);
        taking.current = taking.current.then(() => found).then((one) => {
            closing.current = putting.point(one?.point);
        });
    }

    function pickAt(x: number, y: number): void {
        const found = under(x, y);
        if (found?.line !== undefined) putting.line(found.line, onSheet(x, y));
        else if (found?.part !== undefined) putting.part(found.part, rounded(...onSheet(x, y)));
        else if (found?.cells !== undefined) putting.cells(found, putting.isPicked(found) ? 'take' : 'add');
        else if (mode === 'parts' || mode === 'lines') picking.clear();
    }

    function down({ x, y, alt }: Spot): void {
        if (wantsPoint) {
            // Two pulls stay two, also where their places are asked for and come when the next is under way.
            inTurn(() => picking.setHeld(true));
            if (placeWanted === null) drag.current = held('pull', x, y);
            takePlace(x, y);
            return;
        }
        picking.setHeld(true);
        const found = under(x, y);
        // A circle can be dragged by its line; all else is picked at once.
        if (found?.line !== undefined && circle.take(found.line, x, y)) return;
        if (found?.cells !== undefined) drag.current = held(!putting.isPicked(found) ? 'add' : alt ? 'take' : 'again', x, y, found.cells.join());
        else if (found !== null) drag.current = held('pull', x, y);
        if (drag.current?.kind !== 'again') pickAt(x, y);
    }

    /** Pressed at one place and let go at another: both are picked. */
    function up({ x, y }: Spot): void {
        const now = drag.current;
        drag.current = null;
        const clicked = circle.drop();
        if (clicked !== null) {
            putting.line(clicked, onSheet(x, y));
        } else if (now?.kind === 'again') {
            pickAt(x, y);
        } else if (now?.kind === 'pull' && bends(now, x, y)) {
            // The way to the place that was pressed is bent already.
        } else if (now?.kind === 'pull' && Math.hypot(x - now.x, y - now.y) > PULL) {
            const line = under(x, y)?.line;
            if (wantsPoint) takePlace(x, y);
            else if (line !== undefined && line !== under(now.x, now.y)?.line) pickAt(x, y);
        }
        inTurn(() => {
            picking.setHeld(false);
            if (closing.current) finishAsking.get()?.();
            closing.current = false;
        });
    }

    /** A fast pointer jumps; what lies on the way is picked, too. */
    function along(from: { x: number; y: number; kind: 'add' | 'take' }, x: number, y: number): void {
        const stops = Math.min(MOST_STOPS, Math.ceil(Math.hypot(x - from.x, y - from.y) / STRIDE));
        for (let stop = 1; stop <= stops; stop++) {
            const t = stop / stops;
            const passed = under(from.x + (x - from.x) * t, from.y + (y - from.y) * t);
            if (passed?.cells !== undefined && putting.isPicked(passed) === (from.kind === 'take')) putting.cells(passed, from.kind);
        }
    }

    /** While an outline is drawn, pulling bends the way to the place that was pressed. */
    function bends(from: { x: number; y: number; points: number }, x: number, y: number): boolean {
        const { points } = picking.get();
        // Back where it began the last way is bent, from the last place to the first.
        const [before, pressed] = closing.current ? [points.at(-1), points[0]] : points.slice(-2);
        if (!wantsPoint || asking?.verb.bends == null || before === undefined || pressed === undefined || (points.length <= from.points && !closing.current)) return false;
        if (Math.hypot(x - from.x, y - from.y) <= PULL) return false;
        const bulge = bulgeTowards(before.at, pressed.at, onSheet(x, y));
        const way = points.length - (closing.current ? 1 : 2);
        setAsking((old) => old && { ...old, bends: bent(old.bends, way, { bulge }) });
        show({ name: `bulge ${bulge}`, point: { raw: pressed.raw, name: '', at: pressed.at } });
        return true;
    }

    // What lies under a pointer that rests changes with the sheet.
    const lookAgain = useEffectEvent(() => {
        // What a verb would do with it is shown as well, and changes the sheet in turn.
        if (rests.current === null || drag.current !== null || circle.isHeld() || wantsPoint || asking !== null || mode === 'paint' || mode === 'trace') return;
        const found = under(...rests.current);
        show((old) => (isSame(old, found) ? old : found));
    });
    useEffect(() => lookAgain(), [scene]);

    function move({ x, y }: Spot): void {
        rests.current = [x, y];
        const now = drag.current;
        if (circle.isHeld()) {
            void circle.move(x, y);
            return;
        }
        if (now?.kind === 'pull' && bends(now, x, y)) return;
        if (wantsPoint) {
            void snapping.look(x, y).then((found) => found !== null && show(found));
            return;
        }
        const found = under(x, y);
        if (now?.kind === 'pull' && found?.part !== undefined && !picking.get().parts.includes(found.part)) {
            // Pressed on one and drawn across others: all are picked, in that order.
            if (Math.hypot(x - now.x, y - now.y) > PULL) picking.togglePart(found.part);
        }
        if (now?.kind === 'again' && found?.cells?.join() === now.cells) {
            // A click as yet.
        } else if (now !== null && now.kind !== 'pull') {
            const kind = now.kind === 'take' ? 'take' : 'add';
            along({ ...now, kind }, x, y);
            drag.current = { ...now, kind, x, y };
        }
        show((old) => (isSame(old, found) ? old : found));
    }

    function cancel(): void {
        drag.current = null;
        inTurn(() => picking.setHeld(false));
        circle.cancel();
    }

    /** What lies there is picked, unless it is already; where nothing lies the pick stays. */
    function reach({ x, y }: Spot): Hover | null {
        const found = wantsPoint ? null : under(x, y);
        const now = picking.get();
        const isPicked = found === null || (found.part !== undefined && now.parts.includes(found.part)) || (found.line !== undefined && now.lines.includes(found.line)) || (found.cells !== undefined && putting.isPicked(found));
        if (!isPicked) {
            picking.clear();
            pickAt(x, y);
        }
        return found;
    }

    /** The pointer is not over the sheet any more, or keys are used instead. */
    function out(): void {
        rests.current = null;
    }

    return { tool: { down, move, up, cancel } satisfies Tool, out, pickAt, reach };
}
