import { useCallback, useRef } from 'react';
import { answer, api, type Operation, type Settled } from '../../api/client';
import { alongOf, draggedOn, hangingOn, keepsTo, landing, type Landed, type Own, ownPlaces, waysOf } from '../model/dragging';
import type { Camera } from '../model/camera';
import { type Hover, REACH, tellable } from '../model/pick/hover';
import { stepIn } from '../model/pick/Picking';
import { problemText } from '../model/problem';
import { handleShape } from '../model/scene/geometry';
import { stepOf } from '../model/scene/steps';
import { copiedByHand } from '../model/verbs/kept';
import { useAsking } from '../state/asking';
import { useLatest } from '../state/useLatest';
import { usePicks } from '../state/pick';
import { useSheet } from '../state/sheet';
import { useMoving } from '../state/useMoving';
import { memberLabel } from './useHits';
import { type Spot, STILL } from './tool';

/** Pixels by which what else it settles on is nearer than where it touches. */
const BESIDE = 2;

interface Held {
    names: string[];
    from: Spot;
    now: Spot;
    own: Own[];
    moved: boolean;
    /** Where the middle of a circle lay that is dragged alone; null for all else. */
    center: [number, number] | null;
}

/** Where it would lie: by which way, on what, and what it touches there. */
interface Lies {
    way: [number, number];
    landed: Landed | null;
    touches: Settled['touches'];
}

/**
 * Dragging what is picked: it settles with the nearest of its places, a circle until it touches; with Alt or Ctrl a copy stays behind, with
 * Shift it keeps to the ways of its grid.
 */
export function useDragging(view: Camera, show: (hover: Hover | null) => void) {
    const { page, scene, kinds, preview, change, snapPlaces, added, told } = useSheet();
    const { picking, select } = usePicks();
    const { setLast } = useAsking();
    const { moving, moverOf } = useMoving();
    const held = useRef<Held | null>(null);
    const sheet = page.id;
    const settle = useCallback(
        (body: { id: string; x: number; y: number; reach: number }) =>
            answer(api.POST('/api/sheets/{sheet}/settle', { params: { path: { sheet } }, body })),
        [sheet],
    );
    const settleLatest = useLatest(settle);
    const index = snapPlaces?.revision === page.revision ? snapPlaces : null;

    function wayOf({ names, from, now }: Held): [number, number] {
        const way: [number, number] = [(now.x - from.x) / view.scale, (now.y - from.y) / view.scale];
        return now.shift ? alongOf(waysOf(scene, names[0] ?? ''), way) : way;
    }

    /** Where it settles by what is known here; touching is asked for. */
    function lies(one: Held): Lies {
        const way = wayOf(one);
        const landed = landing(one.own, way, index, REACH / view.scale, hangingOn(scene, one.names));
        if (landed !== null && (!one.now.shift || keepsTo(waysOf(scene, one.names[0] ?? ''), landed.way)))
            return { way: landed.way, landed, touches: [] };
        return { way: [tellable(way[0], view.scale), tellable(way[1], view.scale)], landed: null, touches: [] };
    }

    const question = (id: string, center: [number, number], way: [number, number]) => ({
        id: stepIn(id),
        x: center[0] + way[0],
        y: center[1] + way[1],
        reach: REACH / view.scale,
    });

    /** With what a circle touches, where that is nearer to where the pointer has it than what else it settles on. */
    function touching(one: Held, so: Lies, settled: Settled | null): Lies {
        if (settled === null || one.center === null || settled.touches.length === 0) return so;
        const [x = 0, y = 0] = settled.center;
        const [dx, dy] = wayOf(one);
        const far = (way: readonly [number, number]): number => Math.hypot(way[0] - dx, way[1] - dy);
        // Where both are the same place, or nearly, that it touches is what is meant.
        if (so.landed !== null && far(so.way) + BESIDE / view.scale <= far([x - one.center[0], y - one.center[1]])) return so;
        return { way: [x - one.center[0], y - one.center[1]], landed: null, touches: settled.touches };
    }

    function operations(one: Held, { way, landed, touches }: Lies): Operation[] {
        const isCopy = one.now.alt || one.now.ctrl;
        if (isCopy) return moving(one.names, way, true);
        return draggedOn({
            plan: page.plan,
            scene: page.scene,
            kinds,
            names: one.names,
            way,
            landed,
            scale: touches.length > 0 ? Infinity : view.scale,
            mover: moverOf(one.names),
            move: (names, by) => moving(names, by, false),
        });
    }

    function tell(one: Held, { way, landed, touches }: Lies): void {
        const [first = ''] = one.names;
        const label = one.names.length === 1 ? memberLabel(first, (id) => stepOf(scene, id)?.label ?? id) : `${one.names.length} things`;
        const where =
            touches.length > 0
                ? `touches ${touches.map((touch) => touch.label).join(' and ')}`
                : landed === null
                  ? way.map((value) => tellable(value, view.scale)).join(', ')
                  : `${landed.own.name} on ${landed.on.name}`;
        show({
            dragged: { scene: page.scene, names: one.names, map: [1, 0, 0, 1, ...way] },
            ...(landed === null ? {} : { point: { raw: landed.on.raw, name: landed.on.name, at: landed.on.at } }),
            touches: touches.map(({ at: [x = 0, y = 0] }): [number, number] => [x, y]),
            name: `${one.now.alt || one.now.ctrl ? 'a copy of ' : ''}${label}${touches.length > 0 ? '' : ':'} ${where}`,
            handle: true,
        });
    }

    async function move(spot: Spot): Promise<void> {
        const one = held.current;
        if (one === null) return;
        one.now = spot;
        one.moved ||= Math.hypot(spot.x - one.from.x, spot.y - one.from.y) > STILL;
        if (!one.moved) return;
        const so = lies(one);
        tell(one, so);
        const settled = one.center === null ? null : await settleLatest(question(one.names[0] ?? '', one.center, wayOf(one)));
        if (held.current !== one || one.now !== spot) return;
        const exact = touching(one, so, settled);
        if (exact !== so) tell(one, exact);
        void preview(operations(one, exact));
    }

    async function put(one: Held): Promise<void> {
        const so = lies(one);
        const settled = one.center === null ? null : await settle(question(one.names[0] ?? '', one.center, wayOf(one))).catch(() => null);
        const made = operations(one, touching(one, so, settled));
        const refused = made.length === 0 ? null : await change(made);
        show(null);
        if (refused !== null) {
            // It is where it was.
            void preview(null);
            told.set(problemText(refused));
            return;
        }
        const { parts, lines } = added();
        if (parts.length > 0) picking.pickParts(parts);
        else if (lines.length > 0) picking.pickLines(lines);
        const last = parts.at(-1) ?? lines.at(-1);
        if (last === undefined) return;
        select(last);
        if (one.now.alt || one.now.ctrl) setLast(copiedByHand(last));
    }

    return {
        isHeld: () => held.current !== null,

        take(names: readonly string[], from: Spot): void {
            const [only = ''] = names;
            const says = page.plan.steps.find((step) => step.id === only);
            // What can touch others is round.
            const isCircle =
                names.length === 1 &&
                says?.['center'] !== undefined &&
                kinds.find(({ kind }) => kind === says.kind)?.fields.some(({ name }) => name === 'touching') === true;
            const center = isCircle ? handleShape(stepOf(scene, only)?.geometry ?? null).at['center'] : undefined;
            held.current = {
                names: [...names],
                from,
                now: from,
                own: ownPlaces(page.plan, page.scene, kinds, index, names, from.at),
                moved: false,
                center: center === undefined ? null : [center[0] ?? 0, center[1] ?? 0],
            };
        },

        move,

        /** Lets go of it; whether it was dragged, and not just clicked. */
        drop(): boolean {
            const one = held.current;
            held.current = null;
            if (one?.moved !== true) return false;
            void put(one);
            return true;
        },

        cancel(): void {
            held.current = null;
            show(null);
            void preview(null);
        },
    };
}
