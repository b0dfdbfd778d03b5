import { Dialog } from 'radix-ui';
import { type FormEvent, useState } from 'react';
import type { Schemas } from '../../../api/client';
import { type DrawingForm, drawingSteps } from '../../../files/bringDrawing';
import { LeftOut } from '../../../files/LeftOut';
import { problemText } from '../../model/problem';
import { useSheet } from '../../state/sheet';

const FORMS: Record<DrawingForm, string> = {
    parts: 'As parts, where they lie in the file',
    motif: 'As one motif, to be placed again',
    picture: 'As a picture, to be traced',
};

/** A drawing from another program: read, told what of it is left out, and laid on the sheet. */
export function BringDrawing({
    open,
    given = null,
    onOpen,
    onClosed,
}: {
    open: boolean;
    given?: File | null;
    onOpen: (open: boolean) => void;
    onClosed: () => void;
}) {
    const { page, change } = useSheet();
    const [chosen, setChosen] = useState<File | null>(null);
    const [as, setAs] = useState<DrawingForm>('parts');
    const [busy, setBusy] = useState(false);
    const [problem, setProblem] = useState<string | null>(null);
    const [read, setRead] = useState<Schemas['DrawingSteps'] | null>(null);
    const file = given ?? chosen;

    function reset(next: boolean): void {
        setChosen(null);
        setProblem(null);
        setRead(null);
        onOpen(next);
    }

    async function lay(steps: Schemas['DrawingSteps']): Promise<void> {
        const refused = await change([{ op: 'lay', name: 'a drawing', steps: steps.steps, palette: steps.palette }]);
        setProblem(refused === null ? null : problemText(refused));
        if (refused === null) reset(false);
    }

    async function submit(event: FormEvent): Promise<void> {
        event.preventDefault();
        if (file === null || busy) return;
        setBusy(true);
        setProblem(null);
        try {
            const steps = read ?? (await drawingSteps(page.id, file, as));
            // What is left out is told before anything is laid.
            if (read === null && steps.left.length > 0) setRead(steps);
            else await lay(steps);
        } catch (fault) {
            setProblem(fault instanceof Error ? fault.message : 'The drawing could not be brought in.');
        } finally {
            setBusy(false);
        }
    }

    return (
        <Dialog.Root open={open} onOpenChange={reset}>
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
                <Dialog.Content aria-describedby={undefined} onCloseAutoFocus={(event) => { event.preventDefault(); onClosed(); }} className="appear fixed top-1/2 left-1/2 z-50 flex max-h-[92vh] w-[520px] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 flex-col overflow-auto rounded-lg bg-paper p-7 shadow-2xl">
                    <Dialog.Title className="font-serif text-2xl leading-none font-semibold">Bring in a drawing</Dialog.Title>
                    <form className="mt-6 flex min-h-0 flex-col gap-5" onSubmit={(event) => void submit(event)}>
                        {given === null ? (
                            <label className="flex items-center gap-3">
                                <span className="font-medium">SVG file</span>
                                <input type="file" required accept=".svg,image/svg+xml" className="min-w-0 flex-1 text-slate file:mr-3 file:cursor-pointer file:rounded file:border file:border-rule file:bg-card file:px-3 file:py-1.5 file:font-medium file:text-ink" onChange={(event) => { setRead(null); setProblem(null); setChosen(event.target.files?.[0] ?? null); }} />
                            </label>
                        ) : (
                            <p className="font-serif text-[16px] italic">{given.name}</p>
                        )}
                        <fieldset className="flex flex-col gap-2">
                            <legend className="sr-only">What it becomes</legend>
                            {(Object.keys(FORMS) as DrawingForm[]).map((one) => (
                                <label key={one} className="flex items-center gap-2.5">
                                    <input
                                        type="radio"
                                        name="as"
                                        className="size-4 accent-ink"
                                        checked={as === one}
                                        onChange={() => {
                                            setRead(null);
                                            setAs(one);
                                        }}
                                    />
                                    {FORMS[one]}
                                </label>
                            ))}
                        </fieldset>
                        {read !== null && <LeftOut left={read.left} />}
                        {problem !== null && (
                            <p role="alert" className="rounded bg-blush px-3 py-2 break-words text-brick">
                                {problem}
                            </p>
                        )}
                        <div className="flex justify-end gap-2">
                            <Dialog.Close className="quiet" type="button">
                                Leave
                            </Dialog.Close>
                            <button className="solid" disabled={busy || file === null}>
                                {busy ? 'Reading it' : read === null ? 'Bring it in' : 'Bring in the rest'}
                            </button>
                        </div>
                    </form>
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    );
}
