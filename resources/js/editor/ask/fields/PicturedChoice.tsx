import { Popover } from 'radix-ui';
import { useState } from 'react';
import type { Field } from '../../../api/client';
import { LiveTrigger } from './LiveTrigger';

type Choice = NonNullable<Field['choices']>[number];

/** One of many, chosen by its picture under a heading that says what it does. */
export function PicturedChoice({
    label,
    choices,
    chosen,
    now,
    shown,
    onChoose,
}: {
    label: string;
    choices: Choice[];
    chosen: string | null;
    now: Record<string, unknown>;
    shown: string;
    onChoose: (choice: Choice) => void;
}) {
    const [open, setOpen] = useState(false);
    const headings = [...new Set(choices.map((choice) => choice.heading ?? ''))];
    return (
        <Popover.Root open={open} onOpenChange={setOpen}>
            <LiveTrigger label={`${label}: ${shown}`}>{shown}</LiveTrigger>
            <Popover.Portal>
                <Popover.Content
                    className="menu max-h-[var(--radix-popover-content-available-height)] w-[712px] max-w-[94vw] overflow-auto p-4"
                    align="start"
                    sideOffset={6}
                    collisionPadding={12}
                >
                    <div role="group" aria-label={label} className="flex flex-col gap-3.5">
                        {headings.map((heading) => (
                            <section key={heading} aria-label={heading} className="grid grid-cols-[76px_1fr] items-start gap-3">
                                <h3 className="pt-1.5 font-serif text-[15px] leading-tight italic">{heading}</h3>
                                <div className="flex flex-wrap gap-1.5">
                                    {choices
                                        .filter((choice) => (choice.heading ?? '') === heading)
                                        .map((choice) => (
                                            <button
                                                key={choice.text}
                                                type="button"
                                                aria-pressed={
                                                    choice.value === chosen &&
                                                    Object.entries(alsoSet(choice, now)).every(
                                                        ([field, value]) => JSON.stringify(value) === JSON.stringify(now[field] ?? null),
                                                    )
                                                }
                                                aria-label={choice.text}
                                                title={choice.text}
                                                className="flex w-[92px] flex-col items-center gap-1 rounded border border-transparent p-1.5 leading-tight hover:border-rule hover:bg-honey/40 aria-pressed:border-amber aria-pressed:bg-honey"
                                                onClick={() => {
                                                    setOpen(false);
                                                    onChoose(choice);
                                                }}
                                            >
                                                <svg
                                                    viewBox="0 0 96 96"
                                                    className="h-[58px] w-[58px] overflow-hidden rounded-sm bg-paper text-ink"
                                                    aria-hidden="true"
                                                >
                                                    <path d={choice.picture} fill="currentColor" />
                                                </svg>
                                                <Words text={choice.text} />
                                            </button>
                                        ))}
                                </div>
                            </section>
                        ))}
                    </div>
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}

/** The symbol, and what it does in plain words. */
function Words({ text }: { text: string }) {
    const [symbol = '', ...words] = text.split(', ');
    return (
        <span className="text-center">
            <span className="block text-[12.5px] font-semibold">{symbol}</span>
            <span className="block text-[11px] text-slate">{words.join(', ')}</span>
        </span>
    );
}

/** What is set along with a choice: `{w}` and `{h}` are how wide and how high a cell is, as far as its ways say it. */
export function alsoSet(choice: Choice, now: Record<string, unknown>): Record<string, unknown> {
    const [a, b] = [now['a'], now['b']].map((way) => (Array.isArray(way) ? (way as unknown[]) : []));
    const wide = typed(a?.[0]) ?? 'sheet.width/8';
    const high = typed(b?.[1]) ?? wide;
    const filled = (value: unknown): unknown => {
        if (Array.isArray(value)) return value.map(filled);
        if (typeof value !== 'string') return value;
        const [, named = 'w', rest = ''] = /^\{([wh])\}(.*)$/.exec(value) ?? [];
        return worked(named === 'w' ? wide : high, rest);
    };
    return Object.fromEntries(Object.entries(choice.also ?? {}).map(([field, value]) => [field, filled(value)]));
}

function typed(value: unknown): number | string | undefined {
    return typeof value === 'number' || (typeof value === 'string' && value !== '') ? value : undefined;
}

/** A number, or arithmetic where it is not as simple as a half. */
function worked(value: number | string, rest: string): number | string {
    if (rest === '') return value;
    return typeof value === 'number' && rest === '/2' ? value / 2 : `${typeof value === 'number' ? value : `(${value})`}${rest}`;
}

/** Whether a choice is made as it stands, with all that is set along with it. */
function isMade(choice: Choice, field: string, said: Record<string, unknown>): boolean {
    const also = Object.entries(alsoSet(choice, said));
    return (
        said[field] === choice.value &&
        also.length > 0 &&
        also.every(([name, value]) => JSON.stringify(value) === JSON.stringify(said[name] ?? null))
    );
}

/** What was set along with a choice goes on with what it hangs on: a way that a hexagonal pattern has by its other one. */
export function following(fields: Field[], before: Record<string, unknown>, after: Record<string, unknown>): Record<string, unknown> {
    const made = fields.flatMap(({ name, choices = [] }) =>
        choices.filter((choice) => isMade(choice, name, before) && after[name] === choice.value),
    );
    return Object.fromEntries(
        made.flatMap((choice) =>
            Object.entries(alsoSet(choice, after)).filter(
                ([name, value]) =>
                    JSON.stringify(after[name] ?? null) === JSON.stringify(before[name] ?? null) &&
                    JSON.stringify(value) !== JSON.stringify(after[name] ?? null),
            ),
        ),
    );
}
