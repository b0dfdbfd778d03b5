import { useCallback, useRef } from 'react';
import { answer, api, type Settled } from '../../api/client';
import { problemText } from '../model/problem';
import { stepOf } from '../model/scene/steps';
import { useSheet } from '../state/sheet';
import { guideShape } from '../model/scene/geometry';
import { type Hover, REACH, tellable } from '../model/pick/hover';
import type { Camera } from '../model/camera';
import { useLatest } from '../state/useLatest';

/** A pointer that moved less, in pixels, has clicked, not dragged. */
const STILL = 4;

interface Held {
    id: string;
    /** Where it was taken, and where the pointer is. */
    x: number;
    y: number;
    atX: number;
    atY: number;
    center: [number, number];
    moved: boolean;
}

type Question = { id: string; x: number; y: number; reach: number };

/** Dragging a circle by its line: it settles where it touches others, and says what it touches. */
export function useSettledDrag(view: Camera, show: (hover: Hover) => void) {
    const { page, scene, preview, change } = useSheet();
    const held = useRef<Held | null>(null);
    const sheet = page.id;
    const ask = useCallback((body: Question) => answer(api.POST('/api/sheets/{sheet}/settle', { params: { path: { sheet } }, body })), [sheet]);
    const askLatest = useLatest(ask);

    const question = (one: Held): Question => ({
        id: one.id,
        x: one.center[0] + (one.atX - one.x) / view.scale,
        y: one.center[1] + (one.atY - one.y) / view.scale,
        reach: REACH / view.scale,
    });
    const centerOf = ({ center: [x = 0, y = 0], touches }: Settled): [number, number] => (touches.length === 0 ? [tellable(x, view.scale), tellable(y, view.scale)] : [x, y]);

    return {
        isHeld: () => held.current !== null,

        /** Takes hold of a circle whose centre the plan says; others stay where they are. */
        take(id: string, x: number, y: number): boolean {
            const [cx, cy] = guideShape(stepOf(scene, id)?.geometry)?.data.center ?? [];
            const says = page.plan.steps.find((step) => step.id === id)?.['center'] !== undefined;
            if (!says || cx === undefined || cy === undefined) return false;
            held.current = { id, x, y, atX: x, atY: y, center: [cx, cy], moved: false };
            return true;
        },

        async move(x: number, y: number): Promise<void> {
            const one = held.current;
            if (one === null) return;
            [one.atX, one.atY] = [x, y];
            one.moved ||= Math.hypot(x - one.x, y - one.y) > STILL;
            if (!one.moved) return;
            const settled = await askLatest(question(one));
            if (settled === null || held.current !== one) return;
            const label = stepOf(scene, one.id)?.label ?? '';
            show({
                line: one.id,
                touches: settled.touches.map(({ at: [tx = 0, ty = 0] }): [number, number] => [tx, ty]),
                name: settled.touches.length === 0 ? `${label} touches nothing` : `${label} touches ${settled.touches.map((touch) => touch.label).join(' and ')}`,
            });
            void preview([{ op: 'set', id: one.id, field: 'center', value: centerOf(settled) }]);
        },

        /** Lets go of it; gives its id where it was clicked and not dragged. */
        drop(): string | null {
            const one = held.current;
            held.current = null;
            if (one === null) return null;
            if (!one.moved) return one.id;
            void ask(question(one))
                .catch((): Settled => ({ center: [one.center[0] + (one.atX - one.x) / view.scale, one.center[1] + (one.atY - one.y) / view.scale], touches: [] }))
                .then((settled) => change([{ op: 'set', id: one.id, field: 'center', value: centerOf(settled) }]))
                .then((refused) => {
                    if (refused === null) return;
                    // It is where it was.
                    void preview(null);
                    show({ line: one.id, name: problemText(refused) });
                });
            return null;
        },

        cancel(): void {
            held.current = null;
            void preview(null);
        },
    };
}
