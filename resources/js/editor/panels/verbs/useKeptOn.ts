import { useEffect } from 'react';
import { givingLooks, lookingLike } from '../../model/verbs/kept';
import { problemText } from '../../model/problem';
import { useAsking } from '../../state/asking';
import { usePick, usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';
import type { Shelf } from './useShelf';

/** The verb that is kept on is done with every new pick. */
export function useKeptOn({ verbs, count }: Shelf, setProblem: (text: string | null) => void): void {
    const { page, kinds, change } = useSheet();
    const { picking } = usePicks();
    const { kept, setKept } = useAsking();
    const pick = usePick(picking);
    const { steps } = page.plan;
    useEffect(() => {
        if (kept?.looksOf === undefined || pick.held || pick.parts.length === 0 || picking.get() !== pick) return;
        const { parts } = pick;
        picking.clear();
        if (kept.looksOf === null) setKept(givingLooks(parts[0] ?? null));
        else
            void change(lookingLike(kinds, steps, parts, kept.looksOf)).then((refused) =>
                setProblem(refused === null ? null : problemText(refused)),
            );
    }, [kept, pick, kinds, steps, picking, change, setKept, setProblem]);
    useEffect(() => {
        if (kept?.looksOf !== undefined) return;
        const verb = kept === null || pick.held || count === 0 ? undefined : verbs.find((one) => one.name === kept.name && one.needs === 0);
        if (kept === null || verb === undefined || picking.get() !== pick) return;
        const operations = verb.operations({ ...verb.start, ...kept.answers });
        // The next may be picked while this one is on its way.
        picking.clear();
        void change(operations).then((refused) => setProblem(refused === null ? null : problemText(refused)));
    }, [kept, pick, count, verbs, picking, change, setProblem]);
}
