import { useRef } from 'react';
import { cellsIn } from '../model/pick/blockOf';
import type { Hover } from '../model/pick/hover';
import { gridShape, guideShape, partShape } from '../model/scene/geometry';
import { usePick, usePicks } from '../state/pick';
import { stepOf } from '../model/scene/steps';
import { useSheet } from '../state/sheet';
import type { HitWork } from './useHits';
import { type Spot, STILL } from './tool';

type Box = readonly [number, number, number, number];

/** A box pulled up where nothing lies picks what lies in it whole, of cells those whose middles do; with Shift beside what is picked. */
export function useBoxing({ hits }: HitWork, show: (hover: Hover | null) => void) {
    const { scene } = useSheet();
    const { picking } = usePicks();
    const { mode } = usePick(picking);
    const from = useRef<Spot | null>(null);

    function boxTo(spot: Spot): [number, number, number, number] | null {
        const { current } = from;
        return current === null || Math.hypot(spot.x - current.x, spot.y - current.y) <= STILL ? null : [...current.at, ...spot.at];
    }

    function pick(box: Box, adds: boolean): void {
        const now = picking.get();
        if (mode === 'parts') {
            const within = hits.drawing
                .map(({ id }) => id)
                .filter((id) => isWithin(partShape(stepOf(scene, id)?.geometry)?.data.measures.bounds, box));
            picking.pickParts(adds ? [...new Set([...now.parts, ...within])] : within);
        } else if (mode === 'lines') {
            const within = hits.lines.filter((step) => isWithin(guideShape(step.geometry)?.bounds(), box)).map(({ id }) => id);
            picking.pickLines(adds ? [...new Set([...now.lines, ...within])] : within);
        } else if (mode === 'cells') {
            const grid = hits.tilings[0];
            const shape = gridShape(grid?.geometry);
            if (!adds) picking.clear();
            if (grid !== undefined && shape !== undefined)
                picking.add(
                    grid.id,
                    shape.data.mark,
                    cellsIn(shape, box).map((cell) => shape.address(cell)),
                );
        }
    }

    return {
        down(spot: Spot): void {
            from.current = spot;
        },

        isHeld: () => from.current !== null,

        move(spot: Spot): void {
            const box = boxTo(spot);
            if (box !== null) show({ box, name: 'what lies in the box', handle: true });
        },

        /** Whether a box was pulled up. */
        up(spot: Spot): boolean {
            const box = boxTo(spot);
            from.current = null;
            if (box === null) return false;
            show(null);
            pick(box, spot.shift);
            return true;
        },

        cancel(): void {
            from.current = null;
            show(null);
        },
    };
}

function isWithin(bounds: readonly number[] | undefined, [x0, y0, x1, y1]: Box): boolean {
    const [left = NaN, top = NaN, right = NaN, bottom = NaN] = bounds ?? [];
    return left >= Math.min(x0, x1) && right <= Math.max(x0, x1) && top >= Math.min(y0, y1) && bottom <= Math.max(y0, y1);
}
