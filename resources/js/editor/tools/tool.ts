import type { KeyboardEvent } from 'react';
import type { Hover } from '../model/pick/hover';

/** A pointer that moved less, in pixels, has clicked, not pulled. */
export const STILL = 4;

/** Where a pointer is, and what is held with it. */
export interface Spot {
    /** In pixels of the view. */
    x: number;
    y: number;
    /** On the sheet, in its units. */
    at: [number, number];
    shift: boolean;
    alt: boolean;
    ctrl: boolean;
}

/**
 * What the pointer does on the sheet, one way of it. The engine tells it of the first button alone; moving the view is the engine's own.
 */
export interface Tool {
    down: (spot: Spot) => void;
    /** Also while nothing is pressed. */
    move: (spot: Spot) => void;
    up: (spot: Spot) => void;
    /** What is under way ends, and nothing of it is kept. */
    cancel: () => void;
    /** Whether the key was for this; before all others hear it. */
    key?: (event: KeyboardEvent, hover: Hover | null) => boolean;
    /** The pointer over what can be taken; null where that is as ever. */
    cursor?: string | null;
}
