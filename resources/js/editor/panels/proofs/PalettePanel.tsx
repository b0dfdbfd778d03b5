import { Popover } from 'radix-ui';
import { useRef, useState } from 'react';
import { useActs } from '../../state/acts';
import { usePick, usePicks } from '../../state/pick';
import { useRested } from '../../state/usePutAway';
import { useSheet } from '../../state/sheet';
import { Swatch } from '../../ask/fields/Swatch';
import { later } from '../../../ui/later';
import { HeldTo } from '../palette/HeldTo';
import { verbsFor } from '../../model/verbs/verbs';
import { PaletteFiles } from '../palette/PaletteFiles';
import { NamedLooks } from './NamedLooks';
import { RampEntry } from './RampEntry';

const ColourEditor = later(() => import('../palette/ColourEditor').then(({ ColourEditor }) => ColourEditor));

/** The named colours of the sheet. A colour changed here changes wherever it is used. */
export function PalettePanel() {
    const { page } = useSheet();
    const give = useGiving();
    return (
        <section aria-label="Palette" className="flex flex-col gap-2">
            <h2 className="heading">Palette</h2>
            <ul className="-mx-1.5 flex flex-col">
                {Object.entries(page.plan.palette).map(([name, colour]) => (
                    <li key={name}>
                        <ColourEntry name={name} colour={colour} give={give} />
                    </li>
                ))}
                <li>
                    <ColourEntry name={null} colour="#8a6fa8" give={null} />
                </li>
                <li>
                    <RampEntry />
                </li>
            </ul>
            <HeldTo />
            <PaletteFiles />
            <NamedLooks />
        </section>
    );
}

function ColourEntry({ name, colour, give }: { name: string | null; colour: string; give: ReturnType<typeof useGiving> }) {
    const { preview } = useSheet();
    const [open, setOpen] = useState(false);

    return (
        <Popover.Root
            open={open}
            onOpenChange={(next) => {
                if (!next) void preview(null);
                setOpen(next);
            }}
        >
            <div className="flex items-center rounded hover:bg-honey">
                {name !== null && <GivingSwatch name={name} colour={colour} give={give} />}
                <Popover.Trigger className={`flex min-w-0 flex-1 items-center gap-2.5 rounded py-[5px] pr-1.5 text-left ${name === null ? 'pl-1.5' : 'pl-2'}`} aria-label={name === null ? 'Add a colour' : `Colour ${name}, ${colour}`} title={name === null ? undefined : 'Change this colour'}>
                    {name === null ? (
                        <span className="text-[12.5px] font-medium text-umber">Add a colour</span>
                    ) : (
                        <>
                            <span className="flex-1 truncate font-serif text-[15px] leading-tight italic">{name}</span>
                            <span className="text-[11.5px] text-slate tabular-nums">{colour}</span>
                            <svg
                                viewBox="0 0 12 12"
                                className="size-3 shrink-0 fill-none stroke-slate"
                                strokeWidth="1.1"
                                aria-hidden="true"
                                data-edits
                            >
                                <path d="M1.5 10.5L2.2 7.8L8.4 1.6L10.4 3.6L4.2 9.8ZM7 3L9 5" />
                            </svg>
                        </>
                    )}
                </Popover.Trigger>
            </div>
            <Popover.Portal>
                <Popover.Content className="menu w-60 p-3" side="left" align="start" sideOffset={10}>
                    <ColourEditor name={name} colour={colour} onDone={() => setOpen(false)} />
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}

/** Gives the picked parts a colour: inside, or along their rims. Null where no part is picked. */
function useGiving(): ((name: string, what: 'fill' | 'stroke', isByPointer: boolean) => void) | null {
    const { picking } = usePicks();
    const { kinds } = useSheet();
    const { change, told, now, toSheet } = useActs();
    const pick = usePick(picking);
    const given = useRef<Promise<unknown>>(Promise.resolve());
    // While drawing goes on it is what was drawn last.
    const drawn = useRested()?.before?.pick;
    const picked = drawn === undefined ? pick : { ...pick, ...drawn };
    if (picked.mode !== 'parts' || picked.parts.length === 0) return null;

    async function give(name: string, what: 'fill' | 'stroke'): Promise<void> {
        const { page } = now();
        const field = what === 'fill' ? 'fill' : 'stroke.color';
        const verb = verbsFor({ page, scene: page.scene, kinds, pick: picked, picking, selected: null, colour: null })
            .filter((one) => one.family === 'look' && one.asks.includes(field))
            .sort((a, b) => a.key - b.key)[0];
        if (verb === undefined) return;
        // The look that says just these parts is changed, not covered by another.
        const looks = new Set(page.scene.steps.filter((step) => step.role === 'look' && step.kind === verb.kind?.kind).map(({ id }) => id));
        const same = page.plan.steps.findLast((step) => looks.has(step.id) && JSON.stringify(step['of']) === JSON.stringify(picked.parts));
        const stroke = same?.['stroke'] as Record<string, unknown> | undefined;
        const value = what === 'fill' ? name : { width: strokeWidth(page.scene.sheet), ...stroke, color: name };
        const anew = what === 'fill' ? { fill: name } : { 'stroke.color': name, 'stroke.width': strokeWidth(page.scene.sheet) };
        const refused = await change(
            same === undefined ? verb.operations({ ...verb.start, ...anew }) : [{ op: 'set', id: same.id, field: what, value }],
        );
        if (refused !== null) told.set(refused.message);
    }

    // One after the other: the second one changes what came of the first.
    return (name, what, isByPointer) => {
        // Who clicks goes on with what is picked; who came by keys goes on from here.
        if (isByPointer) toSheet();
        given.current = given.current.then(() => give(name, what));
    };
}

/** A three hundredth of the sheet, in a round number. */
function strokeWidth({ width, height }: { width: number; height: number }): number {
    return Number((Math.max(width, height) / 300).toPrecision(1));
}

/** The inside of a swatch gives picked parts their fill, its rim their stroke. */
function GivingSwatch({ name, colour, give }: { name: string; colour: string; give: ReturnType<typeof useGiving> }) {
    if (give === null) return <span className="grid size-[34px] shrink-0 place-items-center"><Swatch colour={colour} size={18} /></span>;
    return (
        <span className="relative grid size-[34px] shrink-0 place-items-center">
            <button
                type="button"
                className="absolute inset-[1px] rounded-full border-[3px] hover:border-[4px]"
                style={{ borderColor: colour }}
                aria-label={`Stroke with ${name}`}
                title={`Stroke what is picked with ${name}`}
                onClick={(event) => give(name, 'stroke', event.detail > 0)}
            />
            <button
                type="button"
                className="relative size-6 rounded-full hover:scale-95"
                style={{ background: colour, boxShadow: '0 0 0 1.5px var(--color-paper), inset 0 0 0 1px rgba(27,33,64,.15)' }}
                aria-label={`Fill with ${name}`}
                title={`Fill what is picked with ${name}`}
                onClick={(event) => give(name, 'fill', event.detail > 0)}
            />
        </span>
    );
}
