import { useInfiniteQuery, useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, done, type Session, type SheetEntry } from '../api/client';
import { Account } from '../account/Account';
import { Mark } from '../ui/Mark';
import { NewSheet } from './NewSheet';
import { SheetCard } from './SheetCard';

/** A person's sheets. */
export function SheetList({ person }: { person: NonNullable<Session['person']> }) {
    const queries = useQueryClient();
    const [deleted, setDeleted] = useState<SheetEntry | null>(null);
    const [creating, setCreating] = useState(false);
    const [sort, setSort] = useState<'changed' | 'name'>('changed');
    const sheets = useInfiniteQuery({
        queryKey: ['sheets', sort],
        initialPageParam: undefined as string | undefined,
        queryFn: ({ pageParam: cursor }) => answer(api.GET('/api/sheets', { params: { query: { sort, cursor } } })),
        getNextPageParam: (page) => page.next ?? undefined,
        refetchOnMount: 'always',
    });
    const listed = sheets.data?.pages.flatMap((page) => page.sheets) ?? [];
    const [account, setAccount] = useState(false);
    const left = () => {
        // The session itself stays, for it is what the page looks at.
        queries.setQueryData<Session>(['session'], (before) => ({ person: null, mailbox: before?.mailbox ?? false }));
        queries.removeQueries({ predicate: (query) => query.queryKey[0] !== 'session' });
    };
    const signOut = useMutation({ mutationFn: () => done(api.POST('/api/sign-out')), onSuccess: left });
    const again = () => queries.invalidateQueries({ queryKey: ['sheets'] });
    const restore = useMutation({
        mutationFn: (sheet: SheetEntry) => answer(api.POST('/api/sheets/{sheet}/restore', { params: { path: { sheet: sheet.id } } })),
        onSuccess: () => {
            setDeleted(null);
            void again();
        },
    });

    return (
        <div className="flex h-full flex-col bg-paper">
            <header className="flex h-12 shrink-0 items-center gap-3.5 border-b border-rule px-5">
                <Mark />
                <span className="font-serif text-[19px] font-semibold tracking-[.01em]">Sternbild</span>
                <span className="flex-1" />
                <button className="quiet" onClick={() => setAccount(true)} title="Your account">
                    {person.name}
                </button>
                <button className="quiet" onClick={() => signOut.mutate()}>
                    Sign out
                </button>
            </header>
            <main className="flex-1 overflow-auto px-[clamp(1.5rem,5vw,5rem)] py-9">
                <div className="mb-7 flex items-end gap-4">
                    <h1 className="font-serif text-[30px] leading-none font-semibold">Sheets</h1>
                    {sheets.isSuccess && (
                        <span className="pb-0.5 text-slate">
                            {listed.length === 1 ? '1 sheet' : `${listed.length}${sheets.hasNextPage ? ' of more' : ''} sheets`},{' '}
                            <select
                                className="live font-serif text-[15px] text-ink"
                                aria-label="Order of the sheets"
                                value={sort}
                                onChange={(event) => setSort(event.target.value === 'name' ? 'name' : 'changed')}
                            >
                                <option value="changed">last changed first</option>
                                <option value="name">by name</option>
                            </select>
                        </span>
                    )}
                    <span className="flex-1" />
                    <button className="solid" onClick={() => setCreating(true)}>
                        New sheet
                    </button>
                </div>
                {sheets.isPending && (
                    <ul className="grid grid-cols-[repeat(auto-fill,minmax(230px,1fr))] gap-6" aria-busy="true">
                        {[0, 1, 2].map((k) => (
                            <li key={k} className="h-64 rounded bg-ground/60" />
                        ))}
                    </ul>
                )}
                {sheets.isError && (
                    <div role="alert" className="flex flex-col items-start gap-4 font-serif text-[17px]">
                        <p>The sheets could not be loaded. They are safe on the server.</p>
                        <button className="solid font-sans" onClick={() => void sheets.refetch()}>
                            Try again
                        </button>
                    </div>
                )}
                {sheets.isSuccess && listed.length === 0 && (
                    <p className="max-w-md font-serif text-[19px] leading-snug text-slate">
                        No sheet yet. A new sheet begins with its size; then you lay a grid on it, pick cells, and say what becomes of them.
                    </p>
                )}
                {sheets.isSuccess && (
                    <ul className="grid grid-cols-[repeat(auto-fill,minmax(230px,1fr))] gap-x-6 gap-y-8">
                        {listed.map((sheet) => (
                            <SheetCard key={sheet.id} sheet={sheet} onChanged={() => void again()} onDeleted={() => setDeleted(sheet)} />
                        ))}
                    </ul>
                )}
                {sheets.hasNextPage && (
                    <button
                        className="quiet mx-auto mt-8 block"
                        disabled={sheets.isFetchingNextPage}
                        onClick={() => void sheets.fetchNextPage()}
                    >
                        Show more
                    </button>
                )}
            </main>
            {deleted !== null && (
                <div role="status" className="appear fixed bottom-6 left-1/2 flex -translate-x-1/2 items-center gap-2 rounded-md bg-ink py-2 pr-2 pl-4 text-paper shadow-lg">
                    “{deleted.name}” is deleted.
                    <button
                        className="rounded px-3 py-1.5 font-semibold text-[#f5cf7a] hover:bg-white/10"
                        onClick={() => restore.mutate(deleted)}
                    >
                        Undo
                    </button>
                    <button className="rounded px-2 py-1.5 hover:bg-white/10" onClick={() => setDeleted(null)}>
                        Dismiss
                    </button>
                </div>
            )}
            <NewSheet open={creating} onOpenChange={setCreating} />
            <Account person={person} open={account} onOpenChange={setAccount} onLeft={left} />
        </div>
    );
}
