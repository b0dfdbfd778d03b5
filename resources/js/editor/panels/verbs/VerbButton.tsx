import { Tooltip } from 'radix-ui';
import type { Verb } from '../../model/verbs/verbs';

/** A verb with its number; pointed at, it says what it does. */
export function VerbButton({ verb, tight, onPress }: { verb: Verb; tight: boolean; onPress: () => void }) {
    const small = verb.picture ? 'gap-1 py-[5px] pr-1.5 pl-1 text-[13px] [&_kbd]:px-1' : tight ? 'tight' : '';
    return (
        <Tooltip.Root>
            <Tooltip.Trigger asChild>
                <button className={`verb ${small}`} onClick={onPress}>
                    <kbd>{verb.key}</kbd>
                    {verb.picture && <Picture path={verb.picture} size={20} />}
                    {verb.from === 'ground' && verb.picture ? <GridName label={verb.label} /> : verb.needs > 0 ? `${verb.label.replace('…', '')}…` : verb.label}
                </button>
            </Tooltip.Trigger>
            <Tooltip.Portal>
                <Tooltip.Content side="top" sideOffset={7} className="z-50 flex max-w-72 items-center gap-3 rounded-md bg-ink px-3 py-2 text-[13px] leading-snug text-paper shadow-lg">
                    {verb.picture && <Picture path={verb.picture} size={40} />}
                    {verb.says}
                </Tooltip.Content>
            </Tooltip.Portal>
        </Tooltip.Root>
    );
}

function Picture({ path, size }: { path: string; size: number }) {
    return (
        <svg viewBox="0 0 48 48" width={size} height={size} aria-hidden="true" className="shrink-0">
            <path d={path} fill="none" stroke="currentColor" strokeWidth="2" />
        </svg>
    );
}

/** `Polar grid`, of which the eye gets the first word: what the row is about stands in front of it. */
function GridName({ label }: { label: string }) {
    return (
        <span>
            {label.replace(/ grid$/, '')}
            <span className="sr-only"> grid</span>
        </span>
    );
}
