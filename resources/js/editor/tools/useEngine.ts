import { type KeyboardEvent, type PointerEvent, type RefObject, useRef, useState } from 'react';
import type { Camera } from '../model/camera';
import type { Hover } from '../model/pick/hover';
import type { Spot, Tool } from './tool';

interface Given {
    box: RefObject<HTMLElement | null>;
    view: Camera;
    pan: (dx: number, dy: number) => void;
    tool: Tool;
    hover: Hover | null;
}

const FIRST = 0;

const MIDDLE = 1;

/** The one place that hears the pointer over the sheet: it moves the view while Space or the middle button is held, and hands all else to the tool. */
export function useEngine({ box, view, pan, tool, hover }: Given) {
    /** Space is held: the sheet is moved, not picked from. */
    const [hand, setHand] = useState(false);
    const panning = useRef<{ x: number; y: number } | null>(null);
    const pressed = useRef(false);

    function spot(event: { clientX: number; clientY: number; shiftKey: boolean; altKey: boolean; ctrlKey: boolean; metaKey: boolean }): Spot {
        const corner = box.current?.getBoundingClientRect();
        const [x, y] = [event.clientX - (corner?.left ?? 0), event.clientY - (corner?.top ?? 0)];
        return { x, y, at: [(x - view.x) / view.scale, (y - view.y) / view.scale], shift: event.shiftKey, alt: event.altKey, ctrl: event.ctrlKey || event.metaKey };
    }

    function onPointerDown(event: PointerEvent): void {
        const here = spot(event);
        if (hand || event.button === MIDDLE) {
            box.current?.setPointerCapture(event.pointerId);
            panning.current = here;
        } else if (event.button === FIRST) {
            box.current?.setPointerCapture(event.pointerId);
            pressed.current = true;
            tool.down(here);
        }
    }

    function onPointerMove(event: PointerEvent): void {
        const here = spot(event);
        if (panning.current !== null) {
            pan(here.x - panning.current.x, here.y - panning.current.y);
            panning.current = here;
        } else {
            tool.move(here);
        }
    }

    function onPointerUp(event: PointerEvent): void {
        if (panning.current !== null) panning.current = null;
        else if (pressed.current) tool.up(spot(event));
        pressed.current = false;
    }

    /** False where nothing was under way. */
    function cancel(): boolean {
        const was = pressed.current;
        panning.current = null;
        pressed.current = false;
        if (was) tool.cancel();
        return was;
    }

    return {
        spot,
        cancel,
        hand,
        setHand,
        cursor: hand ? 'grab' : (tool.cursor ?? (hover === null ? 'default' : 'crosshair')),
        listeners: {
            onPointerDown,
            onPointerMove,
            onPointerUp,
            onPointerCancel: () => void cancel(),
            onKeyDown: (event: KeyboardEvent) => void tool.key?.(event, hover),
            onKeyUp: (event: KeyboardEvent) => event.key === ' ' && setHand(false),
        },
    };
}

export type Engine = ReturnType<typeof useEngine>;
