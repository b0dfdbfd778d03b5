import type { ReactNode } from 'react';
import { type Folded, useView } from '../state/view';

/**
 * A column beside the sheet that is folded away by its edge, which lies over the margin of the sheet, and unfolded by what is left of it.
 */
export function Foldable({ side, what, children }: { side: keyof Folded; what: string; children: ReactNode }) {
    const { folded, fold } = useView();
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
