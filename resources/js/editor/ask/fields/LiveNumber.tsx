import { type CSSProperties, type KeyboardEvent, type PointerEvent, useLayoutEffect, useRef, useState } from 'react';
import type { Field, Problem } from '../../../api/client';
import { problemText, wouldDo } from '../../model/problem';
import { useActs } from '../../state/acts';
import { isUnfinished, readNumber } from '../../model/fields/number';
import type { Fold } from '../../model/fields/folds';
import { numberAtHand } from '../../state/numberAtHand';

interface Props {
    label: string;
    /** As the plan has it: a number or arithmetic. */
    raw: unknown;
    /** The same with measures by their names. */
    text?: string;
    /** What it came to. */
    value: number | null;
    measure: Field['measure'];
    onPreview: (value: number | string | null) => Promise<Problem | null>;
    onCommit: (value: number | string) => Promise<Problem | null>;
    /** What is wrong with it as it stands in the plan. */
    wrong?: string;
    /** Values that fit, offered while it is typed. */
    offered?: () => Fold[];
}

/** What a grid has, said by its name alone; how large a part is, is said in numbers. */
const REFERENCE = /^[a-z][a-z0-9]*\.(?!wide$|high$|area$|length$|value$)([a-z]+)$/;

/** A number edited in place: typed, stepped with the arrow keys, or dragged sideways. */
export function LiveNumber({ label, raw, text, value, measure, onPreview, onCommit, wrong, offered }: Props) {
    const { toSheet } = useActs();
    const [typed, setTyped] = useState<string | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    const [instead, setInstead] = useState<number | null>(null);
    const field = useRef<HTMLInputElement>(null);
    const scrub = useRef<{ x: number; from: number; moved: boolean } | null>(null);
    const typedNow = useRef<string | null>(null);
    const turn = useRef(0);
    /** Whether it got the focus just now: what is written, which may differ from what was shown, is selected. */
    const begun = useRef(false);
    useLayoutEffect(() => {
        if (begun.current && typed !== null) field.current?.select();
        begun.current = false;
    }, [typed]);
    // What stood there when typing began: only what differs from it is a change.
    const before = useRef('');

    const isFormula = typeof raw === 'string' && Number.isNaN(Number(raw));
    const written = raw === null || raw === undefined ? '' : isFormula ? (text ?? raw) : String(raw);
    const unit = measure === 'angle' ? '°' : '';
    const shown =
        isFormula && written !== raw
            ? written
            : isFormula
              ? (REFERENCE.exec(written)?.[1] ?? (value === null ? written : plain(value) + unit))
              : told(written) + (written === '' ? '' : unit);

    /** What it is put by, a measure of the sheet, in the place of what is marked. */
    function put(name: string): void {
        const input = field.current;
        if (input === null) return;
        const [from, to] = [input.selectionStart ?? 0, input.selectionEnd ?? input.value.length];
        void tryOut(input.value.slice(0, from) + name + input.value.slice(to));
    }

    function type(text: string | null): void {
        typedNow.current = text;
        setTyped(text);
    }

    function tell(refused: Problem | null): void {
        setProblem(refused === null ? null : problemText(refused));
        setInstead(refused === null ? null : wouldDo(refused));
    }

    async function tryOut(text: string): Promise<void> {
        // What is being typed is not what it began with, and is not selected as that is.
        begun.current = false;
        type(text);
        const mine = ++turn.current;
        if (text.trim() === '') return;
        if (isUnfinished(text)) return tell(null);
        const refused = await onPreview(readNumber(text));
        // What was typed or committed since then has its own answer.
        if (mine === turn.current) tell(refused);
    }

    async function commit(): Promise<void> {
        const text = typedNow.current;
        if (text === null || text.trim() === '' || text === before.current) {
            cancel();
            return;
        }
        turn.current++;
        const refused = await onCommit(readNumber(text) ?? '');
        if (refused === null) {
            const focused = document.activeElement === field.current;
            before.current = text;
            type(focused ? text : null);
            tell(null);
        } else if (typedNow.current === text) {
            // Unless it was given up or typed over while the server thought about it.
            tell(refused);
            void onPreview(null);
        }
    }

    function cancel(): void {
        if (typedNow.current !== null) void onPreview(null);
        turn.current++;
        type(null);
        tell(null);
    }

    function stepBy(event: { shiftKey: boolean; altKey: boolean }, sign: number): void {
        const from = readNumber(typedNow.current ?? '');
        const start = typeof from === 'number' ? from : (value ?? 0);
        const size =
            measure === 'count' ? (event.shiftKey ? 10 : 1) : measure === 'factor' ? 0.05 : event.shiftKey ? 10 : event.altKey ? 0.1 : 1;
        void tryOut(plain(start + sign * size));
    }

    function onKeyDown(event: KeyboardEvent): void {
        event.stopPropagation();
        if (event.key === 'Enter') {
            const taken = typedNow.current;
            // Unless more was typed meanwhile.
            void commit().then(() => document.activeElement === field.current && typedNow.current === taken && field.current?.select());
        } else if (event.key === 'Escape') {
            cancel();
            toSheet();
        } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
            event.preventDefault();
            stepBy(event, event.key === 'ArrowUp' ? 1 : -1);
        }
    }

    function onPointerDown(event: PointerEvent): void {
        if (document.activeElement !== field.current && event.button === 0) {
            before.current = written;
            scrub.current = { x: event.clientX, from: value ?? 0, moved: false };
            event.currentTarget.setPointerCapture(event.pointerId);
        }
    }

    function onPointerMove(event: PointerEvent): void {
        if (scrub.current === null) return;
        const far = event.clientX - scrub.current.x;
        if (Math.abs(far) < 4 && !scrub.current.moved) return;
        scrub.current.moved = true;
        const size = measure === 'factor' ? 0.01 : 1;
        const steps = measure === 'count' ? Math.round(far / 10) : Math.round(far / 2);
        void tryOut(plain(scrub.current.from + steps * size));
    }

    function onPointerUp(): void {
        const held = scrub.current;
        scrub.current = null;
        if (held === null) return;
        if (held.moved) void commit();
        else field.current?.focus();
    }

    const fault = problem ?? wrong;
    return (
        <span className="inline-flex max-w-full flex-wrap items-baseline">
            <input
                ref={field}
                className={`live field-sizing ${isFormula && typed === null ? 'formula' : ''} ${fault === undefined || fault === null ? '' : 'wrong'}`}
                style={{ '--chars': (typed ?? shown).length } as CSSProperties}
                aria-label={label}
                aria-invalid={Boolean(fault)}
                title={isFormula ? `${written} = ${value === null ? 'no result' : plain(value)}` : undefined}
                spellCheck={false}
                autoComplete="off"
                value={typed ?? shown}
                onFocus={() => {
                    before.current = written;
                    begun.current = true;
                    type(written);
                    numberAtHand.set(put);
                }}
                onChange={(event) => void tryOut(event.target.value)}
                onBlur={() => {
                    numberAtHand.set(null);
                    void commit();
                }}
                onKeyDown={onKeyDown}
                onPointerDown={onPointerDown}
                onPointerMove={onPointerMove}
                onPointerUp={onPointerUp}
                onPointerCancel={onPointerUp}
                // The field gets the focus once it is clear that the number is not dragged.
                onMouseDown={(event) => scrub.current !== null && event.preventDefault()}
                onDragStart={(event) => event.preventDefault()}
            />
            {typed !== null && offered !== undefined && (
                <span
                    role="group"
                    aria-label={`Fitting values for ${label}`}
                    className="flex basis-full flex-wrap gap-1 py-1 font-sans text-[12.5px] leading-none"
                >
                    {offered().map((one) => (
                        <button
                            key={one.label}
                            type="button"
                            className="rounded border border-rule bg-card px-1.5 py-1 hover:border-amber"
                            // The number keeps the focus, and with it the offer.
                            onMouseDown={(event) => event.preventDefault()}
                            onClick={() => {
                                type(String(one.value));
                                void commit().then(() => field.current?.blur());
                            }}
                        >
                            {one.label}
                        </button>
                    ))}
                </span>
            )}
            {fault && (
                <span role="alert" className="basis-full rounded bg-blush px-1.5 py-1 font-sans text-[12.5px] leading-snug text-brick">
                    {fault}
                    {instead !== null && (
                        <button
                            type="button"
                            className="ml-1.5 font-medium underline"
                            // The number keeps the focus, and with it what was typed.
                            onMouseDown={(event) => event.preventDefault()}
                            onClick={() => {
                                type(plain(instead));
                                void commit();
                            }}
                        >
                            Make it {plain(instead)}
                        </button>
                    )}
                </span>
            )}
        </span>
    );
}

/** With as many digits as are read at a glance; all of them are there to be edited. */
function told(written: string): string {
    return /\.\d{4,}$/.test(written)
        ? String(Number(Math.abs(Number(written)) < 1 ? Number(written).toPrecision(3) : Number(written).toFixed(3)))
        : written;
}

function plain(value: number): string {
    return String(Math.round(value * 1e6) / 1e6);
}
