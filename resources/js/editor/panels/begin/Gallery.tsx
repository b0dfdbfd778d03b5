import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

interface Entry {
    name: string;
    says: string;
    picture: string;
}

interface Props<T extends Entry> {
    open: boolean;
    onOpen: (open: boolean) => void;
    trigger: ReactNode;
    title: string;
    says: string;
    entries: T[] | undefined;
    pending: boolean;
    failed: boolean;
    onRetry: () => void;
    problem: string | null;
    onChoose: (entry: T) => void;
    wide?: boolean;
}

/** A page of pictures to choose one from. */
export function Gallery<T extends Entry>({
    open,
    onOpen,
    trigger,
    title,
    says,
    entries,
    pending,
    failed,
    onRetry,
    problem,
    onChoose,
    wide = false,
}: Props<T>) {
    return (
        <Dialog.Root open={open} onOpenChange={onOpen}>
            <Dialog.Trigger asChild>{trigger}</Dialog.Trigger>
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
                <Dialog.Content
                    aria-describedby={undefined}
                    className="appear fixed top-1/2 left-1/2 z-50 flex max-h-[92vh] w-[1160px] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 flex-col rounded-lg bg-paper p-7 shadow-2xl"
                >
                    <div className="flex items-baseline gap-4">
                        <Dialog.Title className="font-serif text-2xl leading-none font-semibold">{title}</Dialog.Title>
                        <p className="font-serif text-[15px] text-slate italic">{says}</p>
                        <span className="flex-1" />
                        <Dialog.Close className="quiet -mr-2.5">Leave</Dialog.Close>
                    </div>
                    {problem !== null && (
                        <p role="alert" className="mt-4 rounded bg-blush px-3 py-2 text-brick">
                            {problem}
                        </p>
                    )}
                    {pending && <p className="py-16 text-center font-serif text-[16px] text-slate italic">Fetching them …</p>}
                    {failed && (
                        <p role="alert" className="py-10 text-center">
                            The server does not answer.{' '}
                            <button className="font-medium text-umber hover:underline" onClick={onRetry}>
                                Try again
                            </button>
                        </p>
                    )}
                    <ul className={`-mx-2 mt-5 grid min-h-0 gap-x-1 gap-y-3 overflow-y-auto px-2 pb-1 ${wide ? 'grid-cols-5 max-[1000px]:grid-cols-3' : 'grid-cols-7 max-[1100px]:grid-cols-5'}`}>
                        {entries?.map((one) => (
                            <li key={one.name}>
                                <button
                                    className="flex h-full w-full flex-col rounded border border-transparent p-1.5 text-left hover:border-amber hover:bg-honey"
                                    onClick={() => onChoose(one)}
                                >
                                    <img
                                        src={`data:image/svg+xml,${encodeURIComponent(one.picture)}`}
                                        alt=""
                                        className="aspect-square w-full rounded-sm bg-card object-contain"
                                    />
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
