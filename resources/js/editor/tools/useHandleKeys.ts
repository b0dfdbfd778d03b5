import { type KeyboardEvent, useRef } from 'react';
import type { Handles, Kind, Operation, Step } from '../../api/client';
import type { Camera } from '../model/camera';
import { withCentre } from '../model/dragging';
import {
    frameSaid,
    type Handle,
    inside,
    isCentre,
    moved,
    movedBy,
    type Pull,
    said,
    sideTaken,
    type Target,
    valueAt,
    withoutPoint,
    withPoint,
} from '../model/handles';
import { tellable } from '../model/pick/hover';
import { gridShape } from '../model/scene/geometry';
import type { Arrow } from '../model/scene/nearby';
import { stepOf } from '../model/scene/steps';
import { useSheet } from '../state/sheet';

const TOWARDS: Record<string, [number, number]> = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

interface Given {
    view: Camera;
    step: Step;
    kind: Kind | undefined;
    grips: Handles;
    /** Those that move with one. */
    together: (handle: Handle) => Handle[];
    chosen: ReadonlySet<string>;
    setChosen: (chosen: ReadonlySet<string>) => void;
    setColouring: (key: string | null) => void;
    isDragged: () => boolean;
    leave: () => void;
    put: (operations: Operation[]) => Promise<void>;
    tell: (handle: Handle, to: Target, name: string) => void;
}

/** Handles led by keys: from crossing to crossing, or by so much; points put in and taken out. */
export function useHandleKeys({ view, step, kind, grips, together, chosen, setChosen, setColouring, isDragged, leave, put, tell }: Given) {
    const { page, scene } = useSheet();
    // Where they are meant to be, while earlier presses of a key are still on their way.
    const meant = useRef<{ step: string; targets: Map<string, Target> } | null>(null);

    const rawOf = ({ field, path }: Handle): unknown => inside(said(page.plan, step.id, kind, field), path);

    /** A point more on a way, or the point taken out. */
    function addOrTake(handle: Handle, way: 'either' | 'add' | 'take'): boolean {
        const operations =
            (way === 'take' ? null : withPoint(page.plan, step, kind, handle, view.scale)) ??
            (way === 'add' ? null : withoutPoint(page.plan, step, grips, kind, handle));
        if (operations === null) return false;
        setChosen(new Set());
        void put(operations);
        return true;
    }

    async function onKeyDown(event: KeyboardEvent, handle: Handle): Promise<void> {
        const isCommand = event.ctrlKey || event.metaKey;
        if (event.key === 'Enter' && handle.pull?.colour != null) {
            event.preventDefault();
            event.stopPropagation();
            setColouring(handle.key);
        } else if (event.key === 'Escape' && (isDragged() || chosen.size > 0)) {
            event.stopPropagation();
            setChosen(new Set());
            if (isDragged()) leave();
        } else if (event.key === 'Insert' || (event.key === '+' && !isCommand)) {
            if (addOrTake(handle, 'add')) event.stopPropagation();
        } else if (event.key === 'Delete' || event.key === 'Backspace') {
            if (addOrTake(handle, 'take')) event.stopPropagation();
        } else if (event.key === ' ' && handle.pull === null) {
            event.preventDefault();
            event.stopPropagation();
            setChosen(new Set(chosen.has(handle.key) ? [...chosen].filter((key) => key !== handle.key) : [...chosen, handle.key]));
        } else {
            await walk(event, handle);
        }
    }

    async function walk(event: KeyboardEvent, handle: Handle): Promise<void> {
        const towards = TOWARDS[event.key];
        if (towards === undefined) return;
        event.preventDefault();
        event.stopPropagation();
        const steps = event.shiftKey ? 10 : event.altKey ? 0.1 : 1;
        const targets = new Map(meant.current?.step === step.id ? meant.current.targets : []);
        const led = targets.get(handle.key) ?? { raw: rawOf(handle), at: handle.at };
        const drags = together(handle).map((one): [Handle, unknown] => {
            if (one.pull?.sort === 'side') {
                const before = (targets.get(one.key)?.raw as Pull | undefined) ?? one.pull;
                const pull = sideTaken(before, [towards[0] * steps, towards[1] * steps]);
                targets.set(one.key, { raw: pull, at: one.at });
                return [one, frameSaid(pull.frame)];
            }
            if (one.pull !== null && one.pull.sort !== 'place') {
                const number = nudged(
                    one,
                    targets.get(one.key)?.raw ?? rawOf(one),
                    event.key === 'ArrowRight' || event.key === 'ArrowUp' ? steps : -steps,
                );
                targets.set(one.key, { raw: number, at: one.at });
                return [one, number];
            }
            const before = targets.get(one.key) ?? { raw: rawOf(one), at: one.at };
            if (isCentre(handle) && one.key !== handle.key) {
                // The centre comes first, and has gone by now.
                const to = targets.get(handle.key) ?? before;
                const way = [to.at[0] - led.at[0], to.at[1] - led.at[1]] as const;
                const next = {
                    raw: withCentre(scene, before.raw, led.raw, to.raw, way, view.scale),
                    at: [before.at[0] + way[0], before.at[1] + way[1]] as [number, number],
                };
                targets.set(one.key, next);
                return [one, next.raw];
            }
            const free = beside(before.at, towards, steps);
            const way = [towards[0] * steps, towards[1] * steps] as const;
            const next =
                (event.altKey ? null : onGrid(before.raw, event.key as Arrow)) ??
                (one.key === handle.key ? free : { ...free, raw: movedBy(before.raw, way, view.scale * 10) });
            targets.set(one.key, next);
            if (one.key === handle.key) tell(one, next, next.name);
            return [one, next.raw];
        });
        const now = { step: step.id, targets };
        meant.current = now;
        await put(moved(page.plan, step, kind, drags));
        if (meant.current === now) meant.current = null;
    }

    /** A number one step more or less. */
    function nudged({ pull, at }: Handle, raw: unknown, steps: number): unknown {
        const size =
            pull?.step ??
            (pull?.sort === 'bulge'
                ? 0.05
                : pull?.sort === 'along' &&
                    Math.hypot(pull.at[0] ?? 0, pull.at[1] ?? 0) > 0 &&
                    typeof raw === 'number' &&
                    Math.abs(raw) < 10
                  ? 0.05
                  : 1);
        if (Array.isArray(raw))
            return raw.map((one: unknown, k) => (typeof one === 'number' && k === 0 ? Number((one + steps * size).toFixed(6)) : one));
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

    return { onKeyDown, addOrTake };
}
