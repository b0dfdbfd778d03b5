import type { Kind, Operation, Plan, Scene, Step } from '../../api/client';
import { handlesOf, inside, movedBy, said, withIn } from './handles';
import { tellable } from './pick/hover';
import { stepIn } from './pick/Picking';
import type { Found, SnapIndex } from './pick/SnapIndex';
import { alike, resettled } from './scene/addresses';
import { gridShape, handleShape } from './scene/geometry';
import { gridUnder, stepOf } from './scene/steps';

type Way = readonly [number, number];

/** A place of what is dragged that may settle somewhere: how the plan says it, if it does, and what it is called. */
export interface Own {
    raw: unknown;
    at: [number, number];
    name: string;
}

/** Where something dragged has settled: which of its places, on what. */
export interface Landed {
    own: Own;
    on: Found;
    way: [number, number];
}

/** So many of its places are looked at, those nearest to where it was taken first. */
const MOST_OWN = 16;

/** What things settle on. */
export const SETTLES: Found['kind'][] = [
    'intersection',
    'corner',
    'crossing',
    'tangent',
    'end',
    'quadrant',
    'circle-centre',
    'part-centre',
    'cell-centre',
    'midpoint',
];

/** What of things is put there. */
const OWN: Found['kind'][] = ['corner', 'crossing', 'end', 'quadrant', 'circle-centre', 'part-centre'];

/** The places of things, nearest to where they were taken first: those that the plan says, then their corners, ends and centres. */
export function ownPlaces(plan: Plan, scene: Scene, kinds: Kind[], index: SnapIndex | null, names: readonly string[], taken: Way): Own[] {
    const ids = new Set(names.map(stepIn));
    const saying = [...ids].flatMap((id) => {
        const step = stepOf(scene, id);
        const kind = kinds.find((one) => one.kind === step?.kind);
        return step === undefined
            ? []
            : handlesOf(step, handleShape(step.geometry), kind)
                  .filter(({ pull }) => pull === null)
                  .map(({ at, field, path, what }): Own => ({ raw: inside(said(plan, id, kind, field), path), at, name: `its ${what}` }));
    });
    const others = (index?.of([...ids], OWN) ?? [])
        .filter((one) => one.of.every((id) => ids.has(id)))
        .map(({ raw, at, kind }): Own => ({
            raw,
            at,
            name: kind === 'corner' ? 'a corner' : kind.endsWith('centre') ? 'its centre' : `its ${kind}`,
        }));
    const far = ({ at }: Own): number => Math.hypot(at[0] - taken[0], at[1] - taken[1]);
    const isNew = (one: Own, k: number, all: Own[]): boolean =>
        all.findIndex(({ at }) => Math.hypot(at[0] - one.at[0], at[1] - one.at[1]) < 1e-6) === k;
    return [...saying, ...others]
        .filter(isNew)
        .sort((a, b) => far(a) - far(b))
        .slice(0, MOST_OWN);
}

/** Where things come to lie that were dragged by a way: the place of theirs that is nearest to something takes the others along. */
export function landing(own: readonly Own[], way: Way, index: SnapIndex | null, reach: number, without: readonly string[]): Landed | null {
    let best: (Landed & { far: number }) | null = null;
    for (const one of own) {
        const [x, y] = [one.at[0] + way[0], one.at[1] + way[1]];
        const [on] = index?.near(x, y, reach, SETTLES, without) ?? [];
        if (on === undefined) continue;
        const far = Math.hypot(on.at[0] - x, on.at[1] - y);
        if (best === null || far < best.far - 1e-9) best = { own: one, on, way: [on.at[0] - one.at[0], on.at[1] - one.at[1]], far };
    }
    return best;
}

/** The ways of the grid that things lie on, as unit vectors; level and upright where there is none. */
export function waysOf(scene: Scene, name: string): Way[] {
    const shape = gridShape(
        (gridUnder(scene, stepIn(name)) ?? scene.steps.findLast((step) => step.role === 'grid' && !step.hidden))?.geometry,
    );
    if (shape === undefined)
        return [
            [1, 0],
            [0, 1],
        ];
    const middle = Math.floor(shape.pointCount / 2);
    const from = shape.place(middle);
    const beside = ARROWS.flatMap((arrow) => shape.pointBeside(middle, arrow) ?? []).map((point) => unit(from, shape.place(point)));
    const least = Math.min(...beside.map(({ far }) => far).filter((far) => far > 0));
    // On three axes the nearest crossings lie along all of them; where they lie on one line the ways of the arrow keys are meant.
    const nearest = Number.isFinite(least) ? shape.pointsAt(...from, 1.01 * least).map((point) => unit(from, shape.place(point))) : [];
    const ways = distinct(nearest).length > 1 ? distinct(nearest) : distinct(beside);
    return ways.length === 0 ? [[1, 0], [0, 1]] : ways;
}

const ARROWS = ['ArrowRight', 'ArrowDown', 'ArrowLeft', 'ArrowUp'] as const;

function unit([x, y]: Way, [nx, ny]: Way): { way: Way; far: number } {
    const far = Math.hypot(nx - x, ny - y);
    return { way: far === 0 ? [0, 0] : [(nx - x) / far, (ny - y) / far], far };
}

/** Those that run along no other. */
function distinct(all: { way: Way; far: number }[]): Way[] {
    return all
        .filter(({ far }) => far > 0)
        .map(({ way }) => way)
        .filter(([x, y], k, ways) => ways.findIndex(([ox, oy]) => Math.abs(x * oy - y * ox) < 1e-6) === k);
}

/** What of a way goes along the nearest of these. */
export function alongOf(ways: readonly Way[], [x, y]: Way): [number, number] {
    const shares = ways.map(([ux, uy]) => x * ux + y * uy);
    const most = shares.reduce((best, share, k) => (Math.abs(share) > Math.abs(shares[best] ?? 0) ? k : best), 0);
    const [ux, uy] = ways[most] ?? [1, 0];
    return [(shares[most] ?? 0) * ux, (shares[most] ?? 0) * uy];
}

/** Whether a way runs along one of these. */
export function keepsTo(ways: readonly Way[], [x, y]: Way): boolean {
    return ways.some(([ux, uy]) => Math.abs(x * uy - y * ux) < 1e-6 * Math.max(1, Math.hypot(x, y)));
}

/** Steps that hang on others, directly or through others: what is dragged cannot settle on them. */
export function hangingOn(scene: Scene, names: readonly string[]): string[] {
    const all = new Set(names.map(stepIn));
    for (const step of scene.steps) if (step.of.some((id) => all.has(id))) all.add(step.id);
    return [...all];
}

/** What else a shape is said by goes along with its centre, as far and the same way, so that it stays as large as it is. */
export function withCentre(scene: Scene, raw: unknown, centre: unknown, to: unknown, way: Way, scale: number): unknown {
    return alike(scene, raw, centre, to, way) ?? resettled(scene, movedBy(raw, way, scale * 1e4));
}

interface Moving {
    plan: Plan;
    scene: Scene;
    kinds: Kind[];
    /** Of parts or lines, as they are picked. */
    names: readonly string[];
    way: Way;
    /** The place of theirs that settled, and on what; null for a free place. */
    landed: Landed | null;
    /** Pixels for a unit. */
    scale: number;
    /** The kind of step that moves others, and its field for the way. */
    mover: { kind: string; field: string } | null;
    /** What the verb for moving does with things that say no places. */
    move: (names: string[], by: [number, number]) => Operation[];
}

/**
 * What dragging does to the plan: what is said by places is moved in its places, what was moved before is moved on, all else is moved by a
 * step of its own. So are all together where some of them hang on others, which would go twice as far.
 */
export function draggedOn(moving: Moving): Operation[] {
    const { scene, kinds, names, mover, landed } = moving;
    const left = new Set(areLinked(scene, names) ? names : []);
    const operations = names.flatMap((name): Operation[] => {
        const step = name === stepIn(name) && !left.has(name) ? stepOf(scene, name) : undefined;
        const made =
            step === undefined
                ? null
                : (inPlaces(
                      moving,
                      step,
                      kinds.find((one) => one.kind === step.kind),
                  ) ?? onward(moving, step));
        if (made === null) left.add(name);
        return made ?? [];
    });
    if (left.size === 0) return operations;
    const more = moving.move([...left], told(moving));
    const [from, to] = [landed?.own.raw, landed?.on.raw];
    // What settled goes on lying there, whatever becomes of the grid.
    const isHeld = left.size === 1 && mover !== null && typeof from === 'string' && typeof to === 'string';
    return [...operations, ...(isHeld ? more.map((one) => heldBy(one, mover.field, from, to)) : more)];
}

/** Whether some of them hang on others of them. */
function areLinked(scene: Scene, names: readonly string[]): boolean {
    return names.some((name) => hangingOn(scene, [name]).some((id) => id !== stepIn(name) && names.some((other) => stepIn(other) === id)));
}

/** A way as the plan says it: as exactly as it settled, else as the pointer can tell. */
function told({ way, landed, scale }: Moving): [number, number] {
    return landed === null ? [tellable(way[0], scale), tellable(way[1], scale)] : [way[0], way[1]];
}

/** A step that moves things by a way, said by the places that it goes from and to. */
function heldBy(operation: Operation, way: string, from: string, to: string): Operation {
    if (operation.op !== 'add' || !(way in operation.step)) return operation;
    const { kind, ...said } = operation.step;
    return { ...operation, step: { kind, ...Object.fromEntries(Object.entries(said).filter(([field]) => field !== way)), from, to } };
}

/** The changes of a step that is said by places alone; null where it is made of others, or says none. */
function inPlaces(moving: Moving, step: Step, kind: Kind | undefined): Operation[] | null {
    const { plan, scene, way, landed } = moving;
    const written = plan.steps.find(({ id }) => id === step.id);
    const fields = kind?.fields ?? [];
    const isSaid = (name: string): boolean => inside(written, name.split('.')) !== undefined;
    if (written === undefined || fields.some((field) => ['step', 'steps', 'cells'].includes(field.type) && isSaid(field.name))) return null;
    const placed = fields.filter((field) => (field.type === 'place' || field.type === 'places') && isSaid(field.name));
    if (placed.length === 0) return null;
    const moved = (raw: unknown): unknown => {
        if (landed !== null && JSON.stringify(raw) === JSON.stringify(landed.own.raw)) return landed.on.raw ?? landed.on.at;
        return (
            (landed === null ? null : alike(scene, raw, landed.own.raw, landed.on.raw, way)) ??
            resettled(scene, movedBy(raw, way, exactness(moving)))
        );
    };
    return placed.map(({ name, type }) => {
        const raw = inside(written, name.split('.'));
        const value = type === 'places' && Array.isArray(raw) ? raw.map(moved) : moved(raw);
        const [outer = '', ...rest] = name.split('.');
        return { op: 'set', id: step.id, field: outer, value: withIn(written[outer], rest, value) };
    });
}

/** The change of a step that moves something already; null where it does not. */
function onward(moving: Moving, step: Step): Operation[] | null {
    const { plan, way, mover } = moving;
    const written = plan.steps.find(({ id }) => id === step.id);
    if (mover === null || written?.kind !== mover.kind) return null;
    const field = written[mover.field] === undefined ? 'to' : mover.field;
    return [{ op: 'set', id: step.id, field, value: movedBy(written[field], way, exactness(moving)) }];
}

/** Pixels for a unit as far as digits are kept: what settled is exact to the ten-thousandth of what the pointer can tell. */
function exactness({ landed, scale }: Moving): number {
    return landed === null ? scale : scale * 1e4;
}
