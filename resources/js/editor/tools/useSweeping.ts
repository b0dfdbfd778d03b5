import { useRef } from 'react';
import { blockOf } from '../model/pick/blockOf';
import type { Hover } from '../model/pick/hover';
import { gridShape } from '../model/scene/geometry';
import { stepOf } from '../model/scene/steps';
import { usePicks } from '../state/pick';
import { useSheet } from '../state/sheet';
import type { Putting } from './usePutting';

/** Between two places that a pointer was seen at, one is looked at each so many pixels. */
const STRIDE = 4;

const MOST_STOPS = 200;

/** What a press on a cell goes on as: `again` is one on a cell that is picked, a click that takes it out, or a pull that picks across. */
interface Sweep {
    kind: 'add' | 'take' | 'again';
    x: number;
    y: number;
    /** What was pressed. */
    first: Hover;
    /** With Shift: the block from there, in the place of what lies on the way; what was picked before. */
    block: { before: ReturnType<ReturnType<typeof usePicks>['picking']['snapshot']> } | null;
}

/** Picking cells: by clicks, across by a pull, with Shift the block from the cell that was pressed. */
export function useSweeping(putting: Putting, under: (x: number, y: number) => Hover | null) {
    const { scene } = useSheet();
    const { picking } = usePicks();
    const sweep = useRef<Sweep | null>(null);

    /** A fast pointer jumps; what lies on the way is picked, too. */
    function along({ x: fromX, y: fromY }: Sweep, kind: 'add' | 'take', x: number, y: number): void {
        const stops = Math.min(MOST_STOPS, Math.ceil(Math.hypot(x - fromX, y - fromY) / STRIDE));
        for (let stop = 1; stop <= stops; stop++) {
            const t = stop / stops;
            const passed = under(fromX + (x - fromX) * t, fromY + (y - fromY) * t);
            if (passed?.cells !== undefined && putting.isPicked(passed) === (kind === 'take')) putting.cells(passed, kind);
        }
    }

    function blockTo(now: Sweep, found: Hover | null): void {
        const shape = gridShape(stepOf(scene, now.first.grid ?? '')?.geometry);
        const [from] = now.first.cells ?? [];
        const [to] = found?.grid === now.first.grid ? (found?.cells ?? []) : [];
        if (now.block === null || shape === undefined || from === undefined || to === undefined) return;
        picking.restore(now.block.before);
        picking.setHeld(true);
        putting.cells({ ...now.first, cells: blockOf(shape, from, to), run: undefined }, 'add');
    }

    return {
        down(found: Hover, x: number, y: number, { alt, shift }: { alt: boolean; shift: boolean }): void {
            const isPicked = putting.isPicked(found);
            const before = picking.snapshot();
            sweep.current = { kind: !isPicked ? 'add' : alt ? 'take' : 'again', x, y, first: found, block: shift ? { before } : null };
            if (sweep.current.kind !== 'again') putting.cells(found, isPicked ? 'take' : 'add');
        },

        move(found: Hover | null, x: number, y: number): void {
            const now = sweep.current;
            if (now === null || (now.kind === 'again' && found?.cells?.join() === now.first.cells?.join())) return;
            if (now.block !== null) {
                blockTo(now, found);
                return;
            }
            const kind = now.kind === 'take' ? 'take' : 'add';
            along(now, kind, x, y);
            sweep.current = { ...now, kind, x, y };
        },

        up(found: Hover | null): void {
            const now = sweep.current;
            sweep.current = null;
            if (now?.kind === 'again' && found?.cells !== undefined && found.cells.join() === now.first.cells?.join())
                putting.cells(found, 'take');
        },

        isHeld: () => sweep.current !== null,

        cancel(): void {
            sweep.current = null;
        },
    };
}
