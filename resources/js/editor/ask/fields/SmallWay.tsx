import type { ReactNode } from 'react';
import { InlineButton } from '../../../ui/InlineButton';

/** A way to fill in a field other than typing, in small words behind it: find them, click them, forget them. */
export function SmallWay({ label, onTake, children }: { label: string; onTake: () => void; children: ReactNode }) {
    return (
        <InlineButton className="ml-1.5 font-sans text-[12.5px] text-umber hover:underline" aria-label={label} onClick={onTake}>
            {children}
        </InlineButton>
    );
}
