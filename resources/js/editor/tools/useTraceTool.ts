import { type KeyboardEvent, useRef, useState } from 'react';
import { problemText } from '../model/problem';
import { usePicks } from '../state/pick';
import { useSheet } from '../state/sheet';
import type { Camera } from '../model/camera';
import type { Hover } from '../model/pick/hover';
import type { Spot, Tool } from './tool';
import { pictures, settling, traced, tracers, tracing } from '../state/tracing';

type Place = [number, number];

/** Screen pixels between two places of a pull. */
const APART = 5;

/** Screen pixels that an arrow key takes the cursor by, and with Shift. */
const STEP = 4;

const FAST = 20;

const TOWARDS: Record<string, Place> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

/**
 * Pressing and pulling along a line of a picture lays what is fitted to it; by keys, Enter puts places and, where it was put last, ends.
 */
export function useTraceTool({ view, show }: { view: Camera; show: (hover: Hover | null) => void }) {
    const { page, scene, kinds, change, added } = useSheet();
    const { select } = usePicks();
    const [way, setWay] = useState<Place[]>([]);
    const [cursor, setCursor] = useState<Place | null>(null);
    const drag = useRef<{ x: number; y: number; way: Place[] } | null>(null);

    function lay(places: Place[]): void {
        setWay([]);
        const { lays, sketch, reach, snaps } = tracing.get();
        const tracer = tracers(kinds).find(({ name }) => name === lays) ?? tracers(kinds)[0];
        const seen = pictures(scene);
        const picture = seen.find(({ id }) => id === sketch) ?? seen[0];
        if (tracer === undefined || picture === undefined || places.length < tracer.offer.least) return;
        void change([traced(tracer, picture.id, places, reach, view.scale, snaps ? settling(tracer, scene, page.plan) : {})]).then(
            (refused) => {
                if (refused !== null) show({ name: problemText(refused), handle: true });
                else select(added().lines[0] ?? null);
            },
        );
    }

    function down({ x, y, at }: Spot): void {
        drag.current = { x, y, way: [at] };
        setCursor(null);
        show(null);
    }

    function move({ x, y, at }: Spot): void {
        const now = drag.current;
        if (now === null || Math.hypot(x - now.x, y - now.y) < APART) return;
        now.way.push(at);
        setWay([...now.way]);
        [now.x, now.y] = [x, y];
    }

    function up(): void {
        const now = drag.current;
        drag.current = null;
        if (now !== null) lay(now.way);
    }

    function cancel(): void {
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
            show({
                name: `${Math.round(next[0])}, ${Math.round(next[1])}; Enter puts a place here, and again lays what is fitted`,
                handle: true,
            });
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

    return { tool: { down, move, up, cancel, key } satisfies Tool, way, standing: cursor };
}
