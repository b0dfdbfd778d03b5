import type { Operation } from '../../api/client';
import { gridUnder, problemText, useDesk } from '../desk';
import type { Hover } from '../pick/hover';
import { stepIn, usePick } from '../pick/pick';
import type { Arrow } from '../scene/nearby';
import { gridShape } from '../scene/geometry';
import { verbsFor } from '../verbs/verbs';

const TOWARDS: Record<Arrow, [number, number]> = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

/** Moves the picked parts by a whole step of their grid, and by ten or a tenth of one; what stands on axes goes along them. What was moved so before is moved on, not moved anew. */
export function useNudge(show: (hover: Hover | null) => void): (arrow: Arrow, steps: number) => void {
    const { page, scene, kinds, picking, selected, change, added } = useDesk();
    const pick = usePick(picking);

    /** The way from an intersection of the grid under a part to the next one; a unit where there is no such way. */
    function way(arrow: Arrow, steps: number): [number, number] {
        const shape = gridShape(gridUnder(scene, stepIn(pick.parts[0] ?? ''))?.geometry ?? scene.steps.find((step) => step.role === 'grid')?.geometry);
        const middle = Math.floor((shape?.pointCount ?? 0) / 2);
        const next = shape?.pointBeside(middle, arrow);
        const [ux, uy] = TOWARDS[arrow];
        if (shape === undefined || next === undefined) return [ux * steps, uy * steps];
        const [[x0, y0], [x1, y1]] = [shape.place(middle), shape.place(next)];
        return [round((x1 - x0) * steps), round((y1 - y0) * steps)];
    }

    /** Along the axes of the grid that a part stands on, where its kind says a way in cells. */
    function inCells(arrow: Arrow, steps: number): Operation[] | null {
        const [only, ...others] = pick.parts;
        const step = others.length > 0 ? undefined : page.plan.steps.find(({ id }) => id === only);
        const field = kinds.find(({ kind }) => kind === step?.kind)?.fields.find((one) => one.inCells);
        if (step === undefined || field === undefined) return null;
        const by: unknown = step[field.name] ?? field.default;
        if (!Array.isArray(by) || by.some((one) => typeof one !== 'number')) return null;
        return [{ op: 'set', id: step.id, field: field.name, value: by.map((one, axis) => round(Number(one) + (TOWARDS[arrow][axis] ?? 0) * steps)) }];
    }

    return (arrow, steps) => {
        const along = inCells(arrow, steps);
        if (along !== null) {
            void change(along).then((refused) => refused !== null && show({ name: problemText(refused), handle: true }));
            return;
        }
        const verb = verbsFor({ page, scene, kinds, pick, picking, selected, colour: null }).find((one) => one.family === 'place' && one.key === 1 && one.needs === 0);
        const field = verb?.kind?.fields.find((one) => one.type === 'pair' && verb.asks.includes(one.name))?.name;
        if (verb === undefined || field === undefined) return;
        const [dx, dy] = way(arrow, steps);
        const [only, ...others] = pick.parts;
        const before = others.length > 0 ? undefined : page.plan.steps.find((step) => step.id === only && step.kind === verb.kind?.kind);
        const by = before?.[field];
        const moving = Array.isArray(by) && by.every((one) => typeof one === 'number') ? by : null;
        const operations: Operation[] =
            before !== undefined && moving !== null
                ? [{ op: 'set', id: before.id, field, value: [round(Number(moving[0]) + dx), round(Number(moving[1]) + dy)] }]
                : verb.operations({ [field]: [dx, dy] });
        void change(operations).then((refused) => {
            if (refused !== null) show({ name: problemText(refused), handle: true });
            else if (moving === null) picking.pickParts(added());
        });
    };
}

function round(value: number): number {
    return Number(value.toFixed(6));
}
