import { type ReactNode, useState } from 'react';
import { type Folded, useDesk } from './desk';

const KEPT = 'sternbild-folded';

/** What is folded away, as it was left last. */
export function useFolded(): { folded: Folded; fold: (side: keyof Folded) => void } {
    const [folded, setFolded] = useState<Folded>(() => {
        const kept: unknown = JSON.parse(localStorage.getItem(KEPT) ?? '{}');
        const is = (side: string): boolean => kept !== null && typeof kept === 'object' && (kept as Record<string, unknown>)[side] === true;
        return { plan: is('plan'), proofs: is('proofs') };
    });
    return {
        folded,
        fold: (side) =>
            setFolded((old) => {
                const next = { ...old, [side]: !old[side] };
                localStorage.setItem(KEPT, JSON.stringify(next));
                return next;
            }),
    };
}

/** A column beside the sheet that is folded away by its edge, which lies over the margin of the sheet, and unfolded by what is left of it. */
export function Foldable({ side, what, children }: { side: keyof Folded; what: string; children: ReactNode }) {
    const { folded, fold } = useDesk();
    const isFolded = folded[side];
    const towards = side === 'plan' ? (isFolded ? '›' : '‹') : isFolded ? '‹' : '›';
    const edge = (
        <button
            type="button"
            data-keys
            aria-expanded={!isFolded}
            aria-label={`${isFolded ? 'Unfold' : 'Fold'} ${what}`}
            title={`${isFolded ? 'Unfold' : 'Fold'} ${what} (${side === 'plan' ? 'Ctrl \\' : 'Ctrl Shift \\'})`}
            className={`z-30 grid place-items-center text-[13px] text-slate hover:bg-honey hover:text-umber ${isFolded ? 'h-full w-3.5 bg-paper' : `absolute inset-y-0 w-2.5 opacity-0 hover:opacity-100 focus-visible:opacity-100 ${side === 'plan' ? '-right-2.5' : '-left-2.5'}`} ${side === 'plan' ? 'border-r' : 'border-l'} border-rule`}
            onClick={() => fold(side)}
        >
            {towards}
        </button>
    );
    return (
        <div className="relative grid min-h-0 min-w-0 grid-rows-[minmax(0,1fr)]">
            {!isFolded && children}
            {edge}
        </div>
    );
}
