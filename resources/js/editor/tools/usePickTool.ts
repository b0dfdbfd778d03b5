import { type RefObject, useEffect, useEffectEvent, useRef } from 'react';
import { useAsking } from '../state/asking';
import { usePick, usePicks } from '../state/pick';
import { useSheet } from '../state/sheet';
import type { Spot, Tool } from './tool';
import { useBoxing } from './useBoxing';
import { useDragging } from './useDragging';
import { PULL, usePlacing } from './usePlacing';
import { useSweeping } from './useSweeping';
import { type Hover, tellable } from '../model/pick/hover';
import { type Picking, stepIn } from '../model/pick/Picking';
import { stepOf } from '../model/scene/steps';
import type { HitWork } from './useHits';
import type { Putting } from './usePutting';
import type { Camera } from '../model/camera';

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
    return (
        old?.name === found?.name &&
        old?.grid === found?.grid &&
        old?.part === found?.part &&
        old?.line === found?.line &&
        old?.cells?.join() === found?.cells?.join()
    );
}

function pickAlone(picking: Picking, found: Hover | null): void {
    if (found?.part !== undefined) picking.pickParts([found.part]);
    else if (found?.line !== undefined) picking.pickLines([found.line]);
}

/**
 * What a press means: places where those are asked for; parts and lines are picked, and dragged; cells are picked across; where nothing
 * lies a box is pulled up.
 */
export function usePickTool({ canvas, view, hit, putting, show }: Given) {
    const { scene } = useSheet();
    const { picking, selected } = usePicks();
    const { asking, kept } = useAsking();
    const { mode } = usePick(picking);
    const placing = usePlacing({ view, putting, show });
    const dragging = useDragging(view, show);
    const sweeping = useSweeping(putting, under);
    const boxing = useBoxing(hit, show);
    /** Where the pointer rests; nowhere while keys walk. */
    const rests = useRef<[number, number] | null>(null);
    /** A thing that was picked already: if it is not dragged it is picked alone, or with Shift goes from the others. */
    const pressed = useRef<{ found: Hover; gathers: boolean } | null>(null);
    /** Pressed on one for a verb that takes several, and drawn across others: all are picked, in that order. */
    const across = useRef<{ x: number; y: number } | null>(null);
    const takesMore = asking !== null || kept !== null;
    const { wantsPoint } = hit;

    function onSheet(x: number, y: number): [number, number] {
        return [(x - view.x) / view.scale, (y - view.y) / view.scale];
    }

    function under(x: number, y: number): Hover | null {
        const context = canvas.current?.getContext('2d');
        return context ? hit.under(context, ...onSheet(x, y), view.scale) : null;
    }

    function put(found: Hover, x: number, y: number, gathers: boolean): void {
        const at = onSheet(x, y);
        if (found.line !== undefined) putting.line(found.line, at, gathers);
        else if (found.part !== undefined) putting.part(found.part, [tellable(at[0], view.scale), tellable(at[1], view.scale)], gathers);
        else if (found.cells !== undefined) putting.cells(found, putting.isPicked(found) ? 'take' : 'add');
    }

    function pickAt(x: number, y: number, gathers = asking !== null): void {
        const found = under(x, y);
        if (found !== null) put(found, x, y, gathers);
        else if (asking === null && (mode === 'parts' || mode === 'lines')) picking.clear();
    }

    const isPicked = ({ part, line }: Hover): boolean =>
        picking.get().parts.includes(part ?? '') || picking.get().lines.includes(line ?? '');

    /** Grids, and what is used up, are dragged only where they are chosen in the plan. */
    function canBeDragged(name: string): boolean {
        const step = stepOf(scene, stepIn(name));
        return step !== undefined && step.fast !== true && (step.role === 'part' || step.role === 'guide' || selected === step.id);
    }

    function down(spot: Spot): void {
        const { x, y } = spot;
        if (wantsPoint) {
            placing.down(x, y);
            return;
        }
        picking.setHeld(true);
        const found = under(x, y);
        if (found?.cells !== undefined) sweeping.down(found, x, y, spot);
        else if (found === null && !takesMore) boxing.down(spot);
        else if (found !== null && takesMore) {
            put(found, x, y, true);
            across.current = { x, y };
        } else if (found !== null) {
            pressed.current = isPicked(found) ? { found, gathers: spot.shift } : null;
            if (pressed.current === null) put(found, x, y, spot.shift);
            const { parts, lines } = picking.get();
            const names = [...parts, ...lines];
            if (names.every(canBeDragged)) dragging.take(names, spot);
        }
    }

    function up(spot: Spot): void {
        const { x, y } = spot;
        const again = pressed.current;
        pressed.current = null;
        across.current = null;
        if (wantsPoint) placing.up(x, y);
        else if (dragging.drop()) {
            // It lies where it was let go of.
        } else if (again !== null) put(again.found, x, y, again.gathers);
        else if (boxing.isHeld() && !boxing.up(spot)) pickAt(x, y);
        else sweeping.up(under(x, y));
        placing.letGo();
    }

    // What lies under a pointer that rests changes with the sheet.
    const lookAgain = useEffectEvent(() => {
        // What a verb would do with it is shown as well, and changes the sheet in turn.
        if (
            rests.current === null ||
            sweeping.isHeld() ||
            boxing.isHeld() ||
            dragging.isHeld() ||
            wantsPoint ||
            asking !== null ||
            mode === 'paint' ||
            mode === 'trace'
        )
            return;
        const found = under(...rests.current);
        show((old) => (isSame(old, found) ? old : found));
    });
    useEffect(() => lookAgain(), [scene]);

    function move(spot: Spot): void {
        const { x, y } = spot;
        rests.current = [x, y];
        if (dragging.isHeld()) {
            void dragging.move(spot);
        } else if (boxing.isHeld()) {
            boxing.move(spot);
        } else if (wantsPoint) {
            placing.move(x, y);
        } else {
            const found = under(x, y);
            sweeping.move(found, x, y);
            if (
                across.current !== null &&
                found !== null &&
                found.cells === undefined &&
                !isPicked(found) &&
                Math.hypot(x - across.current.x, y - across.current.y) > PULL
            )
                put(found, x, y, true);
            show((old) => (isSame(old, found) ? old : found));
        }
    }

    function cancel(): void {
        pressed.current = null;
        across.current = null;
        placing.cancel();
        sweeping.cancel();
        boxing.cancel();
        dragging.cancel();
        placing.inTurn(() => picking.setHeld(false));
    }

    /** What lies there is picked, unless it is already; where nothing lies the pick stays. */
    function reach({ x, y }: Spot): Hover | null {
        const found = wantsPoint ? null : under(x, y);
        if (found === null && !wantsPoint) {
            // What the pointer does not pick just now is meant, too.
            const context = canvas.current?.getContext('2d');
            const other = context ? hit.stepUnder(context, ...onSheet(x, y), view.scale) : null;
            pickAlone(picking, other);
            return other;
        }
        if (found !== null && !isPicked(found) && !(found.cells !== undefined && putting.isPicked(found))) {
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
