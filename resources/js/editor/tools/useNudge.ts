import { useRef } from 'react';
import type { Operation } from '../../api/client';
import { gridUnder } from '../model/scene/steps';
import { problemText } from '../model/problem';
import { usePick, usePicks } from '../state/pick';
import { useSheet } from '../state/sheet';
import type { Hover } from '../model/pick/hover';
import { stepIn } from '../model/pick/Picking';
import type { Arrow } from '../model/scene/nearby';
import { gridShape } from '../model/scene/geometry';
import { useMoving } from '../state/useMoving';

const TOWARDS: Record<Arrow, [number, number]> = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

/**
 * Moves the picked parts by a whole step of their grid, and by ten or a tenth of one; what stands on axes goes along them. What was moved
 * so before is moved on, not moved anew.
 */
export function useNudge(show: (hover: Hover | null) => void): (arrow: Arrow, steps: number) => void {
    const { page, scene, kinds, change, added } = useSheet();
    const { picking } = usePicks();
    const { moving, moverOf } = useMoving();
    const pick = usePick(picking);
    // Where a step is meant to be, while earlier presses of a key are still on their way.
    const meant = useRef<{ id: string; way: readonly number[] } | null>(null);

    /** The operation that moves a step on that says its way in two numbers; null where they are no plain ones. */
    function onward(id: string, field: string, said: unknown, by: readonly [number, number]): Operation | null {
        const from = meant.current?.id === id ? meant.current.way : said;
        if (!Array.isArray(from) || !from.every((one): one is number => typeof one === 'number')) return null;
        const value = from.map((one, axis) => round(one + (by[axis] ?? 0)));
        meant.current = { id, way: value };
        return { op: 'set', id, field, value };
    }

    function settled(now: typeof meant.current): void {
        if (meant.current === now) meant.current = null;
    }

    /** The way from an intersection of the grid under a part to the next one; a unit where there is no such way. */
    function way(arrow: Arrow, steps: number): [number, number] {
        const shape = gridShape(
            gridUnder(scene, stepIn(pick.parts[0] ?? ''))?.geometry ?? scene.steps.find((step) => step.role === 'grid')?.geometry,
        );
        const middle = Math.floor((shape?.pointCount ?? 0) / 2);
        const next = shape?.pointBeside(middle, arrow);
        const [ux, uy] = TOWARDS[arrow];
        if (shape === undefined || next === undefined) return [ux * steps, uy * steps];
        const [[x0, y0], [x1, y1]] = [shape.place(middle), shape.place(next)];
        return [round((x1 - x0) * steps), round((y1 - y0) * steps)];
    }

    /** Along the axes of the grid that a part stands on, where its kind says a way in cells. */
    function inCells(arrow: Arrow, steps: number): Operation | null {
        const [only, ...others] = pick.parts;
        const step = others.length > 0 ? undefined : page.plan.steps.find(({ id }) => id === only);
        const field = kinds.find(({ kind }) => kind === step?.kind)?.fields.find((one) => one.inCells);
        if (step === undefined || field === undefined) return null;
        const [across, down] = TOWARDS[arrow];
        return onward(step.id, field.name, step[field.name] ?? field.default, [across * steps, down * steps]);
    }

    return (arrow, steps) => {
        const along = inCells(arrow, steps);
        if (along !== null) {
            const meantNow = meant.current;
            void change([along]).then((refused) => {
                settled(meantNow);
                if (refused !== null) show({ name: problemText(refused), handle: true });
            });
            return;
        }
        const mover = moverOf(pick.parts);
        if (pick.parts.length === 0 || mover === null) return;
        const [dx, dy] = way(arrow, steps);
        const [only, ...others] = pick.parts;
        const before = others.length > 0 ? undefined : page.plan.steps.find((step) => step.id === only && step.kind === mover.kind);
        const on = before === undefined ? null : onward(before.id, mover.field, before[mover.field], [dx, dy]);
        const meantNow = meant.current;
        void change(on === null ? moving(pick.parts, [dx, dy], false) : [on]).then((refused) => {
            settled(meantNow);
            if (refused !== null) show({ name: problemText(refused), handle: true });
            else if (on === null) picking.pickParts(added().parts);
        });
    };
}

function round(value: number): number {
    return Number(value.toFixed(6));
}
