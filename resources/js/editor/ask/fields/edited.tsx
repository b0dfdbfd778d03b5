import type { Field, Finding, Piece, Problem, Step } from '../../../api/client';

/** What the editor of a parameter is given, whatever its type. */
export interface Edited {
    /** The sheet stands here for what it says itself. */
    step: Pick<Step, 'id' | 'label' | 'numbers'>;
    piece: Piece;
    field: Field;
    findings: Finding[];
    label: string;
    /** What is wrong with it as it stands in the plan. */
    wrong: string | undefined;
    commit: (value: unknown) => Promise<Problem | null>;
    /** Shows what a value would give; null ends that. */
    tryOut: (value: unknown) => Promise<Problem | null>;
}

/** Coordinates that are worked out are shown as what they come to. */
export function placeText(text: string, raw: unknown, name: string, step: Edited['step']): string {
    const [x, y] = [step.numbers[`${name}.0`], step.numbers[`${name}.1`]];
    const workedOut = Array.isArray(raw) && raw.some((one) => typeof one === 'string') && !text.startsWith('the ');
    return workedOut && x !== undefined && y !== undefined ? `${Math.round(x * 1000) / 1000}, ${Math.round(y * 1000) / 1000}` : text;
}

export function Wrong({ text }: { text: string | undefined }) {
    if (text === undefined) return null;
    return (
        <span role="alert" className="block rounded bg-blush px-1.5 py-1 font-sans text-[12.5px] leading-snug text-brick">
            {text}
        </span>
    );
}
