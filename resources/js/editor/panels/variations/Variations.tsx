import { useMutation, useQuery } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, Problem } from '../../../api/client';
import { problemText } from '../../model/problem';
import { useSheet } from '../../state/sheet';

const COUNT = 12;

/** The same sheet with other numbers, twelve side by side: any of them is taken over, or kept as a sheet of its own. */
export function Variations({ bring, onTaken }: { bring: (plan: string) => Promise<Problem | null>; onTaken: () => void }) {
    const { page } = useSheet();
    const [seed, setSeed] = useState(1);
    const [without, setWithout] = useState<ReadonlySet<string>>(new Set());
    const [numbers, setNumbers] = useState<{ name: string; label: string }[]>([]);
    const [refused, setRefused] = useState<string | null>(null);
    const what = numbers.map(({ name }) => name).filter((name) => !without.has(name));
    const chosen = without.size === 0 ? undefined : what;
    const found = useQuery({
        queryKey: ['variations', page.id, page.revision, seed, chosen ?? null],
        enabled: chosen === undefined || chosen.length > 0,
        queryFn: async () => {
            const one = await answer(
                api.POST('/api/sheets/{sheet}/variations', {
                    params: { path: { sheet: page.id } },
                    body: { seed, count: COUNT, ...(chosen === undefined ? {} : { what: chosen }) },
                }),
            );
            setNumbers(one.numbers);
            return one.variations;
        },
        staleTime: Infinity,
        retry: false,
        placeholderData: (before) => before,
    });
    const keep = useMutation({
        mutationFn: ({ plan, number }: { plan: string; number: number }) =>
            answer(api.POST('/api/sheets', { body: { name: `${page.name}, ${seed}.${number}`.slice(0, 80), plan } })),
    });

    function toggle(name: string): void {
        setWithout((old) => new Set(old.has(name) ? [...old].filter((one) => one !== name) : [...old, name]));
    }

    const wrong =
        refused ??
        (found.error instanceof Problem ? problemText(found.error) : found.error === null ? null : 'The server does not answer.');
    return (
        <>
            <div className="flex items-center gap-4">
                <Dialog.Title className="font-serif text-2xl leading-none font-semibold">Variations</Dialog.Title>
                <span role="status" className="flex-1 text-[13px] text-slate">
                    {found.isFetching
                        ? 'Drawing them …'
                        : found.data === undefined
                          ? ''
                          : found.data.length === 0
                            ? 'Nothing of this sheet may vary.'
                            : `${found.data.length} of the lot ${seed}`}
                </span>
                <label className="flex items-center gap-2 text-[13px]">
                    Lot
                    <input
                        type="number"
                        className="boxed w-20 py-1.5 tabular-nums"
                        min={0}
                        max={999_999_999}
                        value={seed}
                        onChange={(event) => setSeed(Math.max(0, Math.round(event.target.valueAsNumber || 0)))}
                    />
                </label>
                <button className="quiet text-umber" onClick={() => setSeed(seed + 1)}>
                    Draw others
                </button>
                <Dialog.Close className="quiet">Leave</Dialog.Close>
            </div>
            {numbers.length > 0 && (
                <div
                    role="group"
                    aria-label="What may vary"
                    className="-m-1 flex max-h-24 shrink-0 flex-wrap gap-1.5 overflow-y-auto p-1"
                >
                    {numbers.map(({ name, label }) => (
                        <button key={name} aria-pressed={!without.has(name)} className={`choice font-serif text-[14px] italic ${without.has(name) ? 'border-rule bg-card text-slate line-through' : 'border-amber bg-honey'}`} onClick={() => toggle(name)}>
                            {label}
                        </button>
                    ))}
                </div>
            )}
            {wrong !== null && (
                <p role="alert" className="rounded bg-blush px-3 py-2 text-brick">
                    {wrong}
                </p>
            )}
            <ul className="-m-1 grid min-h-0 grid-cols-6 gap-x-3 gap-y-4 overflow-y-auto p-1">
                {(found.data ?? []).map(({ plan, picture }, k) => (
                    <li key={`${seed} ${k}`} className="flex flex-col gap-1">
                        <img
                            alt={`Variation ${k + 1}`}
                            className="aspect-square w-full rounded border border-hairline bg-ground object-contain"
                            src={`data:image/svg+xml;utf8,${encodeURIComponent(picture)}`}
                        />
                        <span className="flex justify-between text-[12.5px] font-medium text-umber">
                            <button
                                className="hover:underline"
                                aria-label={`Take over variation ${k + 1}`}
                                onClick={() =>
                                    void bring(plan).then((problem) => {
                                        setRefused(problem === null ? null : problemText(problem));
                                        if (problem === null) onTaken();
                                    })
                                }
                            >
                                Take over
                            </button>
                            <button
                                className="hover:underline"
                                aria-label={`Keep variation ${k + 1} as a sheet`}
                                disabled={keep.isPending}
                                onClick={() => keep.mutate({ plan, number: k + 1 })}
                            >
                                Keep as a sheet
                            </button>
                        </span>
                    </li>
                ))}
            </ul>
            {keep.data !== undefined && (
                <p role="status" className="text-[13px]">
                    Kept as <em>{keep.data.name}</em>, among{' '}
                    <Link to="/" className="text-umber underline">
                        all sheets
                    </Link>
                    .
                </p>
            )}
        </>
    );
}
