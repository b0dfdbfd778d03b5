import type { Scene } from '../../../api/client';
import type { PickedPoint } from './Picking';

/** How far, in pixels of the screen, a pointer reaches for points and lines. */
export const REACH = 14;

/** Things on their way from where they lie in a scene, and the map to where they are. */
export interface Dragged {
    scene: Scene;
    names: readonly string[];
    /** As SVG has it. */
    map: [number, number, number, number, number, number];
}

/** What lies under the pointer, and what it is called. */
export interface Hover {
    grid?: string;
    cells?: number[];
    address?: string;
    run?: string;
    point?: PickedPoint;
    /** A part, or a piece or a copy as a plan names it. */
    part?: string;
    line?: string;
    dragged?: Dragged;
    /** A box that is pulled up, from corner to corner. */
    box?: [number, number, number, number];
    /** Where a dragged circle touches others. */
    touches?: [number, number][];
    /** Whether it is about a place taken hold of, not about one to pick. */
    handle?: boolean;
    name: string;
}

/** A coordinate with no more digits than the pointer can tell apart; all of them where the scale is infinite. */
export function tellable(coordinate: number, scale: number): number {
    if (!Number.isFinite(scale)) return coordinate;
    return Number(coordinate.toFixed(Math.max(0, Math.min(9, Math.ceil(Math.log10(scale)) + 1))));
}
