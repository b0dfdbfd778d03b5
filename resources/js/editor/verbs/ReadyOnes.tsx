import { useQuery } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { answer, api, type Construction } from '../../api/client';
import { problemText, useDesk } from '../desk';

/** Ready constructions to begin with: a page of pictures, of which one is laid on the sheet as sentences of the plan. */
export function ReadyOnes({ onLaid }: { onLaid: () => void }) {
    const { change } = useDesk();
    const [open, setOpen] = useState(false);
    const [problem, setProblem] = useState<string | null>(null);
    const list = useQuery({ queryKey: ['constructions'], queryFn: () => answer(api.GET('/api/constructions')), enabled: open, staleTime: Infinity });

    async function lay({ name, steps, palette }: Construction): Promise<void> {
        const refused = await change([{ op: 'lay', name, steps, palette }]);
        setProblem(refused === null ? null : problemText(refused));
        if (refused !== null) return;
        setOpen(false);
        onLaid();
    }

    return (
        <Dialog.Root
            open={open}
            onOpenChange={(next) => {
                setProblem(null);
                setOpen(next);
            }}
        >
            <Dialog.Trigger className="quiet -mr-2 py-1.5 text-umber">Ready constructions</Dialog.Trigger>
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
                <Dialog.Content aria-describedby={undefined} className="appear fixed top-1/2 left-1/2 z-50 flex max-h-[92vh] w-[1160px] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 flex-col rounded-lg bg-paper p-7 shadow-2xl">
                    <div className="flex items-baseline gap-4">
                        <Dialog.Title className="font-serif text-2xl leading-none font-semibold">Ready constructions</Dialog.Title>
                        <p className="font-serif text-[15px] text-slate italic">Each is laid as sentences of the plan, in the size of your sheet; every number stays live.</p>
                        <span className="flex-1" />
                        <Dialog.Close className="quiet -mr-2.5">Leave</Dialog.Close>
                    </div>
                    {problem !== null && (
                        <p role="alert" className="mt-4 rounded bg-blush px-3 py-2 text-brick">
                            {problem}
                        </p>
                    )}
                    {list.isPending && <p className="py-16 text-center font-serif text-[16px] text-slate italic">Fetching them …</p>}
                    {list.isError && (
                        <p role="alert" className="py-10 text-center">
                            The server does not answer.{' '}
                            <button className="font-medium text-umber hover:underline" onClick={() => void list.refetch()}>
                                Try again
                            </button>
                        </p>
                    )}
                    <ul className="-mx-2 mt-5 grid min-h-0 grid-cols-7 gap-x-1 gap-y-3 overflow-y-auto px-2 pb-1 max-[1100px]:grid-cols-5">
                        {list.data?.constructions.map((one) => (
                            <li key={one.name}>
                                <button className="flex h-full w-full flex-col rounded border border-transparent p-1.5 text-left hover:border-amber hover:bg-honey" onClick={() => void lay(one)}>
                                    <img src={`data:image/svg+xml,${encodeURIComponent(one.picture)}`} alt="" className="aspect-square w-full rounded-sm bg-card" />
                                    <span className="mt-2 font-serif text-[15px] leading-tight font-semibold">{one.name}</span>
                                    <span className="mt-1 text-[12px] leading-snug text-slate">{one.says}</span>
                                </button>
                            </li>
                        ))}
                    </ul>
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    );
}
