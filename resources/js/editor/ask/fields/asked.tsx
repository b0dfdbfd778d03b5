import { type CSSProperties, useState } from 'react';
import type { Field } from '../../../api/client';
import { useSheet } from '../../state/sheet';
import { readNumber } from '../../model/fields/number';
import { placeWords, withLabels } from '../../model/fields/placeWords';
import { numberAtHand } from '../../state/numberAtHand';

/** What a question before a step is made is given, whatever its type. */
export interface Asked {
    field: Field;
    value: unknown;
    /** What else is answered so far. */
    answers: Record<string, unknown>;
    onChange: (value: unknown) => void;
    /** Answers this question and others with it. */
    onAlso: (answers: Record<string, unknown>) => void;
}

/** A number or arithmetic, typed. */
export function TypedInput({
    label,
    shown = false,
    value,
    optional,
    onChange,
}: {
    label: string;
    shown?: boolean;
    value: unknown;
    optional: boolean;
    onChange: (value: number | string | null) => void;
}) {
    // As it is typed: of "12." nothing but 12 is a number yet.
    const [text, setText] = useState<string | null>(null);
    const [isTyping, setTyping] = useState(false);
    const { scene } = useSheet();
    const isTyped = text !== null && (isTyping || readNumber(text) === value);
    const shownText = isTyped ? text : (typeof value === 'number' || typeof value === 'string' ? withLabels(scene, String(value)) : '');
    function type(next: string): void {
        setText(next);
        setTyping(true);
        onChange(readNumber(next));
    }
    return (
        <label className="flex items-center gap-2">
            {shown ? label : <span className="sr-only">{label}</span>}
            <input
                className="boxed field-sizing max-w-72 min-w-10 px-2 tabular-nums"
                spellCheck={false}
                style={{ '--chars': Math.max(3, shownText.length) } as CSSProperties}
                value={shownText}
                placeholder={optional ? 'any' : undefined}
                onChange={(event) => type(event.target.value)}
                onFocus={(event) => {
                    const input = event.currentTarget;
                    numberAtHand.set((name) =>
                        type(
                            input.value.slice(0, input.selectionStart ?? 0) +
                                name +
                                input.value.slice(input.selectionEnd ?? input.value.length),
                        ),
                    );
                }}
                onBlur={() => {
                    // Arithmetic stays as it was typed: what is pressed next must not move.
                    setTyping(false);
                    if (typeof value !== 'string') setText(null);
                    numberAtHand.set(null);
                }}
            />
        </label>
    );
}

/** What is not asked for in words, but said on the sheet. */
export function Unasked({ label }: { label: string }) {
    return <span className="text-slate">{label}: on the sheet</span>;
}

/** How people read a place that is not in the plan yet. */
export function usePlaceText(): (value: unknown) => string {
    const { scene } = useSheet();
    return (value) => placeWords(scene, value);
}
