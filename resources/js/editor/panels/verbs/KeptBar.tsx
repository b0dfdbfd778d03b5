import type { Done } from '../../model/verbs/kept';
import type { Verb } from '../../model/verbs/verb';
import { stepOf } from '../../model/scene/steps';
import { useAsking } from '../../state/asking';
import { useSheet } from '../../state/sheet';
import { memberLabel } from '../../tools/useHits';

/** The verb that is kept on, in the place of the others. */
export function KeptBar({
    kept,
    verbs,
    count,
    problem,
    onDone,
}: {
    kept: Done;
    verbs: Verb[];
    count: number;
    problem: string | null;
    onDone: () => void;
}) {
    const { scene } = useSheet();
    const { setKept } = useAsking();
    return (
        <section aria-label="Verbs" className="flex h-[110px] shrink-0 items-center gap-4 border-t border-rule bg-paper px-4 py-2.5">
            <h2 className="font-serif text-[19px] leading-none font-semibold">{kept.label}</h2>
            <p role="status" className="min-w-0 flex-1 text-[13px] text-slate">
                {problem ?? keptText(kept, verbs, count, (name) => memberLabel(name, (id) => stepOf(scene, id)?.label ?? id))}
            </p>
            <button
                className="verb"
                onClick={() => {
                    setKept(null);
                    onDone();
                }}
            >
                <kbd>Esc</kbd>
                That is all
            </button>
        </section>
    );
}

/** What a verb that is kept on waits for. */
function keptText(kept: Done, verbs: Verb[], count: number, label: (id: string) => string): string {
    if (kept.looksOf === null) return 'Click the part whose looks are given on.';
    if (kept.looksOf !== undefined) return `Click whatever shall look like ${label(kept.looksOf)}; it goes on doing so.`;
    const verb = verbs.find((one) => one.name === kept.name);
    if (verb?.wants != null) return `Kept on: ${verb.wants}.`;
    return count > 0 && verb === undefined
        ? 'Not done with so many: take some out of the pick again.'
        : 'Kept on: done with every new pick. Pressed at one place and let go at another, both are picked.';
}
