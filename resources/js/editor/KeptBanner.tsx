import type { Kept } from './useSheet';

/** Says that changes were not taken, and offers them again. */
export function KeptBanner({ kept, busy, onRetry, onDrop }: { kept: Kept; busy: boolean; onRetry: () => void; onDrop: () => void }) {
    const many = kept.entries.length > 1;
    return (
        <div role="alert" className="appear flex items-center gap-3 border-b border-rule bg-blush px-5 py-2.5">
            <p className="flex-1 font-serif text-[16px] leading-snug">
                {kept.why === 'refused' ? (
                    <>This cannot be made on the sheet as it is now. {kept.message}</>
                ) : kept.why === 'stale' ? (
                    <>The sheet was changed elsewhere in the meantime, and is shown as it is now. Your {many ? `${kept.entries.length} changes are` : 'change is'} kept and can be made on it.</>
                ) : kept.entries.length === 0 ? (
                    <>The server does not answer. Nothing is lost; please try again.</>
                ) : (
                    <>Not saved: the server does not answer. Your {many ? `${kept.entries.length} changes are` : 'change is'} kept here.</>
                )}
            </p>
            <button className="solid" disabled={busy} onClick={onRetry}>
                {kept.why === 'stale' ? (many ? 'Make my changes' : 'Make my change') : 'Try again'}
            </button>
            <button className="quiet" onClick={onDrop}>
                {kept.entries.length === 0 ? 'Dismiss' : 'Drop it'}
            </button>
        </div>
    );
}
