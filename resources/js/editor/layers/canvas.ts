import type { Scene, Style } from '../../api/client';
import type { Camera } from '../model/camera';
import { rangeIn, wayOf } from '../model/scene/PartShape';
import { imageShape, partShape } from '../model/scene/geometry';
import {
    type Filling,
    fillings,
    fillWithPattern,
    MANY,
    MUCH,
    type PaintFigure,
    paintSpread,
    paintSpreadQuickly,
    styleOf,
} from '../model/scene/patterns';
import { fillWith, strokeWith } from './gradients';
import { paintAsPixels } from './pixelImage';

export const INK = '#1b2140';
export const AMBER = '#b87400';
export const HONEY = 'rgba(242, 179, 61, .42)';
export const PAPER = '#fffdf8';

/** Sets the canvas to the sheet's coordinates, cleared. */
export function begin(canvas: HTMLCanvasElement, view: Camera): CanvasRenderingContext2D {
    const context = canvas.getContext('2d');
    if (context === null) {
        throw new Error('This browser cannot draw on a canvas.');
    }
    const ratio = window.devicePixelRatio || 1;
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.clearRect(0, 0, canvas.width, canvas.height);
    context.setTransform(view.scale * ratio, 0, 0, view.scale * ratio, view.x * ratio, view.y * ratio);
    return context;
}

export function paintSheet(context: CanvasRenderingContext2D, scene: Scene): void {
    const { width, height, background } = scene.sheet;
    context.fillStyle = background ?? PAPER;
    context.fillRect(0, 0, width, height);
}

/** The pictures under all that is constructed; those that have not come yet are left out. */
export function paintPictures(context: CanvasRenderingContext2D, scene: Scene): void {
    for (const step of scene.steps) {
        const shape = step.hidden ? undefined : imageShape(step.geometry);
        const bitmap = shape?.bitmap;
        if (shape === undefined || bitmap == null) continue;
        const [a = 1, b = 0, c = 0, d = 1, e = 0, f = 0] = shape.data.map;
        context.save();
        context.transform(a, b, c, d, e, f);
        const { fade, veil, blend, size } = shape.data;
        // Modes are called the same there, but for the one that is none.
        context.globalCompositeOperation = blend === 'normal' ? 'source-over' : (blend as GlobalCompositeOperation);
        context.globalAlpha = veil === null ? 1 - fade : 1;
        context.drawImage(bitmap, 0, 0, size[0] ?? 0, size[1] ?? 0);
        if (veil !== null) {
            context.globalCompositeOperation = 'source-over';
            context.globalAlpha = fade;
            context.fillStyle = veil;
            context.fillRect(0, 0, size[0] ?? 0, size[1] ?? 0);
        }
        context.restore();
    }
}

/** The parts as they are drawn, from back to front; of a motif that is worked on also what it is made of. */
export function shownWhile(scene: Scene, worked: ReadonlySet<string> | null): Scene['drawing'] {
    return worked === null ? scene.drawing : [...scene.drawing, ...scene.inside.filter(({ id }) => worked.has(id))];
}

/** How strongly is drawn what is not worked on. */
export const FADED = 0.22;

const asItIs = (style: Style): Style => style;

/** The colour of what was given no look. */
const UNSAID = '#000000';

/** What lies under the edges that neighbours share; not of what is seen through. */
function paintSeams(context: CanvasRenderingContext2D, scene: Scene, withoutUnsaid: boolean): void {
    context.lineJoin = 'round';
    for (const { colour, wide, round, path, cells } of scene.seams.strokes) {
        if (withoutUnsaid && colour === UNSAID) continue;
        context.strokeStyle = colour;
        context.lineWidth = wide;
        context.lineCap = round ? 'round' : 'butt';
        const line = new Path2D(path);
        const [first = 0, last = 0, top = 0, bottom = 0] = cells?.range ?? [];
        for (let row = top; row <= bottom; row++) {
            for (let column = first; column <= last; column++) {
                context.save();
                if (cells !== undefined) context.translate(...wayOf(cells, column, row));
                context.stroke(line);
                context.restore();
            }
        }
    }
    context.lineCap = 'butt';
    context.lineJoin = 'miter';
}

/** How a drawing is painted. */
interface Painting {
    restyle?: (style: Style) => Style;
    /** Whether what lies under the edges of neighbours is painted: not where all is restyled. */
    seams?: boolean;
    /** Ids of the steps that are worked on alone; all else is faded. */
    worked?: ReadonlySet<string> | null;
    /** Whether patterns of many figures may be a little soft. */
    isQuick?: boolean;
    /** Whether it is shown so small that this is no matter. */
    isSmall?: boolean;
}

/** How strongly is filled what was given no look yet, as two digits behind its colour. */
const SEEN_THROUGH = '4d';

/** What was given no look yet is seen through, with its outline, in a colour; all else as it is. */
export function seenThrough(colour: string, scale: number): (style: Style) => Style {
    return (style) => (style.bare === true ? { ...style, fill: colour + SEEN_THROUGH, stroke: colour, strokeWidth: 1.25 / scale } : style);
}

export function paintDrawing(
    context: CanvasRenderingContext2D,
    scene: Scene,
    { restyle = asItIs, seams = restyle === asItIs, worked = null, isQuick = false, isSmall = false }: Painting = {},
): void {
    const geometry = new Map(scene.steps.map((step) => [step.id, step.geometry]));
    if (worked === null && seams)
        paintSeams(
            context,
            scene,
            scene.drawing.some((drawn) => drawn.styles.some((style) => style.bare === true)),
        );
    const patterns = fillings(scene);
    for (const drawn of shownWhile(scene, worked)) {
        const shape = partShape(geometry.get(drawn.id));
        const strength = worked === null || worked.has(drawn.id) ? 1 : FADED;
        const paint: PaintFigure = (canvas, figure, style, map, box) =>
            paintFigure(
                canvas,
                figure,
                restyle(strength === 1 ? style : { ...style, opacity: style.opacity * strength }),
                map,
                box,
                patterns,
                restyle,
            );
        if (shape === undefined) continue;
        if (paintAsPixels(context, scene, drawn, shape, (style) => restyle(strength === 1 ? style : { ...style, opacity: strength })))
            continue;
        if (shape.spread !== null && drawn.figures.length === shape.own.length) {
            ((isQuick && shape.count > MANY) || (isSmall && shape.weight > MUCH) ? paintSpreadQuickly : paintSpread)(
                context,
                { shape, drawn },
                shape.range,
                paint,
            );
            continue;
        }
        for (let number = 0; number < shape.count; number++) {
            const style = styleOf(drawn, shape, number);
            if (style !== undefined) paint(context, shape.path(number), style, shape.mapOf(shape.ownOf(number)), shape.boxes[number] ?? []);
        }
    }
}

/** A pattern alone, in a box, however many of its cells are drawn on the sheet. */
export function paintPattern(context: CanvasRenderingContext2D, scene: Scene, id: string, box: [number, number, number, number]): void {
    const patterns = fillings(scene);
    const filling = patterns.get(id);
    if (filling !== undefined)
        paintSpread(context, filling, rangeIn(filling.shape, box), (canvas, figure, style, map, around) =>
            paintFigure(canvas, figure, style, map, around, patterns, asItIs),
        );
}

/** Whether painting takes so long that it is done roughly first. */
export function isHeavy(scene: Scene): boolean {
    return scene.drawing.some((drawn) => {
        const shape = partShape(scene.steps.find((step) => step.id === drawn.id)?.geometry);
        return shape?.spread != null && shape.count > MANY;
    });
}

/** @param box that the figure lies in */
function paintFigure(
    context: CanvasRenderingContext2D,
    figure: Path2D,
    style: Style,
    map: number[],
    box: number[],
    patterns: Map<string, Filling>,
    restyle: (style: Style) => Style,
): void {
    context.globalAlpha = style.opacity;
    context.globalCompositeOperation = style.blend === 'normal' ? 'source-over' : (style.blend as GlobalCompositeOperation);
    const filling = patterns.get(style.pattern?.of ?? '');
    if (style.pattern !== undefined && filling !== undefined) {
        fillWithPattern(context, figure, box, map, style.pattern, filling, (canvas, inner, look, its, around) =>
            paintFigure(canvas, inner, restyle(look), its, around, patterns, restyle),
        );
    } else if (style.gradient !== undefined) {
        fillWith(context, figure, style.gradient, map, style);
    } else if (style.fill !== 'none') {
        context.fillStyle = style.fill;
        context.fill(figure);
    }
    if (style.stroke !== 'none' && style.strokeWidth > 0) {
        context.strokeStyle = style.stroke;
        context.lineWidth = style.strokeWidth;
        context.lineJoin = style.join;
        context.lineCap = style.cap;
        context.setLineDash(style.dash);
        if (style.strokeGradient === undefined) context.stroke(figure);
        else strokeWith(context, figure, style.strokeGradient, map);
        context.setLineDash([]);
    }
    context.globalAlpha = 1;
    context.globalCompositeOperation = 'source-over';
}
