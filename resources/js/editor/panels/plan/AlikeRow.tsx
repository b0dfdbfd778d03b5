/** Like sentences in a row, told in one line. */
export function AlikeRow({ text, from, to, open, onOpen }: { text: string; from: number; to: number; open: boolean; onOpen: () => void }) {
    return (
        <button className="flex w-full items-baseline py-[5px] pr-4 text-left hover:bg-honey/60" aria-expanded={open} onClick={onOpen}>
            <span className="w-[50px] shrink-0 pr-3.5 text-right text-[12px] text-slate tabular-nums">{from}</span>
            <span className="flex-1 font-serif text-[16px] leading-[1.55] first-letter:uppercase">{text}</span>
            <span className="text-[12px] text-slate tabular-nums">{open ? 'in one line' : `to ${to}`}</span>
        </button>
    );
}
