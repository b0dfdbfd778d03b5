import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';

/** What opens a window from within a sentence. No button, which would be a block of its own: it breaks with the lines around it. */
export function LiveTrigger({ label, children }: { label: string; children: ReactNode }) {
    return (
        <Popover.Trigger asChild>
            <span
                role="button"
                tabIndex={0}
                className="live cursor-pointer italic"
                aria-label={label}
                onKeyDown={(event) => {
                    if (event.key !== 'Enter' && event.key !== ' ') return;
                    event.preventDefault();
                    event.currentTarget.click();
                }}
            >
                {children}
            </span>
        </Popover.Trigger>
    );
}
