import type { Picking } from '../../model/pick/Picking';
import { MODE_OF } from '../../model/verbs/kept';
import { shortLabel } from '../../model/verbs/words';
import { type AskingState, useAsking } from '../../state/asking';
import { usePicks } from '../../state/pick';

/** From now on the last verb is done with every new pick, until Escape. */
export function keepOn({ last, setKept }: Pick<AskingState, 'last' | 'setKept'>, picking: Picking): void {
    const mode = last === null || last.from === null ? null : MODE_OF[last.from];
    if (mode === null) return;
    setKept(last);
    picking.setMode(mode);
}

/** Offers to keep the last verb on. */
export function KeepOn({ onKept }: { onKept: () => void }) {
    const { last, kept, setKept, asking } = useAsking();
    const { picking } = usePicks();
    if (last === null || last.from === null || MODE_OF[last.from] === null || kept !== null || asking !== null) return null;
    return (
        <button
            className="quiet hidden min-w-0 items-center gap-1.5 py-1 text-[13px] xl:flex"
            title={`Keep on: ${last.label.toLowerCase()}, with every new pick`}
            onClick={() => {
                keepOn({ last, setKept }, picking);
                onKept();
            }}
        >
            <kbd className="rounded-sm bg-honey px-1.5 py-[3px] font-sans text-[11.5px] leading-none font-medium text-umber">K</kbd>
            <span className="truncate">Keep on: {shortLabel(last.label).toLowerCase()}</span>
        </button>
    );
}
