import { Popover } from 'radix-ui';
import { Children, type ReactNode } from 'react';
import { InlineButton } from '../../../ui/InlineButton';

/** Many places of a step, counted in its sentence and listed on demand. */
export function LivePlaces({ label, text, children }: { label: string; text: string; children: ReactNode }) {
    return (
        <Popover.Root>
            <Popover.Trigger asChild>
                <InlineButton className="live italic" aria-label={`${label}: ${text}`}>
                    {text}
                </InlineButton>
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content className="menu max-h-96 w-72 overflow-auto p-2" align="start" sideOffset={6}>
                    <ol className="font-serif text-[15px] leading-[1.9]">
                        {Children.map(children, (child, k) => (
                            <li className="flex gap-3">
                                <span className="w-6 shrink-0 text-right font-sans text-[12px] leading-[2.2] text-slate tabular-nums">
                                    {k + 1}
                                </span>
                                <span>{child}</span>
                            </li>
                        ))}
                    </ol>
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}
