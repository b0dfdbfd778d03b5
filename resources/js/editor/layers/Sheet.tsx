import { type KeyboardEvent, type ReactNode, type Ref, useEffect, useImperativeHandle, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { stepOf, useDesk, usePalette } from '../desk';
import { Handles } from '../handles/Handles';
import { useNudge } from '../handles/useNudge';
import type { Hover } from '../pick/hover';
import { usePick } from '../pick/pick';
import { PickModes } from '../pick/PickModes';
import { useHits } from '../pick/useHits';
import { usePutting } from '../pick/usePutting';
import { useWalk } from '../pick/useWalk';
import type { Arrow } from '../scene/nearby';
import { KeepOn } from '../verbs/KeepOn';
import { BaseLayer, HoverLayer, PickLayer } from './Layers';
import { PlaceReadout } from './PlaceReadout';
import { BringDrawing } from '../begin/BringDrawing';
import { TraceLayer } from '../trace/TraceLayer';
import { useTracing } from '../trace/useTracing';
import { useBringing } from './useBringing';
import { useCloseUp } from './useCloseUp';
import { usePointer } from './usePointer';
import { BrushChoices } from '../paint/BrushChoices';
import { PaintLayer } from '../paint/PaintLayer';
import { paintedGrid } from '../paint/paintedGrid';
import { usePainting } from '../paint/usePainting';
import { useView } from './useView';
import { Zoom } from './Zoom';

export interface SheetHandle {
    fit: () => void;
    zoom: (factor: number) => void;
    lookAt: (x: number, y: number, scale?: number) => void;
    focus: () => void;
}

const ARROWS: string[] = ['ArrowRight', 'ArrowLeft', 'ArrowUp', 'ArrowDown'] satisfies Arrow[];

const ZOOM = 1.25;

/** The drawing: shows the scene, and turns pointer and keys into picks. */
export function Sheet({ handle, children }: { handle: Ref<SheetHandle>; children: ReactNode }) {
    const { page, scene, picking, gridsShown, measuresShown, selected, outlines, constructed, placeWanted, askPlace, select, worked, asking, setAsking, preview, pointed, drawingIn, painter, told, finishAsking } = useDesk();
    const saidOfChange = useSyncExternalStore(told.subscribe, told.get);
    const { mode, on } = usePick(picking);
    const palette = usePalette();
    const box = useRef<HTMLDivElement>(null);
    const canvas = useRef<HTMLCanvasElement>(null);
    const [hovering, show] = useState<Hover | null>(null);
    const [space, setSpace] = useState(false);

    const { view, size, fit, zoomAt, pan, lookAt } = useView(box, scene.sheet.width, scene.sheet.height);
    const seen = useCloseUp(page.id, outlines, scene, view, size);
    const hit = useHits();
    const putting = usePutting();
    const hover = hovering !== null && suits(hovering) ? hovering : null;
    const walk = useWalk(hit, putting, hover, show);
    const pointer = usePointer({ box, canvas, view, pan, panning: space, hit, putting, show });
    const paints = mode === 'paint' && placeWanted === null;
    const painting = usePainting({ box, canvas, view, pan, panning: space, hit, show });
    const traces = mode === 'trace' && placeWanted === null;
    const trace = useTracing({ box, view, pan, panning: space, show });
    const tool = paints ? painting : traces ? trace : pointer;
    const brush = useSyncExternalStore(painter.subscribe, painter.getBrush);
    const bringing = useBringing();
    const nudge = useNudge(show);
    const zoom = (factor: number) => zoomAt(factor, size.width / 2, size.height / 2);

    /** What was hovered before the pointer began to pick something else is not shown any more. */
    function suits(one: Hover): boolean {
        if (one.handle === true) return true;
        if (one.point !== undefined) return hit.wantsPoint;
        if (one.line !== undefined) return mode === 'lines';
        return one.part !== undefined ? mode === 'parts' : mode === 'cells' || mode === 'paint';
    }

    useEffect(() => pointed.set(hover), [pointed, hover]);

    useImperativeHandle(handle, () => ({ fit, zoom, lookAt, focus: () => box.current?.focus() }));

    function onKeyDown(event: KeyboardEvent): void {
        if (paints && painting.key(event, hover)) return;
        if (traces && trace.key(event)) return;
        if (event.key === ' ') {
            event.preventDefault();
            setSpace(true);
        } else if (event.key === 'Escape') {
            if (placeWanted !== null) askPlace(null);
            else if (asking !== null) {
                setAsking(null);
                void preview(null);
            } else {
                picking.clear();
                select(null);
            }
        } else if (event.key === '+' || event.key === '=') {
            zoom(ZOOM);
        } else if (event.key === '-') {
            zoom(1 / ZOOM);
        } else if (event.key === 'f') {
            fit();
        } else if (ARROWS.includes(event.key) && mode === 'parts' && (event.shiftKey || event.altKey) && picking.get().parts.length > 0) {
            event.preventDefault();
            nudge(event.key as Arrow, event.altKey ? 0.1 : 1);
        } else if (ARROWS.includes(event.key)) {
            event.preventDefault();
            pointer.out();
            walk.arrow(event.key as Arrow, event.shiftKey);
        } else if (event.key === 'Enter') {
            event.preventDefault();
            // Where the keys have walked to is picked first.
            if (asking !== null && placeWanted === null && !walk.isUnderWay) finishAsking.get()?.();
            else walk.press();
        }
    }

    const shown = { scene, view, size };
    const cellShown = outlines ? null : (stepOf(scene, drawingIn ?? selected ?? '')?.cell ?? null);
    const measured = useMemo(() => (measuresShown ? { selected } : null), [measuresShown, selected]);
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
                    onPointerDown={(event) => {
                        walk.leave();
                        tool.down(event);
                    }}
                    onPointerMove={tool.move}
                    onPointerUp={tool.up}
                    onPointerCancel={tool.leave}
                    onPointerLeave={() => {
                        pointer.out();
                        show(null);
                    }}
                    onKeyDown={onKeyDown}
                    onDragOver={bringing.onDragOver}
                    onDrop={bringing.onDrop}
                    onPaste={bringing.onPaste}
                    onKeyUp={(event) => event.key === ' ' && setSpace(false)}
                    onBlur={() => {
                        setSpace(false);
                        walk.leave();
                        painting.leaveKeys();
                    }}
                >
                    <BaseLayer {...shown} gridsShown={gridsShown} outlines={outlines} seen={seen} worked={worked} measured={measured} sector={drawingIn === null || outlines ? null : (stepOf(scene, drawingIn)?.sector ?? null)} cell={cellShown} />
                    {constructed && (
                        <img
                            alt="The construction: the result faded, its grids and guides, circles and their radii"
                            className="pointer-events-none absolute max-w-none"
                            style={{ left: view.x, top: view.y, width: scene.sheet.width * view.scale, height: scene.sheet.height * view.scale }}
                            src={`/api/sheets/${page.id}/file?format=svg&construction=1&of=${page.revision}`}
                        />
                    )}
                    <PickLayer {...shown} picking={picking} />
                    {paints && <PaintLayer {...shown} painter={painter} palette={palette} on={paintedGrid(scene, on)?.id ?? null} />}
                    {traces && <TraceLayer view={view} way={trace.way} cursor={trace.cursor} />}
                    <HoverLayer {...shown} hover={hover} cursor={paints ? painting.cursor : walk.cursor} outlines={outlines} canvas={canvas} colour={paints ? (palette[brush.colour] ?? brush.colour) : null} />
                </div>
                <Handles view={view} show={show} onClick={pointer.pickAt} />
                {outlines && <PlaceReadout seen={seen} scene={scene} />}
                {children}
                <BringDrawing open={bringing.drawing !== null} given={bringing.drawing} onOpen={(open) => !open && bringing.putAway()} onClosed={() => box.current?.focus()} />
                {saidOfChange !== null && (
                    <p role="status" className="pointer-events-none absolute top-3 left-1/2 max-w-[90%] -translate-x-1/2 rounded bg-honey px-3 py-1.5 text-[13px] leading-snug text-umber shadow">
                        {saidOfChange}
                    </p>
                )}
                {bringing.said !== null && (
                    <p role="status" className="pointer-events-none absolute top-3 left-1/2 -translate-x-1/2 rounded bg-paper px-3 py-1.5 text-[13px] shadow">
                        {bringing.said}
                    </p>
                )}
                <p
                    aria-live="polite"
                    className="pointer-events-none absolute bottom-0 left-4 max-w-[calc(100%-2rem)] truncate rounded bg-ground/90 py-0.5 font-serif text-[15px]"
                    title={hover?.name}
                >
                    {hover?.name}
                </p>
            </div>
            <div className="flex h-10 shrink-0 items-center gap-4 px-4">
                <PickModes />
                <div className="flex min-w-0 flex-1 justify-end">
                    {paints ? <BrushChoices /> : <KeepOn onKept={() => box.current?.focus()} />}
                </div>
                <Zoom scale={view.scale} onOut={() => zoom(1 / ZOOM)} onFit={fit} onIn={() => zoom(ZOOM)} />
            </div>
        </div>
    );
}
