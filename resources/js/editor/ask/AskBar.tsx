import { createElement, type FormEvent, type KeyboardEvent, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import type { Operation } from '../../api/client';
import { problemText, wouldDo } from '../model/problem';
import { usePicks } from '../state/pick';
import { useSheet } from '../state/sheet';
import { type Asked, isUnfinished } from './fields/asked';
import { questionOf } from './fields/types';
import { answersOf, type Asking } from '../model/verbs/asking';
import type { Verb } from '../model/verbs/verbs';

interface Props {
    asking: Asking;
    /** The verb with the pick as it is now. */
    verb: Verb;
    /** The verb with what is pointed at picked, too; undefined where that is not more. */
    pointed: () => Verb | undefined;
    problem: string | null;
    onAnswer: (answers: Record<string, unknown>) => void;
    onDo: () => void;
    onLeave: () => void;
}

/** The questions of a verb, in the place of the verbs, with what would come of it shown on the sheet. */
export function AskBar({ asking, verb, pointed, problem, onAnswer, onDo, onLeave }: Props) {
    const { preview } = useSheet();
    const { pointed: pointing } = usePicks();
    const [fault, setFault] = useState<string | null>(null);
    const [instead, setInstead] = useState<{ field: string; value: number } | null>(null);
    const [help, setHelp] = useState('');
    const form = useRef<HTMLFormElement>(null);
    const hover = useSyncExternalStore(pointing.subscribe, pointing.get);
    // Said on the sheet, it goes on there; said with all that it takes, its questions come next.
    const asksFirst = useRef(verb.needs === 0 && verb.asks.length > 0);

    const operations = useMemo(() => {
        // As long as it could take more, what is pointed at counts.
        const shown = verb.full || (verb.needs === 0 && verb.asks.length > 0) ? verb : (pointed() ?? verb);
        return shown.needs > 0 ? null : shown.operations(answersOf({ ...asking, verb }));
        // eslint-disable-next-line react-hooks/exhaustive-deps -- what is pointed at hangs on the hover
    }, [asking, verb, hover]);

    const said = JSON.stringify(operations);
    const isTyping = Object.values(asking.answers).some(isUnfinished);
    useEffect(() => {
        if (isTyping) return;
        let current = true;
        void preview(JSON.parse(said) as Operation[] | null).then((refused) => {
            if (!current) return;
            setFault(refused === null ? null : problemText(refused));
            const value = refused === null ? null : wouldDo(refused);
            const field = refused?.body.findings?.[0]?.field ?? null;
            setInstead(value === null || field === null ? null : { field, value });
        });
        return () => {
            current = false;
        };
    }, [said, preview, isTyping]);

    useEffect(() => {
        if (!asksFirst.current) return;
        const first = form.current?.querySelector<HTMLElement>('[data-questions] :is(input, button, select, [role=button])') ?? form.current?.querySelector<HTMLElement>('button.solid');
        const chosen = first instanceof HTMLInputElement && first.type === 'radio' ? form.current?.querySelector<HTMLElement>(`[name="${CSS.escape(first.name)}"]:checked`) : null;
        (chosen ?? first)?.focus();
    }, []);

    /** Enter does what is asked from wherever the focus is, but on a button that says what it does; what opens does so by the space bar. */
    function onEnter(event: KeyboardEvent): void {
        const into = event.target as HTMLElement;
        if (event.key !== 'Enter' || !event.currentTarget.contains(into) || into.tagName === 'BUTTON') return;
        event.preventDefault();
        event.stopPropagation();
        if (verb.needs === 0) onDo();
    }

    function submit(event: FormEvent): void {
        event.preventDefault();
        if (verb.needs === 0) onDo();
    }

    return (
        // As high as the verbs; what there is more to say lies over the sheet, which does not move.
        <section aria-label={verb.label} className="relative h-[110px] shrink-0">
            <form
                ref={form}
                className="absolute inset-x-0 bottom-0 flex min-h-[110px] items-center gap-4 border-t border-rule bg-paper px-4 py-2.5"
                onSubmit={submit}
                onKeyDownCapture={onEnter}
                onKeyDown={(event) => {
                    if (event.key === 'Escape') {
                        event.preventDefault();
                        onLeave();
                    }
                }}
            >
                <div className="flex min-w-0 flex-1 flex-wrap items-center gap-x-3.5 gap-y-2">
                    <h2 className="font-serif text-[17px] leading-none font-semibold">{verb.label.replace('…', '')}</h2>
                    {verb.wants !== null && (
                        <p role="status" className="rounded bg-honey px-2.5 py-1.5 leading-tight font-medium text-umber">
                            {verb.wants}
                        </p>
                    )}
                    {verb.needs === 0 && !verb.full && verb.asks.length === 0 && (
                        <p className="text-slate">{verb.bends === null ? 'Pick more, or do it.' : 'Click more places; press and pull for an arc; the first place again ends it.'}</p>
                    )}
                    <div data-questions className="contents">
                        {verb.asks.map((name) => {
                            const field = verb.kind?.fields.find((one) => one.name === name);
                            const idle = field === undefined || (field.when !== null && asking.answers[field.when.field] !== field.when.is);
                            return idle ? null : (
                                <span key={name} title={field.says} onFocus={() => setHelp(field.says)} className="contents">
                                    <Question field={field} value={asking.answers[name]} answers={asking.answers} onChange={(value) => onAnswer({ [name]: value })} onAlso={onAnswer} />
                                </span>
                            );
                        })}
                    </div>
                    {/* Of one line whatever it says: what is pressed must not move under the pointer. */}
                    <p className="h-[18px] basis-full truncate text-[12.5px] leading-[18px] text-slate" title={help}>
                        {[verb.says, help].filter(Boolean).join(' ')}
                    </p>
                    {(problem ?? fault) && (
                        <p role="alert" className="basis-full rounded bg-blush px-2 py-1.5 text-[12.5px] leading-snug text-brick">
                            {problem ?? fault}
                            {instead !== null && verb.asks.includes(instead.field) && (
                                <button type="button" className="ml-1.5 font-medium underline" onClick={() => onAnswer({ [instead.field]: instead.value })}>
                                    Make it {instead.value}
                                </button>
                            )}
                        </p>
                    )}
                </div>
                <button type="button" className="quiet" onClick={onLeave}>
                    Leave
                </button>
                <button className="solid" disabled={verb.needs > 0}>
                    Do it
                </button>
            </form>
        </section>
    );
}

function Question(asked: Asked) {
    return createElement(questionOf(asked.field.type), asked);
}
