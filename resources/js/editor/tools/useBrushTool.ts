import { type KeyboardEvent, type RefObject, useMemo, useRef, useState } from 'react';
import { stepOf } from '../model/scene/steps';
import { useBrush } from '../state/brush';
import { useSheet } from '../state/sheet';
import { usePalette } from '../state/acts';
import type { Hover } from '../model/pick/hover';
import type { HitWork } from './useHits';
import type { Camera } from '../model/camera';
import type { Arrow } from '../model/scene/nearby';
import { gridShape } from '../model/scene/geometry';
import type { GridShape } from '../model/scene/GridShape';
import type { Spot, Tool } from './tool';
import { blockMoved, dotsIn, within } from '../model/paint/blocks';
import { box, type Dot, ellipse, filled, line, mirrored, ring, widened } from '../model/paint/dots';
import { namesByColour, Picture } from '../model/paint/Picture';
import { numbersOf } from '../model/paint/painting';
import { useStrokes } from '../state/useStrokes';

/** A cell of a grid; `dot` where it lies in columns and rows. */
interface At {
    grid: string;
    shape: GridShape;
    cell: number;
    dot: Dot | null;
}

interface Given {
    canvas: RefObject<HTMLCanvasElement | null>;
    view: Camera;
    hit: HitWork;
    show: (hover: Hover | null) => void;
}

/** Between two places that a pointer was seen at, one is looked at each so many pixels. */
const STRIDE = 3;

const STEPS: Record<Arrow, Dot> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

/** Painting cells by pointer and by keys: a stroke is on the sheet at once, and one change when the pointer lifts. */
export function useBrushTool({ canvas, view, hit, show }: Given) {
    const { scene, kinds } = useSheet();
    const { painter } = useBrush();
    const palette = usePalette();
    const { keep } = useStrokes();
    const [cursor, setCursor] = useState<{ grid: string; address: string } | null>(null);
    const drag = useRef<{ does: 'stroke' | 'move'; x: number; y: number; from: At | null; last: At | null } | null>(null);
    /** Where a stroke of keys began. */
    const begun = useRef<At | null>(null);
    const lately = useRef<At | null>(null);
    const names = useMemo(() => namesByColour(palette), [palette]);

    function hoverAt(x: number, y: number): Hover | null {
        const context = canvas.current?.getContext('2d');
        return context ? hit.under(context, (x - view.x) / view.scale, (y - view.y) / view.scale, view.scale) : null;
    }

    function atOf(found: Hover | null): At | null {
        const shape = gridShape(stepOf(scene, found?.grid ?? '')?.geometry);
        const [cell] = found?.cells ?? [];
        return found?.grid === undefined || shape === undefined || cell === undefined ? null : { grid: found.grid, shape, cell, dot: dotOf(shape, cell) };
    }

    function pictureOf(at: At): Picture {
        const step = stepOf(scene, at.grid);
        return step === undefined ? new Picture(at.shape) : Picture.of(scene, step, at.shape, painter.strokes(), palette);
    }

    /** With the nib's width and the mirrors, as far as the grid has such cells, in their colours. */
    function* coloured(at: At, dots: readonly Dot[]): Generator<readonly [number, string]> {
        const { size, mirror, about } = painter.brush;
        const [columns, rows] = at.shape.extent;
        for (const dot of mirrored(widened(dots, size), mirror, about ?? [(columns + 1) / 2, (rows + 1) / 2])) {
            const cell = at.shape.cell(dot.join(','));
            if (cell !== undefined) yield [cell, painter.colourAt(dot)];
        }
    }

    function put(at: At, dots: readonly Dot[] | null): void {
        painter.add(at.grid, dots === null ? [[at.cell, painter.colourAt(null)]] : coloured(at, dots));
    }

    /** What lies between two cells, as the brush goes. */
    function between(from: At, to: At): void {
        const { way, filled: isFilled } = painter.brush;
        if (from.dot === null || to.dot === null) return;
        const dots = way === 'line' ? line(from.dot, to.dot) : way === 'ring' ? ring(from.dot, to.dot) : way === 'ellipse' ? ellipse(from.dot, to.dot) : box(from.dot, to.dot);
        painter.replace(from.grid, coloured(from, isFilled && way !== 'line' ? filled(dots) : dots));
    }

    function begin(at: At, isLine: boolean): void {
        const { way, reach, colour } = painter.brush;
        if (way === 'area') {
            const picture = pictureOf(at);
            painter.replace(at.grid, (reach === 'all of its colour' ? picture.alike(at.cell) : picture.area(at.cell)).map((cell) => [cell, colour] as const));
        } else if (way === 'block') {
            painter.setBlock(at.dot === null ? null : { grid: at.grid, from: at.dot, to: at.dot });
        } else if (isDrawn(way) && at.dot !== null) {
            between(at, at);
        } else if (isLine && lately.current?.grid === at.grid && lately.current.dot !== null && at.dot !== null) {
            put(at, line(lately.current.dot, at.dot));
        } else {
            put(at, at.dot === null ? null : [at.dot]);
        }
        lately.current = at;
    }

    function goOn(from: At, last: At | null, at: At): void {
        const { way } = painter.brush;
        if (way === 'area') return;
        if (way === 'block') {
            if (from.dot !== null && at.dot !== null && at.grid === from.grid) painter.setBlock({ grid: from.grid, from: from.dot, to: at.dot });
        } else if (isDrawn(way) && from.dot !== null) {
            if (at.grid === from.grid) between(from, at);
        } else {
            put(at, at.dot === null ? null : last?.grid === at.grid && last.dot !== null ? line(last.dot, at.dot) : [at.dot]);
        }
        lately.current = at;
    }

    function end(from: At | null = null): void {
        const { way, asNumbers, size, mirror, colour, filled: isFilled } = painter.brush;
        const to = lately.current;
        if (way === 'block') return;
        const isNumbers = asNumbers && size === 1 && mirror === 'not' && isDrawn(way) && from?.dot != null && to?.dot != null && to.grid === from.grid;
        keep(painter.send(), isNumbers && from.dot !== null && to.dot !== null ? numbersOf(kinds, from.grid, way, from.dot, to.dot, colour, isFilled) : null);
    }

    /** The colour of a cell becomes that of the brush. */
    function sample(at: At | null): void {
        if (at === null) return;
        const colour = pictureOf(at).at(at.cell);
        painter.set({ colour: colour === '' ? 'none' : (names.get(colour.toLowerCase()) ?? colour.slice(0, 7)) });
    }

    function moveBlock(by: Dot): void {
        const { block } = painter;
        const shape = gridShape(stepOf(scene, block?.grid ?? '')?.geometry);
        if (block === null || shape === undefined) return;
        const at: At = { grid: block.grid, shape, cell: 0, dot: block.from };
        painter.replace(block.grid, blockMoved(block, shape, pictureOf(at), names, ([x, y]) => [x + by[0], y + by[1]], painter.brush.copies));
        painter.setBlock({ ...block, from: [block.from[0] + by[0], block.from[1] + by[1]], to: [block.to[0] + by[0], block.to[1] + by[1]] });
        keep(painter.send());
    }

    function down({ x, y, alt, shift }: Spot): void {
        setCursor(null);
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
                const at = atOf(stop === stops ? found : hoverAt(now.x + ((x - now.x) * stop) / stops, now.y + ((y - now.y) * stop) / stops));
                if (at !== null && (at.cell !== last?.cell || at.grid !== last.grid)) goOn(now.from, last, at);
                last = at ?? last;
            }
            drag.current = { ...now, x, y, last };
        }
        setCursor(null);
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

    /** The cell that the keyboard stands on. */
    function standing(): At | null {
        const shape = gridShape(stepOf(scene, cursor?.grid ?? '')?.geometry);
        const cell = cursor === null ? undefined : shape?.cell(cursor.address);
        return cursor === null || shape === undefined || cell === undefined ? null : { grid: cursor.grid, shape, cell, dot: dotOf(shape, cell) };
    }

    function walk(arrow: Arrow, paints: boolean): void {
        const grid = hit.hits.tilings.find((one) => one.id === cursor?.grid) ?? hit.hits.tilings[0];
        const shape = gridShape(grid?.geometry);
        if (grid === undefined || shape === undefined) return;
        const before = standing();
        const address = before === null ? shape.address(0) : (shape.beside(shape.address(before.cell), arrow) ?? shape.address(before.cell));
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
            const isPointed = cursor === null && hover !== null && begun.current === null && drag.current === null;
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
        else if (event.key === 'e') painter.set({ colour: painter.brush.colour === 'none' ? (painter.brush.before ?? Object.keys(palette)[0] ?? 'none') : 'none' });
        else return false;
        event.preventDefault();
        return true;
    }

    function stepColour(by: number): void {
        const all = [...Object.keys(palette), 'none'];
        painter.set({ colour: all[(all.indexOf(painter.brush.colour) + by + all.length) % all.length] ?? 'none' });
    }

    function leaveKeys(): void {
        begun.current = null;
        setCursor(null);
    }

    return { tool: { down, move, up, cancel, key } satisfies Tool, standing: cursor, leaveKeys };
}

function dotOf(shape: GridShape, cell: number): Dot | null {
    return shape.isLattice ? (dotsIn(shape.address(cell))) : null;
}

/** Whether it is laid between two cells. */
function isDrawn(way: string): boolean {
    return way === 'line' || way === 'ring' || way === 'ellipse' || way === 'box';
}
