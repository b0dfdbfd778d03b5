import { useState } from 'react';
import type { Kind, PlanStep } from '../../../api/client';
import { problemText } from '../../model/problem';
import { stepOf } from '../../model/scene/steps';
import { usePick, usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';
import { Swatch } from '../../ask/fields/Swatch';

/** The field by which a look is given on. */
const GIVEN = 'like';

/** Looks that have a name, to be given to other parts; and what is picked, whose look can get one. */
export function NamedLooks() {
    const { page, scene, kinds, change } = useSheet();
    const { picking, select } = usePicks();
    const pick = usePick(picking);
    const [refused, setRefused] = useState<string | null>(null);
    const kind = kinds.find((one) => one.makes === 'look' && one.fields.some((field) => field.name === GIVEN));
    if (kind === undefined) return null;
    const looks = page.plan.steps.filter((step) => step.kind === kind.kind);
    const named = looks.filter((step) => typeof step.name === 'string' && modelOf(step) !== null);
    const picked = pick.mode === 'parts' ? pick.parts : [];
    const nameless =
        picked.length === 1 ? looks.findLast((step) => typeof step.name !== 'string' && modelOf(step) === picked[0]) : undefined;
    if (named.length === 0 && nameless === undefined) return null;

    async function run(operations: Parameters<typeof change>[0]): Promise<void> {
        const problem = await change(operations);
        setRefused(problem === null ? null : problemText(problem));
    }

    return (
        <div className="mt-3 flex flex-col gap-1">
            <h3 className="heading mb-1">Looks</h3>
            <ul className="-mx-1.5 flex flex-col">
                {named.map((step) => (
                    <li key={step.id}>
                        <button
                            className="flex w-full items-center gap-2.5 rounded px-1.5 py-[5px] text-left hover:bg-honey"
                            title={
                                picked.length === 0
                                    ? 'Shows its sentence; with parts picked, gives them this look'
                                    : 'Gives what is picked this look'
                            }
                            onClick={() =>
                                picked.length === 0 ? select(step.id) : void run([{ op: 'add', step: given(kind, step, picked) }])
                            }
                        >
                            <Swatch colour={colourOf(step, page.plan.palette)} size={16} />
                            <span className="flex-1 truncate font-serif text-[15px] leading-tight italic">{String(step.name)}</span>
                        </button>
                    </li>
                ))}
            </ul>
            {nameless !== undefined && (
                <button
                    className="self-start text-[12.5px] font-medium text-umber hover:underline"
                    onClick={() =>
                        void run([{ op: 'set', id: nameless.id, field: 'name', value: freeName(named.map((step) => String(step.name))) }])
                    }
                >
                    Name the look of {stepOf(scene, picked[0] ?? '')?.label ?? 'it'}
                </button>
            )}
            {refused !== null && (
                <p role="alert" className="rounded bg-blush px-1.5 py-1 text-[12.5px] leading-snug text-brick">
                    {refused}
                </p>
            )}
        </div>
    );
}

/** The part that a look is said for. */
function modelOf(step: PlanStep): string | null {
    const [first] = Array.isArray(step.of) ? (step.of as unknown[]) : [];
    return typeof first === 'string' ? first : null;
}

function given(kind: Kind, look: PlanStep, parts: readonly string[]): Record<string, unknown> {
    return { kind: kind.kind, of: [...parts], [GIVEN]: modelOf(look) };
}

function colourOf(step: PlanStep, palette: Record<string, string>): string | undefined {
    const { fill, stroke } = step as { fill?: unknown; stroke?: { color?: unknown } };
    const name = typeof fill === 'string' && fill !== 'none' ? fill : stroke?.color;
    return typeof name === 'string' && name !== 'none' ? (palette[name] ?? name) : undefined;
}

function freeName(taken: string[]): string {
    for (let number = 1; ; number++) {
        if (!taken.includes(`look ${number}`)) return `look ${number}`;
    }
}
