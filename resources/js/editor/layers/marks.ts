import type { Scene } from '../../api/client';
import { copyIn, type Pick, placeIn, stepIn } from '../model/pick/Picking';
import type { Dragged } from '../model/pick/hover';
import type { GridShape } from '../model/scene/GridShape';
import type { PartShape } from '../model/scene/PartShape';
import { gridShape, guideShape, partShape } from '../model/scene/geometry';
import { AMBER, HONEY, PAPER } from './canvas';

/** A grid or a guide, marked. */
export function paintLine(context: CanvasRenderingContext2D, scene: Scene, id: string, scale: number, width: number): void {
    const geometry = scene.steps.find((step) => step.id === id)?.geometry;
    const path = guideShape(geometry)?.path ?? gridShape(geometry)?.lines;
    if (path === undefined) return;
    context.strokeStyle = AMBER;
    context.lineWidth = width / scale;
    context.stroke(path);
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

/**
 * Takes cells out of the picture of the pick: what was painted there goes, and what is picked beside them is painted again where it was
 * touched.
 */
export function paintWithout(
    context: CanvasRenderingContext2D,
    scene: Scene,
    pick: Pick,
    shape: GridShape,
    addresses: string[],
    scale: number,
): void {
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
    const all =
        part.spread !== null && part.count > MOST_MARKED ? part.own : Array.from({ length: part.count }, (_, figure) => part.path(figure));
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
export function paintHoveredCells(
    context: CanvasRenderingContext2D,
    shape: GridShape,
    cells: number[],
    scale: number,
    colour: string | null = null,
): void {
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
