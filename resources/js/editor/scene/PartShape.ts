import type { PartGeometry } from '../../api/client';
import type { Box } from './nearby';

/** The figures of a part made ready to draw and to look up. */
export class PartShape {
    readonly figures: Path2D[];
    private made: Box[] | undefined;
    private readonly runs: Path2D[][] = [];

    constructor(readonly data: PartGeometry) {
        const shapes = data.shapes.map((shape) => new Path2D(shape));
        this.figures = data.figures.map(([number = 0, ...map]) => {
            const shape = shapes[number] ?? new Path2D();
            if (map.length === 0) return shape;
            const figure = new Path2D();
            figure.addPath(shape, new DOMMatrix(map));
            return figure;
        });
    }

    /** What brought a figure where it is; empty for nothing. */
    mapOf(figure: number): number[] {
        return this.data.figures[figure]?.slice(1) ?? [];
    }

    /** A box that holds each figure; of turned ones a little too wide. */
    get boxes(): Box[] {
        return (this.made ??= this.data.figures.map(([number = 0, ...map]) => mapped(this.data.boxes[number] ?? [], map)));
    }

    /** The outlines of a figure that a place lies inside: those of its piece, from the outermost. */
    around(prober: Pick<CanvasRenderingContext2D, 'isPointInPath'>, figure: number, x: number, y: number): Path2D[] {
        return (this.runs[figure] ??= this.outlinesOf(figure)).filter((outline) => prober.isPointInPath(outline, x, y));
    }

    private outlinesOf(figure: number): Path2D[] {
        const [number = 0, ...map] = this.data.figures[figure] ?? [];
        return (this.data.shapes[number] ?? '').split(/(?=M)/).map((run) => {
            const outline = new Path2D();
            outline.addPath(new Path2D(run), map.length === 0 ? undefined : new DOMMatrix(map));
            return outline;
        });
    }

    /** The figures of a copy, from 1; all where there are no copies. */
    figuresOf(copy: number): number[] {
        return this.figures.flatMap((_, figure) => (this.data.copies === null || this.data.copies[figure] === copy ? [figure] : []));
    }
}

function mapped([left = 0, top = 0, right = 0, bottom = 0]: number[], map: number[]): Box {
    if (map.length === 0) return [left, top, right, bottom];
    const [a = 1, b = 0, c = 0, d = 1, e = 0, f = 0] = map;
    const xs = [left, right].flatMap((x) => [top, bottom].map((y) => a * x + c * y + e));
    const ys = [left, right].flatMap((x) => [top, bottom].map((y) => b * x + d * y + f));
    return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
}
