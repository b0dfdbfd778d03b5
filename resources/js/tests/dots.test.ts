import { describe, expect, it } from 'vitest';
import { blockMoved, laidAnew, within } from '../editor/model/paint/blocks';
import { box, type Dot, ellipse, filled, isSecond, line, mirrored, ring, widened } from '../editor/model/paint/dots';
import { Painter } from '../editor/model/paint/Painter';

const keys = (cells: readonly Dot[]): string[] => cells.map((cell) => cell.join()).sort();

describe('lines and rings of cells', () => {
    it('run from end to end, one cell in each column of a flat line', () => {
        for (const to of [[9, 3], [9, -4], [-5, 2], [1, 1]] as const) {
            const cells = line([1, 1], to);
            expect(cells[0]).toEqual([1, 1]);
            expect(cells.at(-1)).toEqual([...to]);
            expect(cells).toHaveLength(Math.max(Math.abs(to[0] - 1), Math.abs(to[1] - 1)) + 1);
            // No cell is farther than half a cell from the line that it stands for.
            for (const [x, y] of cells) {
                const [wide, high] = [to[0] - 1, to[1] - 1];
                if (wide !== 0 && Math.abs(wide) >= Math.abs(high))
                    expect(Math.abs(y - 1 - ((x - 1) * high) / wide)).toBeLessThanOrEqual(0.5);
            }
        }
    });

    it('lie the same in all eight directions, and are one cell wide', () => {
        for (let reach = 1; reach < 30; reach++) {
            const cells = ring([0, 0], [reach, 0]);
            const there = new Set(keys(cells));
            for (const [x, y] of cells) {
                for (const [a, b] of [[-x, y], [x, -y], [y, x], [-y, x]]) expect(there.has(`${a},${b}`)).toBe(true);
                const has = (right: number, down: number): boolean => there.has(`${x + right},${y + down}`);
                expect(has(1, 0) !== has(-1, 0) && has(0, 1) !== has(0, -1) && reach > 1).toBe(false);
            }
        }
    });

    it('are the rings that pixel work knows by their runs', () => {
        const row = (cells: Dot[], y: number): number[] => cells.filter((cell) => cell[1] === y).map(([x]) => x).sort((a, b) => a - b);
        // Of seven cells across: three on top, and 1 1 at the corners.
        expect(row(ellipse([1, 1], [7, 7]), 1)).toEqual([3, 4, 5]);
        expect(keys(ellipse([1, 1], [7, 7]))).toHaveLength(16);
        // An even number of cells across has an even number on top.
        expect(row(ellipse([1, 1], [8, 8]), 1)).toEqual([3, 4, 5, 6]);
        expect(filled(ellipse([1, 1], [7, 7]))).toHaveLength(37);
    });

    it('make boxes of their edge alone', () => {
        expect(box([2, 2], [5, 4])).toHaveLength(2 * 4 + 2);
        expect(box([3, 3], [3, 6])).toHaveLength(4);
        expect(box([5, 4], [2, 2])).toEqual(box([2, 2], [5, 4]));
    });

    it('are widened by the nib and mirrored about a line on an edge, or through the middle of cells', () => {
        expect(keys(widened([[5, 5]], 2))).toEqual(['5,5', '5,6', '6,5', '6,6']);
        expect(widened([[5, 5]], 3)).toHaveLength(9);
        expect(mirrored([[1, 1]], 'left to right', [4.5, 1])).toEqual([[1, 1], [8, 1]]);
        expect(mirrored([[3, 1]], 'both', [4, 2])).toEqual([[3, 1], [5, 1], [3, 3], [5, 3]]);
    });
});

describe('dither', () => {
    it('gives as many cells the second colour as its level says, in every matrix', () => {
        for (const matrix of ['2', '4', '8'] as const) {
            const side = Number(matrix);
            for (let level = 0; level <= side * side; level++) {
                let count = 0;
                for (let row = 1; row <= side; row++)
                    for (let column = 1; column <= side; column++) count += isSecond(matrix, [column, row], level / side ** 2) ? 1 : 0;
                expect(count).toBe(level);
            }
        }
        expect([1, 2, 3, 4].map((column) => isSecond('checker', [column, 1], 0.5))).toEqual([true, false, true, false]);
    });
});

describe('a block of cells', () => {
    const block = { grid: 'g1', from: [4, 5] as const, to: [2, 3] as const };
    const shape = { cell: (address: string) => Number(address.replace(',', '')) } as never;
    const picture = { at: (cell: number) => (cell === 23 ? '#ff0000' : '') } as never;

    it('is moved with what is painted in it, and turned about its corner', () => {
        expect(within(block, [3, 4])).toBe(true);
        expect(within(block, [5, 4])).toBe(false);
        expect([...blockMoved(block, shape, picture, new Map([['#ff0000', 'brick']]), ([x, y]) => [x + 1, y], false)]).toEqual([
            [23, 'none'],
            [33, 'brick'],
        ]);
        expect([...blockMoved(block, shape, picture, new Map(), ([x, y]) => [x, y + 2], true)]).toEqual([[25, '#ff0000']]);
        const turned = laidAnew({ ...block, to: [3, 3] as const }, 'turned');
        expect(turned.way([3, 3])).toEqual([5, 3]);
        expect(turned.block.to).toEqual([5, 4]);
        expect(laidAnew(block, 'left to right').way([2, 3])).toEqual([4, 3]);
    });
});

describe('the painter', () => {
    it('shows strokes until they are kept, and tells which cells came', () => {
        const painter = new Painter();
        painter.begin(['ink', 'sand']);
        const told: unknown[] = [];
        painter.subscribe((came) => told.push(came === null ? null : [...came.cells]));
        painter.add('g1', [[3, 'ink'], [4, 'ink']]);
        painter.add('g1', [[4, 'ink'], [5, 'ink']]);
        const stroke = painter.send();
        expect(told).toEqual([[[3, 'ink'], [4, 'ink']], [[5, 'ink']]]);
        painter.add('g1', [[9, 'sand']]);
        expect(painter.strokes().map((one) => [...(one.get('g1') ?? [])].length)).toEqual([3, 1]);
        painter.settled(stroke);
        expect(painter.strokes()).toHaveLength(1);
    });

    it('knows the colour before, and which of two a dithered cell takes', () => {
        const painter = new Painter();
        painter.begin(['ink', 'sand']);
        painter.set({ colour: 'sand' });
        expect(painter.brush.before).toBe('ink');
        painter.set({ size: 2 });
        expect(painter.brush.before).toBe('ink');
        painter.set({ way: 'dither', second: 'ink' });
        expect([painter.colourAt([1, 1]), painter.colourAt([2, 1]), painter.colourAt(null)]).toEqual(['ink', 'sand', 'sand']);
    });
});
