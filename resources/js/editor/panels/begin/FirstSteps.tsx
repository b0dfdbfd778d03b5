import { useState } from 'react';
import { usePick, usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';
import { nextStop, STOPS } from '../../model/begin/firstSteps';

/** The first steps on the sheet itself: each step is done by doing it, and it can be left at any time. */
export function FirstSteps({ onLeave }: { onLeave: () => void }) {
    const { page } = useSheet();
    const { picking } = usePicks();
    const pick = usePick(picking);
    const [passed, setPassed] = useState(0);
    // What was done once need not be so any more.
    const at = nextStop({ page, pick }, passed);
    if (at > passed) setPassed(at);
    const stop = STOPS[at];

    return (
        <aside
            aria-label="First steps"
            className="appear absolute top-3 left-3 z-10 w-72 rounded-md border border-amber bg-paper p-4 shadow-[0_6px_24px_-8px_rgba(27,33,64,.35)]"
        >
            <ol
                className="mb-2.5 flex gap-1.5"
                aria-label={stop === undefined ? 'All five steps are done' : `Step ${at + 1} of ${STOPS.length}`}
            >
                {STOPS.map(({ title }, k) => (
                    <li key={title} className={`h-1 flex-1 rounded ${k < at ? 'bg-amber' : k === at ? 'bg-ink' : 'bg-rule'}`} />
                ))}
            </ol>
            <p role="status" className="font-serif text-[17px] leading-tight font-semibold">
                {stop?.title ?? 'That is all there is to it'}
            </p>
            <p className="mt-1.5 text-[13px] leading-snug text-slate">
                {stop?.says ?? 'Grids, picks, verbs, sentences. “Hand over” takes it home; “/” finds every verb by any word for it.'}
            </p>
            <button className="mt-2.5 -mb-1 text-[13px] font-medium text-umber hover:underline" onClick={onLeave}>
                {stop === undefined ? 'Close' : 'Leave the first steps'}
            </button>
        </aside>
    );
}
