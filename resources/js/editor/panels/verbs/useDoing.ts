import { type Dispatch, type SetStateAction, useCallback, useEffect, useLayoutEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { following } from '../../ask/fields/PicturedChoice';
import { problemText } from '../../model/problem';
import type { Pick } from '../../model/pick/Picking';
import { answersOf, asked, type Asking, enoughBent, isDrawn } from '../../model/verbs/asking';
import { hearsOf } from '../../model/verbs/hears';
import { COPIED, MODE_OF } from '../../model/verbs/kept';
import { answeredAnew, groupOf, plainVerb, type Verb } from '../../model/verbs/verb';
import { useAsking } from '../../state/asking';
import { usePick, usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';
import { useLeaving } from '../../state/useLeaving';
import { useView } from '../../state/view';
import type { Shelf } from './useShelf';

export interface Doing {
    /** The verb that is asked for, as it is with what is picked by now. */
    now: Verb | null;
    problem: string | null;
    begin: (verb: Verb) => void;
    doIt: () => void;
    answer: (answers: Record<string, unknown>) => void;
    leave: () => void;
    /** The last verb, with what is picked now; undefined where it does not fit. */
    again: Verb | undefined;
    doAgain: () => void;
    setProblem: (text: string | null) => void;
}

/** Beginning, asking and doing verbs. */
export function useDoing(
    { verbs, open, turnToDrawing }: Shelf,
    setColour: Dispatch<SetStateAction<string | null>>,
    onDone: () => void,
): Doing {
    const { page, change } = useSheet();
    const { picking } = usePicks();
    const { asking, setAsking, finishAsking, last, setLast, hears, offered } = useAsking();
    const { workOn, drawIn } = useView();
    const pick = usePick(picking);
    const leaving = useLeaving();
    const pickMade = usePickMade();
    // What was refused is told as long as what was picked, and what there is, are what they were.
    const [refusal, setRefusal] = useState<{ text: string; pick: Pick; revision: number } | null>(null);
    const problem = refusal?.pick === pick && refusal.revision === page.revision ? refusal.text : null;
    const setProblem = useCallback(
        (text: string | null): void => setRefusal(text === null ? null : { text, pick: picking.get(), revision: page.revision }),
        [picking, page.revision],
    );

    const present = useRef(asking);
    useLayoutEffect(() => {
        present.current = asking;
    }, [asking]);

    async function run(verb: Verb, answers: Record<string, unknown>): Promise<void> {
        const before = picking.get();
        const operations = verb.operations(answers);
        const drawn = asking !== null && isDrawn(asking) ? asking : null;
        // The next may be begun while this one is on its way.
        if (drawn !== null) picking.clear();
        // What is picked, or said, while it is on its way is not lost; where it is refused it is asked for again, as it was answered.
        const begun = drawn === null ? asking : null;
        if (begun !== null) {
            setAsking(null);
            onDone();
        }
        const refused = operations.length === 0 ? null : await change(operations);
        if (refused !== null) {
            if (begun !== null) setAsking((old) => old ?? begun);
            setProblem(problemText(refused));
            return;
        }
        const chosen = Object.entries(answers).find(
            ([field]) => verb.kind?.fields.find((one) => one.name === field)?.type === 'colour',
        )?.[1];
        if (typeof chosen === 'string') setColour(chosen);
        setProblem(null);
        if (verb.drawsIn !== undefined || verb.opens !== undefined) {
            picking.setMode(verb.drawsIn !== undefined ? 'points' : 'parts');
            if (verb.drawsIn !== undefined) drawIn(verb.drawsIn);
            if (verb.opens !== undefined) workOn(verb.opens);
            onDone();
            return;
        }
        setLast({ name: verb.name, label: verb.label.replace('…', ''), from: verb.from, answers: answeredAnew(verb, answers) });
        // On a grid that was laid something is drawn next.
        open(groupOf(verb) === 'grids' ? 'shapes' : groupOf(verb));
        if (drawn !== null) {
            const made = pickMade.later();
            // Left while it was on its way, it is picked at once, unless something else is by now.
            if (present.current === null && made !== null && isNothing(picking.get())) picking.restore(made);
            // At once: whoever leaves in the next moment finds it picked.
            flushSync(() =>
                setAsking((old) =>
                    old === null || old.verb.name !== drawn.verb.name ? old : asked(drawn.verb, old.answers, made ?? old.before),
                ),
            );
            return;
        }
        // Unless something else is being picked by now.
        if (picking.get() !== before) return;
        pickMade.now(verb);
        onDone();
    }

    function begin(verb: Verb): void {
        setProblem(null);
        turnToDrawing(false);
        if (verb.asks.length === 0 && verb.needs === 0) {
            void run(verb, {});
            return;
        }
        const mode = verb.from === null ? null : MODE_OF[verb.from];
        const { mode: present, points, parts, lines, count } = picking.get();
        const isFirst =
            verb.needs > 0 &&
            mode !== null &&
            (present !== mode ||
                { points: points.length, parts: parts.length, lines: lines.length, cells: count, paint: 0, trace: 0 }[mode] === 0);
        // One drawn after another: what was picked before the first of them is picked when the last is left.
        const before = isFirst ? (asking?.before ?? picking.snapshot()) : null;
        if (isFirst && present !== mode) picking.setMode(mode);
        setAsking(asked(verb, verb.start, before));
        if (isFirst) onDone();
    }

    useEffect(() => offered.set({ verbs, begin }));

    // What is asked for goes with the pick: more of it may have been picked since it was said.
    const now = asking === null ? null : enoughBent(verbs.find((verb) => verb.name === asking.verb.name) ?? asking.verb, asking, pick);
    const doIt = (): void => {
        if (asking !== null && now !== null && now.needs === 0) void run(now, answersOf({ ...asking, verb: now }));
    };

    useEffect(() => {
        finishAsking.set(asking === null ? null : doIt);
        // What is pressed and pulled means one thing from its beginning to its end.
        if (!pick.held) hears.set(same(hears.get(), hearsOf(asking, now)));
    });

    // With all that it takes picked, and nothing more to ask, it is done; what is drawn is, whatever its numbers are.
    const isDone =
        asking !== null && now !== null && asking.verb.needs > 0 && now.full && (now.asks.length === 0 || isDrawn(asking)) && !pick.held;
    useEffect(() => {
        if (isDone) finishAsking.get()?.();
    }, [isDone, finishAsking]);

    // Whoever picks something else by now draws no more.
    const isLeft = asking !== null && isDrawn(asking) && pick.mode !== 'points';
    useEffect(() => {
        if (isLeft) setAsking(null);
    }, [isLeft, setAsking]);

    const copied = last?.name === COPIED ? String(last.answers['id']) : null;
    const isCopied = copied !== null && [...pick.parts, ...pick.lines].join() === copied;
    const again =
        last === null ? undefined : isCopied ? goingOn(copied) : verbs.find((verb) => verb.name === last.name && verb.needs === 0);

    /** What was copied by hand goes on as a repeat, one more each time. */
    async function goOn(verb: Verb): Promise<void> {
        onDone();
        const refused = await change(verb.operations({}));
        setProblem(refused === null ? null : problemText(refused));
    }
    return {
        now,
        problem,
        begin,
        doIt,
        answer: (answers) => setAsking((old) => (old === null ? null : answered(old, now, answers))),
        leave: () => {
            setProblem(null);
            leaving();
            onDone();
        },
        again,
        doAgain: () => {
            if (again !== undefined && last !== null) void (isCopied ? goOn(again) : run(again, { ...again.start, ...last.answers }));
        },
        setProblem,
    };
}

function answered(old: Asking, now: Verb | null, answers: Record<string, unknown>): Asking {
    const next = { ...old.answers, ...answers };
    return {
        ...old,
        answers: { ...next, ...following(now?.kind?.fields ?? [], old.answers, next), ...(now ?? old.verb).follow?.(old.answers, next) },
    };
}

/** Of a copy that was made by hand a repeat, of a repeat one more. */
function goingOn(id: string): Verb {
    return {
        ...plainVerb(COPIED, 'Again', 'Goes on with the copy as a repeat, one more each time.', 'copy', 1, () => [{ op: 'again', id }]),
        from: 'parts',
    };
}

function isNothing({ points, parts, lines, count }: Pick): boolean {
    return points.length + parts.length + lines.length + count === 0;
}

/** The one before where the other says the same. */
function same<T>(before: T, next: T): T {
    return JSON.stringify(before) === JSON.stringify(next) ? before : next;
}

/** What was made is picked, ready for the next verb; what only looks otherwise, or lies elsewhere among others, stays picked. */
function usePickMade() {
    const { added } = useSheet();
    const { picking, select } = usePicks();
    return {
        now: (verb: Verb): void => {
            const { parts, lines } = added();
            const looks = verb.family === 'look';
            if (verb.cuts === true) {
                picking.setMode('cells');
                select(null);
            } else if (parts.length > 0 && !looks) {
                picking.pickParts(parts);
                select(parts.at(-1) ?? null);
            } else if (lines.length > 0 && !looks && verb.from !== null && verb.from !== 'ground') {
                picking.pickLines(lines.slice(-1));
                select(lines.at(-1) ?? null);
            } else if (picking.get().mode === 'points') {
                // What was picked there may lie elsewhere now.
                picking.clear();
            }
        },
        /** The same as what is picked once the drawing is left; null where nothing was made. */
        later: () => {
            const { parts, lines } = added();
            const id = parts.at(-1) ?? lines.at(-1);
            if (id === undefined) return null;
            select(id);
            const { pick } = picking.snapshot();
            return {
                pick: {
                    ...pick,
                    mode: parts.length > 0 ? ('parts' as const) : ('lines' as const),
                    parts: parts.slice(-1),
                    lines: parts.length > 0 ? [] : lines.slice(-1),
                    points: [],
                },
                cells: new Map(),
                runs: new Map(),
            };
        },
    };
}
