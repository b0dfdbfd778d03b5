import { type KeyboardEvent, useRef, useState } from 'react';
import { stepOf } from '../model/scene/steps';
import { useBrush } from '../state/brush';
import { useSheet } from '../state/sheet';
import { usePalette } from '../state/acts';
import type { Hover } from '../model/pick/hover';
import type { Arrow } from '../model/scene/nearby';
import { gridShape } from '../model/scene/geometry';
import type { Dot } from '../model/paint/dots';
import { type At, type Brushing, dotOf, isDrawn } from './useBrushing';
import type { HitWork } from './useHits';

const STEPS: Record<Arrow, Dot> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

interface Given {
    brushing: Brushing;
    hit: HitWork;
    atOf: (found: Hover | null) => At | null;
    /** Whether the pointer is painting just now. */
    isPressed: () => boolean;
    show: (hover: Hover | null) => void;
}

/** The brush led by keys: a cell that it stands on, strokes, blocks moved, colours. */
export function useBrushKeys({ brushing: { begin, goOn, end, sample, moveBlock }, hit, atOf, isPressed, show }: Given) {
    const { scene } = useSheet();
    const { painter } = useBrush();
    const palette = usePalette();
    const [cursor, setCursor] = useState<{ grid: string; address: string } | null>(null);
    /** Where a stroke of keys began. */
    const begun = useRef<At | null>(null);

    /** The cell that the keyboard stands on. */
    function standing(): At | null {
        const shape = gridShape(stepOf(scene, cursor?.grid ?? '')?.geometry);
        const cell = cursor === null ? undefined : shape?.cell(cursor.address);
        return cursor === null || shape === undefined || cell === undefined
            ? null
            : { grid: cursor.grid, shape, cell, dot: dotOf(shape, cell) };
    }

    function walk(arrow: Arrow, paints: boolean): void {
        const grid = hit.hits.tilings.find((one) => one.id === cursor?.grid) ?? hit.hits.tilings[0];
        const shape = gridShape(grid?.geometry);
        if (grid === undefined || shape === undefined) return;
        const before = standing();
        const address =
            before === null ? shape.address(0) : (shape.beside(shape.address(before.cell), arrow) ?? shape.address(before.cell));
        const cell = shape.cell(address);
        if (cell === undefined) return;
        const at: At = { grid: grid.id, shape, cell, dot: dotOf(shape, cell) };
        setCursor({ grid: grid.id, address });
        show(hit.cell(grid.id, shape, cell));
        if (begun.current !== null) goOn(begun.current, before, at);
        else if (paints && !isDrawn(painter.brush.way) && painter.brush.way !== 'area' && painter.brush.way !== 'block') {
            if (before !== null) begin(before, false);
            goOn(before ?? at, before, at);
            end();
        }
    }

    function press(hover: Hover | null): void {
        const at = standing() ?? atOf(hover);
        if (at === null) return;
        const { way } = painter.brush;
        if (begun.current !== null) {
            const from = begun.current;
            begun.current = null;
            end(from);
            return;
        }
        begin(at, false);
        // What lies between two cells is pulled to the other one first.
        if ((isDrawn(way) && at.dot !== null) || way === 'block') begun.current = at;
        else end();
    }

    /** Whether the key was for the brush. */
    function key(event: KeyboardEvent, hover: Hover | null): boolean {
        if (event.ctrlKey || event.metaKey) return false;
        const step = STEPS[event.key as Arrow] as Dot | undefined;
        if (step !== undefined) {
            const isPointed = cursor === null && hover !== null && begun.current === null && !isPressed();
            if (painter.block !== null && begun.current === null) moveBlock(step);
            else if (event.altKey || (isPointed && !event.shiftKey)) stepColour(step[0] + step[1]);
            else walk(event.key as Arrow, event.shiftKey);
        } else if (event.key === 'Enter') press(hover);
        else if (event.key === 'Escape' && (begun.current !== null || painter.block !== null)) {
            begun.current = null;
            painter.drop();
            painter.setBlock(null);
        } else if (event.key === 's') sample(standing() ?? atOf(hover));
        else if (event.key === 'b') painter.set({ colour: painter.brush.before ?? painter.brush.colour });
        else if (event.key === 'e')
            painter.set({ colour: painter.brush.colour === 'none' ? (painter.brush.before ?? Object.keys(palette)[0] ?? 'none') : 'none' });
        else return false;
        event.preventDefault();
        return true;
    }

    function stepColour(by: number): void {
        const all = [...Object.keys(palette), 'none'];
        painter.set({ colour: all[(all.indexOf(painter.brush.colour) + by + all.length) % all.length] ?? 'none' });
    }

    return {
        key,
        standing: cursor,
        /** The pointer leads it instead. */
        rest: (): void => setCursor(null),
        leave: (): void => {
            begun.current = null;
            setCursor(null);
        },
    };
}
