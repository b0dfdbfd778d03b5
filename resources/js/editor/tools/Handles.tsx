import { Popover } from 'radix-ui';
import { type CSSProperties, type PointerEvent, type ReactNode, useRef, useState } from 'react';
import type { Step } from '../../api/client';
import { problemText } from '../model/problem';
import { stepOf } from '../model/scene/steps';
import { useAsking } from '../state/asking';
import { usePick, usePicks } from '../state/pick';
import { useSheet } from '../state/sheet';
import { useView } from '../state/view';
import { Colours } from '../ask/fields/PaintEditor';
import type { Camera } from '../model/camera';
import type { Hover } from '../model/pick/hover';
import { useHandleKeys } from './useHandleKeys';
import { STILL } from './tool';
import { useSnapping } from './useSnapping';
import { handleShape, partShape } from '../model/scene/geometry';
import { type Handle, handlesOf, hasRoom, inside, isCentre, moved, movedBy, roughly, said, type Target, valueAt } from '../model/handles';
import { withCentre } from '../model/dragging';
import { shifted } from '../model/scene/addresses';

/** What of the selected step can be taken hold of, over the sheet: dragged it snaps, arrow keys take it along the grid. */
export function Handles({
    view,
    show,
    onClick,
}: {
    view: Camera;
    show: (hover: Hover | null) => void;
    onClick: (x: number, y: number, gathers: boolean) => void;
}) {
    const { scene } = useSheet();
    const { picking, selected } = usePicks();
    const { placeWanted, asking } = useAsking();
    const { shownAs, worked } = useView();
    const { mode, parts } = usePick(picking);
    const step = selected === null ? undefined : stepOf(scene, selected);
    const isPicked = mode === 'parts' && step !== undefined && parts.includes(step.id);
    const cellsInTheWay = mode === 'cells' && (step?.role === 'grid' || step?.role === 'overlay');
    const isLocked = worked !== null && step !== undefined && !worked.has(step.id);
    if (
        step === undefined ||
        isLocked ||
        step.hidden ||
        step.fast === true ||
        mode === 'points' ||
        mode === 'trace' ||
        placeWanted !== null ||
        shownAs === 'outlines' ||
        cellsInTheWay ||
        asking !== null
    )
        return null;
    return <StepHandles key={step.id} step={step} isPicked={isPicked} view={view} show={show} onClick={onClick} />;
}

function StepHandles({
    step,
    isPicked,
    view,
    show,
    onClick,
}: {
    step: Step;
    isPicked: boolean;
    view: Camera;
    show: (hover: Hover | null) => void;
    onClick: (x: number, y: number, gathers: boolean) => void;
}) {
    const { page, scene, kinds, change, preview } = useSheet();
    const snapping = useSnapping(view, step.id);
    const [held, setHeld] = useState<{ key: string; at: [number, number] } | null>(null);
    const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
    const [colouring, setColouring] = useState<string | null>(null);
    /** Where it was pressed, and where the handle lay then: what is seen while it is dragged lies elsewhere by now. */
    const drag = useRef<{ x: number; y: number; moved: boolean; at: readonly [number, number] } | null>(null);
    const kind = kinds.find((one) => one.kind === step.kind);
    const grips = handleShape(step.geometry);
    const handles = handlesOf(step, grips, kind).filter((handle) => hasRoom(handle, view.scale));

    function spot(event: PointerEvent): [number, number] {
        const corner = (event.currentTarget as HTMLElement).parentElement?.getBoundingClientRect();
        return [event.clientX - (corner?.left ?? 0), event.clientY - (corner?.top ?? 0)];
    }

    const rawOf = ({ field, path }: Handle, of: Step): unknown => inside(said(page.plan, of.id, kind, field), path);
    const onSheet = (x: number, y: number): [number, number] => [(x - view.x) / view.scale, (y - view.y) / view.scale];

    /** Those that move with one: all with the centre, and the chosen ones, where it is one of them. */
    function together(handle: Handle): Handle[] {
        if (isCentre(handle)) return [handle, ...handles.filter(({ key, pull }) => pull === null && key !== handle.key)];
        return chosen.has(handle.key)
            ? handles.filter(({ key, pull }) => chosen.has(key) && (pull === null || key === handle.key))
            : [handle];
    }

    /**
     * The changes for a handle, and all that move with it, dragged to a place: by as many grid steps where that can be counted, else by the
     * same way.
     */
    function dragged(handle: Handle, from: readonly [number, number], to: Target, of: Step) {
        const way = [to.at[0] - from[0], to.at[1] - from[1]] as const;
        const drags = together(handle).map((one): [Handle, unknown] => {
            if (one.key === handle.key) return [one, valueAt(one, to, view.scale)];
            if (isCentre(handle)) return [one, withCentre(scene, rawOf(one, of), rawOf(handle, of), to.raw, way, view.scale)];
            const counted = shifted(rawOf(one, of), rawOf(handle, of), to.raw, (id) => stepOf(scene, id)?.geometry);
            return [one, counted?.raw ?? movedBy(rawOf(one, of), way, view.scale)];
        });
        return moved(page.plan, of, kind, drags);
    }

    function tell(handle: Handle, to: Target, name: string): void {
        const value = handle.pull === null || handle.pull.sort === 'place' ? null : valueAt(handle, to, view.scale);
        const number = value === null ? name : `${handle.what}: ${Array.isArray(value) ? value.join(', ') : String(value)}`;
        show({ point: { raw: to.raw, name: number, at: to.at }, name: number, handle: true });
    }

    function take(event: PointerEvent, handle: Handle): void {
        if (event.button !== 0) return;
        // Points among others are chosen together; under all else lies what is picked.
        if (event.shiftKey && handle.pull === null && handle.path.length > 0) {
            event.preventDefault();
            setChosen(new Set(chosen.has(handle.key) ? [...chosen].filter((key) => key !== handle.key) : [...chosen, handle.key]));
            return;
        }
        event.currentTarget.setPointerCapture(event.pointerId);
        const [x, y] = spot(event);
        drag.current = { x, y, moved: false, at: handle.at };
    }

    async function move(event: PointerEvent, handle: Handle, of: Step): Promise<void> {
        const one = drag.current;
        if (one === null) return;
        const [x, y] = spot(event);
        one.moved ||= Math.hypot(x - one.x, y - one.y) > STILL;
        if (!one.moved) return;
        setHeld({ key: handle.key, at: onSheet(x, y) });
        const found = await snapping.look(x, y);
        if (found?.point === undefined || drag.current !== one) return;
        const to = { raw: found.point.raw ?? found.point.at, at: found.point.at };
        tell(handle, to, found.name);
        void preview(dragged(handle, one.at, to, of));
    }

    async function drop(event: PointerEvent, handle: Handle, of: Step): Promise<void> {
        const one = drag.current;
        drag.current = null;
        if (one === null) return;
        if (!one.moved) {
            // What lies under it can be picked as ever.
            if (event.detail < 2) onClick(...spot(event), event.shiftKey);
            return;
        }
        const found = await snapping.take(...spot(event));
        show(null);
        if (found?.point === undefined) return;
        setHeld({ key: handle.key, at: found.point.at });
        await put(dragged(handle, one.at, found.point, of));
        setHeld(null);
    }

    /** Makes the change; where that is refused, says why, and all is where it was. */
    async function put(operations: Parameters<typeof change>[0]): Promise<void> {
        const refused = await change(operations);
        if (refused === null) return;
        void preview(null);
        show({ name: problemText(refused), handle: true });
    }

    function leave(): void {
        drag.current = null;
        setHeld(null);
        show(null);
        void preview(null);
    }

    const { onKeyDown, addOrTake } = useHandleKeys({
        view,
        step,
        kind,
        grips,
        together,
        chosen,
        setChosen,
        setColouring,
        isDragged: () => drag.current !== null,
        leave,
        put,
        tell,
    });

    return (
        <div className="pointer-events-none absolute inset-0 overflow-hidden" role="group" aria-label={`Places of ${step.label}`}>
            {step.usedUp && <UsedUp step={step} view={view} />}
            {held !== null && <Rough handle={handles.find(({ key }) => key === held.key)} handles={handles} at={held.at} view={view} />}
            {handles.map((handle) => {
                const [x, y] = held?.key === handle.key ? held.at : handle.at;
                const isWay = handle.pull?.between != null;
                const colour = handle.pull?.colour ?? null;
                const more =
                    colour !== null
                        ? '; pressed twice, or with Enter, it gets another colour'
                        : isWay
                          ? '; pulled it bends, pressed twice it gets a point'
                          : grips.pulls.some((pull) => pull.between === handle.field)
                            ? '; pressed twice it goes'
                            : '';
                const grip = (
                    <button
                        key={handle.key}
                        className="handle"
                        data-sort={handle.pull?.sort ?? 'place'}
                        // A picked part is dragged by its centre as by all of it; keys reach the handle as ever.
                        data-through={isPicked && isCentre(handle) ? '' : undefined}
                        data-stop={colour === null ? undefined : ''}
                        aria-pressed={handle.pull === null ? chosen.has(handle.key) : undefined}
                        aria-label={`${handle.label}: drag it, or move it with the arrow keys`}
                        title={`${handle.label}${more}`}
                        style={
                            {
                                left: x * view.scale + view.x,
                                top: y * view.scale + view.y,
                                ...(colour === null ? {} : { '--stop': colour }),
                            } as CSSProperties
                        }
                        onPointerDown={(event) => take(event, handle)}
                        onPointerMove={(event) => void move(event, handle, step)}
                        onPointerUp={(event) => void drop(event, handle, step)}
                        onPointerCancel={leave}
                        onDoubleClick={(event) => {
                            event.stopPropagation();
                            if (colour === null) addOrTake(handle, 'either');
                            else setColouring(handle.key);
                        }}
                        onKeyDown={(event) => void onKeyDown(event, handle)}
                        onBlur={() => show(null)}
                    />
                );
                if (colour === null) return grip;
                const path = [...handle.path.slice(0, -1), 1];
                return (
                    <StopColour
                        key={handle.key}
                        label={`Colour of ${handle.label}`}
                        value={String(inside(said(page.plan, step.id, kind, handle.field), path))}
                        open={colouring === handle.key}
                        onClose={() => setColouring(null)}
                        onChoose={(name) => void put(moved(page.plan, step, kind, [[{ ...handle, path }, name]]))}
                    >
                        {grip}
                    </StopColour>
                );
            })}
        </div>
    );
}

/** The palette beside the handle of a stop. */
function StopColour({
    label,
    value,
    open,
    onClose,
    onChoose,
    children,
}: {
    label: string;
    value: string;
    open: boolean;
    onClose: () => void;
    onChoose: (name: string) => void;
    children: ReactNode;
}) {
    return (
        <Popover.Root open={open} onOpenChange={(next) => !next && onClose()}>
            <Popover.Anchor asChild>{children}</Popover.Anchor>
            <Popover.Portal>
                <Popover.Content className="menu" side="right" sideOffset={6}>
                    <Colours
                        label={label}
                        value={value}
                        onChoose={(name) => {
                            onClose();
                            onChoose(name);
                        }}
                    />
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}

/** What is not drawn by itself any more, since something was made of it: the outline that its places belong to. */
function UsedUp({ step, view }: { step: Step; view: Camera }) {
    const data = partShape(step.geometry)?.data;
    return (
        <svg className="absolute inset-0 h-full w-full fill-none stroke-slate" strokeDasharray="4 3" aria-hidden="true">
            <g transform={`translate(${String(view.x)} ${String(view.y)}) scale(${String(view.scale)})`}>
                {data?.figures.map(([number = 0, ...map], k) => (
                    <path
                        key={k}
                        d={data.shapes[number]}
                        transform={map.length === 0 ? undefined : `matrix(${map.join(' ')})`}
                        vectorEffect="non-scaling-stroke"
                    />
                ))}
            </g>
        </svg>
    );
}

/** What comes of it, roughly and at once; the exact picture comes after. */
function Rough({ handle, handles, at, view }: { handle: Handle | undefined; handles: Handle[]; at: [number, number]; view: Camera }) {
    if (handle === undefined) return null;
    const seen = ([x, y]: [number, number]): [number, number] => [x * view.scale + view.x, y * view.scale + view.y];
    return (
        <svg className="absolute inset-0 h-full w-full fill-none stroke-amber" strokeWidth="1.2" strokeDasharray="3 3" aria-hidden="true">
            <path d={roughly(handle, handles, at, seen)} />
        </svg>
    );
}
