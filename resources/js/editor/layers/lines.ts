import type { Scene } from '../../api/client';
import type { Camera, Seen } from '../model/camera';
import type { GridShape } from '../model/scene/GridShape';
import { gridShape, guideShape, partShape } from '../model/scene/geometry';
import { paintStar } from './marks';
import { AMBER, FADED, INK, PAPER } from './canvas';

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

export function paintGrids(
    context: CanvasRenderingContext2D,
    scene: Scene,
    scale: number,
    worked: ReadonlySet<string> | null = null,
): void {
    const colour = lineColour(scene.sheet.background);
    paintGuides(context, scene, scale, colour, worked);
    for (const step of scene.steps) {
        const shape = step.role === 'grid' && !step.hidden ? gridShape(step.geometry) : undefined;
        if (shape === undefined || step.shown === null) continue;
        const near = Math.hypot(shape.place(1)[0] - shape.place(0)[0], shape.place(1)[1] - shape.place(0)[1]) * scale;
        if (step.shown.block !== null) paintBlocks(context, shape, step.shown.block, colour, step.shown.strength);
        // Lines that lie so near to one another would be grey.
        if (shape.isLattice && near < NEAREST) {
            context.globalAlpha = 1;
            continue;
        }
        context.globalAlpha = step.shown.strength;
        if (step.shown.as === 'lines') {
            standOut(context, shape.lines, colour, 1 / scale, scale, near >= ROOM);
        } else {
            paintPoints(context, shape, step.shown.as, colour, scale);
        }
        context.globalAlpha = 1;
    }
}

/** Pixels of the screen between lines that have room for a rim: on a dense field it would be a veil. */
const ROOM = 14;

/** How far a line's rim reaches on either side, in pixels of the screen. */
const RIM = 0.6;

/** A line with a faint rim of the other tone, so that it is seen on dark and on light. */
function standOut(context: CanvasRenderingContext2D, path: Path2D, colour: string, width: number, scale: number, hasRoom = true): void {
    const strength = context.globalAlpha;
    if (hasRoom) {
        context.globalAlpha = strength * 0.45;
        context.strokeStyle = colour === PAPER ? INK : PAPER;
        context.lineWidth = width + (2 * RIM) / scale;
        context.stroke(path);
    }
    context.globalAlpha = strength;
    context.strokeStyle = colour;
    context.lineWidth = width;
    context.stroke(path);
}

const GUIDES = 0.62;

/** Guides are dashed, so that nobody takes them for a part of the result. */
function paintGuides(
    context: CanvasRenderingContext2D,
    scene: Scene,
    scale: number,
    colour: string,
    worked: ReadonlySet<string> | null = null,
): void {
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
        const [from, to] = [gap.from, gap.to].map(([x = 0, y = 0]): [number, number] => [
            (x - window.left) * view.scale,
            (y - window.top) * view.scale,
        ]);
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
                for (const [x, y] of [corner(column, row), corner(right, row), corner(right, bottom), corner(column, bottom)])
                    context.lineTo(x, y);
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
