import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import type { Kind, Operation, SheetPage, Step } from '../../api/client';
import { problemText, stepOf, useDesk } from '../desk';
import { type Arrow, gridShape } from '../scene/geometry';
import { type Hover, tellable } from '../pick/hover';
import type { View } from '../layers/paint';
import { usePick } from '../pick/pick';
import { useSnapping } from '../pick/useSnapping';

/** A pointer that moved less, in pixels, has not dragged. */
const STILL = 4;

const TOWARDS: Record<string, [number, number]> = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

/** A place that a step says, as something to take hold of. */
export interface Handle {
    field: string;
    /** Which of the places of a field for many. */
    index: number | null;
    label: string;
    at: [number, number];
}

/** The places of a step that can be dragged, in the order of its fields. */
export function handlesOf(step: Step, kind: Kind | undefined): Handle[] {
    return (kind?.fields ?? []).flatMap((field) => {
        const places = step.places[field.name] ?? [];
        return Array.from({ length: Math.floor(places.length / 2) }, (_, k): Handle => ({
            field: field.name,
            index: field.handle === 'places' ? k : null,
            label: `${field.handle === 'places' ? `${field.label.replace(/s$/, '')} ${k + 1}` : field.label} of ${step.label}`,
            at: [places[2 * k] ?? 0, places[2 * k + 1] ?? 0],
        }));
    });
}

/** The change that puts a place where it was dragged. */
export function placed(page: SheetPage, step: Step, kind: Kind | undefined, { field, index }: Handle, raw: unknown): Operation {
    const said = page.plan.steps.find((one) => one.id === step.id)?.[field] ?? kind?.fields.find((one) => one.name === field)?.default;
    return { op: 'set', id: step.id, field, value: index === null ? raw : Array.isArray(said) ? said.map((one: unknown, k) => (k === index ? raw : one)) : [raw] };
}

/** The places of the selected step, over the sheet: dragged they snap, arrow keys take them along the grid. */
export function Handles({ view, show, onClick }: { view: View; show: (hover: Hover | null) => void; onClick: (x: number, y: number) => void }) {
    const { page, scene, kinds, picking, selected, placeWanted, outlines, change, preview, worked } = useDesk();
    const { mode } = usePick(picking);
    const step = selected === null ? undefined : stepOf(scene, selected);
    const snapping = useSnapping(view, step?.id ?? null);
    const [held, setHeld] = useState<{ name: string; at: [number, number] } | null>(null);
    const drag = useRef<{ x: number; y: number; moved: boolean } | null>(null);
    // Where it is meant to be, while earlier presses of a key are still on their way.
    const meant = useRef<{ handle: string; raw: unknown; at: [number, number] } | null>(null);
    const kind = kinds.find((one) => one.kind === step?.kind);
    const cellsInTheWay = mode === 'cells' && (step?.role === 'grid' || step?.role === 'overlay');
    const isLocked = worked !== null && step !== undefined && !worked.has(step.id);
    if (step === undefined || isLocked || step.hidden || mode === 'points' || placeWanted !== null || outlines || cellsInTheWay) return null;

    const nameOf = ({ field, index }: Handle): string => `${field} ${index ?? ''}`;
    const spot = (event: PointerEvent): [number, number] => {
        const corner = (event.currentTarget as HTMLElement).parentElement?.getBoundingClientRect();
        return [event.clientX - (corner?.left ?? 0), event.clientY - (corner?.top ?? 0)];
    };

    function take(event: PointerEvent): void {
        if (event.button !== 0) return;
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
        setHeld({ name: nameOf(handle), at: [(x - view.x) / view.scale, (y - view.y) / view.scale] });
        const found = await snapping.look(x, y);
        if (found?.point === undefined || drag.current !== one) return;
        show({ ...found, handle: true });
        void preview([placed(page, of, kind, handle, found.point.raw ?? found.point.at)]);
    }

    async function drop(event: PointerEvent, handle: Handle, of: Step): Promise<void> {
        const one = drag.current;
        drag.current = null;
        if (one === null) return;
        if (!one.moved) {
            // What lies under it can be picked as ever.
            onClick(...spot(event));
            return;
        }
        const found = await snapping.take(...spot(event));
        show(null);
        if (found?.point === undefined) return;
        setHeld({ name: nameOf(handle), at: found.point.at });
        await put(handle, of, found.point.raw);
        setHeld(null);
    }

    /** Makes the change; where that is refused, says why, and it is where it was. */
    async function put(handle: Handle, of: Step, raw: unknown): Promise<void> {
        const refused = await change([placed(page, of, kind, handle, raw)]);
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

    async function walk(event: KeyboardEvent, handle: Handle, of: Step): Promise<void> {
        if (event.key === 'Escape' && drag.current !== null) {
            event.stopPropagation();
            leave();
            return;
        }
        const towards = TOWARDS[event.key];
        if (towards === undefined) return;
        event.preventDefault();
        event.stopPropagation();
        const before = meant.current?.handle === nameOf(handle) ? meant.current : null;
        const said = page.plan.steps.find((one) => one.id === of.id)?.[handle.field];
        const raw = before?.raw ?? (handle.index === null ? said : Array.isArray(said) ? (said[handle.index] as unknown) : undefined);
        const next = onGrid(raw, event.key as Arrow) ?? beside(before?.at ?? handle.at, towards, event.shiftKey ? 10 : 1);
        const now = { handle: nameOf(handle), raw: next.raw, at: next.at };
        meant.current = now;
        show({ point: { raw: next.raw, name: next.name, at: next.at }, name: next.name, handle: true });
        await put(handle, of, next.raw);
        if (meant.current === now) meant.current = null;
    }

    /** From intersection to intersection, where the place is one. */
    function onGrid(raw: unknown, arrow: Arrow): { raw: unknown; at: [number, number]; name: string } | null {
        if (typeof raw !== 'string') return null;
        const [id = '', address = ''] = raw.split('@');
        const grid = stepOf(scene, id);
        const shape = gridShape(grid?.geometry);
        const point = shape?.data.points.indexOf(address) ?? -1;
        if (grid === undefined || shape === undefined || point < 0) return null;
        const next = shape.pointBeside(point, arrow) ?? point;
        const to = shape.data.points[next] ?? address;
        return { raw: `${id}@${to}`, at: shape.place(next), name: `${shape.pointName(to)} of ${grid.label}` };
    }

    function beside([x, y]: [number, number], [dx, dy]: [number, number], steps: number): { raw: unknown; at: [number, number]; name: string } {
        const at: [number, number] = [tellable(x + dx * steps, view.scale), tellable(y + dy * steps, view.scale)];
        return { raw: at, at, name: `a free place, ${at.join(', ')}` };
    }

    return (
        <div className="pointer-events-none absolute inset-0 overflow-hidden" role="group" aria-label={`Places of ${step.label}`}>
            {handlesOf(step, kind).map((handle) => {
                const [x, y] = held?.name === nameOf(handle) ? held.at : handle.at;
                return (
                    <button
                        key={nameOf(handle)}
                        className="handle"
                        aria-label={`${handle.label}: drag it, or move it with the arrow keys`}
                        title={handle.label}
                        style={{ left: x * view.scale + view.x, top: y * view.scale + view.y }}
                        onPointerDown={take}
                        onPointerMove={(event) => void move(event, handle, step)}
                        onPointerUp={(event) => void drop(event, handle, step)}
                        onPointerCancel={leave}
                        onKeyDown={(event) => void walk(event, handle, step)}
                        onBlur={() => show(null)}
                    />
                );
            })}
        </div>
    );
}
