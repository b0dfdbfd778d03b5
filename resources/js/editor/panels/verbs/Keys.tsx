import { Dialog } from 'radix-ui';
import { TABLE, type Title } from '../../keys/table';

type Line = [keys: readonly string[], does: string];

/** Those of fields, lists and handles, and of the brush, which are heard there alone. */
const OWN: Partial<Record<Title | 'In a sentence' | 'A place taken hold of', Line[]>> = {
    'On the sheet': [
        [['Alt', 'pull'], 'take the cells on the way out of the pick'],
        [['Ctrl', 'wheel'], 'zoom where the pointer is; the wheel alone moves the view'],
    ],
    Painting: [
        [['←', '↑', '↓', '→'], 'the next colour, while the pointer is on the sheet; else walk, with Shift painting'],
        [['Enter'], 'paint, or begin and end what is pulled'],
        [['E'], 'take away'],
        [['S'], 'take the colour of this cell'],
        [['B'], 'the colour before'],
        [['Shift', 'click'], 'a line from the last cell'],
    ],
    'In a sentence': [
        [['↑', '↓'], 'a number up or down; with Shift by ten'],
        [['Enter'], 'take what was typed'],
        [['Esc'], 'leave it as it was'],
        [['Alt', '↑'], 'the step before the one above'],
        [['Alt', '↓'], 'the step behind the one below'],
    ],
    'A place taken hold of': [
        [['←', '↑', '↓', '→'], 'along the grid; else by 1, with Shift by 10, with Alt by a tenth'],
        [['Space'], 'take several, to be moved together'],
        [['Insert'], 'a point more on this way'],
        [['Delete'], 'this point out'],
        [['Esc'], 'leave it where it was'],
    ],
};

const PAGES: { title: string; keys: Line[] }[] = [
    ...[...new Set(TABLE.map(({ title }) => title))].map((title) => ({
        title,
        keys: [...TABLE.filter((one) => one.title === title).map(({ shown, does }): Line => [shown, does]), ...(OWN[title] ?? [])],
    })),
    ...(['In a sentence', 'A place taken hold of'] as const).map((title) => ({ title, keys: OWN[title] ?? [] })),
];

/** All keys on one page. */
export function Keys({ open, onOpen, onClosed }: { open: boolean; onOpen: (open: boolean) => void; onClosed: () => void }) {
    return (
        <Dialog.Root open={open} onOpenChange={onOpen}>
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
                <Dialog.Content
                    aria-describedby={undefined}
                    onCloseAutoFocus={(event) => {
                        event.preventDefault();
                        onClosed();
                    }}
                    className="appear fixed top-1/2 left-1/2 z-50 max-h-[92vh] w-[780px] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded-lg bg-paper p-7 shadow-2xl"
                >
                    <div className="flex items-center justify-between">
                        <Dialog.Title className="font-serif text-2xl leading-none font-semibold">Keys</Dialog.Title>
                        <Dialog.Close className="quiet">Close</Dialog.Close>
                    </div>
                    <div className="mt-6 columns-2 gap-10">
                        {PAGES.map(({ title, keys }) => (
                            <section key={title} className="mb-6 break-inside-avoid">
                                <h3 className="heading pb-2">{title}</h3>
                                <dl className="flex flex-col gap-2">
                                    {keys.map(([names, does]) => (
                                        <div key={does} className="flex items-baseline gap-3">
                                            <dt className="flex w-[118px] shrink-0 gap-1">
                                                {names.map((name) => (
                                                    <kbd key={name} className="rounded-sm bg-honey px-1.5 py-[3px] font-sans text-[11.5px] leading-none font-medium text-umber">
                                                        {name}
                                                    </kbd>
                                                ))}
                                            </dt>
                                            <dd className="font-serif text-[15px] leading-snug">{does}</dd>
                                        </div>
                                    ))}
                                </dl>
                            </section>
                        ))}
                    </div>
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    );
}
