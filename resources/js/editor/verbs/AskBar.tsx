import { createElement, type FormEvent, useEffect, useMemo, useRef, useState } from 'react';
import type { Field } from '../../api/client';
import { problemText, useDesk } from '../desk';
import type { Asked } from '../fields/asked';
import { questionOf } from '../fields/types';
import type { Verb } from './verbs';

/** The questions of a verb, in the place of the verbs, with what would come of it shown on the sheet. */
export function AskBar({ verb, problem, onAnswer, onLeave }: { verb: Verb; problem: string | null; onAnswer: (answers: Record<string, unknown>) => void; onLeave: () => void }) {
    const { preview } = useDesk();
    const [answers, setAnswers] = useState(verb.start);
    const [fault, setFault] = useState<string | null>(null);
    const relevant = useMemo(() => withoutIdle(verb, answers), [verb, answers]);
    const form = useRef<HTMLFormElement>(null);
    const asked = useRef({ verb, preview });

    useEffect(() => {
        let current = true;
        const { verb: now, preview: show } = asked.current;
        void show(now.operations(relevant)).then((refused) => {
            if (current) setFault(refused === null ? null : problemText(refused));
        });
        return () => {
            current = false;
        };
    }, [relevant]);

    useEffect(() => {
        form.current?.querySelector<HTMLElement>('input, button, select')?.focus();
    }, []);

    function submit(event: FormEvent): void {
        event.preventDefault();
        onAnswer(relevant);
    }

    function put(field: string, value: unknown): void {
        setAnswers((old) => ({ ...old, [field]: value }));
    }

    return (
        <section aria-label={verb.label} className="border-t border-rule bg-paper px-4 py-2.5">
            <form
                ref={form}
                className="flex min-h-[71px] items-center gap-4"
                onSubmit={submit}
                onKeyDown={(event) => {
                    if (event.key === 'Escape') {
                        event.preventDefault();
                        onLeave();
                    }
                }}
            >
                <div className="flex min-w-0 flex-1 flex-wrap items-center gap-x-3.5 gap-y-2">
                <h2 className="font-serif text-[17px] leading-none font-semibold">{verb.label.replace('…', '')}</h2>
                {verb.asks.map((name) => {
                    const field = verb.kind?.fields.find((one) => one.name === name);
                    return field === undefined || isIdle(field, answers) ? null : <Question key={name} field={field} value={answers[name]} onChange={(value) => put(name, value)} />;
                })}
                {(problem ?? fault) && (
                    <p role="alert" className="basis-full rounded bg-blush px-2 py-1.5 text-[12.5px] leading-snug text-brick">
                        {problem ?? fault}
                    </p>
                )}
                </div>
                <button type="button" className="quiet" onClick={onLeave}>
                    Leave
                </button>
                <button className="solid">Do it</button>
            </form>
        </section>
    );
}

/** Whether a question means nothing as long as another one is answered as it is. */
function isIdle(field: Field, answers: Record<string, unknown>): boolean {
    return field.when !== null && answers[field.when.field] !== field.when.is;
}

function withoutIdle(verb: Verb, answers: Record<string, unknown>): Record<string, unknown> {
    const idle = new Set(verb.kind?.fields.filter((field) => isIdle(field, answers)).map((field) => field.name));
    return Object.fromEntries(Object.entries(answers).map(([name, value]) => [name, idle.has(name) ? null : value]));
}

function Question({ field, value, onChange }: Asked) {
    return createElement(questionOf(field.type), { field, value, onChange });
}
