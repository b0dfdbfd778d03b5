import type { Drawn, Scene, Style } from '../../../api/client';
import { partShape } from './geometry';
import { mapped, type PartShape, type Range, rangeIn, wayOf } from './PartShape';

/** Paints a figure of a cell. */
export type PaintFigure = (context: CanvasRenderingContext2D, figure: Path2D, style: Style, map: number[], box: number[]) => void;

/** Of more figures bitmaps of a cell are painted while something is dragged; fewer are as soon painted as they are. */
export const MANY = 1500;

/** Characters of path data, in all cells; of more, bitmaps are painted where it is shown small. */
export const MUCH = 150_000;

/** What a pattern that fills something shows. */
export interface Filling {
    shape: PartShape;
    drawn: Drawn;
}

/** The patterns of a scene by their steps, as they fill others. */
export function fillings(scene: Scene): Map<string, Filling> {
    const found = new Map<string, Filling>();
    for (const drawn of [...scene.drawing, ...scene.cells]) {
        const shape = partShape(scene.steps.find((step) => step.id === drawn.id)?.geometry);
        if (shape?.spread != null && drawn.figures.length === shape.own.length) found.set(drawn.id, { shape, drawn });
    }
    return found;
}

/** The number of the style of a figure; of a pattern those of its first cell are listed, unless some look otherwise. */
export function styleOf(drawn: Drawn, shape: PartShape, figure: number): Style | undefined {
    const listed = drawn.figures.length === shape.count ? figure : shape.ownOf(figure);
    return drawn.styles[drawn.figures[listed] ?? 0];
}

/** Paints cell after cell; all of one of the parts that repeat lie under those of the next. */
export function paintSpread(context: CanvasRenderingContext2D, { shape, drawn }: Filling, range: Range, paint: PaintFigure): void {
    const [first, last, top, bottom] = range;
    let start = 0;
    for (const size of shape.spread?.blocks ?? []) {
        for (let row = top; row <= bottom; row++) {
            for (let column = first; column <= last; column++) {
                context.save();
                context.translate(...wayOf(shape.spread, column, row));
                for (let own = start; own < start + size; own++) {
                    const style = drawn.styles[drawn.figures[own] ?? -1];
                    const path = shape.own[own];
                    if (style !== undefined && path !== undefined) paint(context, path, style, shape.mapOf(own), shape.boxInCell(own));
                }
                context.restore();
            }
        }
        start += size;
    }
}

/** The same by bitmaps of a cell: a little soft, in a fraction of the time. */
export function paintSpreadQuickly(context: CanvasRenderingContext2D, { shape, drawn }: Filling, range: Range, paint: PaintFigure): void {
    const { a, b, c, d } = context.getTransform();
    const scale = Math.sqrt(Math.abs(a * d - b * c)) || 1;
    const [left, upper, right, lower] = shape.cellBox;
    const margin = 2 / scale;
    let start = 0;
    for (const size of shape.spread?.blocks ?? []) {
        const bitmap = new OffscreenCanvas(
            Math.max(1, Math.ceil((right - left + 2 * margin) * scale)),
            Math.max(1, Math.ceil((lower - upper + 2 * margin) * scale)),
        );
        const own = bitmap.getContext('2d') as unknown as CanvasRenderingContext2D | null;
        if (own === null) return paintSpread(context, { shape, drawn }, range, paint);
        own.setTransform(scale, 0, 0, scale, (margin - left) * scale, (margin - upper) * scale);
        for (let figure = start; figure < start + size; figure++) {
            const style = drawn.styles[drawn.figures[figure] ?? -1];
            const path = shape.own[figure];
            if (style !== undefined && path !== undefined) paint(own, path, style, shape.mapOf(figure), shape.boxInCell(figure));
        }
        const [first, last, top, bottom] = range;
        for (let row = top; row <= bottom; row++) {
            for (let column = first; column <= last; column++) {
                const [x, y] = wayOf(shape.spread, column, row);
                context.drawImage(bitmap, left - margin + x, upper - margin + y, bitmap.width / scale, bitmap.height / scale);
            }
        }
        start += size;
    }
}

/** Fills a figure with a pattern, which lies as the figure's map brings it. */
export function fillWithPattern(
    context: CanvasRenderingContext2D,
    figure: Path2D,
    box: number[],
    map: number[],
    fill: NonNullable<Style['pattern']>,
    filling: Filling,
    paint: PaintFigure,
): void {
    const matrix = new DOMMatrix(map.length === 0 ? undefined : map).multiply(new DOMMatrix(fill.map));
    const back = matrix.inverse();
    context.save();
    context.clip(figure);
    context.transform(matrix.a, matrix.b, matrix.c, matrix.d, matrix.e, matrix.f);
    paintSpread(context, filling, rangeIn(filling.shape, mapped(box, [back.a, back.b, back.c, back.d, back.e, back.f])), paint);
    context.restore();
}
