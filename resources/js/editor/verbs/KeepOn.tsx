import { type Desk, useDesk } from '../desk';
import type { PickMode } from '../pick/pick';
import type { Verb } from './verbs';

/** A verb that was done, to be done again. */
export interface Done {
    name: string;
    label: string;
    from: Verb['from'];
    answers: Record<string, unknown>;
}

/** In which mode the pick that a verb needs is picked. */
export const MODE_OF: Record<NonNullable<Verb['from']>, PickMode | null> = { cells: 'cells', parts: 'parts', points: 'points', guides: 'lines', ground: null };

/** From now on the last verb is done with every new pick, until Escape. */
export function keepOn({ last, setKept, picking }: Desk): void {
    const mode = last === null || last.from === null ? null : MODE_OF[last.from];
    if (mode === null) return;
    setKept(last);
    picking.setMode(mode);
}

/** Offers to keep the last verb on. */
export function KeepOn({ onKept }: { onKept: () => void }) {
    const desk = useDesk();
    const { last, kept } = desk;
    if (last === null || last.from === null || MODE_OF[last.from] === null || kept !== null) return null;
    return (
        <button
            className="quiet flex min-w-0 items-center gap-1.5 py-1 text-[13px]"
            title={`Keep on: ${last.label.toLowerCase()}, with every new pick`}
            onClick={() => {
                keepOn(desk);
                onKept();
            }}
        >
            <kbd className="rounded-sm bg-honey px-1.5 py-[3px] font-sans text-[11.5px] leading-none font-medium text-umber">K</kbd>
            <span className="truncate">Keep on: {last.label.toLowerCase()}</span>
        </button>
    );
}
