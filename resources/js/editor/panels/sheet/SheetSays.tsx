import { useSyncExternalStore } from 'react';
import type { Hover } from '../../model/pick/hover';
import { useSheet } from '../../state/sheet';

/** What is told of a change and of what is brought, above the sheet; what the pointer is on, below it. */
export function SheetSays({ brought, hover }: { brought: string | null; hover: Hover | null }) {
    const { told } = useSheet();
    const said = useSyncExternalStore(told.subscribe, told.get);
    return (
        <>
            {said !== null && (
                <p role="status" className="pointer-events-none absolute top-3 left-1/2 max-w-[90%] -translate-x-1/2 rounded bg-honey px-3 py-1.5 text-[13px] leading-snug text-umber shadow">
                    {typeof said === 'string' ? said : said.text}
                    {typeof said !== 'string' && (
                        <button type="button" data-keys className="pointer-events-auto ml-2 font-medium underline" onClick={said.run}>
                            {said.label}
                        </button>
                    )}
                </p>
            )}
            {brought !== null && (
                <p role="status" className="pointer-events-none absolute top-3 left-1/2 -translate-x-1/2 rounded bg-paper px-3 py-1.5 text-[13px] shadow">
                    {brought}
                </p>
            )}
            <p aria-live="polite" className="pointer-events-none absolute bottom-0 left-4 max-w-[calc(100%-2rem)] truncate rounded bg-ground/90 py-0.5 font-serif text-[15px]" title={hover?.name}>
                {hover?.name}
            </p>
        </>
    );
}
