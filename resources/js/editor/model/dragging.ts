import type { Kind, Operation, Plan, Scene, Step } from '../../api/client';
import { handlesOf, inside, movedBy, said, type Target, withIn } from './handles';
import { tellable } from './pick/hover';
import { stepIn } from './pick/Picking';
import type { Found, SnapIndex } from './pick/SnapIndex';
import type { GridShape } from './scene/GridShape';
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

/** Two places that are nearer to one another are one, in units of the sheet. */
const CLOSE = 1e-6;

/** So many of its places are looked at, those nearest to where it was taken first. */
const MOST_OWN = 16;

/** What things settle on. */
const SETTLES: Found['kind'][] = ['intersection', 'corner', 'crossing', 'tangent', 'end', 'circle-centre', 'part-centre', 'cell-centre', 'midpoint'];

/** What of things is put there. */
const OWN: Found['kind'][] = ['corner', 'crossing', 'end', 'circle-centre', 'part-centre'];

/** The places of things, nearest to where they were taken first: those that the plan says, then their corners, ends and centres. */
export function ownPlaces(plan: Plan, scene: Scene, kinds: Kind[], index: SnapIndex | null, names: readonly string[], taken: Way): Own[] {
    const ids = new Set(names.map(stepIn));
    const saying = [...ids].flatMap((id) => {
        const step = stepOf(scene, id);
        const kind = kinds.find((one) => one.kind === step?.kind);
        return step === undefined ? [] : handlesOf(step, handleShape(step.geometry), kind).filter(({ pull }) => pull === null).map(({ at, field, path, what }): Own => ({ raw: inside(said(plan, id, kind, field), path), at, name: `its ${what}` }));
    });
    const others = (index?.of([...ids], OWN) ?? []).filter((one) => one.of.every((id) => ids.has(id))).map(({ raw, at, kind }): Own => ({ raw, at, name: kind === 'corner' ? 'a corner' : kind.endsWith('centre') ? 'its centre' : `its ${kind}` }));
    const far = ({ at }: Own): number => Math.hypot(at[0] - taken[0], at[1] - taken[1]);
    const isNew = (one: Own, k: number, all: Own[]): boolean => all.findIndex(({ at }) => Math.hypot(at[0] - one.at[0], at[1] - one.at[1]) < 1e-6) === k;
    return [...saying, ...others].filter(isNew).sort((a, b) => far(a) - far(b)).slice(0, MOST_OWN);
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
    const shape = gridShape((gridUnder(scene, stepIn(name)) ?? scene.steps.findLast((step) => step.role === 'grid' && !step.hidden))?.geometry);
    if (shape === undefined) return [[1, 0], [0, 1]];
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
    return all.filter(({ far }) => far > 0).map(({ way }) => way).filter(([x, y], k, ways) => ways.findIndex(([ox, oy]) => Math.abs(x * oy - y * ox) < 1e-6) === k);
}

/** What of a way goes along the nearest of these. */
export function alongOf(ways: readonly Way[], [x, y]: Way): [number, number] {
    const shares = ways.map(([ux, uy]) => x * ux + y * uy);
    const most = shares.reduce((best, share, k) => (Math.abs(share) > Math.abs(shares[best] ?? 0) ? k : best), 0);
    const [ux, uy] = ways[most] ?? [1, 0];
    return [(shares[most] ?? 0) * ux, (shares[most] ?? 0) * uy];
}

/** Steps that hang on others, directly or through others: what is dragged cannot settle on them. */
export function hangingOn(scene: Scene, names: readonly string[]): string[] {
    const all = new Set(names.map(stepIn));
    for (const step of scene.steps) if (step.of.some((id) => all.has(id))) all.add(step.id);
    return [...all];
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

/** What dragging does to the plan: what is said by places is moved in its places, what was moved before is moved on, all else is moved by a step of its own. */
export function draggedOn(moving: Moving): Operation[] {
    const { scene, kinds, names, way, mover } = moving;
    const to: Target | null = moving.landed === null ? null : { raw: moving.landed.on.raw ?? moving.landed.on.at, at: moving.landed.on.at };
    const left: string[] = [];
    const operations = names.flatMap((name): Operation[] => {
        const step = name === stepIn(name) ? stepOf(scene, name) : undefined;
        const made = step === undefined ? null : (inPlaces(moving, step, kinds.find((one) => one.kind === step.kind), to) ?? onward(moving, step, to));
        if (made === null) left.push(name);
        return made ?? [];
    });
    if (left.length === 0) return operations;
    const by = way.map((one) => tellable(one, moving.scale)) as [number, number];
    const own = moving.landed?.own.raw;
    const more = moving.move(left, to === null ? by : [way[0], way[1]]);
    // What settled goes on lying there, whatever becomes of the grid.
    const held = left.length === 1 && typeof own === 'string' && typeof to?.raw === 'string' ? more.map((one) => (one.op === 'add' && mover !== null && mover.field in one.step ? { ...one, step: { ...withoutWay(one.step, mover.field), from: own, to: to.raw } } : one)) : more;
    return [...operations, ...(held as Operation[])];

    function withoutWay(step: Record<string, unknown>, field: string): Record<string, unknown> {
        return Object.fromEntries(Object.entries(step).filter(([name]) => name !== field));
    }
}

/** The changes of a step that is said by places alone; null where it is made of others, or says none. */
function inPlaces({ plan, scene, way, landed, scale }: Moving, step: Step, kind: Kind | undefined, to: Target | null): Operation[] | null {
    const written = plan.steps.find(({ id }) => id === step.id);
    const fields = kind?.fields ?? [];
    const isSaid = (name: string): boolean => inside(written, name.split('.')) !== undefined;
    if (written === undefined || fields.some((field) => ['step', 'steps', 'cells'].includes(field.type) && isSaid(field.name))) return null;
    const placed = fields.filter((field) => (field.type === 'place' || field.type === 'places') && isSaid(field.name));
    if (placed.length === 0) return null;
    const way2: Way = to === null ? way : [(landed?.way ?? way)[0], (landed?.way ?? way)[1]];
    const exact = to === null ? scale : scale * 1e4;
    const moved = (raw: unknown): unknown => {
        if (to !== null && JSON.stringify(raw) === JSON.stringify(landed?.own.raw)) return to.raw;
        return (to === null ? null : alike(scene, raw, landed?.own.raw, to.raw, way2)) ?? resettled(scene, movedBy(raw, way2, exact));
    };
    return placed.map(({ name, type }) => {
        const raw = inside(written, name.split('.'));
        const value = type === 'places' && Array.isArray(raw) ? raw.map(moved) : moved(raw);
        const [outer = '', ...rest] = name.split('.');
        return { op: 'set', id: step.id, field: outer, value: withIn(written[outer], rest, value) };
    });
}

/** An address as many grid steps on as what settled went, where that is the same way there; null where it is not. */
function alike(scene: Scene, raw: unknown, from: unknown, to: unknown, way: Way): string | null {
    const [one, begin, end] = [addressOf(raw), addressOf(from), addressOf(to)];
    if (one === null || begin === null || end === null || one.grid !== begin.grid || one.grid !== end.grid || begin.mark !== end.mark) return null;
    const next = { ...one, at: one.at.map((value, k) => Number((value + (end.at[k] ?? NaN) - (begin.at[k] ?? NaN)).toFixed(6))) };
    const shape = gridShape(stepOf(scene, one.grid)?.geometry);
    const [old, now] = [placeOf(shape, one), placeOf(shape, next)];
    const isSame = old !== undefined && now !== undefined && Math.hypot(now[0] - old[0] - way[0], now[1] - old[1] - way[1]) < 1e-6 * Math.max(1, ...way.map(Math.abs));
    return isSame ? `${next.grid}${next.mark}${next.at.join(',')}${next.centre}` : null;
}

/** A place beside a crossing or a cell's middle that lies on another one is said by that one. */
function resettled(scene: Scene, raw: unknown): unknown {
    const { of, by } = (raw !== null && typeof raw === 'object' && !Array.isArray(raw) ? raw : {}) as { of?: unknown; by?: unknown };
    const from = addressOf(of);
    const shape = gridShape(stepOf(scene, from?.grid ?? '')?.geometry);
    const old = from === null ? undefined : placeOf(shape, from);
    if (from === null || shape === undefined || old === undefined || !Array.isArray(by) || !by.every((one): one is number => typeof one === 'number')) return raw;
    const [x, y] = [old[0] + (by[0] ?? 0), old[1] + (by[1] ?? 0)];
    const [point] = shape.pointsAt(x, y, CLOSE);
    if (point !== undefined) return `${from.grid}@${shape.pointAddress(point)}`;
    const cell = shape.cellAround(x, y);
    const middle = cell === undefined ? undefined : shape.centroid(cell);
    return cell !== undefined && middle !== undefined && Math.hypot(middle[0] - x, middle[1] - y) < CLOSE ? `${from.grid}#${shape.address(cell)}!` : raw;
}

interface Address {
    grid: string;
    /** A crossing, a cell, or a place between them. */
    mark: '@' | '#' | '~';
    at: number[];
    centre: string;
}

function addressOf(raw: unknown): Address | null {
    const [all, grid = '', mark, at = '', centre = ''] = typeof raw === 'string' ? (/^([a-z][a-z0-9]*)([@#~])(-?[\d.]+(?:,-?[\d.]+)*)(!?)$/.exec(raw) ?? []) : [];
    return all === undefined ? null : { grid, mark: mark as Address['mark'], at: at.split(',').map(Number), centre };
}

/** Where an address is; of one beside the grid nothing is known. */
function placeOf(shape: GridShape | undefined, { mark, at }: Address): [number, number] | undefined {
    if (shape === undefined) return undefined;
    if (mark === '@') {
        const point = shape.point(at.join(',')) ?? -1;
        return point < 0 ? undefined : shape.place(point);
    }
    if (mark === '#') {
        const cell = shape.cell(at.join(','));
        return cell === undefined ? undefined : shape.centroid(cell);
    }
    // Between crossings it is told only where cells lie in even columns and rows.
    return shape.isLattice ? evenly(shape, at) : undefined;
}

function evenly(shape: GridShape, [u = 0, v = 0]: number[]): [number, number] {
    const [columns] = shape.extent;
    const [[x, y], [ax, ay], [bx, by]] = [shape.place(0), shape.place(1), shape.place(columns + 1)];
    return [x + u * (ax - x) + v * (bx - x), y + u * (ay - y) + v * (by - y)];
}

/** The change of a step that moves something already; null where it does not. */
function onward({ plan, way, landed, scale, mover }: Moving, step: Step, to: Target | null): Operation[] | null {
    const written = plan.steps.find(({ id }) => id === step.id);
    if (mover === null || written?.kind !== mover.kind) return null;
    const by: unknown = written[mover.field];
    if (Array.isArray(by)) {
        const value = by.map((one: unknown, axis) => (typeof one === 'number' ? tellable(one + (way[axis] ?? 0), to === null ? scale : scale * 1e4) : `(${String(one)}) + ${tellable(way[axis] ?? 0, scale)}`));
        return [{ op: 'set', id: step.id, field: mover.field, value }];
    }
    return [{ op: 'set', id: step.id, field: 'to', value: movedBy(written['to'], landed?.way ?? way, to === null ? scale : scale * 1e4) }];
}
