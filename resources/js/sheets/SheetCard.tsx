import { useMutation } from '@tanstack/react-query';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, done, type SheetEntry } from '../api/client';
import { Thumbnail } from './Thumbnail';

/** One sheet in the list: its drawing as it is now, its name, and what can be done with it. */
export function SheetCard({ sheet, onChanged, onDeleted }: { sheet: SheetEntry; onChanged: () => void; onDeleted: () => void }) {
    const [name, setName] = useState<string | null>(null);
    const params = { path: { sheet: sheet.id } };
    const act = useMutation({ mutationFn: (work: () => Promise<unknown>) => work(), onSuccess: onChanged });

    function rename() {
        if (name !== null && name.trim() !== '' && name !== sheet.name) {
            act.mutate(() => answer(api.PATCH('/api/sheets/{sheet}', { params, body: { name } })));
        }
        setName(null);
    }

    return (
        <li className="group flex flex-col gap-3">
            <Link
                to={`/sheets/${sheet.id}`}
                aria-label={`Open ${sheet.name}`}
                className="relative block aspect-[4/3] rounded border border-hairline bg-ground transition-colors hover:border-amber"
            >
                <Thumbnail sheet={sheet.id} revision={sheet.revision} />
            </Link>
            <div className="flex items-start gap-1">
                <div className="min-w-0 flex-1">
                    {name === null ? (
                        <Link
                            to={`/sheets/${sheet.id}`}
                            tabIndex={-1}
                            className="block truncate font-serif text-[17px] leading-snug italic"
                        >
                            {sheet.name}
                        </Link>
                    ) : (
                        <input
                            className="boxed w-full font-serif text-[16px]"
                            aria-label="Name of the sheet"
                            autoFocus
                            value={name}
                            maxLength={80}
                            onChange={(event) => setName(event.target.value)}
                            onBlur={rename}
                            onKeyDown={(event) => {
                                if (event.key === 'Enter') rename();
                                if (event.key === 'Escape') setName(null);
                            }}
                        />
                    )}
                    <p className="text-[12.5px] text-slate">
                        Changed {new Date(sheet.changed).toLocaleDateString('en-GB', { day: 'numeric', month: 'long' })}, revision{' '}
                        {sheet.revision}
                    </p>
                    {act.isError && (
                        <p role="alert" className="text-[12.5px] text-brick">
                            {act.error.message}
                        </p>
                    )}
                </div>
                <DropdownMenu.Root>
                    <DropdownMenu.Trigger className="quiet -mr-2" aria-label={`More for ${sheet.name}`}>
                        More
                    </DropdownMenu.Trigger>
                    <DropdownMenu.Portal>
                        <DropdownMenu.Content
                            className="menu"
                            align="end"
                            onCloseAutoFocus={(event) => name !== null && event.preventDefault()}
                        >
                            <DropdownMenu.Item className="menu-item" onSelect={() => setName(sheet.name)}>
                                Rename
                            </DropdownMenu.Item>
                            <DropdownMenu.Item
                                className="menu-item"
                                onSelect={() => act.mutate(() => answer(api.POST('/api/sheets/{sheet}/duplicate', { params })))}
                            >
                                Duplicate
                            </DropdownMenu.Item>
                            <DropdownMenu.Item
                                className="menu-item text-brick"
                                onSelect={() =>
                                    act.mutate(() => done(api.DELETE('/api/sheets/{sheet}', { params })), { onSuccess: onDeleted })
                                }
                            >
                                Delete
                            </DropdownMenu.Item>
                        </DropdownMenu.Content>
                    </DropdownMenu.Portal>
                </DropdownMenu.Root>
            </div>
        </li>
    );
}
