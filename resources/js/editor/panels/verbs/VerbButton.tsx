import { Tooltip } from 'radix-ui';
import type { Verb } from '../../model/verbs/verb';
import { shortLabel } from '../../model/verbs/words';
import { digitOf } from './useShelf';

/** A verb with its number; pointed at, it says what it does. */
export function VerbButton({
    verb,
    tight,
    pressed = false,
    onPress,
}: {
    verb: Verb;
    tight: boolean;
    pressed?: boolean;
    onPress: () => void;
}) {
    const small = verb.picture ? `${tight ? 'tight' : 'py-[5px]'} gap-1 pr-1.5 pl-1 text-[13px] [&_kbd]:px-1` : tight ? 'tight' : '';
    return (
        <Tooltip.Root>
            <Tooltip.Trigger asChild>
                <button
                    className={`verb ${small} ${pressed ? 'border-amber bg-honey' : ''}`}
                    aria-pressed={pressed || undefined}
                    onClick={onPress}
                >
                    <kbd>{digitOf(verb)}</kbd>
                    {verb.picture && <VerbPicture path={verb.picture} size={tight ? 17 : 20} />}
                    {verb.from === 'ground' && verb.picture ? <GridName label={verb.label} /> : labelOf(verb)}
                </button>
            </Tooltip.Trigger>
            <Tooltip.Portal>
                <Tooltip.Content side="top" sideOffset={7} className="z-50 flex max-w-72 items-center gap-3 rounded-md bg-ink px-3 py-2 text-[13px] leading-snug text-paper shadow-lg">
                    {verb.picture && <VerbPicture path={verb.picture} size={40} />}
                    {verb.says}
                </Tooltip.Content>
            </Tooltip.Portal>
        </Tooltip.Root>
    );
}

/** What is drawn by one pull is called by its shape alone; what asks for more has dots. */
function labelOf({ label, group, needs }: Verb): string {
    if (group === 'shapes' || group === 'lines') return shortLabel(label);
    return needs > 0 ? `${label.replace('…', '')}…` : label;
}

function VerbPicture({ path, size }: { path: string; size: number }) {
    return (
        <svg viewBox="0 0 48 48" width={size} height={size} aria-hidden="true" className={`shrink-0 ${size < 40 ? 'max-xl:hidden' : ''}`}>
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
