import { type MouseEvent, type ReactNode, type Ref, useEffect, useImperativeHandle, useRef, useState, useSyncExternalStore } from 'react';
import { PaintLayer } from '../../layers/PaintLayer';
import { PlaceReadout } from '../../layers/PlaceReadout';
import { SheetLayers } from '../../layers/SheetLayers';
import { TraceLayer } from '../../layers/TraceLayer';
import { useCamera } from '../../layers/useCamera';
import { useCloseUp } from '../../layers/useCloseUp';
import { Zoom } from '../../layers/Zoom';
import type { SheetHandle } from '../../model/camera';
import { paintedGrid } from '../../model/paint/paintedGrid';
import type { Hover } from '../../model/pick/hover';
import { stepIn } from '../../model/pick/Picking';
import { verbsFor } from '../../model/verbs/verbs';
import { usePalette } from '../../state/acts';
import { useAsking } from '../../state/asking';
import { useBrush } from '../../state/brush';
import { usePick, usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';
import { useView } from '../../state/view';
import { Handles } from '../../tools/Handles';
import { Ray } from '../../tools/Ray';
import { useBrushTool } from '../../tools/useBrushTool';
import { useEngine } from '../../tools/useEngine';
import { useHits } from '../../tools/useHits';
import { usePickTool } from '../../tools/usePickTool';
import { usePutting } from '../../tools/usePutting';
import { useSheetKeys } from '../../tools/useSheetKeys';
import { useTraceTool } from '../../tools/useTraceTool';
import { useWalk } from '../../tools/useWalk';
import { useBringing } from '../begin/useBringing';
import { KeepOn } from '../verbs/KeepOn';
import { PickModes } from './PickModes';
import { SheetMenu } from './SheetMenu';
import { SheetSays } from './SheetSays';
import { later } from '../../../ui/later';

const BringDrawing = later(() => import('../begin/BringDrawing').then(({ BringDrawing }) => BringDrawing));
const BrushChoices = later(() => import('../paint/BrushChoices').then(({ BrushChoices }) => BrushChoices));

const ZOOM = 1.25;

/** The drawing: shows the scene, and turns pointer and keys into picks. */
export function Sheet({ handle, children }: { handle: Ref<SheetHandle>; children: ReactNode }) {
    const { page, scene, kinds } = useSheet();
    const { offered, placeWanted, asking } = useAsking();
    const { picking, select, pointed } = usePicks();
    const { shownAs } = useView();
    const { painter } = useBrush();
    const { mode, on } = usePick(picking);
    const palette = usePalette();
    const box = useRef<HTMLDivElement>(null);
    const canvas = useRef<HTMLCanvasElement>(null);
    const [hovering, show] = useState<Hover | null>(null);
    const [menu, setMenu] = useState<readonly [number, number] | null>(null);

    const { view, size, fit, zoomAt, pan, lookAt } = useCamera(box, scene.sheet.width, scene.sheet.height);
    const outlines = shownAs === 'outlines';
    const seen = useCloseUp(page.id, outlines, scene, view, size);
    const hit = useHits();
    const putting = usePutting();
    const hover = hovering !== null && suits(hovering) ? hovering : null;
    const walk = useWalk(hit, putting, hover, show);
    const picker = usePickTool({ canvas, view, hit, putting, show });
    const paints = mode === 'paint' && placeWanted === null;
    const brushing = useBrushTool({ canvas, view, hit, show });
    const traces = mode === 'trace' && placeWanted === null;
    const tracer = useTraceTool({ view, show });
    const { tool } = paints ? brushing : traces ? tracer : picker;
    const engine = useEngine({ box, view, pan, tool, hover, onRest: openMenuAt });
    const brush = useSyncExternalStore(painter.subscribe, painter.getBrush);
    const bringing = useBringing();
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
    useSheetKeys({ engine, walk, zoom, fit, show, out: picker.out });

    /** A motif, the sectors of a repeat; of an outline its points, which stand there once it is chosen. */
    function open(event: MouseEvent): void {
        if (asking !== null || tool !== picker.tool || hit.wantsPoint) return;
        const part = picker.reach(engine.spot(event))?.part;
        if (part === undefined) return;
        picking.pickParts([part]);
        select(stepIn(part));
        const verb = verbsFor({ page, scene: page.scene, kinds, pick: picking.get(), picking, selected: stepIn(part), colour: null }).find(
            (one) => one.opens !== undefined || one.drawsIn !== undefined,
        );
        if (verb !== undefined) offered.get().begin(verb);
    }

    /** By a key it is for what is picked; by a pointer for what lies there. */
    function openMenu(event: MouseEvent): void {
        event.preventDefault();
        openMenuAt(event);
    }

    /** Whether there is one just now. */
    function openMenuAt(event: Parameters<typeof engine.spot>[0]): boolean {
        if (asking !== null || tool !== picker.tool) return false;
        const corner = box.current?.getBoundingClientRect();
        if (event.clientX === 0 && event.clientY === 0)
            setMenu([(corner?.left ?? 0) + size.width / 2, (corner?.top ?? 0) + size.height / 2]);
        else {
            picker.reach(engine.spot(event));
            setMenu([event.clientX, event.clientY]);
        }
        return true;
    }

    return (
        <div className="flex min-h-0 min-w-0 flex-1 flex-col">
            {/* Handles lie beside the sheet, over it: what is asked for there is asked of the sheet. */}
            <div className="relative min-h-0 flex-1" onContextMenu={openMenu} onDoubleClick={open}>
                <div
                    ref={box}
                    role="application"
                    aria-label="Sheet. Arrow keys walk over cells, points, lines or parts, Enter picks, Shift with an arrow picks on the way, F fits the view."
                    tabIndex={0}
                    data-view={`${view.scale} ${view.x} ${view.y}`}
                    className="absolute inset-0 touch-none overflow-hidden focus-visible:outline-offset-[-3px]"
                    style={{ cursor: engine.cursor }}
                    {...engine.listeners}
                    onPointerDownCapture={walk.leave}
                    onPointerLeave={() => {
                        picker.out();
                        show(null);
                    }}
                    onDragOver={bringing.onDragOver}
                    onDrop={bringing.onDrop}
                    onPaste={bringing.onPaste}
                    onBlur={() => {
                        engine.setHand(false);
                        walk.leave();
                        brushing.leaveKeys();
                    }}
                >
                    <SheetLayers
                        view={view}
                        size={size}
                        seen={seen}
                        hover={hover}
                        standing={paints ? brushing.standing : walk.cursor}
                        colour={paints ? (palette[brush.colour] ?? brush.colour) : null}
                        canvas={canvas}
                    >
                        {paints && (
                            <PaintLayer
                                scene={scene}
                                view={view}
                                size={size}
                                painter={painter}
                                palette={palette}
                                on={paintedGrid(scene, on)?.id ?? null}
                            />
                        )}
                        {traces && <TraceLayer view={view} way={tracer.way} cursor={tracer.standing} />}
                    </SheetLayers>
                </div>
                <Ray view={view} show={show} onClick={picker.pickAt} />
                <Handles view={view} show={show} onClick={picker.pickAt} />
                {outlines && <PlaceReadout seen={seen} scene={scene} />}
                {children}
                <SheetMenu at={menu} onClose={() => setMenu(null)} />
                <BringDrawing
                    open={bringing.drawing !== null}
                    given={bringing.drawing}
                    onOpen={(open) => !open && bringing.putAway()}
                    onClosed={() => box.current?.focus()}
                />
                <SheetSays brought={bringing.said} hover={hover} box={box} />
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
