import { Popover } from 'radix-ui';
import { type FormEvent, useState } from 'react';
import { HexColorPicker } from 'react-colorful';
import { useDesk } from '../desk';
import { Swatch } from '../fields/Swatch';
import { PAPER } from '../layers/paint';
import { contrast, fromHsb, type Hsb, toHsb } from '../../ui/colours';
import { HeldTo } from '../palette/HeldTo';
import { PaletteFiles } from '../palette/PaletteFiles';
import { NamedLooks } from './NamedLooks';
import { RampEntry } from './RampEntry';

const HEX = /^#[0-9a-f]{6}$/i;

/** The named colours of the sheet. A colour changed here changes wherever it is used. */
export function PalettePanel() {
    const { page } = useDesk();
    return (
        <section aria-label="Palette" className="flex flex-col gap-2">
            <h2 className="heading">Palette</h2>
            <ul className="-mx-1.5 flex flex-col">
                {Object.entries(page.plan.palette).map(([name, colour]) => (
                    <li key={name}>
                        <ColourEntry name={name} colour={colour} />
                    </li>
                ))}
                <li>
                    <ColourEntry name={null} colour="#8a6fa8" />
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

function ColourEntry({ name, colour }: { name: string | null; colour: string }) {
    const { change, preview, scene, page } = useDesk();
    const others = Object.keys(page.plan.palette).filter((other) => other !== name);
    const [open, setOpen] = useState(false);
    const [given, setGiven] = useState({ name: name ?? '', colour });
    const [problem, setProblem] = useState<string | null>(null);

    /** Where it is used already, it is seen there at once. */
    function choose(next: string): void {
        if (next === given.colour) return;
        setGiven((old) => ({ ...old, colour: next }));
        if (name !== null && HEX.test(next)) void preview([{ op: 'colour', name, value: next }]);
    }

    async function submit(event: FormEvent): Promise<void> {
        event.preventDefault();
        const to = given.name.trim();
        const operations = [
            ...(name !== null && to !== name ? [{ op: 'rename-colour' as const, name, to }] : []),
            ...(name === null || given.colour !== colour ? [{ op: 'colour' as const, name: to, value: given.colour }] : []),
        ];
        const refused = operations.length === 0 ? null : await change(operations);
        setProblem(refused === null ? null : `Expected ${refused.body.expected ?? 'something else'}`);
        if (refused === null) setOpen(false);
    }

    return (
        <Popover.Root
            open={open}
            onOpenChange={(next) => {
                setGiven({ name: name ?? '', colour });
                setProblem(null);
                if (!next) void preview(null);
                setOpen(next);
            }}
        >
            <Popover.Trigger className="flex w-full items-center gap-2.5 rounded px-1.5 py-[5px] text-left hover:bg-honey" aria-label={name === null ? 'Add a colour' : `Colour ${name}, ${colour}`}>
                {name === null ? (
                    <span className="text-[12.5px] font-medium text-umber">Add a colour</span>
                ) : (
                    <>
                        <Swatch colour={colour} size={16} />
                        <span className="flex-1 truncate font-serif text-[15px] leading-tight italic">{name}</span>
                        <span className="text-[11.5px] text-slate tabular-nums">{colour}</span>
                    </>
                )}
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content className="menu w-60 p-3" side="left" align="start" sideOffset={10}>
                    <form className="flex flex-col gap-3" onSubmit={(event) => void submit(event)}>
                        <label className="flex flex-col gap-1 font-medium">
                            Name
                            <input className="boxed font-normal" required maxLength={40} value={given.name} onChange={(event) => setGiven({ ...given, name: event.target.value })} />
                        </label>
                        <HexColorPicker className="by-eye" color={HEX.test(given.colour) ? given.colour : colour} onChange={choose} />
                        <label className="flex items-center gap-2 font-medium">
                            Colour
                            <input
                                className="boxed min-w-0 flex-1 font-normal tabular-nums"
                                aria-label="Colour as #rrggbb"
                                value={given.colour}
                                onChange={(event) => choose(event.target.value)}
                            />
                        </label>
                        <HsbInputs colour={HEX.test(given.colour) ? given.colour : colour} onChange={choose} />
                        {HEX.test(given.colour) && <p className="text-[12.5px] text-slate">Contrast with the sheet {ratio(contrast(given.colour, scene.sheet.background ?? PAPER))}, with white {ratio(contrast(given.colour, '#ffffff'))}</p>}
                        {name !== null && others.length > 0 && (
                            <label className="flex items-center gap-2 font-medium">
                                Use instead
                                <select
                                    className="boxed min-w-0 flex-1 font-normal"
                                    value=""
                                    onChange={(event) => void change([{ op: 'recolour', map: { [name]: event.target.value } }, { op: 'colour', name, value: null }]).then((refused) => (refused === null ? setOpen(false) : setProblem(refused.message)))}
                                >
                                    <option value="">another colour</option>
                                    {others.map((other) => (
                                        <option key={other}>{other}</option>
                                    ))}
                                </select>
                            </label>
                        )}
                        {problem !== null && (
                            <p role="alert" className="text-[12.5px] text-brick">
                                {problem}
                            </p>
                        )}
                        <div className="flex justify-between">
                            {name === null ? (
                                <span />
                            ) : (
                                <button type="button" className="quiet text-brick" onClick={() => void change([{ op: 'colour', name, value: null }]).then((refused) => setProblem(refused?.message ?? null))}>
                                    Delete
                                </button>
                            )}
                            <button className="solid">{name === null ? 'Add' : 'Set'}</button>
                        </div>
                    </form>
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}

/** `4.5 : 1`, and whether that is enough to read by (WCAG 2.2). */
function ratio(value: number): string {
    return `${(Math.floor(value * 100) / 100).toFixed(2)} : 1${value >= 4.5 ? '' : value >= 3 ? ' (large things only)' : ' (too little)'}`;
}

const HSB: [keyof Hsb, string, number][] = [['hue', 'Hue, degrees', 360], ['saturation', 'Saturation, per cent', 100], ['brightness', 'Brightness, per cent', 100]];

/** Hue, saturation and brightness of a colour, typed or stepped. */
function HsbInputs({ colour, onChange }: { colour: string; onChange: (hex: string) => void }) {
    // A grey has no hue, and black no saturation: what was typed for them stays.
    const [typed, setTyped] = useState<Hsb | null>(null);
    // As it is typed: the colour comes after it.
    const [text, setText] = useState<{ name: keyof Hsb; text: string } | null>(null);
    const shown = typed !== null && (text !== null || fromHsb(typed) === colour.toLowerCase()) ? typed : toHsb(colour);
    return (
        <div className="flex gap-2">
            {HSB.map(([name, label, most]) => (
                <label key={name} className="flex min-w-0 flex-1 flex-col gap-0.5 text-[12px] text-slate">
                    {label.split(',')[0]}
                    <input
                        type="number"
                        className="boxed w-full min-w-0 px-1.5 py-1.5 tabular-nums"
                        aria-label={label}
                        min={0}
                        max={most}
                        value={text?.name === name ? text.text : Math.round(shown[name])}
                        onBlur={() => setText(null)}
                        onChange={(event) => {
                            setText({ name, text: event.target.value });
                            const next = { ...shown, [name]: Math.min(most, Math.max(0, event.target.valueAsNumber || 0)) };
                            setTyped(next);
                            onChange(fromHsb(next));
                        }}
                    />
                </label>
            ))}
        </div>
    );
}
