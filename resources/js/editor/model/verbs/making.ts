import type { Kind, Offer, Operation } from '../../../api/client';
import { type Pick, stepIn } from '../pick/Picking';
import { partShape } from '../scene/geometry';
import { stepOf } from '../scene/steps';
import { filled, overPicture } from './presets';
import { type Bench, nameOf, nested, type Verb, withNested } from './verb';

export const NEW_PART = '+part';

/** The picked places as the fields of the offer take them: all in one, or one each. */
export function fromPoints(kind: Kind, offer: Offer, pick: Pick): Record<string, unknown> {
    if (offer.before.length > 0) return {};
    const raws = pick.points.map((point) => point.raw);
    const fields = (offer.takes ?? '').split('+');
    const [first = ''] = fields;
    const takesAll = fields.length === 1 && kind.fields.find((field) => field.name === first)?.type === 'places';
    return takesAll ? { [first]: raws } : Object.fromEntries(fields.map((field, k) => [field, raws[k]]));
}

/** `centre`, `point on it`; `the first corner`, `the opposite corner` */
function placesOf(kind: Kind, { takes }: Offer): string[] {
    const fields = (takes ?? '').split('+').map((name) => kind.fields.find((field) => field.name === name));
    const [first] = fields;
    return fields.length === 1 && first?.type === 'places' ? (first.each ?? []) : fields.map((field) => `the ${field?.label ?? 'place'}`);
}

export function fromParts(bench: Bench, kind: Kind, offer: Offer, ids: string[], first: (() => Operation) | null): Verb {
    const takes = offer.takes ?? 'of';
    const grid = ids[0] === NEW_PART ? [...bench.pick.cells.keys()][0] : ids[0];
    return verb(kind, offer, bench, grid ?? null, (step) => {
        if (offer.each !== null) return forEach(bench, offer, takes, ids, step);
        // A look that the same parts have already is changed, not said twice.
        const twin = first !== null || offer.replaces === null ? undefined : twinOf(bench, kind.kind, takes, ids, offer.replaces);
        if (twin !== undefined) {
            return offer.asks.map((field) => ({ op: 'set' as const, id: twin, field, value: nested(step, field) }));
        }
        return [...(first === null ? [] : [first()]), ...withOthers(bench, offer, { ...step, ...taken(kind, takes, ids) }, grid ?? null)];
    });
}

/** The step of an offer, with those that are made before and behind it. */
export function withOthers(bench: Bench, offer: Offer, said: Record<string, unknown>, near: string | null): Operation[] {
    const add = (step: unknown): Operation => ({ op: 'add', step: step as Record<string, unknown> });
    const alone = offer.next.length === 0 && offer.before.length === 0 && offer.from !== 'parts' && offer.from !== 'guides';
    const before = offer.before.map((one) => add(placed(filled(one, bench, near), bench.pick)));
    return [
        ...before,
        add(alone ? said : { ...said, id: '+new' }),
        ...offer.next.map((next) => add(answered(filled(next, bench, near), said))),
    ];
}

/** `{point:2}` as the second of the picked places. */
function placed(value: unknown, pick: Pick): unknown {
    if (value !== null && typeof value === 'object')
        return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, placed(one, pick)]));
    const point = typeof value === 'string' ? /^\{point:(\d)\}$/.exec(value)?.[1] : undefined;
    return point === undefined ? value : pick.points[Number(point) - 1]?.raw;
}

/** A step for each of several parts, with their names in it. */
function forEach(bench: Bench, offer: Offer, takes: string, ids: string[], step: Record<string, unknown>): Operation[] {
    const centre = (id: string): [number, number] => {
        const [left = 0, top = 0, right = 0, bottom = 0] = partShape(stepOf(bench.scene, stepIn(id))?.geometry)?.data.measures.bounds ?? [];
        return [(left + right) / 2, (top + bottom) / 2];
    };
    const far = (axis: 0 | 1): number => Math.max(...ids.map((id) => centre(id)[axis])) - Math.min(...ids.map((id) => centre(id)[axis]));
    const down = offer.each === 'between' && far(1) > far(0);
    const inOrder = offer.each === 'between' ? [...ids].sort((a, b) => centre(a)[down ? 1 : 0] - centre(b)[down ? 1 : 0]) : ids;
    const last = inOrder.length - 1;
    const names: Record<string, string> = { first: inOrder[0] ?? '', last: inOrder[last] ?? '' };
    return inOrder.slice(1, offer.each === 'between' ? last : undefined).map((id, k): Operation => {
        const said = inserted(step, { ...names, this: id, share: `${k + 1}/${last}` }, down) as Record<string, unknown>;
        return { op: 'add', step: { ...said, [takes]: [id] } };
    });
}

function inserted(value: unknown, names: Record<string, string>, turned: boolean): unknown {
    if (Array.isArray(value)) return value.map((one) => inserted(one, names, turned));
    if (typeof value === 'string') return value.replace(/\{([a-z]+)\}/g, (text, name: string) => names[name] ?? text);
    if (value === null || typeof value !== 'object') return value;
    const swapped: Record<string, string> = turned ? { column: 'row', row: 'column' } : {};
    return Object.fromEntries(Object.entries(value).map(([key, one]) => [swapped[key] ?? key, inserted(one, names, turned)]));
}

/**
 * A step that is made right behind another, with what was answered for that one in it; what stands behind a star is a list within a list.
 */
function answered(next: unknown, step: Record<string, unknown>): unknown {
    if (Array.isArray(next))
        return next.flatMap((one) =>
            typeof one === 'string' && one.endsWith('*}') ? (nested(step, one.slice(1, -2)) as unknown[]) : [answered(one, step)],
        );
    if (next !== null && typeof next === 'object')
        return Object.fromEntries(Object.entries(next).map(([key, one]) => [key, answered(one, step)]));
    const field = typeof next === 'string' ? /^\{([a-z]+)\}$/.exec(next)?.[1] : undefined;
    return field === undefined ? next : nested(step, field);
}

/** The picked steps as the fields take them: the first in the first field, the rest in the second; in a field for one step only one. */
export function taken(kind: Kind, takes: string, ids: string[]): Record<string, unknown> {
    const [first = '', rest] = takes.split('+');
    const isStep = (name: string): boolean => kind.fields.find((field) => field.name === name)?.type === 'step';
    // One step in the second place is the one that was picked last.
    if (rest !== undefined && isStep(rest)) return { [first]: ids.slice(0, -1), [rest]: ids.at(-1) };
    const one = isStep(first);
    return { [first]: one ? ids[0] : rest === undefined ? ids : ids.slice(0, 1), ...(rest === undefined ? {} : { [rest]: ids.slice(1) }) };
}

export function verb(
    kind: Kind,
    offer: Offer,
    bench: Bench,
    near: string | null,
    build: (step: Record<string, unknown>) => Operation[],
): Verb {
    const start: Record<string, unknown> = {};
    const fits = {
        ...(filled(offer.preset, bench, near) as Record<string, unknown>),
        ...(offer.from === 'ground' ? overPicture(bench.scene, offer.preset) : {}),
    };
    // What nothing fits is not said.
    const preset = Object.fromEntries(Object.entries(fits).filter(([, value]) => value !== null));
    for (const field of offer.asks) {
        start[field] = nested(preset, field) ?? kind.fields.find((one) => one.name === field)?.default ?? null;
    }
    return {
        name: nameOf(kind, offer),
        label: offer.label,
        family: offer.family,
        key: offer.key,
        picture: offer.picture,
        says: offer.says,
        kind,
        asks: offer.asks,
        start,
        from: offer.from,
        cuts: kind.makes === 'overlay',
        needs: 0,
        wants: null,
        full: false,
        places: offer.from === 'points' ? placesOf(kind, offer) : [],
        bends:
            offer.from === 'points' && offer.most > offer.least
                ? (kind.fields.find((field) => field.type === 'bends')?.name ?? null)
                : null,
        operations: (answers) => {
            let step: Record<string, unknown> = { kind: kind.kind, ...preset };
            for (const [field, value] of Object.entries(answers)) {
                // What is so anyway need not be said.
                const usual = kind.fields.find((one) => one.name === field)?.default ?? null;
                if (usual !== null && nested(preset, field) === undefined && JSON.stringify(value) === JSON.stringify(usual)) continue;
                step = withNested(step, field, value);
            }
            return build(step);
        },
    };
}

/** The step that says the same of the same already; one that speaks later of what they are part of, or made of, covers it. */
function twinOf({ page, scene }: Bench, kind: string, takes: string, ids: string[], field: string): string | undefined {
    const under = (all: string[]): Set<string> => {
        const found = new Set<string>();
        for (let open = all.map(stepIn); open.length > 0; ) {
            const id = open.pop() ?? '';
            if (!found.has(id)) open.push(...(stepOf(scene, id)?.of ?? []));
            found.add(id);
        }
        return found;
    };
    const mine = under(ids);
    const said = page.plan.steps.filter((step) => step.kind === kind && nested(step, field) !== undefined && Array.isArray(step[takes]));
    const last = said.findLast((step) => {
        const names = (step[takes] as unknown[]).filter((one): one is string => typeof one === 'string');
        return names.some((name) => mine.has(stepIn(name))) || ids.some((id) => under(names).has(stepIn(id)));
    });
    return last !== undefined && JSON.stringify(last[takes]) === JSON.stringify(ids) ? last.id : undefined;
}
