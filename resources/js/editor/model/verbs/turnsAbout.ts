import type { Scene, Step } from '../../../api/client';
import { boundsOf } from '../scene/bounds';
import { stepOf } from '../scene/steps';
import type { Bench } from './verb';

type Said = Record<string, unknown>;

/**
 * What things are turned around where no grid says it: what was turned around last says the centre and the count, else the shape with
 * corners, or the circle, that they stand on.
 */
export function turnsAbout({ page, scene }: Bench, of: string | null): { center?: unknown; count?: unknown } {
    const said = (id: string | undefined): Said | undefined => page.plan.steps.find((step) => step.id === id);
    const last = said(scene.steps.findLast((step) => step.sector !== undefined)?.id);
    if (last !== undefined) return last;
    const step = of === null ? undefined : stepOf(scene, of);
    const around = step === undefined ? undefined : said(shapeUnder(scene, step, (id) => typeof said(id)?.['center'] === 'string')?.id);
    return around === undefined ? {} : { center: around['center'], count: around['corners'] };
}

/** The last shape before it that it is not made of and whose box meets its own. */
function shapeUnder(scene: Scene, step: Step, hasCentre: (id: string) => boolean): Step | undefined {
    const own = madeOf(scene, step);
    const box = boundsOf(step);
    return box && scene.steps.findLast((one) => !own.has(one.id) && hasCentre(one.id) && meet(box, boundsOf(one)));
}

function madeOf(scene: Scene, step: Step, all = new Set<string>()): Set<string> {
    all.add(step.id);
    for (const id of step.of) {
        const below = stepOf(scene, id);
        if (below !== undefined && !all.has(id)) madeOf(scene, below, all);
    }
    return all;
}

function meet([left = 0, top = 0, right = 0, bottom = 0]: readonly number[], other: readonly number[] | undefined): boolean {
    if (other === undefined) return false;
    const [l = 0, t = 0, r = 0, b = 0] = other;
    const room = 1e-6;
    return left <= r + room && l <= right + room && top <= b + room && t <= bottom + room;
}
