import { Popover } from 'radix-ui';
import { useState } from 'react';
import type { Problem } from '../../../api/client';
import { InlineButton } from '../../../ui/InlineButton';

type Bend = Record<string, unknown> | null;

/** How the ways of an outline or a run are bent, one by one: straight, an arc by its bulge, or tangent to what came before. */
export function LiveBends({
    label,
    text,
    raw,
    onCommit,
}: {
    label: string;
    text: string;
    raw: unknown;
    onCommit: (bends: Bend[]) => Promise<Problem | null>;
}) {
    const bends: Bend[] = Array.isArray(raw) ? (raw as Bend[]) : [];
    const [problem, setProblem] = useState<string | null>(null);

    async function put(way: number, bend: Bend): Promise<void> {
        const longer = Array.from({ length: Math.max(bends.length, way + 1) }, (_, k) => bends[k] ?? null);
        const refused = await onCommit(longer.map((old, k) => (k === way ? bend : old)));
        setProblem(refused === null ? null : (refused.body.findings?.[0]?.message ?? refused.message));
    }

    return (
        <Popover.Root onOpenChange={() => setProblem(null)}>
            <Popover.Trigger asChild>
                <InlineButton className="live italic" aria-label={`${label}: ${text}`}>
                    {text}
                </InlineButton>
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content className="menu max-h-96 w-72 overflow-auto p-2" align="start" sideOffset={6}>
                    {[...bends.keys(), bends.length].map((way) => (
                        <BendRow key={way} way={way} bend={bends[way] ?? null} onPut={(bend) => void put(way, bend)} />
                    ))}
                    {problem !== null && (
                        <p role="alert" className="px-1 pt-1 text-[12.5px] text-brick">
                            {problem}
                        </p>
                    )}
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}

function BendRow({ way, bend, onPut }: { way: number; bend: Bend; onPut: (bend: Bend) => void }) {
    const sort = bend === null ? 'straight' : (Object.keys(bend)[0] ?? 'straight');
    const bulge = bend?.['bulge'];
    return (
        <div className="flex items-center gap-2 py-1">
            <span className="w-12 text-slate">way {way + 1}</span>
            <select
                className="live"
                aria-label={`Way ${way + 1}`}
                value={sort}
                onChange={(event) =>
                    onPut(event.target.value === 'bulge' ? { bulge: 0.5 } : event.target.value === 'tangent' ? { tangent: true } : null)
                }
            >
                <option value="straight">straight</option>
                <option value="bulge">arc bulging</option>
                <option value="tangent">tangent arc</option>
                {sort === 'through' && <option value="through">arc through a place</option>}
                {sort === 'handles' && <option value="handles">curve</option>}
            </select>
            {sort === 'bulge' && (
                <input
                    key={String(bulge)}
                    className="boxed w-20"
                    aria-label={`Bulge of way ${way + 1}`}
                    defaultValue={typeof bulge === 'number' || typeof bulge === 'string' ? String(bulge) : ''}
                    onKeyDown={(event) => {
                        event.stopPropagation();
                        if (event.key === 'Enter') event.currentTarget.blur();
                    }}
                    onBlur={(event) => {
                        const typed = event.target.value.trim();
                        if (typed !== '' && typed !== String(bulge)) onPut({ bulge: Number.isNaN(Number(typed)) ? typed : Number(typed) });
                    }}
                />
            )}
        </div>
    );
}
