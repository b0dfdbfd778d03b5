/** How large the sheet is shown. */
export function Zoom({ scale, onOut, onFit, onIn }: { scale: number; onOut: () => void; onFit: () => void; onIn: () => void }) {
    return (
        <div className="flex shrink-0 items-center gap-0.5 text-[12.5px] text-slate tabular-nums">
            <button className="quiet px-2 py-1.5" aria-label="Zoom out" onClick={onOut}>
                −
            </button>
            <button className="quiet px-1 py-1.5 text-ink" onClick={onFit}>
                Fit
            </button>
            <button className="quiet px-2 py-1.5" aria-label="Zoom in" onClick={onIn}>
                +
            </button>
            <span className="hidden min-w-12 text-right xl:block">{Math.round(scale * 100).toLocaleString('en')} %</span>
        </div>
    );
}
