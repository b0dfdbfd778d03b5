import { useMemo, useSyncExternalStore } from 'react';
import { isUnfinished } from '../model/fields/number';
import { answersOf } from '../model/verbs/asking';
import { drawingWords } from '../model/verbs/words';
import { usePick, usePicks } from '../state/pick';
import type { Asks } from './asks';
import { Questions } from './Questions';
import { usePreviewed } from './usePreviewed';

/**
 * What is drawn just now, above the sheet: what comes next, and what there is to be said in numbers; the next one begins as soon as one is
 * done.
 */
export function DrawBar({ asking, verb, pointed, problem, onAnswer, onDo, onLeave }: Asks) {
    const { picking, pointed: pointing } = usePicks();
    const { points } = usePick(picking);
    const hover = useSyncExternalStore(pointing.subscribe, pointing.get);
    const operations = useMemo(() => {
        const shown = verb.full ? verb : (pointed() ?? verb);
        return shown.needs > 0 ? null : shown.operations(answersOf({ ...asking, verb }));
        // eslint-disable-next-line react-hooks/exhaustive-deps -- what is pointed at hangs on the hover
    }, [asking, verb, hover]);
    const fault = usePreviewed(operations, !Object.values(asking.answers).some(isUnfinished));
    // What is not drawn to its end yet is not wrong yet.
    const wrong = problem ?? (verb.needs === 0 ? (fault?.text ?? null) : null);
    return (
        <form
            aria-label={verb.label}
            data-keys
            className="absolute inset-x-3 top-3 z-20 mx-auto flex w-fit flex-wrap items-center gap-x-3.5 gap-y-1 rounded-md border border-rule bg-paper px-3.5 py-2 shadow-md"
            onSubmit={(event) => {
                event.preventDefault();
                if (verb.needs === 0) onDo();
            }}
            onKeyDown={(event) => event.key === 'Escape' && (event.preventDefault(), onLeave())}
        >
            <p role="status" className="font-serif text-[16px] leading-tight">
                {drawingWords(verb, points.length)}
            </p>
            <Questions verb={verb} answers={asking.answers} onAnswer={onAnswer} />
            {verb.needs === 0 && !verb.full ? (
                <button className="quiet py-1 text-umber">Done: Enter</button>
            ) : (
                <span className="text-[12.5px] whitespace-nowrap text-slate">kept on; Esc leaves</span>
            )}
            {wrong !== null && (
                <p role="alert" className="basis-full rounded bg-blush px-2 py-1 text-[12.5px] leading-snug text-brick">
                    {wrong}
                </p>
            )}
        </form>
    );
}
