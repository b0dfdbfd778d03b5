import type { Scene } from '../../../api/client';
import { gridShape } from '../scene/geometry';

export interface Fold {
    label: string;
    value: number | string;
}

/** Counts that keep what lies in line: halves and doubles of what is there, then as many as a grid has sectors, half and twice as many. */
export function foldsFor(scene: Scene, count: number | null, before: string | null): Fold[] {
    const own = count === null ? [] : [count / 2, count * 2, count * 4].filter((one) => Number.isInteger(one) && one >= 2 && one <= 360);
    const end = before === null ? scene.steps.length : scene.steps.findIndex((step) => step.id === before);
    const grids = scene.steps.slice(0, end < 0 ? undefined : end).flatMap((step) => {
        const about = step.role === 'grid' ? gridShape(step.geometry)?.data.about : undefined;
        return about == null ? [] : [{ name: `${step.id}${about.count}`, label: step.label }];
    });
    return [
        ...own.map((one) => ({ label: String(one), value: one })),
        ...grids.flatMap(({ name, label }) => [
            { label: `as many as ${label} has sectors`, value: name },
            { label: 'half as many', value: `${name}/2` },
            { label: 'twice as many', value: `${name}*2` },
        ]),
    ];
}
