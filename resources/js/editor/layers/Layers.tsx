import { type RefObject, useLayoutEffect, useRef, useSyncExternalStore } from 'react';
import type { Scene } from '../../api/client';
import type { Hover } from '../model/pick/hover';
import type { Picking } from '../model/pick/Picking';
import type { GridShape } from '../model/scene/GridShape';
import { gridShape } from '../model/scene/geometry';
import { arrived } from '../model/scene/ImageShape';
import { AMBER, begin, isHeavy, paintDrawing, paintPictures, paintSheet, seenThrough } from './canvas';
import { inkOn, paintCloseUp, paintGrids, paintOutlines } from './lines';
import { outlinePart, paintBox, paintCells, paintDragged, paintHoveredCells, paintLine, paintPick, paintStar, paintWithout } from './marks';
import type { Camera } from '../model/camera';
import { Glass } from './Glass';
import { paintMeasures } from './measures';
import { type Cell, paintCell } from './cells';
import { paintSectors, type Sector } from './sectors';
import type { Seen } from '../model/camera';

interface Shown {
    scene: Scene;
    view: Camera;
    size: { width: number; height: number };
}

/** Milliseconds after which what was painted roughly is painted exactly. */
const RESTS = 160;

/** The drawing and its grids. */
export function BaseLayer({
    scene,
    view,
    size,
    gridsShown,
    outlines,
    seen,
    worked,
    measured,
    sector,
    cell,
    bare,
}: Shown & {
    bare: string;
    gridsShown: boolean;
    outlines: boolean;
    seen: Seen | null;
    worked: ReadonlySet<string> | null;
    measured: { selected: string | null } | null;
    sector: Sector | null;
    cell: Cell | null;
}) {
    // Pictures come by and by.
    const come = useSyncExternalStore(arrived.subscribe, arrived.get);
    const canvas = useRef<HTMLCanvasElement>(null);
    useLayoutEffect(() => {
        const glass = canvas.current;
        if (glass === null) return;
        const paint = (isQuick: boolean): void => {
            const context = begin(glass, view);
            paintSheet(context, scene);
            context.save();
            context.beginPath();
            context.rect(0, 0, scene.sheet.width, scene.sheet.height);
            context.clip();
            paintPictures(context, scene);
            if (!outlines) paintDrawing(context, scene, { restyle: seenThrough(bare, view.scale), seams: true, worked, isQuick });
            context.restore();
            if (outlines && seen === null) paintOutlines(context, scene, view.scale);
            if (outlines && seen !== null) paintCloseUp(context, seen, view);
            if (gridsShown && !outlines) paintGrids(context, scene, view.scale, worked);
            if (sector !== null) paintSectors(context, sector, [scene.sheet.width, scene.sheet.height], view.scale, AMBER);
            if (cell !== null) paintCell(context, cell, [scene.sheet.width, scene.sheet.height], view.scale, AMBER);
            if (measured !== null) paintMeasures(context, scene, view.scale, inkOn(scene.sheet.background), measured.selected, AMBER);
        };
        // Roughly at once where that takes long, so that what is dragged follows the pointer; exactly when it rests.
        const heavy = !outlines && isHeavy(scene);
        paint(heavy);
        const rest = heavy ? window.setTimeout(() => paint(false), RESTS) : 0;
        return () => window.clearTimeout(rest);
    }, [scene, view, size, gridsShown, outlines, seen, worked, measured, sector, cell, bare, come]);
    return <Glass canvas={canvas} size={size} />;
}

/** Of more cells that go from the pick all are painted anew. */
const MOST_MENDED = 200;

/** What is picked. Added cells are painted over what is there; everything else repaints the layer. */
export function PickLayer({ scene, view, size, picking }: Shown & { picking: Picking }) {
    const canvas = useRef<HTMLCanvasElement>(null);
    useLayoutEffect(() => {
        const glass = canvas.current;
        if (glass === null) return;
        const repaint = () => paintPick(begin(glass, view), scene, picking.get(), view.scale);
        repaint();
        return picking.subscribe((came) => {
            const shape = came === null ? undefined : gridShape(scene.steps.find((step) => step.id === came.grid)?.geometry);
            const context = glass.getContext('2d');
            if (came === null || context === null || came.addresses.length > MOST_MENDED) repaint();
            else if (shape === undefined) return;
            else if (came.gone === true) paintWithout(context, scene, picking.get(), shape, came.addresses, view.scale);
            else paintCells(context, shape, came.addresses, view.scale);
        });
    }, [scene, view, size, picking]);
    return <Glass canvas={canvas} size={size} />;
}

/** What lies under the pointer, or where the keyboard stands. Its canvas also answers what lies where. */
export function HoverLayer({
    scene,
    view,
    size,
    hover,
    cursor,
    outlines,
    canvas,
    colour = null,
}: Shown & {
    hover: Hover | null;
    cursor: { grid: string; address: string } | null;
    outlines: boolean;
    colour?: string | null;
    canvas: RefObject<HTMLCanvasElement | null>;
}) {
    useLayoutEffect(() => {
        if (canvas.current === null) return;
        const context = begin(canvas.current, view);
        const gridOf = (id: string | undefined): GridShape | undefined => gridShape(scene.steps.find((step) => step.id === id)?.geometry);
        const shape = gridOf(hover?.grid);
        // Between outlines nothing is to hide how they meet.
        if (shape !== undefined && hover?.cells !== undefined && !outlines)
            paintHoveredCells(context, shape, hover.cells, view.scale, colour);
        if (hover?.point !== undefined) paintStar(context, ...hover.point.at, view.scale);
        if (hover?.line !== undefined) paintLine(context, scene, hover.line, view.scale, 2.4);
        if (hover?.dragged !== undefined) paintDragged(context, hover.dragged, view.scale);
        if (hover?.box !== undefined) paintBox(context, hover.box, view.scale);
        for (const [x, y] of hover?.touches ?? []) paintStar(context, x, y, view.scale);
        if (hover?.part !== undefined) outlinePart(context, scene, hover.part, view.scale, 1.4);
        const standing = gridOf(cursor?.grid);
        const cell = cursor === null ? undefined : standing?.cell(cursor.address);
        if (standing !== undefined && cell !== undefined) paintHoveredCells(context, standing, [cell], view.scale, colour);
    }, [scene, view, size, hover, cursor, outlines, canvas, colour]);
    return <Glass canvas={canvas} size={size} />;
}
