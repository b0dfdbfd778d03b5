import { type KeyboardEvent, type PointerEvent, type Ref, useImperativeHandle, useLayoutEffect, useRef, useState } from 'react';
import { useDesk } from './desk';
import { type Arrow, type GridShape, gridShape, guideShape, partShape } from './geometry';
import { Handles } from './Handles';
import { begin, outlinePart, paintCells, paintCloseUp, paintDrawing, paintGrids, paintHoveredCells, paintLine, paintOutlines, paintPick, paintSheet, paintStar } from './paint';
import { type Hover, REACH } from './hover';
import { KeepOn } from './KeepOn';
import { PickModes } from './PickModes';
import { pieceName } from './pieceName';
import { type PickedPoint, usePick } from './pick';
import { PlaceReadout } from './PlaceReadout';
import { useCloseUp } from './useCloseUp';
import { useCircleDrag } from './useCircleDrag';
import { useSnapping } from './useSnapping';
import { useView } from './useView';

export interface SheetHandle {
    fit: () => void;
    zoom: (factor: number) => void;
    lookAt: (x: number, y: number, scale?: number) => void;
    focus: () => void;
}

const ARROWS: string[] = ['ArrowRight', 'ArrowLeft', 'ArrowUp', 'ArrowDown'] satisfies Arrow[];

/** From how many pixels on a press and a release are two places. */
const PULL = 12;

const NOTHING = new Path2D();

/** The drawing: shows the scene, and turns pointer and keys into picks. Three layers, so that hovering repaints next to nothing. */
export function Sheet({ handle }: { handle: Ref<SheetHandle> }) {
    const { page, scene, picking, gridsShown, outlines, placeWanted, askPlace, select } = useDesk();
    const pick = usePick(picking);
    const box = useRef<HTMLDivElement>(null);
    const base = useRef<HTMLCanvasElement>(null);
    const picked = useRef<HTMLCanvasElement>(null);
    const hovered = useRef<HTMLCanvasElement>(null);
    const [hovering, setHover] = useState<Hover | null>(null);
    const [cursor, setCursor] = useState<{ grid: string; address: string } | null>(null);
    const [pointCursor, setPointCursor] = useState<number | null>(null);
    const [space, setSpace] = useState(false);
    const drag = useRef<{ kind: 'pan' | 'add' | 'take' | 'pull'; x: number; y: number } | null>(null);
    const taking = useRef<Promise<unknown>>(Promise.resolve());

    const { width: sheetWidth, height: sheetHeight } = scene.sheet;
    const { view, size, fit, zoomAt, pan, lookAt } = useView(box, sheetWidth, sheetHeight);
    const snapping = useSnapping(view);
    const circle = useCircleDrag(view, setHover);
    const seen = useCloseUp(page.id, outlines, scene, view, size);
    const tilings = scene.steps.filter((step) => (step.role === 'grid' || step.role === 'overlay') && !step.hidden).reverse();
    const grids = tilings.some((step) => step.id === pick.on) ? tilings.filter((step) => step.id === pick.on) : tilings;
    const lines = scene.steps.filter((step) => (step.role === 'grid' || step.role === 'guide') && !step.hidden && !step.usedUp).reverse();
    const wantsPoint = pick.mode === 'points' || placeWanted !== null;
    // What was hovered before the pointer began to pick something else is not shown any more.
    const suits = (one: Hover): boolean => {
        if (one.handle === true) return true;
        if (one.point !== undefined) return wantsPoint;
        if (one.line !== undefined) return pick.mode === 'lines';
        return one.part !== undefined ? pick.mode === 'parts' : pick.mode === 'cells';
    };
    const hover = hovering !== null && suits(hovering) ? hovering : null;

    useImperativeHandle(handle, () => ({
        fit,
        zoom: (factor) => zoomAt(factor, size.width / 2, size.height / 2),
        lookAt,
        focus: () => box.current?.focus(),
    }));

    useLayoutEffect(() => {
        if (base.current === null) return;
        const context = begin(base.current, view);
        paintSheet(context, scene);
        context.save();
        context.beginPath();
        context.rect(0, 0, sheetWidth, sheetHeight);
        context.clip();
        if (!outlines) paintDrawing(context, scene);
        context.restore();
        if (outlines && seen === null) paintOutlines(context, scene, view.scale);
        if (outlines && seen !== null) paintCloseUp(context, seen, view);
        if (gridsShown && !outlines) paintGrids(context, scene, view.scale);
    }, [scene, view, size, gridsShown, outlines, seen, sheetWidth, sheetHeight]);

    // Added cells are painted over what is there; everything else repaints the layer.
    useLayoutEffect(() => {
        const canvas = picked.current;
        if (canvas === null) return;
        const repaint = () => paintPick(begin(canvas, view), scene, picking.get(), view.scale);
        repaint();
        return picking.subscribe((added) => {
            const shape = added === null ? undefined : gridShape(scene.steps.find((step) => step.id === added.grid)?.geometry);
            const context = canvas.getContext('2d');
            if (added !== null && shape !== undefined && context !== null) {
                paintCells(context, shape, added.addresses, view.scale);
            } else {
                repaint();
            }
        });
    }, [scene, view, size, picking]);

    useLayoutEffect(() => {
        if (hovered.current === null) return;
        const context = begin(hovered.current, view);
        const gridOf = (id: string | undefined): GridShape | undefined => gridShape(scene.steps.find((step) => step.id === id)?.geometry);
        const shape = gridOf(hover?.grid);
        // Between outlines nothing is to hide how they meet.
        if (shape !== undefined && hover?.cells !== undefined && !outlines) paintHoveredCells(context, shape, hover.cells, view.scale);
        if (hover?.point !== undefined) paintStar(context, ...hover.point.at, view.scale);
        if (hover?.line !== undefined) paintLine(context, scene, hover.line, view.scale, 2.4);
        for (const [x, y] of hover?.touches ?? []) paintStar(context, x, y, view.scale);
        if (hover?.part !== undefined) outlinePart(context, scene, hover.part, view.scale, 1.4);
        const standing = gridOf(cursor?.grid);
        const cell = cursor === null ? undefined : standing?.cell(cursor.address);
        if (standing !== undefined && cell !== undefined) paintHoveredCells(context, standing, [cell], view.scale);
    }, [scene, view, size, hover, cursor, outlines]);


    /** What a click at a place of the view would pick. */
    function under(x: number, y: number): Hover | null {
        const context = hovered.current?.getContext('2d');
        if (!context) return null;
        const sx = (x - view.x) / view.scale;
        const sy = (y - view.y) / view.scale;
        context.save();
        context.setTransform(1, 0, 0, 1, 0, 0);
        try {
            if (pick.mode === 'parts' && placeWanted === null) {
                const hit = scene.drawing.findLast((drawn) => {
                    const part = partShape(scene.steps.find((step) => step.id === drawn.id)?.geometry);
                    return part?.figures.some((figure) => context.isPointInPath(figure, sx, sy));
                });
                return hit === undefined ? null : { part: hit.id, name: scene.steps.find((step) => step.id === hit.id)?.label ?? hit.id };
            }
            if (pick.mode === 'lines' && placeWanted === null) {
                context.lineWidth = REACH / view.scale;
                const hit =
                    lines.find((step) => step.role === 'guide' && context.isPointInStroke(guideShape(step.geometry)?.path ?? NOTHING, sx, sy)) ??
                    lines.find((step) => step.role === 'grid' && context.isPointInStroke(gridShape(step.geometry)?.lines ?? NOTHING, sx, sy));
                return hit === undefined ? null : { line: hit.id, name: hit.label };
            }
            if (wantsPoint) return null;
            for (const grid of grids) {
                const shape = gridShape(grid.geometry);
                if (shape === undefined) continue;
                const cell = shape.cellAt(context, sx, sy);
                if (cell !== undefined) return named(grid.id, shape, cell);
            }
            return null;
        } finally {
            context.restore();
        }
    }

    function named(grid: string, shape: GridShape, cell: number): Hover {
        const address = shape.address(cell);
        if (shape.data.mark === '~') return { grid, cells: [cell], address, name: pieceName(address, scene) };
        if (pick.reach === null || pick.reach >= shape.data.cellWords.length) {
            return { grid, cells: [cell], address, name: shape.cellName(address) };
        }
        const coordinates = address.split(',');
        const run = coordinates.map((value, k) => (k === pick.reach ? value : '*')).join(',');
        const word = `${shape.data.cellWords[pick.reach] ?? ''} ${coordinates[pick.reach] ?? ''}`;
        return { grid, cells: shape.run(cell, pick.reach), address, run: `${grid}#${run}`, name: `the whole ${word}` };
    }

    function put(found: Hover, kind: 'add' | 'take'): void {
        const shape = gridShape(scene.steps.find((step) => step.id === found.grid)?.geometry);
        if (found.grid === undefined || shape === undefined || found.cells === undefined) return;
        const addresses = found.cells.map((cell) => shape.address(cell));
        if (kind === 'add') picking.add(found.grid, shape.data.mark, addresses, found.run);
        else picking.take(found.grid, addresses);
    }

    function isPicked(found: Hover): boolean {
        const shape = gridShape(scene.steps.find((step) => step.id === found.grid)?.geometry);
        const grid = found.grid;
        return grid !== undefined && shape !== undefined && (found.cells ?? []).every((cell) => picking.has(grid, shape.address(cell)));
    }

    function place(event: PointerEvent): [number, number] {
        const corner = box.current?.getBoundingClientRect();
        return [event.clientX - (corner?.left ?? 0), event.clientY - (corner?.top ?? 0)];
    }

    function onPointerDown(event: PointerEvent): void {
        const [x, y] = place(event);
        setCursor(null);
        box.current?.setPointerCapture(event.pointerId);
        if (space || event.button === 1) {
            drag.current = { kind: 'pan', x, y };
            return;
        }
        if (event.button !== 0) return;
        picking.setHeld(true);
        if (wantsPoint) {
            if (placeWanted === null) drag.current = { kind: 'pull', x, y };
            takePlace(x, y);
            return;
        }
        const found = under(x, y);
        // A circle can be dragged by its line; all else is picked at once.
        if (found?.line !== undefined && circle.take(found.line, x, y)) return;
        if (found?.cells !== undefined) drag.current = { kind: isPicked(found) ? 'take' : 'add', x, y };
        else if (found !== null) drag.current = { kind: 'pull', x, y };
        pickAt(x, y);
    }

    /** Pressed at one place and let go at another: both are picked. */
    function letGo(event: PointerEvent): void {
        const [x, y] = place(event);
        const held = drag.current;
        drag.current = null;
        const clicked = circle.drop();
        if (clicked !== null) {
            takeLine(clicked, x, y);
        } else if (held?.kind === 'pull' && Math.hypot(x - held.x, y - held.y) > PULL) {
            if (wantsPoint) {
                takePlace(x, y);
            } else {
                const line = under(x, y)?.line;
                if (line !== undefined && line !== under(held.x, held.y)?.line) pickAt(x, y);
            }
        }
        picking.setHeld(false);
    }

    /** One after another, in the order of the clicks. */
    function takePlace(x: number, y: number): void {
        const found = snapping.take(x, y);
        taking.current = taking.current.then(() => found).then((one) => takePoint(one?.point));
    }

    function pickAt(x: number, y: number): void {
        const found = under(x, y);
        if (found?.line !== undefined) {
            takeLine(found.line, x, y);
        } else if (found?.part !== undefined) {
            picking.togglePart(found.part);
            select(found.part);
        } else if (found?.cells !== undefined) {
            put(found, isPicked(found) ? 'take' : 'add');
        } else if (pick.mode === 'parts' || pick.mode === 'lines') {
            picking.clear();
        }
    }

    function takePoint(point: PickedPoint | undefined): void {
        if (point === undefined) return;
        if (placeWanted !== null) {
            placeWanted.take(point.raw);
            askPlace(null);
        } else {
            picking.togglePoint(point);
        }
    }

    function takeLine(id: string, x: number, y: number): void {
        picking.toggleLine(id, [(x - view.x) / view.scale, (y - view.y) / view.scale]);
        select(id);
    }

    function onPointerMove(event: PointerEvent): void {
        const [x, y] = place(event);
        const held = drag.current;
        if (held?.kind === 'pan') {
            pan(x - held.x, y - held.y);
            drag.current = { ...held, x, y };
            return;
        }
        if (circle.isHeld()) {
            void circle.move(x, y);
            return;
        }
        if (wantsPoint) {
            void snapping.look(x, y).then((found) => found !== null && setHover(found));
            return;
        }
        let found = under(x, y);
        if (held?.kind === 'pull' && found?.part !== undefined && !picking.get().parts.includes(found.part)) {
            // Pressed on one and drawn across others: all are picked, in that order.
            if (Math.hypot(x - held.x, y - held.y) > PULL) picking.togglePart(found.part);
        }
        if (held !== null && held.kind !== 'pull') {
            // A fast pointer jumps; what lies on the way is picked, too.
            const far = Math.hypot(x - held.x, y - held.y);
            const stops = Math.min(200, Math.ceil(far / 4));
            for (let stop = 1; stop <= stops; stop++) {
                const t = stop / stops;
                const passed = stop === stops ? found : under(held.x + (x - held.x) * t, held.y + (y - held.y) * t);
                if (passed?.cells !== undefined && isPicked(passed) === (held.kind === 'take')) put(passed, held.kind === 'take' ? 'take' : 'add');
            }
            drag.current = { ...held, x, y };
            found = under(x, y);
        }
        setHover((old) => (old?.name === found?.name && old?.grid === found?.grid && old?.part === found?.part && old?.line === found?.line ? old : found));
    }

    function onKeyDown(event: KeyboardEvent): void {
        if (event.key === ' ') {
            event.preventDefault();
            setSpace(true);
        } else if (event.key === 'Escape') {
            if (placeWanted !== null) askPlace(null);
            else {
                picking.clear();
                select(null);
            }
        } else if (event.key === '+' || event.key === '=') {
            zoomAt(1.25, size.width / 2, size.height / 2);
        } else if (event.key === '-') {
            zoomAt(0.8, size.width / 2, size.height / 2);
        } else if (event.key === 'f') {
            fit();
        } else if (ARROWS.includes(event.key) && pick.mode === 'parts') {
            event.preventDefault();
            walkParts(event.key === 'ArrowRight' || event.key === 'ArrowUp' ? 1 : -1);
        } else if (ARROWS.includes(event.key) && pick.mode === 'lines' && placeWanted === null) {
            event.preventDefault();
            walkLines(event.key === 'ArrowRight' || event.key === 'ArrowUp' ? 1 : -1);
        } else if (ARROWS.includes(event.key) && wantsPoint) {
            event.preventDefault();
            walkPoints(event.key as Arrow);
        } else if (ARROWS.includes(event.key)) {
            event.preventDefault();
            walk(event.key as Arrow, event.shiftKey);
        } else if (event.key === 'Enter') {
            event.preventDefault();
            press();
        }
    }

    function walk(arrow: Arrow, picks: boolean): void {
        const grid = grids.find((one) => one.id === cursor?.grid) ?? grids[0];
        const shape = gridShape(grid?.geometry);
        if (grid === undefined || shape === undefined) return;
        const standing = cursor !== null && shape.cell(cursor.address) !== undefined ? cursor.address : undefined;
        const address = standing === undefined ? shape.address(0) : (shape.beside(standing, arrow) ?? standing);
        setCursor({ grid: grid.id, address });
        const cell = shape.cell(address);
        if (cell === undefined) return;
        const found = named(grid.id, shape, cell);
        setHover(found);
        if (picks && !isPicked(found)) put(found, 'add');
    }

    /** From intersection to intersection of the topmost grid. */
    function walkPoints(arrow: Arrow): void {
        const grid = grids.find((one) => one.role === 'grid');
        const shape = gridShape(grid?.geometry);
        if (grid === undefined || shape === undefined) return;
        const point = pointCursor === null ? 0 : (shape.pointBeside(pointCursor, arrow) ?? pointCursor);
        setPointCursor(point);
        const address = shape.data.points[point] ?? '';
        const name = `${shape.pointName(address)} of ${grid.label}`;
        setHover({ point: { raw: `${grid.id}@${address}`, name, at: shape.place(point) }, name });
    }

    function walkLines(step: number): void {
        const ids = lines.map((one) => one.id).reverse();
        const id = ids[(ids.indexOf(hover?.line ?? '') + step + ids.length) % ids.length];
        if (id !== undefined) setHover({ line: id, name: lines.find((one) => one.id === id)?.label ?? id });
    }

    function walkParts(step: number): void {
        const ids = scene.drawing.map((drawn) => drawn.id);
        if (ids.length === 0) return;
        const at = ids.indexOf(hover?.part ?? '');
        const id = ids[(at + step + ids.length) % ids.length] ?? '';
        setHover({ part: id, name: scene.steps.find((one) => one.id === id)?.label ?? id });
    }

    function press(): void {
        if (wantsPoint) {
            takePoint(hover?.point);
            return;
        }
        if (hover?.line !== undefined) {
            picking.toggleLine(hover.line, [sheetWidth / 2, sheetHeight / 2]);
            select(hover.line);
            return;
        }
        if (pick.mode === 'parts' && hover?.part !== undefined) {
            picking.togglePart(hover.part);
            select(hover.part);
            return;
        }
        const shape = gridShape(scene.steps.find((step) => step.id === cursor?.grid)?.geometry);
        const cell = cursor === null ? undefined : shape?.cell(cursor.address);
        if (cursor === null || shape === undefined || cell === undefined) return;
        const found = named(cursor.grid, shape, cell);
        put(found, isPicked(found) ? 'take' : 'add');
    }

    const ratio = typeof window === 'undefined' ? 1 : window.devicePixelRatio || 1;
    const layer = { width: Math.round(size.width * ratio), height: Math.round(size.height * ratio), className: 'pointer-events-none absolute inset-0 h-full w-full' };

    return (
        <div className="flex min-h-0 min-w-0 flex-1 flex-col">
            <div className="relative min-h-0 flex-1">
            <div
                ref={box}
                role="application"
                aria-label="Sheet. Arrow keys walk over cells, points, lines or parts, Enter picks, Shift with an arrow picks on the way, F fits the view."
                tabIndex={0}
                data-view={`${view.scale} ${view.x} ${view.y}`}
                className="absolute inset-0 touch-none overflow-hidden focus-visible:outline-offset-[-3px]"
                style={{ cursor: space ? 'grab' : hover === null ? 'default' : 'crosshair' }}
                onPointerDown={onPointerDown}
                onPointerMove={onPointerMove}
                onPointerUp={letGo}
                onPointerCancel={() => {
                    drag.current = null;
                    picking.setHeld(false);
                    circle.leave();
                }}
                onPointerLeave={() => setHover(null)}
                onKeyDown={onKeyDown}
                onKeyUp={(event) => event.key === ' ' && setSpace(false)}
                onBlur={() => {
                    setSpace(false);
                    setCursor(null);
                    setPointCursor(null);
                }}
            >
                <canvas ref={base} {...layer} />
                <canvas ref={picked} {...layer} />
                <canvas ref={hovered} {...layer} />
            </div>
            <Handles view={view} show={setHover} onClick={pickAt} />
            {outlines && <PlaceReadout seen={seen} scene={scene} />}
            <p aria-live="polite" className="pointer-events-none absolute bottom-0 left-4 max-w-[calc(100%-2rem)] truncate rounded bg-ground/90 py-0.5 font-serif text-[15px]" title={hover?.name}>
                {hover?.name}
            </p>
            </div>
            <div className="flex h-10 shrink-0 items-center gap-4 px-4">
                <PickModes />
                <div className="flex min-w-0 flex-1 justify-end">
                    <KeepOn onKept={() => box.current?.focus()} />
                </div>
                <div className="flex shrink-0 items-center gap-0.5 text-[12.5px] text-slate tabular-nums">
                    <button className="quiet px-2 py-1.5" aria-label="Zoom out" onClick={() => zoomAt(0.8, size.width / 2, size.height / 2)}>
                        −
                    </button>
                    <button className="quiet px-1 py-1.5 text-ink" onClick={fit}>
                        Fit
                    </button>
                    <button className="quiet px-2 py-1.5" aria-label="Zoom in" onClick={() => zoomAt(1.25, size.width / 2, size.height / 2)}>
                        +
                    </button>
                    <span className="min-w-12 text-right">{Math.round(view.scale * 100).toLocaleString('en')} %</span>
                </div>
            </div>
        </div>
    );
}
