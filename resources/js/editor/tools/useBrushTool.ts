import { type RefObject, useRef } from 'react';
import { stepOf } from '../model/scene/steps';
import { useBrush } from '../state/brush';
import { useSheet } from '../state/sheet';
import type { Hover } from '../model/pick/hover';
import type { HitWork } from './useHits';
import type { Camera } from '../model/camera';
import { gridShape } from '../model/scene/geometry';
import type { Spot, Tool } from './tool';
import { within } from '../model/paint/blocks';
import type { Dot } from '../model/paint/dots';
import { type At, dotOf, useBrushing } from './useBrushing';
import { useBrushKeys } from './useBrushKeys';

interface Given {
    canvas: RefObject<HTMLCanvasElement | null>;
    view: Camera;
    hit: HitWork;
    show: (hover: Hover | null) => void;
}

/** Between two places that a pointer was seen at, one is looked at each so many pixels. */
const STRIDE = 3;

/** Painting cells by pointer and by keys. */
export function useBrushTool({ canvas, view, hit, show }: Given) {
    const { scene } = useSheet();
    const { painter } = useBrush();
    const brushing = useBrushing();
    const { begin, goOn, end, sample, moveBlock } = brushing;
    const drag = useRef<{ does: 'stroke' | 'move'; x: number; y: number; from: At | null; last: At | null } | null>(null);
    const keys = useBrushKeys({ brushing, hit, atOf, isPressed: () => drag.current !== null, show });

    function hoverAt(x: number, y: number): Hover | null {
        const context = canvas.current?.getContext('2d');
        return context ? hit.under(context, (x - view.x) / view.scale, (y - view.y) / view.scale, view.scale) : null;
    }

    function atOf(found: Hover | null): At | null {
        const shape = gridShape(stepOf(scene, found?.grid ?? '')?.geometry);
        const [cell] = found?.cells ?? [];
        return found?.grid === undefined || shape === undefined || cell === undefined
            ? null
            : { grid: found.grid, shape, cell, dot: dotOf(shape, cell) };
    }

    function down({ x, y, alt, shift }: Spot): void {
        keys.rest();
        const at = atOf(hoverAt(x, y));
        if (at === null) {
            painter.setBlock(null);
            return;
        }
        if (alt && painter.brush.way !== 'block') {
            sample(at);
            return;
        }
        const isInBlock = painter.block !== null && at.dot !== null && painter.block.grid === at.grid && within(painter.block, at.dot);
        drag.current = { does: isInBlock ? 'move' : 'stroke', x, y, from: at, last: at };
        if (!isInBlock) begin(at, shift);
    }

    function move({ x, y }: Spot): void {
        const now = drag.current;
        const found = hoverAt(x, y);
        if (now?.does === 'stroke' && now.from !== null) {
            // Between cells in rows the way is known; over others it is looked at bit by bit.
            const stops = now.last?.dot != null ? 1 : Math.max(1, Math.ceil(Math.hypot(x - now.x, y - now.y) / STRIDE));
            let { last } = now;
            for (let stop = 1; stop <= stops; stop++) {
                const at = atOf(
                    stop === stops ? found : hoverAt(now.x + ((x - now.x) * stop) / stops, now.y + ((y - now.y) * stop) / stops),
                );
                if (at !== null && (at.cell !== last?.cell || at.grid !== last.grid)) goOn(now.from, last, at);
                last = at ?? last;
            }
            drag.current = { ...now, x, y, last };
        }
        keys.rest();
        show(found);
    }

    function up({ x, y }: Spot): void {
        const now = drag.current;
        drag.current = null;
        if (now?.does === 'move' && now.from?.dot != null) {
            const at = atOf(hoverAt(x, y));
            const by: Dot = at?.dot == null ? [0, 0] : [at.dot[0] - now.from.dot[0], at.dot[1] - now.from.dot[1]];
            if (by[0] !== 0 || by[1] !== 0) moveBlock(by);
            else painter.setBlock(null);
        } else if (now?.does === 'stroke') {
            end(now.from);
        }
    }

    function cancel(): void {
        drag.current = null;
        painter.drop();
    }

    return { tool: { down, move, up, cancel, key: keys.key } satisfies Tool, standing: keys.standing, leaveKeys: keys.leave };
}
