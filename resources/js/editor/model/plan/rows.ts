import type { Kind, Scene, Section, Step } from '../../../api/client';

/** So many sentences of one sort in a row are told in one line. */
const ALIKE = 4;

export interface StepRowData {
    type: 'step';
    key: string;
    step: Step;
    /** Place in the plan, from 0. */
    at: number;
}

/** A line of the plan panel. */
export type Row =
    | { type: 'chapter'; key: string; section: Section; folded: boolean }
    | { type: 'alike'; key: string; steps: Step[]; at: number; open: boolean; text: string }
    | StepRowData;

export interface Folds {
    /** First steps of the chapters, and of the runs of like sentences, that are not as they are at first: chapters folded, runs open. */
    turned: ReadonlySet<string>;
    sought: string;
    selected: string | null;
    kinds: Kind[];
    /** The first step of the chapter that is worked on alone: the others are folded then. */
    working: string | null;
}

/** The lines of the plan: chapters, sentences, and runs of like sentences told in one. What is sought is shown whatever is folded. */
export function rowsOf(scene: Scene, { turned, sought, selected, kinds, working }: Folds): Row[] {
    const wanted = sought.trim().toLowerCase();
    // Where no sentence says it, it is what people call some of them.
    const isFound =
        wanted !== '' && scene.steps.some((step) => said(step).includes(wanted))
            ? (step: Step) => said(step).includes(wanted)
            : (step: Step) => isCalled(kinds, step.kind, wanted);
    const troubled = new Set(scene.findings.map((finding) => finding.step));
    const labels = new Map(scene.steps.map((step) => [step.id, step.label]));
    const rows: Row[] = [];
    let at = 0;
    for (const section of scene.chapters) {
        const steps = scene.steps.slice(at, at + section.steps);
        const numbered = steps.map((step, k): StepRowData => ({ type: 'step', key: step.id, step, at: at + k }));
        at += section.steps;
        const found = wanted === '' ? numbered : numbered.filter(({ step }) => isFound(step));
        const isAside = working !== null && working !== section.from;
        const folded = wanted === '' && turned.has(chapterKey(section.from)) !== isAside && !steps.some((step) => step.id === selected);
        if (wanted !== '' && found.length === 0) continue;
        rows.push({ type: 'chapter', key: chapterKey(section.from), section, folded });
        if (folded) continue;
        rows.push(...(wanted === '' ? gathered(found, { turned, selected, kinds, troubled, labels }) : found));
    }
    return rows;
}

export function chapterKey(from: string): string {
    return `chapter ${from}`;
}

interface Gathering {
    turned: ReadonlySet<string>;
    selected: string | null;
    kinds: Kind[];
    troubled: ReadonlySet<string | null>;
    labels: ReadonlyMap<string, string>;
}

/**
 * Whether people call a sort of step so: by its name as it is typed, and by any usual word for a way of making it once that is typed whole.
 */
function isCalled(kinds: Kind[], name: string, wanted: string): boolean {
    const kind = kinds.find((one) => one.kind === name);
    const names = [kind?.label ?? '', name.split('.').at(-1) ?? ''];
    return (
        names.some((word) => word.toLowerCase().startsWith(wanted)) ||
        (kind?.offers.some((offer) => offer.words.some((word) => word.toLowerCase() === wanted)) ?? false)
    );
}

/** Runs of like sentences without names, in one line each; not those that something is wrong with, or that are picked. */
function gathered(rows: StepRowData[], { turned, selected, kinds, troubled, labels }: Gathering): Row[] {
    const out: Row[] = [];
    for (let k = 0; k < rows.length; ) {
        const first = rows[k];
        if (first === undefined) break;
        let end = k + 1;
        while (rows[end]?.step.kind === first.step.kind && rows[end]?.step.name === null) end++;
        const run = rows.slice(k, end);
        k = end;
        const key = `alike ${first.step.id}`;
        const plain =
            first.step.name === null && run.length >= ALIKE && !run.some(({ step }) => troubled.has(step.id) || step.id === selected);
        if (!plain) {
            out.push(...run);
            continue;
        }
        const open = turned.has(key);
        out.push({
            type: 'alike',
            key,
            steps: run.map(({ step }) => step),
            at: first.at,
            open,
            text: inOne(
                run.map(({ step }) => step),
                labels,
                kinds,
            ),
        });
        if (open) out.push(...run);
    }
    return out;
}

/** `6 circles on grid 1` */
function inOne(steps: Step[], labels: ReadonlyMap<string, string>, kinds: Kind[]): string {
    const kind = kinds.find((one) => one.kind === steps[0]?.kind);
    const shared = (steps[0]?.of ?? []).filter((id) => steps.every((step) => step.of.includes(id)));
    const on = shared.map((id) => labels.get(id) ?? id);
    return `${steps.length} ${plural((kind?.label ?? '').toLowerCase())}${on.length === 0 ? '' : ` on ${on.join(' and ')}`}`;
}

/** `parts from cells`, `circles`; what stands for several already stays. */
export function plural(words: string): string {
    const [word = '', ...rest] = words.split(/(?= (?:from|in|of|onto|along|around)(?: |$))/);
    return [pluralOf(word), ...rest].join('');
}

function pluralOf(word: string): string {
    if (/[^s]s$/.test(word)) return word;
    if (/[^aeiou]y$/.test(word)) return word.replace(/y$/, 'ies');
    return /(ss|x|ch|sh)$/.test(word) ? `${word}es` : `${word}s`;
}

/** What a sentence says, to be searched. */
export function said(step: Step): string {
    return [step.name ?? '', step.label, ...step.sentence.filter((piece) => piece.said).map((piece) => piece.text)].join(' ').toLowerCase();
}
