import { type KeyboardEvent, type PointerEvent, useCallback, useEffect, useImperativeHandle, useLayoutEffect, useRef, useState, type Ref } from 'react';
import { useDesk } from './desk';
import { type GridShape, gridShape, partShape } from './geometry';
import { begin, outlinePart, paintCells, paintDrawing, paintGrids, paintHoveredCells, paintPick, paintSheet, paintStar, type View } from './paint';
import { usePick } from './pick';

export interface SheetHandle {
    fit: () => void;
    zoom: (factor: number) => void;
    lookAt: (x: number, y: number) => void;
    focus: () => void;
}

interface Hover {
    grid?: string;
    cells?: number[];
    address?: string;
    run?: string;
    point?: [number, number];
    part?: string;
    name: string;
}

const MARGIN = 28;
const ARROWS = ['ArrowRight', 'ArrowLeft', 'ArrowUp', 'ArrowDown'] as const;
type Arrow = (typeof ARROWS)[number];

/** The drawing: shows the scene, and turns pointer and keys into picks. Three layers, so that hovering repaints next to nothing. */
export function Sheet({ handle }: { handle: Ref<SheetHandle> }) {
    const { scene, picking, gridsShown, placeWanted, askPlace, select } = useDesk();
    const pick = usePick(picking);
    const box = useRef<HTMLDivElement>(null);
    const base = useRef<HTMLCanvasElement>(null);
    const picked = useRef<HTMLCanvasElement>(null);
    const hovered = useRef<HTMLCanvasElement>(null);
    const [size, setSize] = useState({ width: 0, height: 0 });
    const [view, setView] = useState<View>({ scale: 1, x: 0, y: 0 });
    const [hovering, setHover] = useState<Hover | null>(null);
    const [cursor, setCursor] = useState<{ grid: string; address: string } | null>(null);
    const [space, setSpace] = useState(false);
    const fitted = useRef(true);
    const drag = useRef<{ kind: 'pan' | 'add' | 'take'; x: number; y: number } | null>(null);

    const { width: sheetWidth, height: sheetHeight } = scene.sheet;
    const grids = scene.steps.filter((step) => step.role === 'grid' && !step.hidden).reverse();
    const wantsPoint = pick.mode === 'points' || placeWanted !== null;
    // What was hovered before the pointer began to pick something else is not shown any more.
    const fits = hovering !== null && (hovering.part !== undefined ? pick.mode === 'parts' : hovering.point !== undefined ? wantsPoint : pick.mode === 'cells');
    const hover = fits ? hovering : null;

    const fit = useCallback(() => {
        if (size.width === 0) return;
        fitted.current = true;
        const scale = Math.min((size.width - 2 * MARGIN) / sheetWidth, (size.height - 2 * MARGIN - 16) / sheetHeight);
        setView({ scale, x: (size.width - sheetWidth * scale) / 2, y: (size.height - 24 - sheetHeight * scale) / 2 + 4 });
    }, [size, sheetWidth, sheetHeight]);

    const zoomAt = useCallback((factor: number, x: number, y: number) => {
        fitted.current = false;
        setView((old) => {
            const scale = Math.min(Math.max(old.scale * factor, 1e-4), 1e5);
            const real = scale / old.scale;
            return { scale, x: x - (x - old.x) * real, y: y - (y - old.y) * real };
        });
    }, []);

    useImperativeHandle(handle, () => ({
        fit,
        zoom: (factor) => zoomAt(factor, size.width / 2, size.height / 2),
        lookAt: (x, y) => {
            fitted.current = false;
            setView((old) => ({ ...old, x: size.width / 2 - x * old.scale, y: size.height / 2 - y * old.scale }));
        },
        focus: () => box.current?.focus(),
    }));

    useLayoutEffect(() => {
        const element = box.current;
        if (element === null) return;
        const watch = new ResizeObserver(([entry]) => {
            if (entry !== undefined) setSize({ width: entry.contentRect.width, height: entry.contentRect.height });
        });
        watch.observe(element);
        return () => watch.disconnect();
    }, []);

    useLayoutEffect(() => {
        if (fitted.current) fit();
    }, [fit]);

    // Wheel events have to be taken from the browser, which React's own listeners cannot.
    useEffect(() => {
        const element = box.current;
        if (element === null) return;
        const onWheel = (event: WheelEvent) => {
            event.preventDefault();
            const corner = element.getBoundingClientRect();
            zoomAt(Math.exp(-event.deltaY * (event.ctrlKey ? 0.01 : 0.0016)), event.clientX - corner.left, event.clientY - corner.top);
        };
        element.addEventListener('wheel', onWheel, { passive: false });
        return () => element.removeEventListener('wheel', onWheel);
    }, [zoomAt]);

    useLayoutEffect(() => {
        if (base.current === null) return;
        const context = begin(base.current, view);
        paintSheet(context, scene);
        context.save();
        context.beginPath();
        context.rect(0, 0, sheetWidth, sheetHeight);
        context.clip();
        paintDrawing(context, scene);
        context.restore();
        if (gridsShown) paintGrids(context, scene, view.scale);
    }, [scene, view, size, gridsShown, sheetWidth, sheetHeight]);

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
        if (shape !== undefined && hover?.cells !== undefined) paintHoveredCells(context, shape, hover.cells, view.scale);
        if (hover?.point !== undefined) paintStar(context, hover.point[0], hover.point[1], view.scale);
        if (hover?.part !== undefined) outlinePart(context, scene, hover.part, view.scale, 1.4);
        const standing = gridOf(cursor?.grid);
        const cell = cursor === null ? undefined : standing?.cell(cursor.address);
        if (standing !== undefined && cell !== undefined) paintHoveredCells(context, standing, [cell], view.scale);
    }, [scene, view, size, hover, cursor]);


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
            for (const grid of grids) {
                const shape = gridShape(grid.geometry);
                if (shape === undefined) continue;
                if (wantsPoint) {
                    const point = shape.pointAt(sx, sy, 14 / view.scale);
                    if (point === undefined) continue;
                    const address = shape.data.points[point] ?? '';
                    return { grid: grid.id, point: shape.place(point), address: `${grid.id}@${address}`, name: `${shape.pointName(address)} of ${grid.label}` };
                }
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
        if (kind === 'add') picking.add(found.grid, addresses, found.run);
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
        const found = under(x, y);
        if (placeWanted !== null) {
            if (found?.address !== undefined) placeWanted(found.address);
            askPlace(null);
        } else if (found?.part !== undefined) {
            picking.togglePart(found.part);
            select(found.part);
        } else if (found?.cells !== undefined) {
            drag.current = { kind: isPicked(found) ? 'take' : 'add', x, y };
            put(found, isPicked(found) ? 'take' : 'add');
        } else if (pick.mode === 'parts') {
            picking.clear();
        }
    }

    function onPointerMove(event: PointerEvent): void {
        const [x, y] = place(event);
        const held = drag.current;
        if (held?.kind === 'pan') {
            fitted.current = false;
            setView((old) => ({ ...old, x: old.x + x - held.x, y: old.y + y - held.y }));
            drag.current = { ...held, x, y };
            return;
        }
        let found = under(x, y);
        if (held !== null) {
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
        setHover((old) => (old?.name === found?.name && old?.grid === found?.grid && old?.part === found?.part ? old : found));
    }

    function onKeyDown(event: KeyboardEvent): void {
        if (event.key === ' ') {
            event.preventDefault();
            setSpace(true);
        } else if (event.key === 'Escape') {
            if (placeWanted !== null) askPlace(null);
            else picking.clear();
        } else if (event.key === '+' || event.key === '=') {
            zoomAt(1.25, size.width / 2, size.height / 2);
        } else if (event.key === '-') {
            zoomAt(0.8, size.width / 2, size.height / 2);
        } else if (event.key === 'f') {
            fit();
        } else if (ARROWS.includes(event.key as Arrow) && pick.mode === 'parts') {
            event.preventDefault();
            walkParts(event.key === 'ArrowRight' || event.key === 'ArrowUp' ? 1 : -1);
        } else if (ARROWS.includes(event.key as Arrow)) {
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

    function walkParts(step: number): void {
        const ids = scene.drawing.map((drawn) => drawn.id);
        if (ids.length === 0) return;
        const at = ids.indexOf(hover?.part ?? '');
        const id = ids[(at + step + ids.length) % ids.length] ?? '';
        setHover({ part: id, name: scene.steps.find((one) => one.id === id)?.label ?? id });
    }

    function press(): void {
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
    const what = wantsPoint ? 'Click an intersection' : pick.mode === 'parts' ? 'Click a part' : 'Click or drag across cells';

    return (
        <div className="relative min-h-0 min-w-0 flex-1">
            <div
                ref={box}
                role="application"
                aria-label="Sheet. Arrow keys walk over the cells, Enter picks, Shift with an arrow picks on the way, F fits the view."
                tabIndex={0}
                data-view={`${view.scale} ${view.x} ${view.y}`}
                className="absolute inset-0 touch-none overflow-hidden focus-visible:outline-offset-[-3px]"
                style={{ cursor: space ? 'grab' : hover === null ? 'default' : 'crosshair' }}
                onPointerDown={onPointerDown}
                onPointerMove={onPointerMove}
                onPointerUp={() => (drag.current = null)}
                onPointerCancel={() => (drag.current = null)}
                onPointerLeave={() => setHover(null)}
                onKeyDown={onKeyDown}
                onKeyUp={(event) => event.key === ' ' && setSpace(false)}
                onBlur={() => {
                    setSpace(false);
                    setCursor(null);
                }}
            >
                <canvas ref={base} {...layer} />
                <canvas ref={picked} {...layer} />
                <canvas ref={hovered} {...layer} />
            </div>
            <p aria-live="polite" className="pointer-events-none absolute bottom-2 left-4 rounded bg-ground/85 px-1 font-serif text-[15px]">
                {hover?.name ?? <span className="font-sans text-[12.5px] text-slate">{grids.length > 0 || scene.drawing.length > 0 ? what : ''}</span>}
            </p>
            <div className="absolute right-3 bottom-1.5 flex items-center gap-0.5 rounded bg-ground/85 text-[12.5px] text-slate tabular-nums">
                <button className="quiet px-2 py-1.5" aria-label="Zoom out" onClick={() => zoomAt(0.8, size.width / 2, size.height / 2)}>
                    −
                </button>
                <button className="quiet px-1 py-1.5 text-ink" onClick={fit}>
                    Fit
                </button>
                <button className="quiet px-2 py-1.5" aria-label="Zoom in" onClick={() => zoomAt(1.25, size.width / 2, size.height / 2)}>
                    +
                </button>
                <span className="min-w-12 text-right">{Math.round(view.scale * 100)} %</span>
            </div>
        </div>
    );
}
