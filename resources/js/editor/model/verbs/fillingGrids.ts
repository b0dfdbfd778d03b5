import type { Field, Kind, Offer, Scene } from '../../../api/client';
import type { Verb } from './verb';

type Fills = NonNullable<Offer['fills']>;

const ROUND = 1e-9;

/** What a plan has no field for: it is said by where the grid begins and how large it is. */
export const MARGIN = {
    name: 'margin',
    label: 'margin',
    type: 'number',
    measure: 'length',
    required: false,
    default: null,
    when: null,
    handle: null,
    says: 'How much of the sheet is left all around.',
} as unknown as Field;

/** What is said of the cell as one length, also where a plan has two. */
function cellField(kind: Kind, { cell }: Fills): Field | undefined {
    const field = kind.fields.find(({ name }) => name === cell);
    return field === undefined || field.type === 'number'
        ? field
        : ({ ...MARGIN, name: cell, label: field.label, says: 'How large a cell is: as many as there is room for.' } as Field);
}

/** `40`, `sheet.width/20` is no number yet. */
function lengthIn(value: unknown): number | null {
    return typeof value === 'number' && value > 0 ? value : null;
}

export function saidBefore(answers: Record<string, unknown>): string[] {
    return Array.isArray(answers['said']) ? (answers['said'] as string[]) : [];
}

/**
 * A grid that is asked for by its cell, and has as many as there is room for, or by their count, and fills the sheet; all of it, or within
 * a margin.
 */
export function filling(made: Verb, kind: Kind, fills: Fills, scene: Scene): Verb {
    const { cell, over, across, down } = fills;
    const field = cellField(kind, fills);
    if (field === undefined) return made;
    const { width, height } = scene.sheet;
    const least = Math.min(width, height);
    const size = (behind: string): number => (behind === '' ? 1 : Math.sqrt(3) / 2);
    const [wide, high] = [size(fills.wide), size(fills.high)];
    const room = (left: unknown): [number, number] => {
        const given = fills.whole ? 0 : typeof left === 'number' ? left : least / 10;
        return [width - 2 * given, height - 2 * given];
    };
    /** What fits between the margins; of cells that are wider than high, or higher than wide, there is no one length. */
    const cellFor = ({ [across]: columns, [down]: rows, margin: left }: Record<string, unknown>): number | null => {
        const [along, below] = room(left);
        if (typeof columns !== 'number' || typeof rows !== 'number' || columns < 1 || rows < 1 || along <= 0 || below <= 0) return null;
        const [one, other] = [along / (columns * wide), below / (rows * high)];
        if (over !== null && Math.abs(one - other) > 1e-6 * one) return null;
        return fills.whole ? Math.max(1, Math.floor(Math.min(one, other))) : Number(Math.min(one, other).toFixed(6));
    };
    // Of a sheet that is not square a tenth of either side is left, which is no one length.
    const margin = width === height ? least / 10 : null;
    const start = { ...made.start, margin };
    // How it is turned, or what it is cut to, changes what there is room for.
    const isAsOffered = (answers: Record<string, unknown>): boolean =>
        made.asks.every(
            (name) =>
                [across, down, cell, 'show', 'subdivisions', 'block'].includes(name) ||
                JSON.stringify(answers[name]) === JSON.stringify(made.start[name]),
        );
    /** In the middle of the sheet by cells, or from margin to margin. */
    function laidBy(
        isByCell: boolean,
        left: unknown,
        length: unknown,
        { [across]: columns, [down]: rows }: Record<string, unknown>,
    ): Record<string, unknown> {
        const centred = (side: string, count: unknown, behind: string): string =>
            `(sheet.${side}-${String(count)}*(${String(length)})${behind})/2`;
        if (fills.whole) return { [cell]: length };
        if (isByCell)
            return {
                origin: [centred('width', columns, fills.wide), centred('height', rows, fills.high)],
                [cell]: over === null ? length : [length, length],
            };
        return left === null
            ? {}
            : { origin: [left, left], [over ?? '']: ['width', 'height'].map((side) => `sheet.${side}-2*(${String(left)})`) };
    }

    return {
        ...made,
        kind: { ...kind, fields: [...kind.fields.filter(({ name }) => name !== cell), field, MARGIN] },
        asks: made.asks.flatMap((name) => (name === cell && !fills.whole ? [cell, 'margin'] : [name])),
        start: fills.whole ? made.start : { ...start, [cell]: cellFor(start) },
        // What a person said stays as it is said; the rest follows.
        follow: (before, after) => {
            const isChanged = (name: string): boolean => JSON.stringify(before[name]) !== JSON.stringify(after[name]);
            const said = [...new Set([...saidBefore(before), ...[across, down, cell, 'margin'].filter(isChanged)])].filter(
                (name) => name !== cell || after[cell] !== null,
            );
            if (said.length === 0 || !isAsOffered(after)) return {};
            if (!said.includes(cell)) return { said, [cell]: cellFor(after) };
            const length = lengthIn(after[cell]);
            const [along, below] = room(after['margin']);
            const many = (name: string, way: number, share: number): Record<string, number> =>
                length === null || said.includes(name) ? {} : { [name]: Math.max(1, Math.floor(way / (length * share) + ROUND)) };
            return { said, ...many(across, along, wide), ...many(down, below, high) };
        },
        operations: ({ margin: left = null, said: spoken, [cell]: length = null, ...answers }) => {
            const step = made.operations(answers);
            const isByCell = saidBefore({ said: spoken }).includes(cell);
            if (spoken === undefined || (length === null && (over === null || isByCell))) return step;
            const said = laidBy(isByCell || over === null, left === margin ? null : left, length, answers);
            return step.map((one) => {
                if (one.op !== 'add') return one;
                const rest = Object.fromEntries(Object.entries(one.step).filter(([name]) => !(cell in said && name === over)));
                return { ...one, step: { ...rest, ...said } };
            });
        },
    };
}
