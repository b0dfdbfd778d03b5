import type { Kind, Offer, Operation, Scene, SheetPage, Step } from '../../../api/client';
import { boxOf, pixelsOf, shareOf } from './shares';
import { gridUnder, stepOf } from '../scene/steps';
import { gridShape, imageShape, partShape } from '../scene/geometry';
import { ownerOf } from '../pick/owner';
import { writtenOn } from '../paint/Picture';
import { paintingOf } from '../paint/painting';
import { POINT_VERBS, pointVerbs } from './pointVerbs';
import { dissected, type Pick, type Picking, stepIn } from '../pick/Picking';

export type Family = Offer['family'];

/** In the order of the keys that open them. */
export const FAMILIES: Family[] = ['make', 'guide', 'shape', 'combine', 'copy', 'place', 'look', 'measure', 'order'];

/** What the bar shows together: a family, or, before anything is picked, what can be drawn. */
export type Group = Family | 'shapes' | 'lines' | 'grids';

/** What can be drawn before anything is picked, in the order in which it stands there. */
export const DRAWN: Group[] = ['shapes', 'lines', 'grids'];

/** A verb as the bar shows it. One with `asks` opens its questions first; the others are done at once. */
export interface Verb {
    /** By which it is known again with another pick. */
    name: string;
    label: string;
    family: Family;
    /** Where it stands, when not in its family. */
    group?: Group;
    /** Its number in its family; beyond nine it stands behind the tenth place, and has what is left of it less ten. */
    key: number;
    picture?: string | null;
    /** In one line what it does. */
    says: string;
    kind?: Kind;
    asks: string[];
    /** The operations for the given answers, by field name. */
    operations: (answers: Record<string, unknown>) => Operation[];
    /** What the questions begin with. */
    start: Record<string, unknown>;
    /** From what it is made; null where it is for the pick at hand only. */
    from: Offer['from'] | null;
    /** The first step of the chapter that is worked on afterwards. */
    opens?: string;
    /** The repeat in whose sectors is drawn from then on. */
    drawsIn?: string;
    /** Whether what it makes has cells, which are picked next. */
    cuts?: boolean;
    /** How many more have to be picked before it can be done, and how that is asked for. */
    needs: number;
    wants: string | null;
    /** Whether it takes no more than is picked. */
    full: boolean;
    /** The field for bends of the ways between the points that it takes. */
    bends: string | null;
    /** What the places that it takes are called, one after another, where they are said one by one. */
    places: readonly string[];
}

export function groupOf({ group, family }: Verb): Group {
    return group ?? family;
}

interface Bench {
    page: SheetPage;
    scene: Scene;
    kinds: Kind[];
    pick: Pick;
    picking: Picking;
    selected: string | null;
    colour: string | null;
    /** The verb that is asked for: it is there whatever else would stand in its place. */
    asked?: string | undefined;
}

const NEW_PART = '+part';

/** The verbs that fit the present pick, and those for which more has to be picked. All that make a step come from what its kind offers. */
export function verbsFor(bench: Bench): Verb[] {
    const { pick, kinds } = bench;
    if (pick.mode === 'parts' && pick.parts.length > 0) {
        const areCopies = pick.parts.every((name) => name.includes('['));
        const suiting = offers(kinds, 'parts').filter(([, offer]) => (areCopies || !offer.copies) && (offer.only === null || pick.parts.every((id) => stepOf(bench.scene, stepIn(id))?.kind === offer.only)));
        const open = pick.parts.length === 1 ? opening(bench.scene, stepIn(pick.parts[0] ?? '')) : null;
        const inside = pick.parts.length === 1 ? drawingIn(bench.scene, stepIn(pick.parts[0] ?? '')) : null;
        return [...enough(suiting, pick.parts.length, bench.asked, (kind, offer) => fromParts(bench, kind, offer, [...pick.parts], null)), ...[open, inside].filter((one) => one !== null)];
    }
    if (pick.mode === 'cells' && pick.count > 0) {
        return fromCells(bench);
    }
    if (pick.mode === 'points' && pick.points.length > 0) {
        const made = enough(offers(kinds, 'points').filter(([kind, offer]) => isThere(offer, bench) && (!offer.into || ownerIs(bench, kind))), pick.points.length, bench.asked, (kind, offer) => offer.into ? intoOwner(bench, kind, offer) : fromPicked(bench, kind, offer));
        return [...made, ...pointVerbs(pick, bench.selected)];
    }
    if (pick.mode === 'lines' && pick.lines.length > 0) {
        const suiting = offers(kinds, 'guides').filter(([kind, offer]) => suits(kind, offer, bench) && isThere(offer, bench));
        const fit = fitting(bench);
        const made = enough(suiting, pick.lines.length, bench.asked, (kind, offer) =>
            verb(kind, offer, bench, pick.lines[0] ?? null, (step) => [{ op: 'add', step: { ...step, ...taken(kind, offer.takes ?? 'of', inPlanOrder(bench.page, pick.lines)) } }]),
        );
        return fit === null ? made : [...made, fit];
    }
    const onGround = offers(kinds, 'ground').map(([kind, offer]): Verb => ({ ...verb(kind, offer, bench, null, (step) => [{ op: 'add', step }]), group: 'grids' }));
    const said = bench.asked === undefined ? [] : saidFirst(bench, bench.asked);
    return [...onGround, ...drawable(bench), ...said];
}

/** In which group stands what is drawn from places before any are picked. */
const GROUP_OF: Partial<Record<Family, Group>> = { make: 'shapes', guide: 'lines' };

/** What is drawn from places, said before any of them is picked; of several at one number the one that is done by a single pull. */
function drawable(bench: Bench): Verb[] {
    const taken = new Set<string>();
    return offers(bench.kinds, 'points')
        .filter(([, offer]) => GROUP_OF[offer.family] !== undefined && !offer.into && isThere(offer, bench))
        .sort(([kind, a], [other, b]) => Number(nameOf(other, b) === bench.asked) - Number(nameOf(kind, a) === bench.asked) || Math.abs(a.least - 2) - Math.abs(b.least - 2))
        .filter(([, offer]) => !taken.has(place(offer)) && taken.add(place(offer)))
        .map(([kind, offer]): Verb => ({ ...fromPicked(bench, kind, offer), group: GROUP_OF[offer.family] ?? 'shapes', needs: offer.least, wants: wanted(kind, offer, 0) }));
}

function fromPicked(bench: Bench, kind: Kind, offer: Offer): Verb {
    return verb(kind, offer, bench, null, (step) => [{ op: 'add', step: { ...step, ...fromPoints(kind, offer, bench.pick) } }]);
}

/** The verb that was said with nothing picked that it could take; what it takes is asked for on the sheet. */
function saidFirst(bench: Bench, name: string): Verb[] {
    const { kinds } = bench;
    return kinds.flatMap((kind) =>
        kind.offers.filter((offer) => nameOf(kind, offer) === name && offer.from !== 'ground' && !(offer.from === 'points' && GROUP_OF[offer.family] !== undefined)).map((offer): Verb => {
            const made = offer.from === 'parts' ? fromParts(bench, kind, offer, [], null) : offer.from === 'points' ? fromPicked(bench, kind, offer) : verb(kind, offer, bench, null, () => []);
            return { ...made, needs: offer.least, wants: wanted(kind, offer, 0) };
        }),
    );
}

/** Lays the last picture so that it covers a grid. */
function fitting({ pick, page, scene }: Bench): Verb | null {
    const shape = pick.lines.length === 1 ? gridShape(stepOf(scene, pick.lines[0] ?? '')?.geometry) : undefined;
    const picture = scene.steps.findLast((step) => step.role === 'picture');
    const [wide = 1, high = 1] = imageShape(picture?.geometry)?.data.size ?? [];
    if (shape === undefined || picture === undefined || page.plan.steps.every((step) => step.id !== picture.id)) return null;
    return plainVerb(FIT_PICTURE.name, FIT_PICTURE.label, `Lays ${picture.label} so that it covers the grid.`, 'place', 7, () => {
        const [left, top, right, bottom] = shape.bounds();
        const width = Math.max(right - left, ((bottom - top) * wide) / high);
        return [
            { op: 'set', id: picture.id, field: 'at', value: [left, top] },
            { op: 'set', id: picture.id, field: 'width', value: width },
            { op: 'set', id: picture.id, field: 'turn', value: null },
        ];
    });
}

/** Those that take as many as are picked; and those that take more, as far as none of these stands at their number. */
function enough(all: [Kind, Offer][], count: number, asked: string | undefined, make: (kind: Kind, offer: Offer) => Verb): Verb[] {
    const fitting = all.filter(([, offer]) => offer.least <= count && count <= offer.most);
    const taken = new Set(fitting.map(([, offer]) => place(offer)));
    const wanting = all
        .filter(([, offer]) => offer.least > count)
        .sort(([, a], [, b]) => a.least - b.least)
        .filter(([kind, offer]) => nameOf(kind, offer) === asked || (!taken.has(place(offer)) && taken.add(place(offer))));
    return [
        ...fitting.map(([kind, offer]) => ({ ...make(kind, offer), full: offer.most === count })),
        ...wanting.map(([kind, offer]) => ({ ...make(kind, offer), needs: offer.least - count, wants: wanted(kind, offer, count) })),
    ];
}

/** By which a verb is known again with another pick. */
function nameOf(kind: Kind, { label }: { label: string }): string {
    return `${kind.kind} ${label}`;
}

/** Where an offer stands: in its family, at its number. */
function place({ family, key }: Offer): string {
    return `${family} ${key}`;
}

/** `point on it: pick one more point` */
function wanted(kind: Kind, { takes, from, least }: Offer, count: number): string {
    const fields = (takes ?? '').split('+');
    const next = fields.length > 1 ? kind.fields.find((field) => field.name === fields[Math.min(count, fields.length - 1)])?.label : undefined;
    const what = from === 'guides' ? 'lines' : from;
    const one = what.replace(/s$/, '');
    const more = count === 0 ? (least === 1 ? `a ${one}` : `${least} ${what}`) : least - count === 1 ? `one more ${one}` : `${least - count} more ${what}`;
    return `${next === undefined ? '' : `${next}: `}pick ${more}`;
}

function offers(kinds: Kind[], from: Offer['from']): [Kind, Offer][] {
    return kinds.flatMap((kind) => kind.offers.filter((offer) => offer.from === from).map((offer): [Kind, Offer] => [kind, offer]));
}

/** The picked places as the fields of the offer take them: all in one, or one each. */
function fromPoints(kind: Kind, offer: Offer, pick: Pick): Record<string, unknown> {
    const raws = pick.points.map((point) => point.raw);
    const fields = (offer.takes ?? '').split('+');
    const [first = ''] = fields;
    const takesAll = fields.length === 1 && kind.fields.find((field) => field.name === first)?.type === 'places';
    return takesAll ? { [first]: raws } : Object.fromEntries(fields.map((field, k) => [field, raws[k]]));
}

/** Whether the field that the pick goes into takes steps like the picked ones. */
function suits(kind: Kind, offer: Offer, bench: Bench): boolean {
    const { roles = [], kinds } = kind.fields.find((field) => field.name === offer.takes) ?? {};
    return bench.pick.lines.every((id) => {
        const step = stepOf(bench.scene, id);
        return roles.includes(step?.role ?? '') && (kinds === undefined || kinds.includes(step?.kind ?? ''));
    });
}

/** `centre`, `point on it`; `the first corner`, `the opposite corner` */
function placesOf(kind: Kind, { takes }: Offer): string[] {
    const fields = (takes ?? '').split('+').map((name) => kind.fields.find((field) => field.name === name));
    const [first] = fields;
    return fields.length === 1 && first?.type === 'places' ? (first.each ?? []) : fields.map((field) => `the ${field?.label ?? 'place'}`);
}

function inPlanOrder(page: SheetPage, ids: readonly string[]): string[] {
    return page.plan.steps.map((step) => step.id).filter((id) => ids.includes(id));
}

/** Paints the picked cells, grid by grid. */
function painting({ page, scene, pick, colour }: Bench, kind: Kind, takes: string, step: Record<string, unknown>): Operation[] {
    const asked = step[takes];
    const name = (asked !== null && typeof asked === 'object' ? Object.keys(asked)[0] : undefined) ?? colour ?? Object.keys(page.plan.palette)[0] ?? '#1b2140';
    return [...pick.cells].flatMap(([grid, addresses]): Operation[] => {
        const shape = gridShape(stepOf(scene, grid)?.geometry);
        const painted = paintingOf([kind], grid, shape, [...addresses].map((address) => [address, name]), writtenOn(scene, grid, shape));
        return painted === null ? [] : [painted];
    });
}

/** Whether it can lie on the grids of which cells are picked. */
function fitsGrids(kind: Kind, { pick, scene }: Bench): boolean {
    const kinds = kind.fields.find((field) => field.name === 'on')?.kinds;
    return kinds === undefined || [...pick.cells.keys()].every((grid) => kinds.includes(stepOf(scene, grid)?.kind ?? ''));
}

/** What is said by one or two cells: their columns and rows, in the field that takes them. */
function dotted(picking: Picking, takes: string, step: Record<string, unknown>): Operation[] {
    const [first = ''] = picking.addresses();
    const numbers = picking.addresses().flatMap((address) => (address.split('#')[1] ?? '').split(',').map(Number));
    const [outer = '', inner] = takes.split('.');
    const value = inner === undefined ? numbers : { ...(step[outer] as Record<string, unknown> | undefined), [inner]: numbers };
    return [{ op: 'add', step: { ...step, on: first.split('#')[0], [outer]: value } }];
}

function fromCells(bench: Bench): Verb[] {
    const { kinds, picking, page, scene, selected, pick } = bench;
    const verbs: Verb[] = [];
    const made = offers(kinds, 'cells').filter(([kind, offer]) => isThere(offer, bench) && fitsGrids(kind, bench));
    for (const [kind, offer] of made) {
        const takes = offer.takes ?? 'cells';
        const type = kind.fields.find((field) => field.name === takes)?.type;
        if (type === 'painted') {
            verbs.push(verb(kind, offer, bench, null, (step) => painting(bench, kind, takes, step)));
            continue;
        }
        if (type === 'span' || type === 'pair') {
            if (pick.count >= offer.least && pick.count <= offer.most && pick.cells.size === 1) verbs.push(verb(kind, offer, bench, null, (step) => dotted(picking, takes, step)));
            continue;
        }
        // What lies on a grid says which; what is made of cells of several needs none.
        const isOn = kind.fields.some((field) => field.name === 'on');
        if (isOn && pick.cells.size !== 1) continue;
        verbs.push(verb(kind, offer, bench, null, (step) => [{ op: 'add', step: { ...step, id: NEW_PART, ...(isOn ? { on: [...pick.cells.keys()][0] } : {}), [takes]: picking.addresses() } }]));
        const target = type === 'cells' && !isOn ? targetPart(page, scene, kind.kind, selected) : undefined;
        if (target !== undefined) {
            const present = (page.plan.steps.find((step) => step.id === target.id)?.[takes] as string[] | undefined) ?? [];
            const cells = expanded(scene, present);
            const set = (value: () => string[]) => () => [{ op: 'set' as const, id: target.id, field: takes, value: value() }];
            // Of cells by the ten thousand nothing is listed before it is asked for.
            verbs.push(plainVerb('add to', `Add to ${target.label}`, 'Puts the picked cells to those that the part has.', 'make', 2, set(() => [...new Set([...present, ...picking.addresses()])])));
            if (cells.some((address) => isPicked(pick, address)) && cells.some((address) => !isPicked(pick, address))) {
                verbs.push(plainVerb('take from', `Take from ${target.label}`, 'Takes the picked cells out of the part.', 'make', 3, set(() => cells.filter((address) => !isPicked(pick, address)))));
            }
        }
    }
    const [first] = made;
    if (first !== undefined) {
        const [kind, offer] = first;
        const makePart = (): Operation => ({ op: 'add', step: { kind: kind.kind, id: NEW_PART, [offer.takes ?? 'cells']: picking.addresses() } });
        for (const [other, one] of offers(kinds, 'parts')) {
            if (one.fromCells) verbs.push(fromParts(bench, other, one, [NEW_PART], makePart));
        }
    }
    return verbs;
}

function fromParts(bench: Bench, kind: Kind, offer: Offer, ids: string[], first: (() => Operation) | null): Verb {
    const takes = offer.takes ?? 'of';
    const grid = ids[0] === NEW_PART ? [...bench.pick.cells.keys()][0] : ids[0];
    return verb(kind, offer, bench, grid ?? null, (step) => {
        if (offer.each !== null) return forEach(bench, offer, takes, ids, step);
        // A look that the same parts have already is changed, not said twice.
        const twin = first !== null || offer.replaces === null ? undefined : twinOf(bench, kind.kind, takes, ids, offer.replaces);
        if (twin !== undefined) {
            return offer.asks.map((field) => ({ op: 'set' as const, id: twin, field, value: nested(step, field) }));
        }
        const said = { ...step, ...taken(kind, takes, ids) };
        const made: Operation[] = [...(first === null ? [] : [first()]), { op: 'add', step: { ...said, id: '+new' } }];
        return [...made, ...offer.next.map((next): Operation => ({ op: 'add', step: answered(next, said) as Record<string, unknown> }))];
    });
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

/** A step that is made right behind another, with what was answered for that one in it; what stands behind a star is a list within a list. */
function answered(next: unknown, step: Record<string, unknown>): unknown {
    if (Array.isArray(next)) return next.flatMap((one) => (typeof one === 'string' && one.endsWith('*}') ? (nested(step, one.slice(1, -2)) as unknown[]) : [answered(one, step)]));
    if (next !== null && typeof next === 'object') return Object.fromEntries(Object.entries(next).map(([key, one]) => [key, answered(one, step)]));
    const field = typeof next === 'string' ? /^\{([a-z]+)\}$/.exec(next)?.[1] : undefined;
    return field === undefined ? next : nested(step, field);
}

const LAST = /^\{last:([a-z.]+)\}$/;

/** Whether there are the steps that it begins with. */
function isThere({ preset }: Offer, { page, scene, pick }: Bench): boolean {
    if (JSON.stringify(preset).includes('"{owner}"') && ownerOf(scene, pick) === undefined) return false;
    const wanted = [...JSON.stringify(preset).matchAll(/"\{last:([a-z.]+)\}"/g)].map(([, kind]) => kind);
    return wanted.every((kind) => page.plan.steps.some((step) => step.kind === kind));
}

/** Whether the picked points lie on a step of a kind. */
function ownerIs({ scene, page, pick }: Bench, kind: Kind): boolean {
    const owner = ownerOf(scene, pick);
    return owner !== undefined && page.plan.steps.find((step) => step.id === owner)?.kind === kind.kind;
}

/** Puts the picked points into a field of the step that they lie on; those that are there come out. */
function intoOwner(bench: Bench, kind: Kind, offer: Offer): Verb {
    const owner = ownerOf(bench.scene, bench.pick) ?? '';
    const field = offer.takes ?? '';
    const made = verb(kind, offer, bench, null, () => {
        const present = (bench.page.plan.steps.find((step) => step.id === owner)?.[field] as unknown[] | undefined) ?? [];
        // What lies on the step itself cannot be named by it.
        const picked = bench.pick.points.map(({ raw, at }) => (typeof raw === 'string' && !raw.startsWith(owner) ? raw : at.map((one) => Math.round(one * 1000) / 1000)));
        const same = (one: unknown, other: unknown): boolean => JSON.stringify(one) === JSON.stringify(other);
        const value = [...present.filter((one) => !picked.some((other) => same(one, other))), ...picked.filter((one) => !present.some((other) => same(one, other)))];
        return [{ op: 'set', id: owner, field, value: value.length === 0 ? null : value }];
    });
    return made;
}

/** Draws in the sectors of a repeat, or in the cells of a pattern: what is drawn in any of them comes into the first one, and so into all. */
function drawingIn(scene: Scene, id: string): Verb | null {
    const step = stepOf(scene, id);
    if (step?.cell !== undefined) {
        return { ...plainVerb(DRAW_IN_CELLS.name, DRAW_IN_CELLS.label, 'What is drawn anywhere from now on is folded back into the cell that is shown, and so is drawn in all of them.', 'copy', 8, () => []), from: 'parts', drawsIn: id };
    }
    if (step?.sector === undefined) return null;
    return { ...plainVerb(DRAW_IN.name, DRAW_IN.label, 'What is drawn in any sector from now on is drawn in all of them; what reaches the edge closes with its neighbour.', 'copy', 8, () => []), from: 'parts', drawsIn: id };
}

/** Works on what stands in the place of a step: on the parts of a motif from any of its copies. They get a chapter of their own where they have none. */
function opening(scene: Scene, id: string): Verb | null {
    const inner = stepOf(scene, stepOf(scene, id)?.opens?.[0] ?? '');
    if (inner === undefined) return null;
    const [target, parts] = inner.opens === null ? [stepOf(scene, id) ?? inner, [inner.id]] : [inner, inner.opens.map(stepIn)];
    const positions = new Map(scene.steps.map((step, k) => [step.id, k]));
    let begin = Math.min(...parts.map((part) => positions.get(part) ?? Infinity));
    const queue = [...parts];
    for (let next = queue.pop(); next !== undefined; next = queue.pop()) {
        const below = (stepOf(scene, next)?.of ?? []).filter((one) => stepOf(scene, one)?.role === 'part');
        begin = Math.min(begin, ...below.map((one) => positions.get(one) ?? Infinity));
        queue.push(...below);
    }
    const from = scene.steps[begin]?.id;
    const after = scene.steps[(positions.get(target.id) ?? 0) + 1]?.id;
    if (from === undefined) return null;
    const section = scene.chapters.findLast((one) => (positions.get(one.from) ?? 0) <= begin);
    const name = target.label.slice(0, 1).toUpperCase() + target.label.slice(1);
    const operations: Operation[] = [
        ...(section?.from === from && section.named ? [] : [{ op: 'chapter' as const, from, name }]),
        ...(after === undefined || scene.chapters.some((one) => one.from === after && one.named) || (section?.from === from && section.named) ? [] : [{ op: 'chapter' as const, from: after, name: section === undefined ? 'Construction' : section.name }]),
    ];
    return { ...plainVerb('open', `Open ${target.label}`, 'Works on what is drawn once for all of its copies, which follow.', 'copy', 6, () => operations), from: 'parts', opens: from };
}

/** The picked steps as the fields take them: the first in the first field, the rest in the second; in a field for one step only one. */
function taken(kind: Kind, takes: string, ids: string[]): Record<string, unknown> {
    const [first = '', rest] = takes.split('+');
    const isStep = (name: string): boolean => kind.fields.find((field) => field.name === name)?.type === 'step';
    // One step in the second place is the one that was picked last.
    if (rest !== undefined && isStep(rest)) return { [first]: ids.slice(0, -1), [rest]: ids.at(-1) };
    const one = isStep(first);
    return { [first]: one ? ids[0] : rest === undefined ? ids : ids.slice(0, 1), ...(rest === undefined ? {} : { [rest]: ids.slice(1) }) };
}

function verb(kind: Kind, offer: Offer, bench: Bench, near: string | null, build: (step: Record<string, unknown>) => Operation[]): Verb {
    const start: Record<string, unknown> = {};
    const preset = { ...(filled(offer.preset, bench, near) as Record<string, unknown>), ...(offer.from === 'ground' ? overPicture(bench.scene, offer.preset) : {}) };
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
        bends: offer.from === 'points' && offer.most > offer.least ? (kind.fields.find((field) => field.type === 'bends')?.name ?? null) : null,
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

function plainVerb(name: string, label: string, says: string, family: Family, key: number, operations: () => Operation[]): Verb {
    return { name, label, says, family, key, asks: [], start: {}, from: 'cells', needs: 0, wants: null, full: false, bends: null, places: [], operations };
}

/** What can be done at all, with what is to be picked for it and the words by which people look for it. */
export interface Saying {
    name: string;
    label: string;
    family: Family;
    words: string[];
    from: Offer['from'];
    least: number;
}

const DRAW_IN: Saying = {
    name: 'draw-in', label: 'Draw in its sectors', family: 'copy', from: 'parts', least: 1,
    words: ['kaleidoscope', 'symmetry drawing', 'live mirror', 'draw in a wedge', 'fill the sectors', 'mandala'],
};

const DRAW_IN_CELLS: Saying = {
    name: 'draw-in-cells', label: 'Draw in its cells', family: 'copy', from: 'parts', least: 1,
    words: ['draw in a pattern', 'fundamental cell', 'live pattern', 'mirrors and glides', 'turning centres', 'edit the repeat'],
};

const FIT_PICTURE: Saying = {
    name: 'fit picture', label: 'Fit the picture', family: 'place', from: 'guides', least: 1,
    words: ['cover the grid', 'photo over the cells', 'scale the reference', 'align the image', 'lay the picture over'],
};

/** Every verb that there is, each once. */
export function sayings(kinds: Kind[]): Saying[] {
    const all = new Map<string, Saying>();
    for (const kind of kinds) {
        for (const { label, family, words, from, least } of kind.offers) {
            const name = nameOf(kind, { label });
            if (!all.has(name)) all.set(name, { name, label, family, words, from, least });
        }
    }
    all.set(DRAW_IN.name, DRAW_IN);
    all.set(DRAW_IN_CELLS.name, DRAW_IN_CELLS);
    all.set(FIT_PICTURE.name, FIT_PICTURE);
    for (const { name, label, family, words, least } of POINT_VERBS) all.set(name, { name, label, family, words, from: 'points', least });
    return [...all.values()];
}

/** What was answered otherwise than the verb began with, to be answered so again with another pick. */
export function answeredAnew(verb: Verb, answers: Record<string, unknown>): Record<string, unknown> {
    return Object.fromEntries(Object.entries(answers).filter(([field, value]) => JSON.stringify(value) !== JSON.stringify(verb.start[field])));
}

/** The part that cells are added to: the selected one, else the last. */
function targetPart(page: SheetPage, scene: Scene, kind: string, selected: string | null): Step | undefined {
    const parts = page.plan.steps.filter((step) => step.kind === kind);
    const chosen = parts.find((step) => step.id === selected) ?? parts.at(-1);
    return chosen === undefined ? undefined : stepOf(scene, chosen.id);
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

/** `{center}`, `{count}`, `{colour}` and the like of a preset, replaced by what fits. */
function filled(value: unknown, bench: Bench, near: string | null): unknown {
    if (Array.isArray(value)) return value.map((one) => filled(one, bench, near));
    if (value !== null && typeof value === 'object') {
        return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, filled(one, bench, near)]));
    }
    const grid = near === null ? undefined : gridUnder(bench.scene, stepIn(near));
    const about = gridShape(grid?.geometry)?.data.about;
    const share = typeof value === 'string' ? SHARE.exec(value) : null;
    if (share !== null) return shareOf(bench.scene, grid, Number(share[2]), share[1] === '-');
    switch (value) {
        case '{center}':
            return grid && about ? grid.id + about.center : (lastAround(bench)?.['center'] ?? ['sheet.width/2', 'sheet.height/2']);
        case '{count}':
            return grid && about ? grid.id + about.count : (lastAround(bench)?.['count'] ?? 6);
        case '{pixel}':
        case '{pixels across}':
        case '{pixels down}':
            return pixelsOf(bench.scene)[value];
        case '{centre}':
            return near === null ? ['sheet.width/2', 'sheet.height/2'] : middleOf(bench, near);
        case '{lines}':
            return bench.scene.steps.filter((step) => (step.role === 'grid' || step.role === 'guide') && !step.usedUp).map((step) => step.id);
        case '{span}/2':
            return spanOf(bench.pick) / 2;
        case '{owner}':
            return ownerOf(bench.scene, bench.pick);
        case '{near}':
            return bench.pick.near ?? besideOf(bench, near) ?? ['sheet.width/2', 'sheet.height/2'];
        case '{other}':
            return Object.keys(bench.page.plan.palette).find((name) => name !== (bench.colour ?? Object.keys(bench.page.plan.palette)[0])) ?? '#e5c78f';
        case '{colour}':
            return bench.colour ?? Object.keys(bench.page.plan.palette)[0] ?? '#1b2140';
        default: {
            const kind = typeof value === 'string' ? LAST.exec(value)?.[1] : undefined;
            if (kind === undefined) return typeof value === 'string' && near !== null ? value.replace('{first}.', `${stepIn(near)}.`) : value;
            return bench.page.plan.steps.findLast((step) => step.kind === kind)?.id;
        }
    }
}

/** `{share:8}`, `-{share:8}` */
const SHARE = /^(-?)\{share:([\d.]+)\}$/;

/** What was turned around a centre last. */
function lastAround({ page, scene }: Bench): Record<string, unknown> | undefined {
    const last = scene.steps.findLast((step) => step.sector !== undefined);
    return page.plan.steps.find((step) => step.id === last?.id);
}

/** A grid that says its corner and its size is laid over the picture that lies there. */
function overPicture(scene: Scene, preset: Record<string, unknown>): Record<string, unknown> {
    const box = 'origin' in preset && 'size' in preset ? boxOf(scene) : null;
    if (box === null) return {};
    const [left, top, right, bottom] = box;
    return { origin: [left, top], size: [Number((right - left).toFixed(3)), Number((bottom - top).toFixed(3))] };
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

const spelt = new WeakMap<readonly string[], { shapes: unknown[]; cells: string[] }>();

/** Addresses with their stars spelt out, as far as the grid is there. */
function expanded(scene: Scene, addresses: readonly string[]): string[] {
    const grids = [...new Set(addresses.map((address) => dissected(address)[0]))];
    const shapes = grids.map((grid) => gridShape(stepOf(scene, grid)?.geometry));
    const known = spelt.get(addresses);
    if (known !== undefined && known.shapes.every((shape, k) => shape === shapes[k])) return known.cells;
    const cells = addresses.flatMap((address) => {
        const [grid, mark, rest] = dissected(address);
        if (!rest.includes('*')) return [address];
        return (shapes[grids.indexOf(grid)]?.matching(rest) ?? []).map((one) => `${grid}${mark}${one}`);
    });
    spelt.set(addresses, { shapes, cells });
    return cells;
}

function isPicked(pick: Pick, address: string): boolean {
    const [grid, , rest] = dissected(address);
    return pick.cells.get(grid)?.has(rest) ?? false;
}

export function nested(from: Record<string, unknown>, field: string): unknown {
    return field.split('.').reduce<unknown>((value, key) => (value !== null && typeof value === 'object' ? (value as Record<string, unknown>)[key] : undefined), from);
}

function withNested(into: Record<string, unknown>, field: string, value: unknown): Record<string, unknown> {
    const [key = '', ...rest] = field.split('.');
    const inner = rest.length === 0 ? value : withNested((into[key] as Record<string, unknown> | undefined) ?? {}, rest.join('.'), value);
    const others = Object.fromEntries(Object.entries(into).filter(([one]) => one !== key));
    return inner === null || inner === undefined || inner === false ? others : { ...others, [key]: inner };
}
