import type { Handles, Kind, Operation, Plan, Schemas, Step } from '../../api/client';
import { tellable } from './pick/hover';

export type Pull = Schemas['Pull'];

type Place = [number, number];

/** Where something is dragged to: how a plan writes the place, if it is one of the construction, and where it lies. */
export interface Target {
    raw: unknown;
    at: Place;
}

/** Something of a step that can be taken hold of: a place that it says, or what a number of it is pulled by. */
export interface Handle {
    key: string;
    field: string;
    /** What of the field is meant; all where it is empty. */
    path: (string | number)[];
    label: string;
    /** What is said before the number while it is dragged: `radius`. */
    what: string;
    at: Place;
    pull: Pull | null;
}

/** The place that a shape lies around. */
export function isCentre({ field, pull }: Handle): boolean {
    return field === 'center' && pull === null;
}

/** What of a step can be taken hold of, in the order of its fields. */
export function handlesOf(step: Pick<Step, 'label'>, { at, pulls }: Handles, kind: Kind | undefined): Handle[] {
    const fields = kind?.fields ?? [];
    const places = fields.flatMap((field) => {
        const flat = at[field.name] ?? [];
        return Array.from({ length: Math.floor(flat.length / 2) }, (_, k): Handle => {
            const what = field.handle === 'places' ? `${single(field.label)} ${k + 1}` : field.label;
            const path = field.handle === 'places' ? [k] : [];
            return {
                key: [field.name, ...path].join(' '),
                field: field.name,
                path,
                label: `${what} of ${step.label}`,
                what,
                at: [flat[2 * k] ?? 0, flat[2 * k + 1] ?? 0],
                pull: null,
            };
        });
    });
    const pulled = pulls.map((pull): Handle => {
        const label = fields.find((field) => field.name === pull.field)?.label ?? pull.field;
        const [index] = pull.path;
        const what = pull.called ?? `${pull.sort === 'bulge' ? 'bulge' : single(label)}${typeof index === 'number' && pull.sort !== 'place' ? ` ${index + 1}` : ''}`;
        const [x = 0, y = 0] = pull.at;
        return {
            key: `pull ${[pull.field, ...pull.path, ...(pull.side == null ? [] : [`side ${pull.side}`])].join(' ')}`,
            field: pull.field,
            path: pull.path,
            label: `${what} of ${step.label}`,
            what,
            at: [x, y],
            pull,
        };
    });
    return [...places, ...pulled];
}

/**
 * What the field comes to, or what of it is meant, when its handle is at a place. Where nothing of the construction is meant, it has no
 * more digits than can be told apart.
 */
export function valueAt({ pull }: Handle, { raw, at }: Target, scale: number): unknown {
    if (pull === null || pull.sort === 'place') return raw;
    const free = Array.isArray(raw);
    const rounded = (value: number): number => (free ? tellable(value, scale) : Number(value.toFixed(6)));
    const [fx = 0, fy = 0] = pull.from;
    const [tx = 0, ty = 0] = pull.to;
    const [dx, dy] = [at[0] - fx, at[1] - fy];
    const [ux, uy] = [tx - fx, ty - fy];
    const square = ux * ux + uy * uy || 1;
    switch (pull.sort) {
        case 'distance':
            return rounded(Math.hypot(dx, dy));
        case 'along':
            if (pull.step != null) return Number((Math.round((dx * ux + dy * uy) / square / pull.step) * pull.step).toFixed(6));
            return free && square > 1.5 ? Number(((dx * ux + dy * uy) / square).toFixed(3)) : rounded((dx * ux + dy * uy) / square);
        case 'angle': {
            const angle = (Math.atan2(dy, dx) * 180) / Math.PI - pull.zero;
            const turned = ((((angle + 180) % 360) + 360) % 360) - 180;
            return free ? Math.round(turned) : Number(turned.toFixed(6));
        }
        case 'vector': {
            const [cos, sin] = [Math.cos((pull.zero * Math.PI) / 180), Math.sin((pull.zero * Math.PI) / 180)];
            return [rounded(dx * cos + dy * sin), rounded(dy * cos - dx * sin)];
        }
        case 'side':
            return frameSaid(reframed(pull, Number(((dx * ux + dy * uy) / square).toFixed(free ? 3 : 6))));
        case 'bulge': {
            const height = ((at[0] - (fx + tx) / 2) * uy - (at[1] - (fy + ty) / 2) * ux) / square;
            return Number((2 * height).toFixed(free ? 2 : 6));
        }
    }
}

/** What a side of a frame keeps of the opposite one, in shares of what is framed. */
const THINNEST = 0.01;

/** A frame with one of its sides elsewhere, in shares of the way over all that is framed. */
function reframed({ frame, side }: Pull, share: number): number[] {
    const [left = 0, top = 0, width = 1, height = 1] = frame ?? [];
    const ends = [left, top, left + width, top + height];
    const own = side ?? 0;
    const opposite = ends[(own + 2) % 4] ?? 0;
    ends[own] = own < 2 ? Math.max(0, Math.min(share, opposite - THINNEST)) : Math.min(1, Math.max(share, opposite + THINNEST));
    const [a = 0, b = 0, c = 1, d = 1] = ends;
    return [a, b, c - a, d - b].map((one) => Number(one.toFixed(6)));
}

/** A side's handle taken so far over the sheet, as far as the side goes that way. */
export function sideTaken(pull: Pull, [x, y]: Place): Pull {
    const [way, at] = [minus(pull.to, pull.from), minus(pull.at, pull.from)];
    const square = way[0] ** 2 + way[1] ** 2 || 1;
    const frame = reframed(pull, ((at[0] + x) * way[0] + (at[1] + y) * way[1]) / square);
    const [left = 0, top = 0, width = 1, height = 1] = frame;
    const share = [left, top, left + width, top + height][pull.side ?? 0] ?? 0;
    return { ...pull, frame, at: [(pull.from[0] ?? 0) + share * way[0], (pull.from[1] ?? 0) + share * way[1]] };
}

/** What the field says of a frame: nothing where it is all that is framed. */
export function frameSaid(frame: readonly number[] | null | undefined): number[] | null {
    return frame == null || frame.join() === '0,0,1,1' ? null : [...frame];
}

function minus(a: readonly number[], b: readonly number[]): Place {
    return [(a[0] ?? 0) - (b[0] ?? 0), (a[1] ?? 0) - (b[1] ?? 0)];
}

/** A value with something inside it set; lists become as long as that needs. */
export function withIn(value: unknown, [key, ...rest]: (string | number)[], inner: unknown): unknown {
    if (key === undefined) return inner;
    if (typeof key === 'number') {
        const list: unknown[] = Array.isArray(value) ? value : [];
        return Array.from({ length: Math.max(list.length, key + 1) }, (_, k) =>
            k === key ? withIn(list[k], rest, inner) : (list[k] ?? null),
        );
    }
    // A bend is of one sort; another one takes its place.
    const kept = value !== null && typeof value === 'object' && !Array.isArray(value) && (key in value || 'gradient' in value) ? value : {};
    return { ...kept, [key]: withIn((kept as Record<string, unknown>)[key], rest, inner) };
}

export function inside(value: unknown, path: (string | number)[]): unknown {
    return path.reduce<unknown>(
        (found, key) => (found !== null && typeof found === 'object' ? (found as Record<string | number, unknown>)[key] : undefined),
        value,
    );
}

/** What the plan says for a field of a step, or what it says where the plan says nothing. */
export function said(plan: Plan, step: string, kind: Kind | undefined, field: string): unknown {
    const [outer = '', ...rest] = field.split('.');
    return inside(plan.steps.find((one) => one.id === step)?.[outer], rest) ?? kind?.fields.find((one) => one.name === field)?.default;
}

/** The changes that put handles of a step where they were dragged, one for each field. */
export function moved(plan: Plan, step: Step, kind: Kind | undefined, drags: [Handle, unknown][]): Operation[] {
    const values = new Map<string, unknown>();
    for (const [{ field, path }, value] of drags) {
        const before = values.has(field) ? values.get(field) : said(plan, step.id, kind, field);
        values.set(field, withIn(before, path, value));
    }
    return [...values].map(([field, value]) => ({ op: 'set', id: step.id, field, value }));
}

/** A place moved by a way, as a plan writes it: what it was said by stays in it. */
export function movedBy(raw: unknown, way: readonly [number, number], scale: number): unknown {
    const told = way.map((one) => tellable(one, scale));
    if (Array.isArray(raw)) return raw.map((one: unknown, k) => sum(one, told[k] ?? 0, scale));
    if (raw !== null && typeof raw === 'object' && 'by' in raw && Array.isArray(raw.by))
        return { ...raw, by: raw.by.map((one: unknown, k) => sum(one, told[k] ?? 0, scale)) };
    return { of: raw, by: told };
}

/** Numbers are added up; what hangs on a name goes on hanging on it. */
function sum(one: unknown, more: number, scale: number): unknown {
    if (typeof one === 'number') return tellable(one + more, scale);
    return more === 0 ? one : `(${String(one)}) + ${String(more)}`.replace('+ -', '- ');
}

/** How long on the screen the way has to be whose middle can be taken hold of beside its ends, in pixels. */
const LEAST_WAY = 44;

/** Whether there is room for it: in the middle of a short way its ends lie. */
export function hasRoom({ pull }: Handle, scale: number): boolean {
    return (
        pull?.sort !== 'bulge' ||
        Math.hypot((pull.to[0] ?? 0) - (pull.from[0] ?? 0), (pull.to[1] ?? 0) - (pull.from[1] ?? 0)) * scale >= LEAST_WAY
    );
}

/** The changes that put a point on the way that a handle bends; an arc is cut in two arcs of the same circle. */
export function withPoint(
    plan: Plan,
    step: Step,
    kind: Kind | undefined,
    { pull, field, path, at }: Handle,
    scale: number,
): Operation[] | null {
    const [way] = path;
    if (pull?.between == null || typeof way !== 'number') return null;
    const points = list(said(plan, step.id, kind, pull.between));
    const bends = list(said(plan, step.id, kind, field));
    const bulge = inside(bends, [way, 'bulge']);
    // The bulge is the tangent of a quarter of the arc's turn.
    const half = typeof bulge === 'number' ? { bulge: Number(Math.tan(Math.atan(bulge) / 2).toFixed(9)) } : null;
    const place = half === null ? at.map((one) => tellable(one, scale)) : at;
    const padded = Array.from({ length: Math.max(bends.length, way + 1) }, (_, k) => bends[k] ?? null);
    return [
        { op: 'set', id: step.id, field: pull.between, value: points.toSpliced(way + 1, 0, place) },
        ...(bends.length === 0 ? [] : [{ op: 'set' as const, id: step.id, field, value: padded.toSpliced(way, 1, half, half) }]),
    ];
}

/** The changes that take a point out, with the way that it begins. */
export function withoutPoint(
    plan: Plan,
    step: Step,
    { pulls }: Handles,
    kind: Kind | undefined,
    { field, path }: Handle,
): Operation[] | null {
    const [index] = path;
    const bent = pulls.find((pull) => pull.between === field);
    if (bent === undefined || typeof index !== 'number') return null;
    const points = list(said(plan, step.id, kind, field));
    const bends = list(said(plan, step.id, kind, bent.field));
    return [
        ...(index < bends.length
            ? [{ op: 'set' as const, id: step.id, field: bent.field, value: bends.length === 1 ? null : bends.toSpliced(index, 1) }]
            : []),
        { op: 'set', id: step.id, field, value: points.toSpliced(index, 1) },
    ];
}

function list(value: unknown): unknown[] {
    return Array.isArray(value) ? value : [];
}

/** `corner` of `corners`; `radius` stays. */
function single(label: string): string {
    return label.replace(/xes$/, 'xis').replace(/([^su])s$/, '$1');
}

/**
 * SVG path data of what a handle is about, with it dragged to a place: the circle of a radius, the arc of a bulge, the ways to the points
 * beside it.
 */
export function roughly(handle: Handle, handles: Handle[], at: Place, seen: (place: Place) => Place): string {
    const to = seen(at);
    const { pull } = handle;
    if (pull === null || pull.sort === 'place') {
        const [index] = handle.path;
        const beside = handles.filter(
            ({ pull: other, field, path }) => other === null && field === handle.field && Math.abs(Number(path[0]) - Number(index)) === 1,
        );
        return beside.map((one) => `M${seen(one.at).join(' ')}L${to.join(' ')}`).join('');
    }
    const from = seen([pull.from[0] ?? 0, pull.from[1] ?? 0]);
    const end = seen([pull.to[0] ?? 0, pull.to[1] ?? 0]);
    switch (pull.sort) {
        case 'distance': {
            const radius = Math.hypot(to[0] - from[0], to[1] - from[1]);
            return `M${from.join(' ')}L${to.join(' ')}M${from[0] - radius} ${from[1]}a${radius} ${radius} 0 1 0 ${2 * radius} 0a${radius} ${radius} 0 1 0 ${-2 * radius} 0`;
        }
        case 'bulge': {
            const bulge = Number(valueAt(handle, { raw: [], at }, 1));
            const half = Math.hypot(end[0] - from[0], end[1] - from[1]) / 2;
            if (Math.abs(bulge) < 0.01) return `M${from.join(' ')}L${end.join(' ')}`;
            const radius = (half * (1 + bulge ** 2)) / (2 * Math.abs(bulge));
            return `M${from.join(' ')}A${radius} ${radius} 0 ${Math.abs(bulge) > 1 ? 1 : 0} ${bulge > 0 ? 1 : 0} ${end.join(' ')}`;
        }
        default:
            return `M${from.join(' ')}L${to.join(' ')}`;
    }
}
