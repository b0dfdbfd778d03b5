import type { Schemas, Style } from '../../api/client';

export type Gradient = Schemas['Gradient'];

const made = new WeakMap<Gradient, CanvasGradient>();

/** A gradient in its own coordinates. */
function inItself(context: CanvasRenderingContext2D, gradient: Gradient): CanvasGradient {
    const known = made.get(gradient);
    if (known !== undefined) return known;
    const [x0 = 0, y0 = 0] = gradient.from ?? [];
    const [x1 = 0, y1 = 0] = gradient.to ?? [];
    const [fx, fy] = gradient.focus ?? [x0, y0];
    const canvas =
        gradient.sort === 'linear'
            ? context.createLinearGradient(x0, y0, x1, y1)
            : context.createRadialGradient(fx ?? x0, fy ?? y0, 0, x0, y0, gradient.radius ?? 0);
    for (const [position, colour, opacity] of gradient.stops)
        canvas.addColorStop(Number(position), transparent(String(colour), Number(opacity)));
    made.set(gradient, canvas);
    return canvas;
}

function transparent(hex: string, opacity: number): string {
    return opacity === 1 ? hex : `${hex}${Math.round(255 * opacity).toString(16).padStart(2, '0')}`;
}

/** The map from a gradient's own coordinates to the sheet, of a figure that has been brought where it is by a map. */
function toSheet(gradient: Gradient, map: number[]): DOMMatrix {
    return new DOMMatrix(map.length === 0 ? undefined : map).multiply(new DOMMatrix(gradient.map));
}

/**
 * Fills a figure with a gradient, which lies as the figure's map brings it.
 *
 * @param figure where it lies on the sheet
 * @param map that brought it there; empty for none
 */
export function fillWith(context: CanvasRenderingContext2D, figure: Path2D, gradient: Gradient, map: number[], style: Style): void {
    context.save();
    if (gradient.sort === 'along') {
        context.clip(figure);
        context.fillStyle = style.fill;
        context.fill(figure);
        if (map.length > 0) context.transform(...(map as [number, number, number, number, number, number]));
        context.lineWidth = gradient.wide;
        context.lineJoin = 'miter';
        context.miterLimit = 40;
        context.lineCap = 'butt';
        for (const [path = '', colour = ''] of gradient.stretches) {
            context.strokeStyle = colour;
            context.stroke(new Path2D(path));
        }
    } else {
        const matrix = toSheet(gradient, map);
        const own = new Path2D();
        own.addPath(figure, matrix.inverse());
        context.transform(matrix.a, matrix.b, matrix.c, matrix.d, matrix.e, matrix.f);
        context.fillStyle = inItself(context, gradient);
        context.fill(own);
    }
    context.restore();
}

/** Strokes a figure in a gradient; the stroke is as wide as it is on the sheet. */
export function strokeWith(context: CanvasRenderingContext2D, figure: Path2D, gradient: Gradient, map: number[]): void {
    const matrix = toSheet(gradient, map);
    const scale = Math.sqrt(Math.abs(matrix.a * matrix.d - matrix.b * matrix.c)) || 1;
    const own = new Path2D();
    own.addPath(figure, matrix.inverse());
    context.save();
    context.lineWidth /= scale;
    context.setLineDash(context.getLineDash().map((dash) => dash / scale));
    context.transform(matrix.a, matrix.b, matrix.c, matrix.d, matrix.e, matrix.f);
    context.strokeStyle = inItself(context, gradient);
    context.stroke(own);
    context.restore();
}
