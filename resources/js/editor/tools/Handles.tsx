import { Popover } from 'radix-ui';
import { type CSSProperties, type KeyboardEvent, type PointerEvent, type ReactNode, useRef, useState } from 'react';
import type { Step } from '../../api/client';
import { problemText } from '../model/problem';
import { stepOf } from '../model/scene/steps';
import { useAsking } from '../state/asking';
import { usePick, usePicks } from '../state/pick';
import { useSheet } from '../state/sheet';
import { useView } from '../state/view';
import { Colours } from '../ask/fields/PaintEditor';
import type { Camera } from '../model/camera';
import { type Hover, tellable } from '../model/pick/hover';
import { useSnapping } from './useSnapping';
import type { Arrow } from '../model/scene/nearby';
import { gridShape, handleShape, partShape } from '../model/scene/geometry';
import { frameSaid, type Handle, handlesOf, hasRoom, inside, moved, movedBy, type Pull, roughly, said, shifted, sideTaken, type Target, valueAt, withoutPoint, withPoint } from '../model/handles';

/** A pointer that moved less, in pixels, has not dragged. */
const STILL = 4;

const TOWARDS: Record<string, [number, number]> = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

/** What of the selected step can be taken hold of, over the sheet: dragged it snaps, arrow keys take it along the grid. */
export function Handles({ view, show, onClick }: { view: Camera; show: (hover: Hover | null) => void; onClick: (x: number, y: number) => void }) {
    const { page, scene, kinds, change, preview } = useSheet();
    const { picking, selected } = usePicks();
    const { placeWanted, asking } = useAsking();
    const { shownAs, worked } = useView();
    const { mode } = usePick(picking);
    const step = selected === null ? undefined : stepOf(scene, selected);
    const snapping = useSnapping(view, step?.id ?? null);
    const [held, setHeld] = useState<{ key: string; at: [number, number] } | null>(null);
    const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
    const [colouring, setColouring] = useState<string | null>(null);
    const drag = useRef<{ x: number; y: number; moved: boolean } | null>(null);
    // Where they are meant to be, while earlier presses of a key are still on their way.
    const meant = useRef<{ step: string; targets: Map<string, Target> } | null>(null);
    const kind = kinds.find((one) => one.kind === step?.kind);
    const cellsInTheWay = mode === 'cells' && (step?.role === 'grid' || step?.role === 'overlay');
    const isLocked = worked !== null && step !== undefined && !worked.has(step.id);
    if (step === undefined || isLocked || step.hidden || mode === 'points' || mode === 'trace' || placeWanted !== null || shownAs === 'outlines' || cellsInTheWay || asking !== null) return null;

    const grips = handleShape(step.geometry);
    const handles = handlesOf(step, grips, kind).filter((handle) => hasRoom(handle, view.scale));

    function spot(event: PointerEvent): [number, number] {
        const corner = (event.currentTarget as HTMLElement).parentElement?.getBoundingClientRect();
        return [event.clientX - (corner?.left ?? 0), event.clientY - (corner?.top ?? 0)];
    }

    const rawOf = ({ field, path }: Handle, of: Step): unknown => inside(said(page.plan, of.id, kind, field), path);
    const onSheet = (x: number, y: number): [number, number] => [(x - view.x) / view.scale, (y - view.y) / view.scale];

    /** Those that move with one: the chosen ones, where it is one of them. */
    function together(handle: Handle): Handle[] {
        return chosen.has(handle.key) ? handles.filter(({ key, pull }) => chosen.has(key) && (pull === null || key === handle.key)) : [handle];
    }

    /** The changes for a handle, and all that move with it, dragged to a place: by as many grid steps where that can be counted, else by the same way. */
    function dragged(handle: Handle, to: Target, of: Step) {
        const way = [to.at[0] - handle.at[0], to.at[1] - handle.at[1]] as const;
        const drags = together(handle).map((one): [Handle, unknown] => {
            if (one.key === handle.key) return [one, valueAt(one, to, view.scale)];
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
        if (event.shiftKey) {
            event.preventDefault();
            setChosen(new Set(chosen.has(handle.key) ? [...chosen].filter((key) => key !== handle.key) : [...chosen, handle.key]));
            return;
        }
        event.currentTarget.setPointerCapture(event.pointerId);
        const [x, y] = spot(event);
        drag.current = { x, y, moved: false };
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
        void preview(dragged(handle, to, of));
    }

    async function drop(event: PointerEvent, handle: Handle, of: Step): Promise<void> {
        const one = drag.current;
        drag.current = null;
        if (one === null) return;
        if (!one.moved) {
            // What lies under it can be picked as ever.
            if (event.detail < 2) onClick(...spot(event));
            return;
        }
        const found = await snapping.take(...spot(event));
        show(null);
        if (found?.point === undefined) return;
        setHeld({ key: handle.key, at: found.point.at });
        await put(dragged(handle, found.point, of));
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

    /** A point more on a way, or the point taken out. */
    function addOrTake(handle: Handle, of: Step, way: 'either' | 'add' | 'take'): boolean {
        const operations = (way === 'take' ? null : withPoint(page.plan, of, kind, handle, view.scale)) ?? (way === 'add' ? null : withoutPoint(page.plan, of, grips, kind, handle));
        if (operations === null) return false;
        setChosen(new Set());
        void put(operations);
        return true;
    }

    async function onKeyDown(event: KeyboardEvent, handle: Handle, of: Step): Promise<void> {
        const isCommand = event.ctrlKey || event.metaKey;
        if (event.key === 'Enter' && handle.pull?.colour != null) {
            event.preventDefault();
            event.stopPropagation();
            setColouring(handle.key);
        } else if (event.key === 'Escape' && (drag.current !== null || chosen.size > 0)) {
            event.stopPropagation();
            setChosen(new Set());
            if (drag.current !== null) leave();
        } else if (event.key === 'Insert' || (event.key === '+' && !isCommand)) {
            if (addOrTake(handle, of, 'add')) event.stopPropagation();
        } else if (event.key === 'Delete' || event.key === 'Backspace') {
            if (addOrTake(handle, of, 'take')) event.stopPropagation();
        } else if (event.key === ' ' && handle.pull === null) {
            event.preventDefault();
            event.stopPropagation();
            setChosen(new Set(chosen.has(handle.key) ? [...chosen].filter((key) => key !== handle.key) : [...chosen, handle.key]));
        } else {
            await walk(event, handle, of);
        }
    }

    async function walk(event: KeyboardEvent, handle: Handle, of: Step): Promise<void> {
        const towards = TOWARDS[event.key];
        if (towards === undefined) return;
        event.preventDefault();
        event.stopPropagation();
        const steps = event.shiftKey ? 10 : event.altKey ? 0.1 : 1;
        const targets = new Map(meant.current?.step === of.id ? meant.current.targets : []);
        const drags = together(handle).map((one): [Handle, unknown] => {
            if (one.pull?.sort === 'side') {
                const before = (targets.get(one.key)?.raw as Pull | undefined) ?? one.pull;
                const pull = sideTaken(before, [towards[0] * steps, towards[1] * steps]);
                targets.set(one.key, { raw: pull, at: one.at });
                return [one, frameSaid(pull.frame)];
            }
            if (one.pull !== null && one.pull.sort !== 'place') {
                const number = nudged(one, targets.get(one.key)?.raw ?? rawOf(one, of), event.key === 'ArrowRight' || event.key === 'ArrowUp' ? steps : -steps);
                targets.set(one.key, { raw: number, at: one.at });
                return [one, number];
            }
            const before = targets.get(one.key) ?? { raw: rawOf(one, of), at: one.at };
            const free = beside(before.at, towards, steps);
            const way = [towards[0] * steps, towards[1] * steps] as const;
            const next = (event.altKey ? null : onGrid(before.raw, event.key as Arrow)) ?? (one.key === handle.key ? free : { ...free, raw: movedBy(before.raw, way, view.scale * 10) });
            targets.set(one.key, next);
            if (one.key === handle.key) tell(one, next, next.name);
            return [one, next.raw];
        });
        const now = { step: of.id, targets };
        meant.current = now;
        await put(moved(page.plan, of, kind, drags));
        if (meant.current === now) meant.current = null;
    }

    /** A number one step more or less. */
    function nudged({ pull, at }: Handle, raw: unknown, steps: number): unknown {
        const size = pull?.step ?? (pull?.sort === 'bulge' ? 0.05 : pull?.sort === 'along' && Math.hypot(pull.at[0] ?? 0, pull.at[1] ?? 0) > 0 && typeof raw === 'number' && Math.abs(raw) < 10 ? 0.05 : 1);
        if (Array.isArray(raw)) return raw.map((one: unknown, k) => (typeof one === 'number' && k === 0 ? Number((one + steps * size).toFixed(6)) : one));
        const value = typeof raw === 'number' ? raw : Number(valueAt({ pull, at } as Handle, { raw: null, at }, view.scale));
        return Number((value + steps * size).toFixed(6));
    }

    /** From intersection to intersection, where the place is one. */
    function onGrid(raw: unknown, arrow: Arrow): (Target & { name: string }) | null {
        if (typeof raw !== 'string') return null;
        const [id = '', address = ''] = raw.split('@');
        const grid = stepOf(scene, id);
        const shape = gridShape(grid?.geometry);
        const point = shape?.point(address) ?? -1;
        if (grid === undefined || shape === undefined || point < 0) return null;
        const next = shape.pointBeside(point, arrow) ?? point;
        const to = shape.pointAddress(next) || address;
        return { raw: `${id}@${to}`, at: shape.place(next), name: `${shape.pointName(to)} of ${grid.label}` };
    }

    function beside([x, y]: [number, number], [dx, dy]: [number, number], steps: number): Target & { name: string } {
        const digits = steps < 1 ? view.scale * 10 : view.scale;
        const at: [number, number] = [tellable(x + dx * steps, digits), tellable(y + dy * steps, digits)];
        return { raw: at, at, name: `a free place, ${at.join(', ')}` };
    }

    return (
        <div className="pointer-events-none absolute inset-0 overflow-hidden" role="group" aria-label={`Places of ${step.label}`}>
            {step.usedUp && <UsedUp step={step} view={view} />}
            {held !== null && <Rough handle={handles.find(({ key }) => key === held.key)} handles={handles} at={held.at} view={view} />}
            {handles.map((handle) => {
                const [x, y] = held?.key === handle.key ? held.at : handle.at;
                const isWay = handle.pull?.between != null;
                const colour = handle.pull?.colour ?? null;
                const more = colour !== null ? '; pressed twice, or with Enter, it gets another colour' : isWay ? '; pulled it bends, pressed twice it gets a point' : grips.pulls.some((pull) => pull.between === handle.field) ? '; pressed twice it goes' : '';
                const grip = (
                    <button
                        key={handle.key}
                        className="handle"
                        data-sort={handle.pull?.sort ?? 'place'}
                        data-stop={colour === null ? undefined : ''}
                        aria-pressed={handle.pull === null ? chosen.has(handle.key) : undefined}
                        aria-label={`${handle.label}: drag it, or move it with the arrow keys`}
                        title={`${handle.label}${more}`}
                        style={{ left: x * view.scale + view.x, top: y * view.scale + view.y, ...(colour === null ? {} : { '--stop': colour }) } as CSSProperties}
                        onPointerDown={(event) => take(event, handle)}
                        onPointerMove={(event) => void move(event, handle, step)}
                        onPointerUp={(event) => void drop(event, handle, step)}
                        onPointerCancel={leave}
                        onDoubleClick={() => (colour === null ? addOrTake(handle, step, 'either') : setColouring(handle.key))}
                        onKeyDown={(event) => void onKeyDown(event, handle, step)}
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
function StopColour({ label, value, open, onClose, onChoose, children }: { label: string; value: string; open: boolean; onClose: () => void; onChoose: (name: string) => void; children: ReactNode }) {
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
                    <path key={k} d={data.shapes[number]} transform={map.length === 0 ? undefined : `matrix(${map.join(' ')})`} vectorEffect="non-scaling-stroke" />
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
