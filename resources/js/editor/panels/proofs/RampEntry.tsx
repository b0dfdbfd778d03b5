import { Popover } from 'radix-ui';
import { type FormEvent, useState } from 'react';
import { problemText } from '../../model/problem';
import { useSheet } from '../../state/sheet';

const WAYS = ['lighter', 'darker'];

const FEWEST = 1;

const MOST = 24;

/** Colours between two of the palette, or lighter and darker ones of the same hue, evenly spaced in lightness. */
export function RampEntry() {
    const { page, change } = useSheet();
    const palette = page.plan.palette;
    const names = Object.keys(palette);
    const [open, setOpen] = useState(false);
    const [given, setGiven] = useState<{ of: string; to: string; steps: number } | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    const { of, to, steps } = given ?? { of: names[0] ?? '', to: names[1] ?? 'lighter', steps: 4 };

    async function submit(event: FormEvent): Promise<void> {
        event.preventDefault();
        const refused = await change([{ op: 'ramp', of, to, steps }]);
        setProblem(refused === null ? null : problemText(refused));
        if (refused === null) setOpen(false);
    }

    return (
        <Popover.Root
            open={open}
            onOpenChange={(next) => {
                setGiven(null);
                setProblem(null);
                setOpen(next);
            }}
        >
            <Popover.Trigger
                disabled={names.length === 0}
                className="flex w-full items-center rounded px-1.5 py-[5px] text-left text-[12.5px] font-medium text-umber hover:bg-honey"
            >
                Add a ramp
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content className="menu w-60 p-3" side="left" align="start" sideOffset={10}>
                    <form className="flex flex-col gap-3" onSubmit={(event) => void submit(event)}>
                        <Choice
                            label="From"
                            value={of}
                            of={names}
                            onChange={(next) => setGiven({ of: next, to: next === to ? 'lighter' : to, steps })}
                        />
                        <Choice
                            label="To"
                            value={to}
                            of={[...names.filter((name) => name !== of), ...WAYS]}
                            onChange={(next) => setGiven({ of, to: next, steps })}
                        />
                        <label className="flex items-center justify-between gap-2 font-medium">
                            Colours
                            <input
                                type="number"
                                className="boxed w-20 font-normal tabular-nums"
                                min={FEWEST}
                                max={MOST}
                                required
                                value={steps}
                                onChange={(event) =>
                                    setGiven({
                                        of,
                                        to,
                                        steps: Math.min(MOST, Math.max(FEWEST, Math.round(event.target.valueAsNumber) || FEWEST)),
                                    })
                                }
                            />
                        </label>
                        <div className="flex h-6 overflow-hidden rounded border border-rule" aria-hidden="true">
                            {Array.from({ length: steps }, (_, k) => (
                                <span
                                    key={k}
                                    className="flex-1"
                                    style={{ background: shown(palette[of] ?? '#888888', palette[to] ?? to, (k + 1) / (steps + 1)) }}
                                />
                            ))}
                        </div>
                        {problem !== null && (
                            <p role="alert" className="text-[12.5px] text-brick">
                                {problem}
                            </p>
                        )}
                        <button className="solid self-end">Add</button>
                    </form>
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}

/** About what the server will make of it, as CSS mixes. */
function shown(from: string, to: string, share: number): string {
    const end = to === 'lighter' ? '0.98' : '0.12';
    return to.startsWith('#')
        ? `color-mix(in oklab, ${to} ${100 * share}%, ${from})`
        : `oklch(from ${from} calc(l + (${end} - l) * ${share}) c h)`;
}

function Choice({ label, value, of, onChange }: { label: string; value: string; of: string[]; onChange: (next: string) => void }) {
    return (
        <label className="flex items-center justify-between gap-2 font-medium">
            {label}
            <select
                className="boxed w-36 px-2 font-serif text-[15px] font-normal italic"
                value={value}
                onChange={(event) => onChange(event.target.value)}
            >
                {of.map((name) => (
                    <option key={name}>{name}</option>
                ))}
            </select>
        </label>
    );
}
