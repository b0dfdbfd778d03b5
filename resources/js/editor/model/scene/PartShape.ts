import type { PartGeometry } from '../../../api/client';
import type { Box } from './nearby';

export type Spread = NonNullable<PartGeometry['spread']>;

/** The first and the last cell along each of two ways. */
export type Range = [number, number, number, number];

/**
 * The figures of a part made ready to draw and to look up. Of what repeats cell by cell those of the first cell are kept, and each of the
 * others is made where it is asked for.
 */
export class PartShape {
    /** Of the first cell, where it repeats. */
    readonly own: Path2D[];
    /** How many figures there are. */
    readonly count: number;
    private made: Box[] | undefined;
    private readonly paths: Path2D[] = [];
    private readonly runs: Path2D[][] = [];

    constructor(readonly data: PartGeometry) {
        const shapes = data.shapes.map((shape) => new Path2D(shape));
        this.own = data.figures.map(([number = 0, ...map]) => {
            const shape = shapes[number] ?? new Path2D();
            if (map.length === 0) return shape;
            const figure = new Path2D();
            figure.addPath(shape, new DOMMatrix(map));
            return figure;
        });
        this.count = this.own.length * this.cells;
    }

    get spread(): Spread | null {
        return this.data.spread ?? null;
    }

    get range(): Range {
        const [first = 0, last = 0, top = 0, bottom = 0] = this.data.spread?.range ?? [];
        return [first, last, top, bottom];
    }

    private get cells(): number {
        const [first, last, top, bottom] = this.range;
        return (last - first + 1) * (bottom - top + 1);
    }

    /** How much there is to paint: characters of path data, in all cells. */
    get weight(): number {
        return this.cells * this.data.figures.reduce((sum, [number = 0]) => sum + (this.data.shapes[number]?.length ?? 0), 0);
    }

    /** Which figure of the first cell a figure is, and the way to its cell. */
    private placed(figure: number): { own: number; cell: number; way: [number, number] } {
        const { spread } = this;
        if (spread === null) return { own: figure, cell: 0, way: [0, 0] };
        let [start, own] = [0, 0];
        for (const size of spread.blocks) {
            const within = figure - start;
            if (within < size * this.cells) {
                const cell = Math.floor(within / size);
                return { own: own + (within % size), cell, way: this.wayTo(cell) };
            }
            start += size * this.cells;
            own += size;
        }
        return { own: 0, cell: 0, way: [0, 0] };
    }

    private wayTo(cell: number): [number, number] {
        const [first, last, top] = this.range;
        const across = last - first + 1;
        return wayOf(this.spread, first + (cell % across), top + Math.floor(cell / across));
    }

    /** Which of the figures that looks are listed for a figure is. */
    ownOf(figure: number): number {
        return this.placed(figure).own;
    }

    /** A figure where it lies. */
    path(figure: number): Path2D {
        const known = this.paths[figure];
        if (known !== undefined) return known;
        const { own, way } = this.placed(figure);
        const path = this.own[own] ?? new Path2D();
        if (way[0] === 0 && way[1] === 0) return path;
        const moved = new Path2D();
        moved.addPath(path, new DOMMatrix([1, 0, 0, 1, ...way]));
        this.paths[figure] = moved;
        return moved;
    }

    /** What brought a figure of the first cell where it is; empty for nothing. */
    mapOf(own: number): number[] {
        return this.data.figures[own]?.slice(1) ?? [];
    }

    /** A box that holds each figure; of turned ones a little too wide. */
    get boxes(): Box[] {
        return (this.made ??= Array.from({ length: this.count }, (_, figure) => {
            const { own, way } = this.placed(figure);
            return moved(this.boxInCell(own), way);
        }));
    }

    /** A box that holds a figure of the first cell. */
    boxInCell(own: number): Box {
        const [number = 0, ...map] = this.data.figures[own] ?? [];
        return mapped(this.data.boxes[number] ?? [], map);
    }

    /** What the first cell shows lies in this box. */
    get cellBox(): Box {
        const boxes = this.own.map((_, own) => this.boxInCell(own));
        return [
            Math.min(...boxes.map((box) => box[0])),
            Math.min(...boxes.map((box) => box[1])),
            Math.max(...boxes.map((box) => box[2])),
            Math.max(...boxes.map((box) => box[3])),
        ];
    }

    /** The outlines of a figure that a place lies inside: those of its piece, from the outermost. */
    around(prober: Pick<CanvasRenderingContext2D, 'isPointInPath'>, figure: number, x: number, y: number): Path2D[] {
        return (this.runs[figure] ??= this.outlinesOf(figure)).filter((outline) => prober.isPointInPath(outline, x, y));
    }

    private outlinesOf(figure: number): Path2D[] {
        const { own, way } = this.placed(figure);
        const [number = 0, ...map] = this.data.figures[own] ?? [];
        const matrix = new DOMMatrix([1, 0, 0, 1, ...way]).multiply(new DOMMatrix(map.length === 0 ? undefined : map));
        return (this.data.shapes[number] ?? '').split(/(?=M)/).map((run) => {
            const outline = new Path2D();
            outline.addPath(new Path2D(run), matrix);
            return outline;
        });
    }

    /** The number of the copy that a figure belongs to, from 1; null where there are no copies. */
    copyOf(figure: number): number | null {
        const { own, cell } = this.placed(figure);
        const copy = this.data.copies?.[own];
        return copy === undefined ? null : copy + cell * (this.spread?.each ?? 0);
    }

    /** How many copies there are; null where there are none. */
    get copies(): number | null {
        return this.data.copies === null ? null : this.spread === null ? new Set(this.data.copies).size : this.spread.each * this.cells;
    }

    /** The figures of a copy, from 1; all where there are no copies. */
    figuresOf(copy: number): number[] {
        const found: number[] = [];
        for (let figure = 0; figure < this.count; figure++) {
            if (this.data.copies === null || this.copyOf(figure) === copy) found.push(figure);
        }
        return found;
    }
}

/** From the first cell to another one. */
export function wayOf(spread: Pick<Spread, 'a' | 'b'> | null, column: number, row: number): [number, number] {
    const [ax = 0, ay = 0] = spread?.a ?? [];
    const [bx = 0, by = 0] = spread?.b ?? [];
    return [ax * column + bx * row, ay * column + by * row];
}

/** The cells of which something may lie in a box. */
export function rangeIn(shape: PartShape, box: Box): Range {
    const [ax = 0, ay = 0] = shape.spread?.a ?? [];
    const [bx = 0, by = 0] = shape.spread?.b ?? [];
    const area = ax * by - ay * bx || 1;
    const [left, top, right, bottom] = shape.cellBox;
    const ways = [box[0] - right, box[2] - left].flatMap((x) =>
        [box[1] - bottom, box[3] - top].map((y) => [(x * by - y * bx) / area, (y * ax - x * ay) / area] as const),
    );
    const columns = ways.map(([column]) => column);
    const rows = ways.map(([, row]) => row);
    return [
        Math.ceil(Math.min(...columns) - 1e-9),
        Math.floor(Math.max(...columns) + 1e-9),
        Math.ceil(Math.min(...rows) - 1e-9),
        Math.floor(Math.max(...rows) + 1e-9),
    ];
}

function moved([left, top, right, bottom]: Box, [x, y]: [number, number]): Box {
    return [left + x, top + y, right + x, bottom + y];
}

export function mapped([left = 0, top = 0, right = 0, bottom = 0]: number[], map: number[]): Box {
    if (map.length === 0) return [left, top, right, bottom];
    const [a = 1, b = 0, c = 0, d = 1, e = 0, f = 0] = map;
    const xs = [left, right].flatMap((x) => [top, bottom].map((y) => a * x + c * y + e));
    const ys = [left, right].flatMap((x) => [top, bottom].map((y) => b * x + d * y + f));
    return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
}
