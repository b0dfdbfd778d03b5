import { useMemo, useRef } from 'react';
import { stepOf } from '../model/scene/steps';
import { useBrush } from '../state/brush';
import { useSheet } from '../state/sheet';
import { usePalette } from '../state/acts';
import { gridShape } from '../model/scene/geometry';
import type { GridShape } from '../model/scene/GridShape';
import { blockMoved, dotsIn } from '../model/paint/blocks';
import { box, type Dot, ellipse, filled, line, mirrored, ring, widened } from '../model/paint/dots';
import { namesByColour, PaintedCells } from '../model/paint/PaintedCells';
import { numbersOf } from '../model/paint/painting';
import { useStrokes } from '../state/useStrokes';

/** A cell of a grid; `dot` where it lies in columns and rows. */
export interface At {
    grid: string;
    shape: GridShape;
    cell: number;
    dot: Dot | null;
}

/**
 * What a brush does on cells, whether it is led by the pointer or by keys: a stroke is on the sheet at once, and one change when it ends.
 */
export function useBrushing() {
    const { scene, kinds } = useSheet();
    const { painter } = useBrush();
    const palette = usePalette();
    const { keep } = useStrokes();
    const lately = useRef<At | null>(null);
    const names = useMemo(() => namesByColour(palette), [palette]);

    function pictureOf(at: At): PaintedCells {
        const step = stepOf(scene, at.grid);
        return step === undefined ? new PaintedCells(at.shape) : PaintedCells.of(scene, step, at.shape, painter.strokes(), palette);
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
        const dots =
            way === 'line'
                ? line(from.dot, to.dot)
                : way === 'ring'
                  ? ring(from.dot, to.dot)
                  : way === 'ellipse'
                    ? ellipse(from.dot, to.dot)
                    : box(from.dot, to.dot);
        painter.replace(from.grid, coloured(from, isFilled && way !== 'line' ? filled(dots) : dots));
    }

    function begin(at: At, isLine: boolean): void {
        const { way, reach, colour } = painter.brush;
        if (way === 'area') {
            const picture = pictureOf(at);
            painter.replace(
                at.grid,
                (reach === 'all of its colour' ? picture.alike(at.cell) : picture.area(at.cell)).map((cell) => [cell, colour] as const),
            );
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
            if (from.dot !== null && at.dot !== null && at.grid === from.grid)
                painter.setBlock({ grid: from.grid, from: from.dot, to: at.dot });
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
        const isNumbers =
            asNumbers && size === 1 && mirror === 'not' && isDrawn(way) && from?.dot != null && to?.dot != null && to.grid === from.grid;
        keep(
            painter.send(),
            isNumbers && from.dot !== null && to.dot !== null ? numbersOf(kinds, from.grid, way, from.dot, to.dot, colour, isFilled) : null,
        );
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
        painter.replace(
            block.grid,
            blockMoved(block, shape, pictureOf(at), names, ([x, y]) => [x + by[0], y + by[1]], painter.brush.copies),
        );
        painter.setBlock({
            ...block,
            from: [block.from[0] + by[0], block.from[1] + by[1]],
            to: [block.to[0] + by[0], block.to[1] + by[1]],
        });
        keep(painter.send());
    }

    return { begin, goOn, end, sample, moveBlock };
}

export type Brushing = ReturnType<typeof useBrushing>;

export function dotOf(shape: GridShape, cell: number): Dot | null {
    return shape.isLattice ? dotsIn(shape.address(cell)) : null;
}

/** Whether it is laid between two cells. */
export function isDrawn(way: string): boolean {
    return way === 'line' || way === 'ring' || way === 'ellipse' || way === 'box';
}
