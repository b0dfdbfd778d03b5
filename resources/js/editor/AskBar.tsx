import { type CSSProperties, type FormEvent, Fragment, useEffect, useMemo, useRef, useState } from 'react';
import type { Field, Scene } from '../api/client';
import { problemText, stepOf, useDesk } from './desk';
import { LivePlace } from './LivePlace';
import { Swatch } from './Swatch';
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

function Question({ field, value, onChange }: { field: Field; value: unknown; onChange: (value: unknown) => void }) {
    const { page, scene } = useDesk();
    switch (field.type) {
        case 'choice':
            return (
                <fieldset className="flex items-center gap-1">
                    <legend className="float-left mr-2 leading-[30px]">{field.label}</legend>
                    {field.choices?.map((choice) => (
                        <label key={choice.value} className={`rounded border px-2.5 py-1.5 leading-tight ${value === choice.value ? 'border-amber bg-honey font-medium' : 'border-rule bg-card'} has-focus-visible:outline-2 has-focus-visible:outline-offset-2 has-focus-visible:outline-ink`}>
                            <input type="radio" className="sr-only" name={field.name} checked={value === choice.value} onChange={() => onChange(choice.value)} />
                            {choice.text}
                        </label>
                    ))}
                </fieldset>
            );
        case 'switch':
            return (
                <label className="flex items-center gap-2">
                    <input type="checkbox" className="size-4 accent-ink" checked={value === true} onChange={(event) => onChange(event.target.checked)} />
                    {field.label}
                </label>
            );
        case 'colour':
            return (
                <fieldset className="flex items-center gap-1">
                    <legend className="sr-only">{field.label}</legend>
                    {Object.entries(page.plan.palette).map(([name, colour]) => (
                        <label key={name} title={name} className={`flex items-center gap-1.5 rounded border px-2 py-1.5 leading-none ${value === name ? 'border-amber bg-honey' : 'border-transparent hover:border-rule'} has-focus-visible:outline-2 has-focus-visible:outline-ink`}>
                            <input type="radio" className="sr-only" name={field.name} aria-label={name} checked={value === name} onChange={() => onChange(name)} />
                            <Swatch colour={colour} size={16} />
                            <span className={`font-serif text-[14px] italic ${value === name ? '' : 'sr-only'}`}>{name}</span>
                        </label>
                    ))}
                </fieldset>
            );
        case 'place':
            return (
                <span className="font-serif text-[16px]">
                    {field.label}: <LivePlace piece={{ text: placeText(value, scene), raw: value, label: field.label }} step={null} onCommit={async (raw) => (onChange(raw), null)} />
                </span>
            );
        case 'places': {
            const places: unknown[] = Array.isArray(value) ? value : [];
            return (
                <span className="font-serif text-[16px]">
                    {field.label}:{' '}
                    {places.map((raw, k) => (
                        <Fragment key={k}>
                            {k > 0 && ', '}
                            <LivePlace piece={{ text: placeText(raw, scene), raw, label: `${field.label} ${k + 1}` }} step={null} onCommit={async (next) => (onChange(places.map((old, i) => (i === k ? next : old))), null)} />
                        </Fragment>
                    ))}
                </span>
            );
        }
        case 'pair': {
            const pair: unknown[] = Array.isArray(value) ? value : ['', ''];
            return (
                <span className="flex items-center gap-2">
                    {field.label}
                    {[0, 1].map((k) => (
                        <TypedInput
                            key={k}
                            label={`${field.label}, ${k === 0 ? 'across' : 'down'}`}
                            value={pair[k]}
                            optional={!field.required}
                            onChange={(next) => {
                                const changed = [0, 1].map((i) => (i === k ? next : (pair[i] ?? 0)));
                                onChange(changed.every((one) => one === null || one === '') ? null : changed.map((one) => one ?? 0));
                            }}
                        />
                    ))}
                </span>
            );
        }
        case 'steps': {
            const ids: unknown[] = Array.isArray(value) ? value : [];
            return (
                <fieldset className="flex flex-wrap items-center gap-x-3 gap-y-1">
                    <legend className="float-left mr-2">{field.label}</legend>
                    {scene.steps
                        .filter((step) => (field.roles ?? []).includes(step.role) && !step.usedUp)
                        .map((step) => (
                            <label key={step.id} className="flex items-center gap-1.5">
                                <input type="checkbox" className="size-4 accent-ink" checked={ids.includes(step.id)} onChange={() => onChange(ids.includes(step.id) ? ids.filter((id) => id !== step.id) : [...ids, step.id])} />
                                <span className="font-serif text-[15px] italic">{step.label}</span>
                            </label>
                        ))}
                </fieldset>
            );
        }
        default:
            return <TypedInput label={field.label} shown value={value} optional={!field.required} onChange={onChange} />;
    }
}

/** A number or arithmetic, typed. */
function TypedInput({ label, shown = false, value, optional, onChange }: { label: string; shown?: boolean; value: unknown; optional: boolean; onChange: (value: number | string | null) => void }) {
    const text = typeof value === 'number' || typeof value === 'string' ? String(value) : '';
    return (
        <label className="flex items-center gap-2">
            {shown ? label : <span className="sr-only">{label}</span>}
            <input className="boxed field-sizing max-w-72 min-w-10 px-2 tabular-nums" spellCheck={false} style={{ '--chars': Math.max(3, text.length) } as CSSProperties} value={text} placeholder={optional ? 'any' : undefined} onChange={(event) => onChange(typed(event.target.value))} />
        </label>
    );
}

/** A number where it is one, nothing where nothing stands, else arithmetic. */
function typed(text: string): number | string | null {
    if (text.trim() === '') return null;
    return Number.isNaN(Number(text)) ? text : Number(text);
}

function placeText(value: unknown, scene: Scene): string {
    if (Array.isArray(value)) {
        return value[0] === 'sheet.width/2' && value[1] === 'sheet.height/2' ? 'the centre of the sheet' : value.map((one: unknown) => (typeof one === 'number' ? Math.round(one * 100) / 100 : String(one))).join(', ');
    }
    if (typeof value !== 'string') return 'not given';
    const centre = /^([a-z][a-z0-9]*)(@0|!)$/.exec(value);
    return centre === null ? value : `the centre of ${stepOf(scene, centre[1] ?? '')?.label ?? value}`;
}
