import { type FormEvent, useState } from 'react';
import { HexColorPicker } from 'react-colorful';
import { contrast, fromHsb, type Hsb, toHsb } from '../../../ui/colours';
import { PAPER } from '../../layers/canvas';
import { expectedText } from '../../model/problem';
import { useSheet } from '../../state/sheet';

const HEX = /^#[0-9a-f]{6}$/i;

/** A colour of the palette by name, by eye, by figures; a new one where it has no name yet. */
export function ColourEditor({ name, colour, onDone }: { name: string | null; colour: string; onDone: () => void }) {
    const { change, preview, scene, page } = useSheet();
    const others = Object.keys(page.plan.palette).filter((other) => other !== name);
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
        setProblem(refused === null ? null : expectedText(refused));
        if (refused === null) onDone();
    }

    return (
        <form className="flex flex-col gap-3" onSubmit={(event) => void submit(event)}>
            <label className="flex flex-col gap-1 font-medium">
                Name
                <input
                    className="boxed font-normal"
                    required
                    maxLength={40}
                    value={given.name}
                    onChange={(event) => setGiven({ ...given, name: event.target.value })}
                />
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
            {HEX.test(given.colour) && (
                <p className="text-[12.5px] text-slate">
                    Contrast with the sheet {ratio(contrast(given.colour, scene.sheet.background ?? PAPER))}, with white{' '}
                    {ratio(contrast(given.colour, '#ffffff'))}
                </p>
            )}
            {name !== null && others.length > 0 && (
                <label className="flex items-center gap-2 font-medium">
                    Use instead
                    <select
                        className="boxed min-w-0 flex-1 font-normal"
                        value=""
                        onChange={(event) =>
                            void change([
                                { op: 'recolour', map: { [name]: event.target.value } },
                                { op: 'colour', name, value: null },
                            ]).then((refused) => (refused === null ? onDone() : setProblem(refused.message)))
                        }
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
                    <button
                        type="button"
                        className="quiet text-brick"
                        onClick={() =>
                            void change([{ op: 'colour', name, value: null }]).then((refused) =>
                                setProblem(refused?.message ?? null),
                            )
                        }
                    >
                        Delete
                    </button>
                )}
                <button className="solid">{name === null ? 'Add' : 'Set'}</button>
            </div>
        </form>
    );
}

/** `4.5 : 1`, and whether that is enough to read by (WCAG 2.2). */
function ratio(value: number): string {
    return `${(Math.floor(value * 100) / 100).toFixed(2)} : 1${value >= 4.5 ? '' : value >= 3 ? ' (large things only)' : ' (too little)'}`;
}

const HSB: [keyof Hsb, string, number][] = [
    ['hue', 'Hue, degrees', 360],
    ['saturation', 'Saturation, per cent', 100],
    ['brightness', 'Brightness, per cent', 100],
];

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
