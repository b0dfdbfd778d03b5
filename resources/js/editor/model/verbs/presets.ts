import type { Offer, Scene } from '../../../api/client';
import { type Pick, stepIn } from '../pick/Picking';
import { ownerOf } from '../pick/owner';
import { gridShape, partShape } from '../scene/geometry';
import { gridUnder, stepOf } from '../scene/steps';
import { boxOf, pixelsOf, shareOf, sidesOf } from './shares';
import { turnsAbout } from './turnsAbout';
import type { Bench } from './verb';
import { besideIt, closing, turnOnLattice } from './ways';

const LAST = /^\{last:([a-z.]+)\}$/;

/** `{center}`, `{count}`, `{colour}` and the like of a preset, replaced by what fits. */
export function filled(value: unknown, bench: Bench, near: string | null): unknown {
    if (Array.isArray(value)) return value.map((one) => filled(one, bench, near));
    if (value !== null && typeof value === 'object') {
        return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, filled(one, bench, near)]));
    }
    const of = near === null ? null : stepIn(near);
    const grid = of === null ? undefined : gridUnder(bench.scene, of);
    const about = gridShape(grid?.geometry)?.data.about;
    const share = typeof value === 'string' ? SHARE.exec(value) : null;
    if (share !== null) return shareOf(bench.scene, grid, Number(share[2]), share[1] === '-');
    const sides = typeof value === 'string' ? /^\{sides:([\d.]+)\}$/.exec(value)?.[1] : undefined;
    if (sides !== undefined) return sidesOf(bench.scene, Number(sides));
    switch (value) {
        case '{center}':
            return grid && about ? grid.id + about.center : (turnsAbout(bench, of).center ?? ['sheet.width/2', 'sheet.height/2']);
        case '{count}':
            return grid && about ? grid.id + about.count : (turnsAbout(bench, of).count ?? 6);
        case '{lie}':
            return turnOnLattice(bench);
        case '{beside}':
            return besideIt(bench, near).by;
        case '{beside count}':
            return besideIt(bench, near).count;
        case '{closing a}':
            return closing(bench).a;
        case '{closing b}':
            return closing(bench).b;
        case '{pixel}':
        case '{pixels across}':
        case '{pixels down}':
            return pixelsOf(bench.scene)[value];
        case '{centre}':
            return near === null ? ['sheet.width/2', 'sheet.height/2'] : middleOf(bench, near);
        case '{lines}':
            return linesOf(bench.scene);
        case '{span}/2':
            return spanOf(bench.pick) / 2;
        case '{owner}':
            return ownerOf(bench.scene, bench.pick);
        case '{near}':
            return bench.pick.near ?? besideOf(bench, near) ?? ['sheet.width/2', 'sheet.height/2'];
        case '{other}':
            return (
                Object.keys(bench.page.plan.palette).find((name) => name !== (bench.colour ?? Object.keys(bench.page.plan.palette)[0])) ??
                '#e5c78f'
            );
        case '{colour}':
            return bench.colour ?? Object.keys(bench.page.plan.palette)[0] ?? '#1b2140';
        default: {
            const kind = typeof value === 'string' ? LAST.exec(value)?.[1] : undefined;
            if (kind === undefined)
                return typeof value === 'string' && near !== null ? value.replaceAll('{first}.', `${stepIn(near)}.`) : value;
            return bench.page.plan.steps.findLast((step) => step.kind === kind)?.id;
        }
    }
}

/** `{share:8}`, `-{share:8}` */
const SHARE = /^(-?)\{share:([\d.]+)\}$/;

/** A grid that says its corner and its size is laid over the picture that lies there. */
export function overPicture(scene: Scene, preset: Record<string, unknown>): Record<string, unknown> {
    const box = 'origin' in preset && 'size' in preset ? boxOf(scene) : null;
    if (box === null) return {};
    const [left, top, right, bottom] = box;
    return { origin: [left, top], size: [Number((right - left).toFixed(3)), Number((bottom - top).toFixed(3))] };
}

/** What can be cut along: the lines that were drawn for it, and grids where there are none. */
function linesOf({ steps }: Scene): string[] {
    const of = (role: string): string[] => steps.filter((step) => step.role === role && !step.usedUp && !step.hidden).map(({ id }) => id);
    const drawn = of('guide');
    return drawn.length > 0 ? drawn : of('grid');
}

/** How far the first two picked places are from one another. */
function spanOf({ points: [from, to] }: Pick): number {
    return from === undefined || to === undefined ? 0 : Number(Math.hypot(to.at[0] - from.at[0], to.at[1] - from.at[1]).toFixed(2));
}

/** The middle of a part; of copies all the way around a centre that centre, not the middle of their bounds. */
function middleOf({ page, scene }: Bench, name: string): unknown {
    const isAround = stepOf(scene, name)?.sector !== undefined;
    return (isAround ? page.plan.steps.find((step) => step.id === name)?.['center'] : undefined) ?? `${name}!`;
}

/** The middle of the left side of what a part lies in. */
function besideOf({ scene, pick }: Bench, id: string | null): [number, number] | undefined {
    const bounds = pick.mode === 'parts' && id !== null ? partShape(stepOf(scene, stepIn(id))?.geometry)?.data.measures.bounds : undefined;
    return bounds === undefined ? undefined : [bounds[0] ?? 0, ((bounds[1] ?? 0) + (bounds[3] ?? 0)) / 2];
}

/** Whether there are the steps that it begins with. */
export function isThere({ preset }: Offer, { page, scene, pick }: Bench): boolean {
    if (JSON.stringify(preset).includes('"{owner}"') && ownerOf(scene, pick) === undefined) return false;
    const wanted = [...JSON.stringify(preset).matchAll(/"\{last:([a-z.]+)\}"/g)].map(([, kind]) => kind);
    return wanted.every((kind) => page.plan.steps.some((step) => step.kind === kind));
}
