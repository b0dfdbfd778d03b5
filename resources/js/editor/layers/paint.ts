import type { Scene, Style } from '../../api/client';
import type { GridShape } from '../model/scene/GridShape';
import { type PartShape, rangeIn, wayOf } from '../model/scene/PartShape';
import { gridShape, guideShape, imageShape, partShape } from '../model/scene/geometry';
import type { Dragged } from '../model/pick/hover';
import { copyIn, type Pick, placeIn, stepIn } from '../model/pick/Picking';
import { fillWith, strokeWith } from './gradients';
import { type Filling, fillings, fillWithPattern, MANY, MUCH, type PaintFigure, paintSpread, paintSpreadQuickly, styleOf } from '../model/scene/patterns';
import { paintAsPixels } from './pixelImage';
import type { Camera, Seen } from '../model/camera';

export const INK = '#1b2140';
export const AMBER = '#b87400';
const HONEY = 'rgba(242, 179, 61, .42)';
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
const FADED = 0.22;

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

export function paintDrawing(context: CanvasRenderingContext2D, scene: Scene, { restyle = asItIs, seams = restyle === asItIs, worked = null, isQuick = false, isSmall = false }: Painting = {}): void {
    const geometry = new Map(scene.steps.map((step) => [step.id, step.geometry]));
    if (worked === null && seams) paintSeams(context, scene, scene.drawing.some((drawn) => drawn.styles.some((style) => style.bare === true)));
    const patterns = fillings(scene);
    for (const drawn of shownWhile(scene, worked)) {
        const shape = partShape(geometry.get(drawn.id));
        const strength = worked === null || worked.has(drawn.id) ? 1 : FADED;
        const paint: PaintFigure = (canvas, figure, style, map, box) => paintFigure(canvas, figure, restyle(strength === 1 ? style : { ...style, opacity: style.opacity * strength }), map, box, patterns, restyle);
        if (shape === undefined) continue;
        if (paintAsPixels(context, scene, drawn, shape, (style) => restyle(strength === 1 ? style : { ...style, opacity: strength }))) continue;
        if (shape.spread !== null && drawn.figures.length === shape.own.length) {
            ((isQuick && shape.count > MANY) || (isSmall && shape.weight > MUCH) ? paintSpreadQuickly : paintSpread)(context, { shape, drawn }, shape.range, paint);
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
    if (filling !== undefined) paintSpread(context, filling, rangeIn(filling.shape, box), (canvas, figure, style, map, around) => paintFigure(canvas, figure, style, map, around, patterns, asItIs));
}

/** Whether painting takes so long that it is done roughly first. */
export function isHeavy(scene: Scene): boolean {
    return scene.drawing.some((drawn) => {
        const shape = partShape(scene.steps.find((step) => step.id === drawn.id)?.geometry);
        return shape?.spread != null && shape.count > MANY;
    });
}

/** @param box that the figure lies in */
function paintFigure(context: CanvasRenderingContext2D, figure: Path2D, style: Style, map: number[], box: number[], patterns: Map<string, Filling>, restyle: (style: Style) => Style): void {
    context.globalAlpha = style.opacity;
    context.globalCompositeOperation = style.blend === 'normal' ? 'source-over' : (style.blend as GlobalCompositeOperation);
    const filling = patterns.get(style.pattern?.of ?? '');
    if (style.pattern !== undefined && filling !== undefined) {
        fillWithPattern(context, figure, box, map, style.pattern, filling, (canvas, inner, look, its, around) => paintFigure(canvas, inner, restyle(look), its, around, patterns, restyle));
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

/** What lines are drawn in, and what figures stand on, on a sheet of this colour. */
export function inkOn(background: string | null): { line: string; ground: string } {
    return { line: lineColour(background), ground: background ?? PAPER };
}

/** Ink, or paper where the ground is dark. */
function lineColour(background: string | null): string {
    const [red = 255, green = 255, blue = 255] = (background?.match(/[0-9a-f]{2}/gi) ?? []).map((pair) => parseInt(pair, 16));
    return 0.299 * red + 0.587 * green + 0.114 * blue < 110 ? PAPER : INK;
}

/** Pixels of the screen between lines of a grid. */
const NEAREST = 3;

export function paintGrids(context: CanvasRenderingContext2D, scene: Scene, scale: number, worked: ReadonlySet<string> | null = null): void {
    const colour = lineColour(scene.sheet.background);
    paintGuides(context, scene, scale, colour, worked);
    for (const step of scene.steps) {
        const shape = step.role === 'grid' && !step.hidden ? gridShape(step.geometry) : undefined;
        if (shape === undefined || step.shown === null) continue;
        // Lines that lie so near to one another would be grey.
        const near = shape.isLattice ? Math.hypot(shape.place(1)[0] - shape.place(0)[0], shape.place(1)[1] - shape.place(0)[1]) * scale : Infinity;
        if (step.shown.block !== null) paintBlocks(context, shape, step.shown.block, colour, step.shown.strength);
        if (near < NEAREST) {
            context.globalAlpha = 1;
            continue;
        }
        context.globalAlpha = step.shown.strength;
        if (step.shown.as === 'lines') {
            standOut(context, shape.lines, colour, 1 / scale, scale);
        } else {
            paintPoints(context, shape, step.shown.as, colour, scale);
        }
        context.globalAlpha = 1;
    }
}

/** How far a line's rim reaches on either side, in pixels of the screen. */
const RIM = 0.6;

/** A line with a faint rim of the other tone, so that it is seen on dark and on light. */
function standOut(context: CanvasRenderingContext2D, path: Path2D, colour: string, width: number, scale: number): void {
    const strength = context.globalAlpha;
    context.globalAlpha = strength * 0.45;
    context.strokeStyle = colour === PAPER ? INK : PAPER;
    context.lineWidth = width + (2 * RIM) / scale;
    context.stroke(path);
    context.globalAlpha = strength;
    context.strokeStyle = colour;
    context.lineWidth = width;
    context.stroke(path);
}

const GUIDES = 0.62;

/** Guides are dashed, so that nobody takes them for a part of the result. */
function paintGuides(context: CanvasRenderingContext2D, scene: Scene, scale: number, colour: string, worked: ReadonlySet<string> | null = null): void {
    context.strokeStyle = colour;
    context.lineWidth = 1.1 / scale;
    context.setLineDash([6 / scale, 4 / scale]);
    for (const step of scene.steps) {
        const shape = step.role === 'guide' && !step.hidden && !step.usedUp ? guideShape(step.geometry) : undefined;
        context.globalAlpha = worked === null || worked.has(step.id) ? GUIDES : GUIDES * FADED;
        if (shape !== undefined) standOut(context, shape.path, colour, 1.1 / scale, scale);
        const written: number[] = [];
        for (const { text, at: [x = 0, y = 0] } of shape?.data.names ?? []) {
            // Where two lines lie close together the first one's name is enough.
            if (written.some((other) => Math.abs(other - y) * scale < 14)) continue;
            written.push(y);
            paintName(context, text, x, y, colour, scale);
        }
    }
    context.setLineDash([]);
    context.globalAlpha = 1;
}

/** What a line is called, over where it begins. */
function paintName(context: CanvasRenderingContext2D, text: string, x: number, y: number, colour: string, scale: number): void {
    context.fillStyle = colour;
    context.font = `italic ${11.5 / scale}px 'Source Serif 4 Variable', serif`;
    context.fillText(text, x + 6 / scale, y - 3 / scale);
}

/** Hairlines of all that has an outline. */
export function paintOutlines(context: CanvasRenderingContext2D, scene: Scene, scale: number): void {
    context.strokeStyle = INK;
    context.lineWidth = 1 / scale;
    for (const drawn of scene.drawing) {
        const shape = partShape(scene.steps.find((step) => step.id === drawn.id)?.geometry);
        for (let figure = 0; figure < (shape?.count ?? 0); figure++) context.stroke(shape?.path(figure) ?? new Path2D());
    }
    paintGuides(context, scene, scale, INK);
}

/** Outlines worked out for the view they were asked for, and the shortest way between the two nearest. */
export function paintCloseUp(context: CanvasRenderingContext2D, { window, closeUp }: Seen, view: Camera): void {
    const ratio = globalThis.devicePixelRatio || 1;
    const width = (window.right - window.left) * view.scale;
    const left = view.x + window.left * view.scale;
    const top = view.y + window.top * view.scale;
    context.save();
    context.setTransform(ratio, 0, 0, ratio, left * ratio, top * ratio);
    context.strokeStyle = INK;
    context.lineWidth = 1.2;
    for (const { points } of closeUp.curves) {
        context.beginPath();
        for (let i = 0; i < points.length; i += 2) context.lineTo((points[i] ?? 0) * width, (points[i + 1] ?? 0) * width);
        context.stroke();
    }
    for (const gap of closeUp.gaps) {
        const [from, to] = [gap.from, gap.to].map(([x = 0, y = 0]): [number, number] => [(x - window.left) * view.scale, (y - window.top) * view.scale]);
        if (from !== undefined && to !== undefined) {
            context.strokeStyle = AMBER;
            context.lineWidth = 2;
            context.beginPath();
            context.moveTo(...from);
            context.lineTo(...to);
            context.stroke();
            paintStar(context, ...from, 1);
            if (Math.hypot(to[0] - from[0], to[1] - from[1]) > 6) paintStar(context, ...to, 1);
        }
    }
    context.restore();
}

/** A grid or a guide, marked. */
export function paintLine(context: CanvasRenderingContext2D, scene: Scene, id: string, scale: number, width: number): void {
    const geometry = scene.steps.find((step) => step.id === id)?.geometry;
    const path = guideShape(geometry)?.path ?? gridShape(geometry)?.lines;
    if (path === undefined) return;
    context.strokeStyle = AMBER;
    context.lineWidth = width / scale;
    context.stroke(path);
}

/** Every other block of so many cells a side, shaded as a checkerboard. */
function paintBlocks(context: CanvasRenderingContext2D, shape: GridShape, block: number, colour: string, strength: number): void {
    context.globalAlpha = strength / 4;
    context.fillStyle = colour;
    if (shape.isLattice) {
        // Block by block: there may be a million cells.
        const [columns, rows] = shape.extent;
        const corner = (column: number, row: number): [number, number] => shape.place(row * (columns + 1) + column);
        for (let row = 0; row < rows && shape.pointCount === (columns + 1) * (rows + 1); row += block) {
            for (let column = (row / block) % 2 === 0 ? 0 : block; column < columns; column += 2 * block) {
                const [right, bottom] = [Math.min(columns, column + block), Math.min(rows, row + block)];
                context.beginPath();
                for (const [x, y] of [corner(column, row), corner(right, row), corner(right, bottom), corner(column, bottom)]) context.lineTo(x, y);
                context.fill();
            }
        }
        return;
    }
    for (let cell = 0; cell < shape.count; cell++) {
        const sum = shape.address(cell).split(',').reduce((total, one) => total + Math.floor((Number(one) - 1) / block), 0);
        if (sum % 2 === 0) context.fill(shape.path(cell));
    }
}

function paintPoints(context: CanvasRenderingContext2D, shape: GridShape, as: 'dots' | 'crosses', colour: string, scale: number): void {
    const arm = (as === 'dots' ? 1.6 : 4) / scale;
    context.beginPath();
    for (let point = 0; point < shape.pointCount; point++) {
        const [x, y] = shape.place(point);
        if (as === 'dots') {
            context.moveTo(x + arm, y);
            context.arc(x, y, arm, 0, 2 * Math.PI);
        } else {
            context.moveTo(x - arm, y);
            context.lineTo(x + arm, y);
            context.moveTo(x, y - arm);
            context.lineTo(x, y + arm);
        }
    }
    context.fillStyle = context.strokeStyle = colour;
    context.lineWidth = 1 / scale;
    if (as === 'dots') context.fill();
    else context.stroke();
}

/** Marks cells as picked, over what is painted already. */
export function paintCells(context: CanvasRenderingContext2D, shape: GridShape, addresses: Iterable<string>, scale: number): void {
    context.fillStyle = HONEY;
    context.strokeStyle = AMBER;
    context.lineWidth = 1.5 / scale;
    for (const address of addresses) {
        const cell = shape.cell(address);
        if (cell === undefined) continue;
        context.fill(shape.path(cell));
        context.stroke(shape.path(cell));
    }
}

/** Takes cells out of the picture of the pick: what was painted there goes, and what is picked beside them is painted again where it was touched. */
export function paintWithout(context: CanvasRenderingContext2D, scene: Scene, pick: Pick, shape: GridShape, addresses: string[], scale: number): void {
    const hair = 3 / scale;
    for (const address of addresses) {
        const cell = shape.cell(address);
        if (cell === undefined) continue;
        const [left, top, right, bottom] = shape.boxOfCell(cell);
        context.save();
        context.beginPath();
        context.rect(left - hair, top - hair, right - left + 2 * hair, bottom - top + 2 * hair);
        context.clip();
        context.clearRect(left - hair, top - hair, right - left + 2 * hair, bottom - top + 2 * hair);
        for (const [grid, picked] of pick.cells) {
            const other = gridShape(scene.steps.find((step) => step.id === grid)?.geometry);
            const near = other?.cellsNear(left - hair, top - hair, right + hair, bottom + hair).map((one) => other.address(one)) ?? [];
            if (other !== undefined) paintCells(context, other, near.filter((one) => picked.has(one)), scale);
        }
        context.restore();
    }
}

export function paintPick(context: CanvasRenderingContext2D, scene: Scene, pick: Pick, scale: number): void {
    for (const [grid, addresses] of pick.cells) {
        const shape = gridShape(scene.steps.find((step) => step.id === grid)?.geometry);
        if (shape !== undefined) paintCells(context, shape, addresses, scale);
    }
    for (const id of pick.parts) {
        outlinePart(context, scene, id, scale, 2.2);
    }
    for (const id of pick.lines) {
        paintLine(context, scene, id, scale, 1.8);
    }
    pick.points.forEach((point, k) => {
        paintStar(context, ...point.at, scale);
        if (pick.points.length > 1) paintNumber(context, k + 1, ...point.at, scale);
    });
}

/** A part, or a copy or a piece of it, marked around. */
export function outlinePart(context: CanvasRenderingContext2D, scene: Scene, name: string, scale: number, width: number): void {
    const part = partShape(scene.steps.find((step) => step.id === stepIn(name))?.geometry);
    if (part === undefined) return;
    for (const outline of marked(context, part, name)) {
        context.lineJoin = 'round';
        context.strokeStyle = PAPER;
        context.lineWidth = (width + 2.4) / scale;
        context.stroke(outline);
        context.strokeStyle = AMBER;
        context.lineWidth = width / scale;
        context.stroke(outline);
    }
}

/** Things on their way, in outlines. */
export function paintDragged(context: CanvasRenderingContext2D, { scene, names, map }: Dragged, scale: number): void {
    context.save();
    context.transform(...map);
    // Lines stay as wide on the screen.
    const seen = scale * Math.hypot(map[0], map[1]);
    for (const name of names) {
        if (guideShape(scene.steps.find((step) => step.id === name)?.geometry) !== undefined) paintLine(context, scene, name, seen, 1.6);
        else outlinePart(context, scene, name, seen, 1.4);
    }
    context.restore();
}

/** A box that is pulled up around what is to be picked. */
export function paintBox(context: CanvasRenderingContext2D, [x0, y0, x1, y1]: [number, number, number, number], scale: number): void {
    context.save();
    context.globalAlpha = 0.12;
    context.fillStyle = AMBER;
    context.fillRect(Math.min(x0, x1), Math.min(y0, y1), Math.abs(x1 - x0), Math.abs(y1 - y0));
    context.globalAlpha = 1;
    context.strokeStyle = AMBER;
    context.lineWidth = 1.2 / scale;
    context.setLineDash([4 / scale, 3 / scale]);
    context.strokeRect(Math.min(x0, x1), Math.min(y0, y1), Math.abs(x1 - x0), Math.abs(y1 - y0));
    context.restore();
}

/** Copies of a pattern that are all marked. */
const MOST_MARKED = 60;

function marked(context: CanvasRenderingContext2D, part: PartShape, name: string): Path2D[] {
    const copy = copyIn(name);
    // Of a pattern with many copies the first cell is marked: it is what all of it is made of, and the rest stays to be seen.
    const all = part.spread !== null && part.count > MOST_MARKED ? part.own : Array.from({ length: part.count }, (_, figure) => part.path(figure));
    const figures = copy === null ? [...all.keys()] : part.figuresOf(copy);
    const at = placeIn(name);
    if (at === null) return copy === null ? all : figures.map((figure) => part.path(figure));
    // Places are told apart in sheet units, whatever the canvas is scaled to.
    context.save();
    context.setTransform(1, 0, 0, 1, 0, 0);
    const outlines = figures.flatMap((figure) => part.around(context, figure, ...at));
    context.restore();
    return outlines;
}

/** Which one of several points it is. */
function paintNumber(context: CanvasRenderingContext2D, number: number, x: number, y: number, scale: number): void {
    context.font = `600 ${12.5 / scale}px 'Instrument Sans Variable', sans-serif`;
    context.lineJoin = 'round';
    context.lineWidth = 3 / scale;
    context.strokeStyle = PAPER;
    context.strokeText(String(number), x + 9 / scale, y - 8 / scale);
    context.fillStyle = AMBER;
    context.fillText(String(number), x + 9 / scale, y - 8 / scale);
}

/**
 * The cells under the pointer, before they are picked, or painted.
 *
 * @param colour that they would be painted in
 */
export function paintHoveredCells(context: CanvasRenderingContext2D, shape: GridShape, cells: number[], scale: number, colour: string | null = null): void {
    context.fillStyle = colour === null || colour === 'none' ? 'rgba(242, 179, 61, .18)' : colour;
    context.strokeStyle = AMBER;
    context.lineWidth = 2 / scale;
    for (const cell of cells) {
        context.fill(shape.path(cell));
        context.stroke(shape.path(cell));
    }
}

/** An intersection, as a small four-rayed star. */
export function paintStar(context: CanvasRenderingContext2D, x: number, y: number, scale: number): void {
    const long = 10 / scale;
    const short = 2.6 / scale;
    context.beginPath();
    for (let ray = 0; ray < 4; ray++) {
        const angle = (ray * Math.PI) / 2;
        context.lineTo(x + long * Math.sin(angle), y - long * Math.cos(angle));
        context.lineTo(x + short * Math.SQRT2 * Math.sin(angle + Math.PI / 4), y - short * Math.SQRT2 * Math.cos(angle + Math.PI / 4));
    }
    context.closePath();
    context.lineJoin = 'miter';
    context.strokeStyle = PAPER;
    context.lineWidth = 2.4 / scale;
    context.stroke();
    context.fillStyle = AMBER;
    context.fill();
}
