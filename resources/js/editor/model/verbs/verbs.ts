import type { Kind, Offer, SheetPage } from '../../../api/client';
import { stepIn } from '../pick/Picking';
import { ownerOf } from '../pick/owner';
import { gridShape, imageShape } from '../scene/geometry';
import { stepOf } from '../scene/steps';
import { filling } from './fillingGrids';
import { fromCells } from './fromCells';
import { fromParts, fromPoints, taken, verb, withOthers } from './making';
import { drawingIn, opening } from './opening';
import { pointVerbs } from './pointVerbs';
import { isThere } from './presets';
import { FIT_PICTURE } from './sayings';
import { boxOf } from './shares';
import { spanning } from './spanningGrids';
import { type Bench, type Family, type Group, nameOf, offers, plainVerb, type Verb } from './verb';

/** The verbs that fit the present pick, and those for which more has to be picked. All that make a step come from what its kind offers. */
export function verbsFor(bench: Bench): Verb[] {
    const { pick, kinds } = bench;
    if (pick.mode === 'parts' && pick.parts.length > 0) {
        const areCopies = pick.parts.every((name) => name.includes('['));
        const suiting = offers(kinds, 'parts').filter(
            ([, offer]) =>
                (areCopies || !offer.copies) &&
                (offer.only === null || pick.parts.every((id) => stepOf(bench.scene, stepIn(id))?.kind === offer.only)),
        );
        const open = pick.parts.length === 1 ? opening(bench.scene, stepIn(pick.parts[0] ?? '')) : null;
        const inside = pick.parts.length === 1 ? drawingIn(bench.scene, stepIn(pick.parts[0] ?? '')) : null;
        return [
            ...enough(suiting, pick.parts.length, bench.asked, (kind, offer) => fromParts(bench, kind, offer, [...pick.parts], null)),
            ...[open, inside].filter((one) => one !== null),
        ];
    }
    if (pick.mode === 'cells' && pick.count > 0) {
        return fromCells(bench);
    }
    if (pick.mode === 'points' && pick.points.length > 0) {
        const made = enough(
            offers(kinds, 'points').filter(([kind, offer]) => isThere(offer, bench) && (!offer.into || ownerIs(bench, kind))),
            pick.points.length,
            bench.asked,
            (kind, offer) => (offer.into ? intoOwner(bench, kind, offer) : fromPicked(bench, kind, offer)),
        );
        return [...made, ...pointVerbs(pick, bench.selected)];
    }
    if (pick.mode === 'lines' && pick.lines.length > 0) {
        const suiting = offers(kinds, 'guides').filter(([kind, offer]) => suits(kind, offer, bench, pick.lines) && isThere(offer, bench));
        const fit = fitting(bench);
        const made = enough(suiting, pick.lines.length, bench.asked, (kind, offer) => fromLines(bench, kind, offer));
        return fit === null ? made : [...made, fit];
    }
    const onGround = offers(kinds, 'ground').map(([kind, offer]): Verb => {
        const made: Verb = { ...verb(kind, offer, bench, null, (step) => [{ op: 'add', step }]), group: 'grids' };
        if (boxOf(bench.scene) !== null) return made;
        return offer.fills !== null
            ? filling(made, kind, offer.fills, bench.scene)
            : offer.spans !== null
              ? spanning(made, kind, offer.spans, bench.scene)
              : made;
    });
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
        .sort(
            ([kind, a], [other, b]) =>
                Number(nameOf(other, b) === bench.asked) - Number(nameOf(kind, a) === bench.asked) ||
                Math.abs(a.least - 2) - Math.abs(b.least - 2),
        )
        .filter(([, offer]) => !taken.has(place(offer)) && taken.add(place(offer)))
        .map(([kind, offer]): Verb => ({
            ...fromPicked(bench, kind, offer),
            group: GROUP_OF[offer.family] ?? 'shapes',
            needs: offer.least,
            wants: wanted(kind, offer, 0),
        }));
}

function fromPicked(bench: Bench, kind: Kind, offer: Offer): Verb {
    return verb(kind, offer, bench, null, (step) => withOthers(bench, offer, { ...step, ...fromPoints(kind, offer, bench.pick) }, null));
}

function fromLines(bench: Bench, kind: Kind, offer: Offer): Verb {
    const { lines } = bench.pick;
    const [first = null] = lines;
    return verb(kind, offer, bench, first, (step) =>
        withOthers(bench, offer, { ...step, ...taken(kind, offer.takes ?? 'of', inPlanOrder(bench.page, lines)) }, first),
    );
}

/** The verb for the only grid or guide that there is of the kinds that it takes: which one is meant need not be asked. */
function forTheOnly(bench: Bench, kind: Kind, offer: Offer): Verb | null {
    if (offer.from !== 'guides' || offer.least !== 1 || kind.fields.find(({ name }) => name === offer.takes)?.kinds === undefined)
        return null;
    const [only, ...others] = bench.scene.steps.filter((step) => !step.hidden && !step.usedUp && suits(kind, offer, bench, [step.id]));
    return only === undefined || others.length > 0
        ? null
        : fromLines({ ...bench, pick: { ...bench.pick, mode: 'lines', lines: [only.id] } }, kind, offer);
}

/** The verb that was said with nothing picked that it could take; what it takes is asked for on the sheet. */
function saidFirst(bench: Bench, name: string): Verb[] {
    const { kinds } = bench;
    return kinds.flatMap((kind) =>
        kind.offers
            .filter(
                (offer) =>
                    nameOf(kind, offer) === name &&
                    offer.from !== 'ground' &&
                    !(offer.from === 'points' && GROUP_OF[offer.family] !== undefined),
            )
            .map((offer): Verb => {
                const only = forTheOnly(bench, kind, offer);
                if (only !== null) return only;
                const made =
                    offer.from === 'parts'
                        ? fromParts(bench, kind, offer, [], null)
                        : offer.from === 'points'
                          ? fromPicked(bench, kind, offer)
                          : verb(kind, offer, bench, null, () => []);
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

/** Where an offer stands: in its family, at its number. */
function place({ family, key }: Offer): string {
    return `${family} ${key}`;
}

/** `point on it: pick one more point` */
function wanted(kind: Kind, { takes, from, least }: Offer, count: number): string {
    const fields = (takes ?? '').split('+');
    const next =
        fields.length > 1 ? kind.fields.find((field) => field.name === fields[Math.min(count, fields.length - 1)])?.label : undefined;
    const what = from === 'guides' ? 'lines' : from;
    const one = what.replace(/s$/, '');
    const more =
        count === 0
            ? least === 1
                ? `a ${one}`
                : `${least} ${what}`
            : least - count === 1
              ? `one more ${one}`
              : `${least - count} more ${what}`;
    return `${next === undefined ? '' : `${next}: `}pick ${more}`;
}

/** Whether the field that the pick goes into takes steps like the picked ones. */
function suits(kind: Kind, offer: Offer, bench: Bench, lines: readonly string[]): boolean {
    const { roles = [], kinds } = kind.fields.find((field) => field.name === offer.takes) ?? {};
    return lines.every((id) => {
        const step = stepOf(bench.scene, id);
        return roles.includes(step?.role ?? '') && (kinds === undefined || kinds.includes(step?.kind ?? ''));
    });
}

function inPlanOrder(page: SheetPage, ids: readonly string[]): string[] {
    return page.plan.steps.map((step) => step.id).filter((id) => ids.includes(id));
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
        const picked = bench.pick.points.map(({ raw, at }) =>
            typeof raw === 'string' && !raw.startsWith(owner) ? raw : at.map((one) => Math.round(one * 1000) / 1000),
        );
        const same = (one: unknown, other: unknown): boolean => JSON.stringify(one) === JSON.stringify(other);
        const value = [
            ...present.filter((one) => !picked.some((other) => same(one, other))),
            ...picked.filter((one) => !present.some((other) => same(one, other))),
        ];
        return [{ op: 'set', id: owner, field, value: value.length === 0 ? null : value }];
    });
    return made;
}
