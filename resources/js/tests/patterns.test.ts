import { beforeAll, describe, expect, it } from 'vitest';
import type { PartGeometry } from '../api/client';
import { alsoSet } from '../editor/ask/fields/PicturedChoice';
import { type Cell, linesOver, place, waysOver } from '../editor/layers/cells';
import { PartShape, rangeIn } from '../editor/model/scene/PartShape';

/** Remembers what was put into it, as far as these tests ask. */
class Path {
    readonly put: unknown[] = [];
    constructor(readonly data?: string) {}
    addPath(path: Path, matrix: unknown): void {
        this.put.push(path.data, matrix);
    }
}

beforeAll(() => {
    Object.assign(globalThis, { Path2D: Path, DOMMatrix: class { constructor(readonly numbers: number[]) {} } });
});

/** Two parts, the first with two figures in a cell, in three columns and two rows. */
const spread = (): PartGeometry => ({
    shapes: ['M0 0H10V10H0Z', 'M0 0H4V4H0Z'],
    boxes: [[0, 0, 10, 10], [0, 0, 4, 4]],
    figures: [[0], [0, -1, 0, 0, -1, 30, 20], [1]],
    copies: [1, 2, 1],
    measures: { pieces: 18, holes: 0, nodes: 72, area: 1, perimeter: 1, bounds: [0, 0, 1, 1] },
    spread: { blocks: [2, 1], a: [40, 0], b: [10, 30], range: [-1, 1, 0, 1], each: 2 },
});

describe('what repeats cell by cell', () => {
    it('is numbered part by part, row by row, cell by cell', () => {
        const shape = new PartShape(spread());
        expect(shape.count).toBe(18);
        expect([0, 1, 2, 11, 12, 17].map((figure) => shape.ownOf(figure))).toEqual([0, 1, 0, 1, 2, 2]);
        // The first cell that is drawn is one to the left of the one that is listed.
        expect(shape.boxes[0]).toEqual([-40, 0, -30, 10]);
        expect(shape.boxes[1]).toEqual([-20, 10, -10, 20]);
        // The second row begins a way to the right.
        expect(shape.boxes[6]).toEqual([-30, 30, -20, 40]);
        expect(shape.boxes[12]).toEqual([-40, 0, -36, 4]);
    });

    it('has its copies counted as plans count them', () => {
        const shape = new PartShape(spread());
        expect(shape.copies).toBe(12);
        expect([0, 1, 2, 12, 13, 17].map((figure) => shape.copyOf(figure))).toEqual([1, 2, 3, 1, 3, 11]);
        expect(shape.figuresOf(3)).toEqual([2, 13]);
    });

    it('covers a box with the cells that reach into it, and no others', () => {
        const shape = new PartShape(spread());
        const [first, last, top, bottom] = rangeIn(shape, [100, 100, 140, 130]);
        const [left, upper, right, lower] = shape.cellBox;
        for (let row = -10; row <= 10; row++) {
            for (let column = -10; column <= 10; column++) {
                const [x, y] = [40 * column + 10 * row, 30 * row];
                const meets = left + x <= 140 && right + x >= 100 && upper + y <= 130 && lower + y >= 100;
                if (meets) expect(column >= first && column <= last && row >= top && row <= bottom).toBe(true);
            }
        }
        expect((last - first + 1) * (bottom - top + 1)).toBeLessThan(30);
    });
});

const cell: Cell = {
    origin: [100, 100],
    a: [50, 0],
    b: [0, 40],
    flat: false,
    domain: [],
    centres: [
        [0, 0, 2],
        [0.5, 0.5, 2],
    ],
    lines: [
        [0, 0, 0, 1, false],
        [0.5, 0, 0, 1, false],
        [0.25, 0, 0, 1, true],
        [0, 0, 0, 1, true],
    ],
};

describe('what a pattern is made of', () => {
    it('lies in lattice coordinates', () => {
        expect(place(cell, 0.5, 2)).toEqual([125, 180]);
    });

    it('is shown over all of the sheet', () => {
        const ways = waysOver(cell, [200, 120]);
        expect(Math.min(...ways.map(([column]) => place(cell, column, 0)[0]))).toBeLessThanOrEqual(0);
        expect(Math.max(...ways.map(([column]) => place(cell, column + 1, 0)[0]))).toBeGreaterThanOrEqual(200);
        expect(Math.max(...ways.map(([, row]) => place(cell, 0, row + 1)[1]))).toBeGreaterThanOrEqual(120);
        expect(new Set(waysOver({ ...cell, flat: true }, [200, 120]).map(([, row]) => row))).toEqual(new Set([0]));
    });

    it('shows each line once, and a mirror where a glide lies on it', () => {
        const ways = waysOver(cell, [200, 120]);
        const lines = linesOver(cell, ways);
        const columns = new Set(ways.map(([column]) => column)).size;
        expect(lines).toHaveLength(3 * columns);
        expect(lines.filter(({ glides }) => glides)).toHaveLength(columns);
    });
});

describe('choices that set more than themselves', () => {
    const halfDrop = { value: 'p1', text: 'p1, half-drop', also: { a: ['{w}', '{h}/2'], b: [0, '{h}'], on: null } };

    it('take the size that is there', () => {
        expect(alsoSet(halfDrop, { a: [60, 0], b: [0, 40] })).toEqual({ a: [60, 20], b: [0, 40], on: null });
        expect(alsoSet(halfDrop, { a: ['p1.wide', 0] })).toEqual({ a: ['p1.wide', '(p1.wide)/2'], b: [0, 'p1.wide'], on: null });
        expect(alsoSet({ ...halfDrop, also: { a: ['{w}', 0], b: ['{w}/2', '{w}*sqrt(3)/2'] } }, { a: [60, 0] })).toEqual({
            a: [60, 0],
            b: [30, '60*sqrt(3)/2'],
        });
    });
});
