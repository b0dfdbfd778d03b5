import type { Field, Kind, Offer, Scene } from '../../../api/client';
import { MARGIN, saidBefore } from './fillingGrids';
import type { Verb } from './verb';

type Spans = NonNullable<Offer['spans']>;
type Answers = Record<string, unknown>;

const ROUND = 1e-9;

/** Of the shorter side, where nothing is said. */
const LEFT = 0.1;

/**
 * A grid of rings, along two axes, or of sections, that is asked for by the length of a cell, by its counts, or by the margin around it;
 * what is said stays, and the rest follows.
 */
export function spanning(made: Verb, kind: Kind, spans: Spans, { sheet: { width, height } }: Scene): Verb {
    const { cell, counts, wide, high, leaves } = spans;
    const least = Math.min(width, height);
    /** So many cells of the length of one reach from margin to margin. */
    const roomFor = (length: number, margin: unknown): number => {
        const left = 2 * (typeof margin === 'number' ? margin : LEFT * least);
        return Math.min((width - left) / (wide * length), (height - left) / (high * length));
    };
    const cellFor = (answers: Answers): number | null => {
        const many = counts.reduce((sum, name) => sum + Number(answers[name]), 0);
        const length = roomFor(1, answers['margin']) / many;
        return length > 0 && Number.isFinite(length) ? Number(length.toFixed(6)) : null;
    };
    const start: Answers = { ...made.start, margin: leaves === null ? null : leaves * least };
    const asks = cell === null ? ['margin'] : [cell.name, 'margin'];

    return {
        ...made,
        kind: { ...kind, fields: [...kind.fields, ...(cell === null ? [] : [lengthField(cell)]), MARGIN] },
        asks: [...made.asks.filter((name) => name !== 'show'), ...asks, ...made.asks.filter((name) => name === 'show')],
        start: cell === null || leaves === null ? start : { ...start, [cell.name]: cellFor(start) },
        follow: (before, after) => {
            const isChanged = (name: string): boolean => JSON.stringify(before[name]) !== JSON.stringify(after[name]);
            const said = [...new Set([...saidBefore(before), ...[...counts, ...asks].filter(isChanged)])].filter(
                (name) => name !== cell?.name || after[name] !== null,
            );
            if (said.length === 0) return {};
            if (cell === null || !said.includes(cell.name)) return { said, ...(cell === null ? {} : { [cell.name]: cellFor(after) }) };
            const length = after[cell.name];
            const open = counts.filter((name) => !said.includes(name));
            if (typeof length !== 'number' || length <= 0 || open.length === 0) return { said };
            const taken = counts.reduce((sum, name) => sum + (open.includes(name) ? 0 : Number(after[name])), 0);
            const each = Math.max(1, Math.floor((roomFor(length, after['margin']) - taken) / open.length + ROUND));
            return { said, ...Object.fromEntries(open.map((name) => [name, each])) };
        },
        operations: ({ margin, said: spoken, ...answers }) => {
            const own = Object.fromEntries(Object.entries(answers).filter(([name]) => name !== cell?.name));
            const step = made.operations(own);
            if (spoken === undefined) return step;
            const isByCell = cell !== null && saidBefore({ said: spoken }).includes(cell.name);
            const sets = said(isByCell ? cell.sets : spans.margin, {
                ...answers,
                cell: answers[cell?.name ?? ''],
                margin: margin ?? LEFT * least,
            });
            return step.map((one) => (one.op === 'add' ? { ...one, step: { ...one.step, ...(sets as Answers) } } : one));
        },
    };
}

function lengthField({ name, label }: { name: string; label: string }): Field {
    return { ...MARGIN, name, label, says: 'How large a cell is: as many as there is room for.' };
}

/** `{margin}` and the like replaced by what was answered; what is a number then is one. */
function said(value: unknown, answers: Answers): unknown {
    if (Array.isArray(value)) return value.map((one) => said(one, answers));
    if (typeof value === 'object' && value !== null)
        return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, said(one, answers)]));
    const text = String(value).replace(/\{(\w+)\}/g, (_, name: string) => String(answers[name]));
    return Number.isFinite(Number(text)) ? Number(text) : text;
}
