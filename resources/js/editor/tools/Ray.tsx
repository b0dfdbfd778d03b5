import { type KeyboardEvent, type PointerEvent, useMemo, useRef, useState } from 'react';
import type { Camera } from '../model/camera';
import { type Hover, REACH } from '../model/pick/hover';
import { stepIn } from '../model/pick/Picking';
import { problemText } from '../model/problem';
import { anchorAt, mapOf, pulledTo, type Pulled, rayOperations, type Turners, turnsOf } from '../model/ray';
import { boundsOf } from '../model/scene/bounds';
import { handleShape } from '../model/scene/geometry';
import { stepOf } from '../model/scene/steps';
import { copiedByHand } from '../model/verbs/kept';
import type { Verb } from '../model/verbs/verb';
import { verbsFor } from '../model/verbs/verbs';
import { useAsking } from '../state/asking';
import { usePick, usePicks } from '../state/pick';
import { useSheet } from '../state/sheet';
import { useView } from '../state/view';
import { STILL } from './tool';

/** Pixels of the screen from what is picked to the ring. */
const BESIDE = 26;

/** The way from the anchor to the ring, as a unit vector: up and to the right, clear of most handles. */
const WAY = [0.8, -0.6] as const;

/** Pixels of the screen that something is wide and high at least that has a star to be dragged in its middle. */
const ROOM = 60;

/** Two places that are nearer to one another, in pixels, cannot be taken hold of by themselves. */
const NEAR = 16;

const KEYS: Record<string, (step: number) => Pulled> = {
    ArrowRight: (step) => ({ angle: step, factor: 1 }),
    ArrowLeft: (step) => ({ angle: -step, factor: 1 }),
    ArrowUp: () => ({ angle: 0, factor: 1.1 }),
    ArrowDown: () => ({ angle: 0, factor: 0.9 }),
};

interface Given {
    view: Camera;
    show: (hover: Hover | null) => void;
    /** What lies under the star can be picked as ever. */
    onClick: (x: number, y: number, gathers: boolean) => void;
}

/** The one handle of what is picked: from the anchor, a star that is dragged itself, a ray to a ring. Outwards is size, around is turn. */
export function Ray({ view, show, onClick }: Given) {
    // As it is, not as it is previewed: what is pulled stays where it was taken.
    const { page: { scene } } = useSheet();
    const { picking } = usePicks();
    const { asking, kept, placeWanted } = useAsking();
    const { shownAs, worked } = useView();
    const { mode, parts, lines, held } = usePick(picking);
    const names = mode === 'lines' ? lines : parts;
    const bounds = useMemo(() => around(names.map((name) => boundsOf(stepOf(scene, stepIn(name))))), [names, scene]);
    const isFree = names.every((name) => {
        const step = stepOf(scene, stepIn(name));
        return step !== undefined && step.fast !== true && !step.hidden && (worked === null || worked.has(step.id));
    });
    // Copies and pieces have no box of their own here.
    if (
        (mode !== 'parts' && mode !== 'lines') ||
        names.length === 0 ||
        bounds === null ||
        held ||
        !isFree ||
        names.some((name) => name !== stepIn(name)) ||
        asking !== null ||
        kept !== null ||
        placeWanted !== null ||
        shownAs === 'outlines'
    )
        return null;
    return <RayOf key={names.join()} mode={mode} names={names} bounds={bounds} view={view} show={show} onClick={onClick} />;
}

function RayOf({
    mode,
    names,
    bounds,
    view,
    show,
    onClick,
}: Given & { mode: 'parts' | 'lines'; names: readonly string[]; bounds: [number, number, number, number] }) {
    const { page, kinds, change, preview, added, told, snapPlaces } = useSheet();
    const { scene } = page;
    const { picking, select } = usePicks();
    const { setLast } = useAsking();
    const verbs = useMemo(
        () =>
            verbsFor({
                page,
                scene,
                kinds,
                pick: { ...picking.get(), mode, parts: names, lines: names },
                picking,
                selected: null,
                colour: null,
            }),
        [page, scene, kinds, picking, mode, names],
    );
    const turners = turnersOf(verbs);
    const [moved, setMoved] = useState<{ raw: unknown; at: [number, number] } | null>(null);
    const [pulled, setPulled] = useState<{ at: [number, number]; anchor: boolean } | null>(null);
    const press = useRef<{ x: number; y: number; isPull: boolean } | null>(null);
    if (turners === null) return null;

    const [left, top, right, bottom] = bounds;
    const usual = middleOf();
    const anchor = moved ?? usual;
    const far =
        Math.hypot(right - left, bottom - top) / 2 +
        Math.hypot(anchor.at[0] - (left + right) / 2, anchor.at[1] - (top + bottom) / 2) +
        BESIDE / view.scale;
    const ring: [number, number] = [anchor.at[0] + WAY[0] * far, anchor.at[1] + WAY[1] * far];
    const step = turnsOf(scene, names[0] ?? '');

    /** Of one part the place that its turning is offered about, which may be where its copies turn; of several their middle. */
    function middleOf(): { raw: unknown; at: [number, number] } {
        const at: [number, number] = [(left + right) / 2, (top + bottom) / 2];
        const [only = ''] = names;
        const raw = turners?.turn.about;
        if (names.length > 1 || raw === undefined) return { raw: at.map((one) => Number(one.toFixed(3))), at };
        const [x, y] = raw === `${only}!` ? at : (handleShape(stepOf(scene, only)?.geometry ?? null).at['center'] ?? at);
        return { raw, at: [x ?? at[0], y ?? at[1]] };
    }

    const seen = ([x, y]: readonly [number, number]): [number, number] => [x * view.scale + view.x, y * view.scale + view.y];

    function placeOf(event: PointerEvent): [number, number] {
        const corner = (event.currentTarget as HTMLElement).closest('[data-ray]')?.getBoundingClientRect();
        return [(event.clientX - (corner?.left ?? 0) - view.x) / view.scale, (event.clientY - (corner?.top ?? 0) - view.y) / view.scale];
    }

    function take(event: PointerEvent): void {
        if (event.button !== 0) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        press.current = { x: event.clientX, y: event.clientY, isPull: false };
    }

    function isPull(event: PointerEvent): boolean {
        if (press.current === null) return false;
        press.current.isPull ||= Math.hypot(event.clientX - press.current.x, event.clientY - press.current.y) > STILL;
        return press.current.isPull;
    }

    const operations = (by: Pulled, isCopy: boolean) =>
        turners === null ? [] : rayOperations(page.plan, names, anchor.raw, by, isCopy, turners);

    function pull(event: PointerEvent): void {
        if (!isPull(event)) return;
        const at = placeOf(event);
        const by = pulledTo(anchor.at, ring, at, step, event.ctrlKey);
        setPulled({ at, anchor: false });
        show({ dragged: { scene, names, map: mapOf(anchor.at, by) }, name: pullWords(by, event.altKey), handle: true });
        void preview(operations(by, event.altKey));
    }

    async function letGo(event: PointerEvent): Promise<void> {
        const wasPull = press.current?.isPull === true;
        press.current = null;
        if (!wasPull) return;
        const by = pulledTo(anchor.at, ring, placeOf(event), step, event.ctrlKey);
        await put(by, event.altKey);
    }

    async function put(by: Pulled, isCopy: boolean): Promise<void> {
        const changes = operations(by, isCopy);
        const refused = changes.length === 0 ? null : await change(changes);
        setPulled(null);
        show(null);
        if (changes.length === 0 || refused !== null) void preview(null);
        if (refused !== null) told.set(problemText(refused));
        const made = added()[mode];
        const last = made.at(-1);
        if (refused !== null || last === undefined) return;
        if (mode === 'parts') picking.pickParts(made);
        else picking.pickLines(made);
        select(last);
        if (isCopy) setLast(copiedByHand(last));
    }

    function dropAnchor(event: PointerEvent): void {
        const wasPull = press.current?.isPull === true;
        leave();
        const corner = (event.currentTarget as HTMLElement).closest('[data-ray]')?.getBoundingClientRect();
        if (!wasPull) onClick(event.clientX - (corner?.left ?? 0), event.clientY - (corner?.top ?? 0), event.shiftKey);
    }

    function dragAnchor(event: PointerEvent): void {
        if (!isPull(event)) return;
        const at = anchorAt(
            snapPlaces?.revision === page.revision ? snapPlaces : null,
            placeOf(event),
            usual,
            REACH / view.scale,
            view.scale,
        );
        setMoved(at);
        setPulled({ at: at.at, anchor: true });
        show({ point: { raw: at.raw, name: at.name, at: at.at }, name: `turned and resized about ${at.name}`, handle: true });
    }

    function leave(): void {
        press.current = null;
        setPulled(null);
        show(null);
        void preview(null);
    }

    function onKeyDown(event: KeyboardEvent): void {
        const by = KEYS[event.key];
        if (event.key === 'Escape' && press.current !== null) {
            event.stopPropagation();
            leave();
        }
        if (by === undefined) return;
        event.preventDefault();
        event.stopPropagation();
        void put(by(event.shiftKey ? 1 : step), event.altKey);
    }

    // Of what is small the middle is what it is dragged by; where a place of it lies there already, that is taken hold of.
    const places = names.flatMap((name) => Object.values(handleShape(stepOf(scene, name)?.geometry ?? null).at));
    const isTaken = places.some((flat) =>
        flat.some((x, k) => k % 2 === 0 && Math.hypot(x - anchor.at[0], (flat[k + 1] ?? NaN) - anchor.at[1]) * view.scale < NEAR),
    );
    const hasRoom =
        !isTaken && (moved !== null || (mode === 'lines' ? Math.max : Math.min)(right - left, bottom - top) * view.scale >= ROOM);
    const [ax, ay] = seen(anchor.at);
    const [rx, ry] = seen(pulled !== null && !pulled.anchor ? pulled.at : ring);
    return (
        <div data-ray className="pointer-events-none absolute inset-0 overflow-hidden" role="group" aria-label="Ray of what is picked">
            <svg className="absolute inset-0 h-full w-full fill-none stroke-amber" strokeWidth="1.2" aria-hidden="true">
                <path d={`M${ax} ${ay}L${rx} ${ry}`} />
                {pulled !== null && !pulled.anchor && <circle cx={ax} cy={ay} r={Math.hypot(rx - ax, ry - ay)} strokeDasharray="2 4" />}
            </svg>
            {hasRoom && (
                <button
                    className="handle anchor"
                    aria-label="Anchor: drag it to where it turns and grows from"
                    title="What it turns and grows about: drag it"
                    style={{ left: ax, top: ay }}
                    onPointerDown={take}
                    onPointerMove={dragAnchor}
                    onPointerUp={dropAnchor}
                    onPointerCancel={leave}
                >
                    <svg viewBox="-8 -8 16 16" className="size-4 fill-amber stroke-paper" aria-hidden="true">
                        <path d="M0-8L1.6-1.6L8 0L1.6 1.6L0 8L-1.6 1.6L-8 0L-1.6-1.6Z" />
                    </svg>
                </button>
            )}
            <button
                className="handle turns"
                aria-label="Ring: outwards is size, around is turn; arrow keys turn and resize"
                title="Out: size. Around: turn. With Alt a copy."
                style={{ left: rx, top: ry }}
                onPointerDown={take}
                onPointerMove={pull}
                onPointerUp={(event) => void letGo(event)}
                onPointerCancel={leave}
                onKeyDown={onKeyDown}
            />
        </div>
    );
}

/** `turned by 30°, 1.5 times as large` */
function pullWords({ angle, factor }: Pulled, isCopy: boolean): string {
    const said = [angle === 0 ? null : `turned by ${angle}°`, factor === 1 ? null : `${factor} times as large`].filter(
        (one) => one !== null,
    );
    return `${isCopy ? 'a copy ' : ''}${said.length === 0 ? 'as it was' : said.join(', ')}`;
}

/** The box around several; null where one of them has none. */
function around(all: (readonly number[] | undefined)[]): [number, number, number, number] | null {
    const boxes = all.filter((one) => one !== undefined);
    if (boxes.length === 0 || boxes.length < all.length) return null;
    const side = (k: number): number[] => boxes.map((one) => one[k] ?? 0);
    return [Math.min(...side(0)), Math.min(...side(1)), Math.max(...side(2)), Math.max(...side(3))];
}

/** What turns and resizes, found by what they ask for. */
function turnersOf(verbs: Verb[]): (Turners & { turn: { about: unknown } }) | null {
    const asking = (field: string): Verb | undefined =>
        verbs.find((verb) => verb.family === 'place' && verb.asks.includes(field) && verb.asks.includes('about'));
    const [turn, resize] = [asking('angle'), asking('factor')];
    if (turn?.kind === undefined || resize?.kind === undefined) return null;
    return {
        turn: {
            kind: turn.kind,
            field: 'angle',
            operations: (answers) => turn.operations({ ...turn.start, ...answers }),
            about: turn.start['about'],
        },
        resize: { kind: resize.kind, field: 'factor', operations: (answers) => resize.operations({ ...resize.start, ...answers }) },
    };
}
