import { type KeyboardEvent, type PointerEvent, type RefObject, useRef, useState } from 'react';
import { problemText, useDesk } from '../desk';
import type { View } from '../layers/paint';
import type { Hover } from '../pick/hover';
import { pictures, settling, traced, tracers, tracing } from './tracing';

type Place = [number, number];

/** Screen pixels between two places of a pull. */
const APART = 5;

/** Screen pixels that an arrow key takes the cursor by, and with Shift. */
const STEP = 4;

const FAST = 20;

const TOWARDS: Record<string, Place> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

/** Pressing and pulling along a line of a picture lays what is fitted to it; by keys, Enter puts places and, where it was put last, ends. */
export function useTracing({ box, view, pan, panning, show }: { box: RefObject<HTMLElement | null>; view: View; pan: (dx: number, dy: number) => void; panning: boolean; show: (hover: Hover | null) => void }) {
    const { page, scene, kinds, change, select, added } = useDesk();
    const [way, setWay] = useState<Place[]>([]);
    const [cursor, setCursor] = useState<Place | null>(null);
    const drag = useRef<{ pans: boolean; x: number; y: number; way: Place[] } | null>(null);

    const spot = (event: PointerEvent): Place => {
        const corner = box.current?.getBoundingClientRect();
        return [event.clientX - (corner?.left ?? 0), event.clientY - (corner?.top ?? 0)];
    };
    const onSheet = (x: number, y: number): Place => [(x - view.x) / view.scale, (y - view.y) / view.scale];

    function lay(places: Place[]): void {
        setWay([]);
        const { lays, sketch, reach, snaps } = tracing.get();
        const tracer = tracers(kinds).find(({ name }) => name === lays) ?? tracers(kinds)[0];
        const seen = pictures(scene);
        const picture = seen.find(({ id }) => id === sketch) ?? seen[0];
        if (tracer === undefined || picture === undefined || places.length < tracer.offer.least) return;
        void change([traced(tracer, picture.id, places, reach, view.scale, snaps ? settling(tracer, scene, page.plan) : {})]).then((refused) => {
            if (refused !== null) show({ name: problemText(refused), handle: true });
            else select(added().lines[0] ?? null);
        });
    }

    function down(event: PointerEvent): void {
        const [x, y] = spot(event);
        const pans = panning || event.button === 1;
        if (!pans && event.button !== 0) return;
        box.current?.setPointerCapture(event.pointerId);
        drag.current = { pans, x, y, way: pans ? [] : [onSheet(x, y)] };
        setCursor(null);
        show(null);
    }

    function move(event: PointerEvent): void {
        const now = drag.current;
        if (now === null) return;
        const [x, y] = spot(event);
        if (now.pans) pan(x - now.x, y - now.y);
        else if (Math.hypot(x - now.x, y - now.y) < APART) return;
        else {
            now.way.push(onSheet(x, y));
            setWay([...now.way]);
        }
        [now.x, now.y] = [x, y];
    }

    function up(): void {
        const now = drag.current;
        drag.current = null;
        if (now !== null && !now.pans) lay(now.way);
    }

    function leave(): void {
        drag.current = null;
        setWay([]);
    }

    /** Whether the key was for this. */
    function key(event: KeyboardEvent): boolean {
        if (event.ctrlKey || event.metaKey || event.altKey) return false;
        const towards = TOWARDS[event.key];
        if (towards !== undefined) {
            const step = (event.shiftKey ? FAST : STEP) / view.scale;
            const [x, y] = cursor ?? way.at(-1) ?? [scene.sheet.width / 2, scene.sheet.height / 2];
            const next: Place = [x + towards[0] * step, y + towards[1] * step];
            setCursor(next);
            show({ name: `${Math.round(next[0])}, ${Math.round(next[1])}; Enter puts a place here, and again lays what is fitted`, handle: true });
        } else if (event.key === 'Enter' && cursor !== null) {
            const last = way.at(-1);
            if (last !== undefined && last[0] === cursor[0] && last[1] === cursor[1]) lay(way);
            else setWay([...way, cursor]);
        } else if (event.key === 'Escape' && (way.length > 0 || cursor !== null)) {
            setWay([]);
            setCursor(null);
            show(null);
        } else return false;
        event.preventDefault();
        return true;
    }

    return { down, move, up, leave, key, way, cursor };
}
