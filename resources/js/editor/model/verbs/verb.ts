import type { Kind, Offer, Operation, Scene, SheetPage } from '../../../api/client';
import type { Pick, Picking } from '../pick/Picking';

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
    /** What else is answered by an answer. */
    follow?: (before: Record<string, unknown>, after: Record<string, unknown>) => Record<string, unknown>;
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

export interface Bench {
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

/** By which a verb is known again with another pick. */
export function nameOf(kind: Kind, { label }: { label: string }): string {
    return `${kind.kind} ${label}`;
}

export function offers(kinds: Kind[], from: Offer['from']): [Kind, Offer][] {
    return kinds.flatMap((kind) => kind.offers.filter((offer) => offer.from === from).map((offer): [Kind, Offer] => [kind, offer]));
}

export function plainVerb(name: string, label: string, says: string, family: Family, key: number, operations: () => Operation[]): Verb {
    return {
        name,
        label,
        says,
        family,
        key,
        asks: [],
        start: {},
        from: 'cells',
        needs: 0,
        wants: null,
        full: false,
        bends: null,
        places: [],
        operations,
    };
}

/** What was answered otherwise than the verb began with, to be answered so again with another pick. */
export function answeredAnew(verb: Verb, answers: Record<string, unknown>): Record<string, unknown> {
    return Object.fromEntries(
        Object.entries(answers).filter(([field, value]) => JSON.stringify(value) !== JSON.stringify(verb.start[field])),
    );
}

export function nested(from: Record<string, unknown>, field: string): unknown {
    return field
        .split('.')
        .reduce<unknown>(
            (value, key) => (value !== null && typeof value === 'object' ? (value as Record<string, unknown>)[key] : undefined),
            from,
        );
}

export function withNested(into: Record<string, unknown>, field: string, value: unknown): Record<string, unknown> {
    const [key = '', ...rest] = field.split('.');
    const inner = rest.length === 0 ? value : withNested((into[key] as Record<string, unknown> | undefined) ?? {}, rest.join('.'), value);
    const others = Object.fromEntries(Object.entries(into).filter(([one]) => one !== key));
    return inner === null || inner === undefined || inner === false ? others : { ...others, [key]: inner };
}
