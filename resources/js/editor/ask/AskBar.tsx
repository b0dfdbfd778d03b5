import { type FormEvent, type KeyboardEvent, useEffect, useLayoutEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { isUnfinished } from '../model/fields/number';
import { answersOf } from '../model/verbs/asking';
import { slotsOf, withHovered } from '../model/verbs/hears';
import { useAsking, useHears } from '../state/asking';
import { usePicks } from '../state/pick';
import type { Asks } from './asks';
import { Questions } from './Questions';
import { usePreviewed } from './usePreviewed';

/** Pixels: as high as the verbs, and the row above them. */
const BAR = 110;

const ROW = 40;

/** The questions of a verb, in the place of the verbs, with what would come of it shown on the sheet. */
export function AskBar({ asking, verb, pointed, problem, onAnswer, onDo, onLeave }: Asks) {
    const { pointed: pointing } = usePicks();
    const { setAsking } = useAsking();
    const hears = useHears();
    const [help, setHelp] = useState('');
    const form = useRef<HTMLFormElement>(null);
    const hover = useSyncExternalStore(pointing.subscribe, pointing.get);
    const hasQuestions = verb.needs === 0 && verb.asks.length > 0;

    const operations = useMemo(() => {
        if (verb.needs > 0) return (pointed() ?? verb).needs > 0 ? null : (pointed() ?? verb).operations(answersOf({ ...asking, verb }));
        const aimed =
            hover?.handle === true
                ? null
                : withHovered(asking, hears, hover?.point === undefined ? undefined : (hover.point.raw ?? hover.point.at));
        // As long as it could take more, what is pointed at counts.
        const shown = verb.full || hasQuestions ? verb : (pointed() ?? verb);
        return shown.operations(aimed ?? answersOf({ ...asking, verb }));
        // eslint-disable-next-line react-hooks/exhaustive-deps -- what is pointed at hangs on the hover
    }, [asking, verb, hover, hears]);
    const fault = usePreviewed(operations, !Object.values(asking.answers).some(isUnfinished));

    // Said on the sheet, it goes on there; with all that it takes, its questions come next.
    useEffect(() => {
        if (!hasQuestions) return;
        const first =
            form.current?.querySelector<HTMLElement>('[data-questions] :is(input, button, select, [role=button])') ??
            form.current?.querySelector<HTMLElement>('button.solid');
        const chosen =
            first instanceof HTMLInputElement && first.type === 'radio'
                ? form.current?.querySelector<HTMLElement>(`[name="${CSS.escape(first.name)}"]:checked`)
                : null;
        (chosen ?? first)?.focus();
    }, [hasQuestions]);

    // Where it grows it covers the row above the verbs as a whole, not half of it.
    useLayoutEffect(() => {
        const element = form.current;
        if (element === null) return;
        element.style.minHeight = `${BAR}px`;
        const high = element.scrollHeight;
        element.style.minHeight = `${high > BAR + 1 ? Math.max(high, BAR + ROW) : BAR}px`;
    });

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

    /** The place that is asked for there is the one that a click answers. */
    function turnTo(field: string): void {
        setHelp(verb.kind?.fields.find(({ name }) => name === field)?.says ?? '');
        const slot = slotsOf(verb, asking.answers).findIndex((one) => one.field === field);
        if (slot >= 0 && hears.sort === 'place' && hears.slot.field !== field) setAsking((old) => old && { ...old, slot });
    }

    const standing = hears.sort === 'place' ? hears.slot : null;
    return (
        // As high as the verbs; what there is more to say lies over the sheet, which does not move.
        <section aria-label={verb.label} className="relative h-[110px] shrink-0">
            <form
                ref={form}
                className="absolute inset-x-0 bottom-0 flex items-center gap-4 border-t border-rule bg-paper px-4 py-2.5"
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
                        <p className="text-slate">
                            {verb.bends === null
                                ? 'Pick more, or do it.'
                                : 'Click more places; press and pull for an arc; the first place again ends it.'}
                        </p>
                    )}
                    {verb.needs === 0 && (
                        <Questions verb={verb} answers={asking.answers} standing={standing} onAnswer={onAnswer} onFocus={turnTo} />
                    )}
                    {/* Of one line whatever it says: what is pressed must not move under the pointer. */}
                    <p className="h-[18px] basis-full truncate text-[12.5px] leading-[18px] text-slate" title={help}>
                        {[
                            standing === null
                                ? verb.says
                                : `A click on the sheet gives ${standing.label.startsWith('the ') ? '' : 'the '}${standing.label}.`,
                            help,
                        ]
                            .filter(Boolean)
                            .join(' ')}
                    </p>
                    {(problem ?? fault) && (
                        <p role="alert" className="basis-full rounded bg-blush px-2 py-1.5 text-[12.5px] leading-snug text-brick">
                            {problem ?? fault?.text}
                            {fault?.instead != null && verb.asks.includes(fault.instead.field) && (
                                <Instead {...fault.instead} onAnswer={onAnswer} />
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

function Instead({ field, value, onAnswer }: { field: string; value: number; onAnswer: Asks['onAnswer'] }) {
    return (
        <button type="button" className="ml-1.5 font-medium underline" onClick={() => onAnswer({ [field]: value })}>
            Make it {value}
        </button>
    );
}
