import { Dialog } from 'radix-ui';
import { useState } from 'react';
import type { Problem } from '../../../api/client';
import { later } from '../../../ui/later';

const HandOverForm = later(() => import('./HandOverForm').then(({ HandOverForm }) => HandOverForm));

/** Opens the dialog for taking the sheet home. */
export function HandOver({ bring }: { bring: (plan: string) => Promise<Problem | null> }) {
    const [open, setOpen] = useState(false);
    const [chosen, choose] = useState('svg');
    return (
        <Dialog.Root open={open} onOpenChange={setOpen}>
            <Dialog.Trigger className="solid">Hand over</Dialog.Trigger>
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
                <Dialog.Content
                    aria-describedby={undefined}
                    // What is asked first, the form, takes the focus when it is there.
                    onOpenAutoFocus={(event) => {
                        event.preventDefault();
                        if (event.currentTarget instanceof HTMLElement) event.currentTarget.focus();
                    }}
                    className="appear fixed top-1/2 left-1/2 z-50 w-[540px] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 rounded-lg bg-paper p-7 shadow-2xl"
                >
                    <Dialog.Title className="font-serif text-2xl leading-none font-semibold">Hand over</Dialog.Title>
                    <HandOverForm chosen={chosen} choose={choose} bring={bring} onDone={() => setOpen(false)} />
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    );
}
