import { type KeyboardEvent, type ReactNode, type Ref, useEffect, useImperativeHandle, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { stepOf, useDesk, usePalette } from '../desk';
import { Handles } from '../handles/Handles';
import { useNudge } from '../handles/useNudge';
import { useKeys } from '../keys/Keyboard';
import type { Hover } from '../pick/hover';
import { stepIn, usePick } from '../pick/pick';
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
import { SheetMenu } from './SheetMenu';
import { verbsFor } from '../verbs/verbs';
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

const ZOOM = 1.25;

/** The drawing: shows the scene, and turns pointer and keys into picks. */
export function Sheet({ handle, children }: { handle: Ref<SheetHandle>; children: ReactNode }) {
    const { page, scene, kinds, offered, picking, gridsShown, measuresShown, selected, outlines, constructed, placeWanted, select, worked, asking, setAsking, preview, pointed, drawingIn, painter, told, finishAsking } = useDesk();
    const saidOfChange = useSyncExternalStore(told.subscribe, told.get);
    const { mode, on } = usePick(picking);
    const palette = usePalette();
    const box = useRef<HTMLDivElement>(null);
    const canvas = useRef<HTMLCanvasElement>(null);
    const [hovering, show] = useState<Hover | null>(null);
    const [space, setSpace] = useState(false);
    const [menu, setMenu] = useState<readonly [number, number] | null>(null);

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

    /** The brush, and the tracer, hear their keys before all others. */
    function onKeyDown(event: KeyboardEvent): void {
        if (paints) painting.key(event, hover);
        else if (traces) trace.key(event);
    }

    /** A motif, the sectors of a repeat; of an outline its points, which stand there once it is chosen. */
    function open(part: string): void {
        picking.pickParts([part]);
        select(stepIn(part));
        const verb = verbsFor({ page, scene: page.scene, kinds, pick: picking.get(), picking, selected: stepIn(part), colour: null }).find((one) => one.opens !== undefined || one.drawsIn !== undefined);
        if (verb !== undefined) offered.get().begin(verb);
    }

    const nudges = mode === 'parts' && picking.get().parts.length > 0;
    useKeys({
        hand: () => setSpace(true),
        leave: () => {
            if (asking !== null) {
                setAsking(null);
                void preview(null);
            } else {
                picking.clear();
                select(null);
            }
        },
        in: () => zoom(ZOOM),
        out: () => zoom(1 / ZOOM),
        fit,
        nudge: ({ key, shiftKey }) => (nudges ? nudge(key as Arrow, shiftKey ? 1 : 0.1) : false),
        walk: ({ key, shiftKey }) => {
            if (nudges && shiftKey) {
                nudge(key as Arrow, 1);
                return;
            }
            pointer.out();
            walk.arrow(key as Arrow, shiftKey);
        },
        press: () => {
            // Where the keys have walked to is picked first.
            if (asking !== null && placeWanted === null && !walk.isUnderWay) finishAsking.get()?.();
            else walk.press();
        },
    });

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
                    onContextMenu={(event) => {
                        event.preventDefault();
                        if (asking !== null || tool !== pointer) return;
                        // By a key it is for what is picked; by a pointer for what lies there.
                        const corner = box.current?.getBoundingClientRect();
                        if (event.clientX === 0 && event.clientY === 0) setMenu([(corner?.left ?? 0) + size.width / 2, (corner?.top ?? 0) + size.height / 2]);
                        else {
                            pointer.reach(event);
                            setMenu([event.clientX, event.clientY]);
                        }
                    }}
                    onDoubleClick={(event) => {
                        if (asking !== null || tool !== pointer || hit.wantsPoint) return;
                        const found = pointer.reach(event);
                        if (found?.part !== undefined) open(found.part);
                    }}
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
                <SheetMenu at={menu} onClose={() => setMenu(null)} />
                <BringDrawing open={bringing.drawing !== null} given={bringing.drawing} onOpen={(open) => !open && bringing.putAway()} onClosed={() => box.current?.focus()} />
                {saidOfChange !== null && (
                    <p role="status" className="pointer-events-none absolute top-3 left-1/2 max-w-[90%] -translate-x-1/2 rounded bg-honey px-3 py-1.5 text-[13px] leading-snug text-umber shadow">
                        {typeof saidOfChange === 'string' ? saidOfChange : saidOfChange.text}
                        {typeof saidOfChange !== 'string' && (
                            <button type="button" data-keys className="pointer-events-auto ml-2 font-medium underline" onClick={saidOfChange.run}>
                                {saidOfChange.label}
                            </button>
                        )}
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
