import { useState } from 'react';
import { answer, api, Problem } from '../../../api/client';
import { problemText } from '../../model/problem';
import { usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';
import { useView } from '../../state/view';
import { numberAtHand } from '../../state/numberAtHand';
import { measureShape } from '../../model/scene/geometry';
import { measureText } from '../../layers/measures';

/** What is measured: named in one click, put into the number that is being typed, made equal. */
export function Measures() {
    const { page, scene, change } = useSheet();
    const { select, selected } = usePicks();
    const { measuresShown, showMeasures } = useView();
    const [keep, setKeep] = useState<string | null>(null);
    const [refused, setRefused] = useState<string | null>(null);
    const measures = scene.steps.flatMap((step) => {
        const data = step.role === 'measure' ? measureShape(step.geometry)?.data : undefined;
        return data === undefined ? [] : [{ step, data }];
    });
    if (measures.length === 0) return null;
    const kept = measures.find(({ step }) => step.id === keep)?.step;

    async function makeEqual(id: string): Promise<void> {
        if (keep === null) return;
        try {
            const { operations } = await answer(
                api.POST('/api/sheets/{sheet}/equal', { params: { path: { sheet: page.id } }, body: { keep, change: id } }),
            );
            const problem = await change(operations);
            setRefused(problem === null ? null : problemText(problem));
        } catch (problem) {
            setRefused(
                problem instanceof Problem
                    ? (Object.values(problem.body.errors ?? {})[0]?.[0] ?? problem.message)
                    : 'The server does not answer.',
            );
        }
        setKeep(null);
    }

    return (
        <section aria-label="Measures" className="flex flex-col gap-1.5">
            <div className="flex items-baseline justify-between">
                <h2 className="heading mb-1">Measures</h2>
                <button
                    className="text-[12.5px] font-medium text-umber hover:underline"
                    aria-pressed={measuresShown}
                    onClick={() => showMeasures(!measuresShown)}
                >
                    {measuresShown ? 'Hide lines' : 'Show lines'}
                </button>
            </div>
            <ul>
                {measures.map(({ step, data }) => (
                    <li key={step.id} className={`border-t border-hairline py-1.5 ${selected === step.id ? 'bg-honey' : ''}`}>
                        <div className="flex items-baseline justify-between gap-2">
                            <button
                                className="min-w-0 truncate font-serif text-[15px] leading-snug hover:underline"
                                title={`Puts it into the number that is being typed, or shows it: ${step.label}`}
                                // The number keeps the focus.
                                onMouseDown={(event) => numberAtHand.get() !== null && event.preventDefault()}
                                onClick={() => {
                                    const put = numberAtHand.get();
                                    if (put !== null) put(step.label);
                                    else select(selected === step.id ? null : step.id);
                                }}
                            >
                                <em>{step.label}</em>
                            </button>
                            <span className="tabular-nums">{measureText(null, data.value, data.measured === 'angle')}</span>
                        </div>
                        <div className="flex gap-3 text-[12.5px] font-medium text-umber">
                            {step.name === null && (
                                <button
                                    className="hover:underline"
                                    onClick={() =>
                                        void change([
                                            {
                                                op: 'set',
                                                id: step.id,
                                                field: 'name',
                                                value: freeName(
                                                    scene.steps.map((one) => one.label),
                                                    page.plan.values,
                                                ),
                                            },
                                        ])
                                    }
                                >
                                    Name it
                                </button>
                            )}
                            {measures.length > 1 &&
                                (keep === null ? (
                                    <button
                                        className="hover:underline"
                                        aria-label={`Make another equal to ${step.label}`}
                                        onClick={() => setKeep(step.id)}
                                    >
                                        Make equal…
                                    </button>
                                ) : keep === step.id ? (
                                    <button className="hover:underline" onClick={() => setKeep(null)}>
                                        Not now
                                    </button>
                                ) : (
                                    <button
                                        className="hover:underline"
                                        aria-label={`Make ${step.label} equal to ${kept?.label ?? ''}`}
                                        onClick={() => void makeEqual(step.id)}
                                    >
                                        Make it {kept?.label}
                                    </button>
                                ))}
                        </div>
                    </li>
                ))}
            </ul>
            {keep !== null && (
                <p className="font-serif text-[14px] leading-snug text-slate italic">Say which one is to follow {kept?.label}.</p>
            )}
            {refused !== null && (
                <p role="alert" className="rounded bg-blush px-1.5 py-1 text-[12.5px] leading-snug text-brick">
                    {refused}
                </p>
            )}
        </section>
    );
}

/** A letter that nothing else is called by, as dimensions are lettered. */
function freeName(taken: string[], values: Record<string, unknown>): string {
    const used = new Set([...taken, ...Object.keys(values)]);
    const letters = 'abcdfghjklnopqrstuvwxyz'.split('');
    return letters.find((letter) => !used.has(letter)) ?? `a${used.size}`;
}
