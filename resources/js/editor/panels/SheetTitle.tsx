import { useMutation, useQueryClient } from '@tanstack/react-query';
import { type CSSProperties, useState } from 'react';
import { answer, api, type SheetPage } from '../../api/client';

/** The sheet's name, changed in place. */
export function SheetTitle({ id, name }: { id: string; name: string }) {
    const queries = useQueryClient();
    const [typed, setTyped] = useState<string | null>(null);
    const rename = useMutation({
        mutationFn: (next: string) => answer(api.PATCH('/api/sheets/{sheet}', { params: { path: { sheet: id } }, body: { name: next } })),
        onSuccess: (entry) => queries.setQueryData<SheetPage>(['sheet', id], (page) => page && { ...page, name: entry.name }),
    });

    function commit(): void {
        if (typed !== null && typed.trim() !== '' && typed !== name) rename.mutate(typed.trim());
        setTyped(null);
    }

    return (
        <span className="flex min-w-0 items-baseline gap-2">
            <input
                className="field-sizing max-w-80 min-w-16 truncate rounded bg-transparent px-1 py-1 font-serif text-[17px] leading-none italic hover:bg-honey focus:bg-card"
                style={{ '--chars': (typed ?? name).length } as CSSProperties}
                aria-label="Name of the sheet"
                maxLength={80}
                value={typed ?? name}
                onChange={(event) => setTyped(event.target.value)}
                onBlur={commit}
                onKeyDown={(event) => {
                    if (event.key === 'Enter') event.currentTarget.blur();
                    if (event.key === 'Escape') setTyped(null);
                }}
            />
            {rename.isError && (
                <span role="alert" className="text-[12.5px] text-brick">
                    {rename.error.message}
                </span>
            )}
        </span>
    );
}
