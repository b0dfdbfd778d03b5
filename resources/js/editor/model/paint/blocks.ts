import type { GridShape } from '../scene/GridShape';
import type { Dot } from './dots';
import type { Block } from './Painter';
import type { PaintedCells } from './PaintedCells';

/** Column and row of an address. */
export function dotsIn(address: string): Dot {
    const [column = 0, row = 0] = address.split(',').map(Number);
    return [column, row];
}

/** The first and the last column and row of a block. */
export function sidesOf({ from, to }: Block): [left: number, top: number, right: number, bottom: number] {
    return [Math.min(from[0], to[0]), Math.min(from[1], to[1]), Math.max(from[0], to[0]), Math.max(from[1], to[1])];
}

export function within(block: Block, [column, row]: Dot): boolean {
    const [left, top, right, bottom] = sidesOf(block);
    return column >= left && column <= right && row >= top && row <= bottom;
}

/**
 * What has to be painted so that what is painted in a block lies elsewhere. What is moved off the grid is gone.
 *
 * @param names of colours of the palette by #rrggbb
 * @param way where a cell comes to lie
 * @param copies whether it stays where it was, too
 */
export function blockMoved(
    block: Block,
    shape: GridShape,
    picture: PaintedCells,
    names: ReadonlyMap<string, string>,
    way: (dot: Dot) => Dot,
    copies: boolean,
): Map<number, string> {
    const [left, top, right, bottom] = sidesOf(block);
    const there = new Map<number, string>();
    const put = new Map<number, string>();
    for (let row = top; row <= bottom; row++) {
        for (let column = left; column <= right; column++) {
            const cell = shape.cell(`${column},${row}`);
            const colour = cell === undefined ? '' : picture.at(cell);
            if (cell === undefined || colour === '') continue;
            there.set(cell, 'none');
            const target = shape.cell(way([column, row]).join(','));
            if (target !== undefined) put.set(target, names.get(colour.toLowerCase()) ?? colour.slice(0, 7));
        }
    }
    return new Map([...(copies ? [] : there), ...put]);
}

/** The ways in which a block is laid anew in its own place; turned ones keep their upper left corner. */
export function laidAnew(block: Block, how: 'left to right' | 'up and down' | 'turned'): { way: (dot: Dot) => Dot; block: Block } {
    const [left, top, right, bottom] = sidesOf(block);
    if (how === 'turned')
        return {
            way: ([x, y]) => [left + bottom - y, top + x - left],
            block: { ...block, from: [left, top], to: [left + bottom - top, top + right - left] },
        };
    return { way: how === 'left to right' ? ([x, y]) => [left + right - x, y] : ([x, y]) => [x, top + bottom - y], block };
}
