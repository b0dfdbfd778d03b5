import { Dialog } from 'radix-ui';
import { useState } from 'react';
import type { Problem } from '../../../api/client';
import { later } from '../../../ui/later';

const Variations = later(() => import('./Variations').then(({ Variations }) => Variations));

/** Opens variations of the sheet. */
export function Vary({ bring }: { bring: (plan: string) => Promise<Problem | null> }) {
    const [open, setOpen] = useState(false);
    return (
        <Dialog.Root open={open} onOpenChange={setOpen}>
            <Dialog.Trigger className="quiet">Vary</Dialog.Trigger>
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
                <Dialog.Content aria-describedby={undefined} className="appear fixed top-1/2 left-1/2 z-50 flex max-h-[94vh] w-[min(96vw,1560px)] -translate-x-1/2 -translate-y-1/2 flex-col gap-4 rounded-lg bg-paper p-6 shadow-2xl">
                    <Variations bring={bring} onTaken={() => setOpen(false)} />
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    );
}
