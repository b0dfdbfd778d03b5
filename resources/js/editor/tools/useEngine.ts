import { type KeyboardEvent, type PointerEvent, type RefObject, useEffect, useLayoutEffect, useRef, useState } from 'react';
import type { Camera } from '../model/camera';
import type { Hover } from '../model/pick/hover';
import type { Spot, Tool } from './tool';

interface Given {
    box: RefObject<HTMLElement | null>;
    view: Camera;
    pan: (dx: number, dy: number) => void;
    tool: Tool;
    hover: Hover | null;
    /** A finger or a pen rests where it was set down, at a place of the page; whether that means something. */
    onRest: (at: Where) => boolean;
}

type Where = Pick<PointerEvent, 'clientX' | 'clientY' | 'shiftKey' | 'altKey' | 'ctrlKey' | 'metaKey'>;

/** Milliseconds after which a finger rests; browsers on tablets take as long, and some of them say nothing of it. */
const RESTS = 550;

/** Pixels that a resting finger moves anyway. */
const UNSTEADY = 8;

const FIRST = 0;

const MIDDLE = 1;

/**
 * The one place that hears the pointer over the sheet: it moves the view while Space or the middle button is held, and hands all else to
 * the tool.
 */
export function useEngine({ box, view, pan, tool, hover, onRest }: Given) {
    /** Space is held: the sheet is moved, not picked from. */
    const [hand, setHand] = useState(false);
    const panning = useRef<{ x: number; y: number } | null>(null);
    const pressed = useRef(false);
    const resting = useRef<{ at: Where; timer: ReturnType<typeof setTimeout> } | null>(null);
    /** As it is when the finger has rested, not as it was when it was set down. */
    const rest = useRef<(at: Where) => void>(() => undefined);
    useLayoutEffect(() => {
        rest.current = (at) => {
            if (pressed.current && onRest(at)) cancel();
        };
    });

    function stir(): void {
        if (resting.current !== null) clearTimeout(resting.current.timer);
        resting.current = null;
    }

    useEffect(() => stir, []);

    function spot(event: Where): Spot {
        const corner = box.current?.getBoundingClientRect();
        const [x, y] = [event.clientX - (corner?.left ?? 0), event.clientY - (corner?.top ?? 0)];
        return {
            x,
            y,
            at: [(x - view.x) / view.scale, (y - view.y) / view.scale],
            shift: event.shiftKey,
            alt: event.altKey,
            ctrl: event.ctrlKey || event.metaKey,
        };
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
            stir();
            if (event.pointerType !== 'mouse') {
                const { clientX, clientY, shiftKey, altKey, ctrlKey, metaKey } = event;
                const at = { clientX, clientY, shiftKey, altKey, ctrlKey, metaKey };
                resting.current = { at, timer: setTimeout(() => rest.current(at), RESTS) };
            }
        }
    }

    function onPointerMove(event: PointerEvent): void {
        const began = resting.current?.at;
        if (began !== undefined && Math.hypot(event.clientX - began.clientX, event.clientY - began.clientY) > UNSTEADY) stir();
        const here = spot(event);
        if (panning.current !== null) {
            pan(here.x - panning.current.x, here.y - panning.current.y);
            panning.current = here;
        } else {
            tool.move(here);
        }
    }

    function onPointerUp(event: PointerEvent): void {
        stir();
        if (panning.current !== null) panning.current = null;
        else if (pressed.current) tool.up(spot(event));
        pressed.current = false;
    }

    /** False where nothing was under way. */
    function cancel(): boolean {
        const was = pressed.current;
        stir();
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
