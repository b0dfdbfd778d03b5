import { type ReactNode, useSyncExternalStore } from 'react';
import { useSheet } from '../../state/sheet';
import { TypedInput } from '../../ask/fields/asked';
import { useKeys } from '../../keys/Keyboard';
import { pictures, tracers, tracing } from '../../state/tracing';

/** What is laid along lines of a picture, in the place of the verbs. */
export function TraceBar({ children }: { children: ReactNode }) {
    const { scene, kinds } = useSheet();
    const chosen = useSyncExternalStore(tracing.subscribe, tracing.get);
    const all = tracers(kinds);
    const seen = pictures(scene);

    useKeys({
        lays: (event) => {
            const one = all[Number(event.key) - 1];
            if (one === undefined) return false;
            tracing.set({ ...tracing.get(), lays: one.name });
        },
    });

    return (
        <>
            <div className="flex h-7 items-center gap-4 text-[13px] text-slate">
                <span className="min-w-0 shrink truncate text-ink">Pull along a line of the picture; what lies nearest to it is laid</span>
                {seen.length > 1 && (
                    <select
                        className="live font-serif text-[15px] text-ink"
                        aria-label="The picture whose lines are followed"
                        value={seen.some(({ id }) => id === chosen.sketch) ? (chosen.sketch ?? '') : (seen[0]?.id ?? '')}
                        onChange={(event) => tracing.set({ ...chosen, sketch: event.target.value })}
                    >
                        {seen.map(({ id, label }) => (
                            <option key={id} value={id}>
                                {label}
                            </option>
                        ))}
                    </select>
                )}
                <span className="flex-1" />
                {children}
            </div>
            <div className="flex items-center gap-1">
                <span role="radiogroup" aria-label="What is laid" className="flex items-center gap-1">
                    {all.map(({ name, offer }, number) => (
                        <button
                            key={name}
                            role="radio"
                            aria-label={name}
                            aria-checked={chosen.lays === name}
                            title={offer.says}
                            className={`verb ${chosen.lays === name ? 'border-amber bg-honey' : ''}`}
                            onClick={() => tracing.set({ ...chosen, lays: name })}
                        >
                            <kbd>{number + 1}</kbd>
                            {name}
                        </button>
                    ))}
                </span>
                <span className="ml-4 flex shrink-0 items-center gap-2 whitespace-nowrap text-[13px] text-slate">
                    within
                    <TypedInput
                        label="How far to either side a line is looked for"
                        value={chosen.reach}
                        optional
                        onChange={(reach) => tracing.set({ ...chosen, reach })}
                    />
                    {scene.sheet.unit}
                </span>
                {all.find(({ name }) => name === chosen.lays)?.kind.fields.some(({ name }) => name === 'like') === true && (
                    <label
                        className="ml-4 flex shrink-0 items-center gap-2 whitespace-nowrap text-[13px]"
                        title="Where that adds hardly anything to its deviation, a circle is centred on an intersection, and as large as another"
                    >
                        <input
                            type="checkbox"
                            className="size-4 accent-ink"
                            checked={chosen.snaps}
                            onChange={() => tracing.set({ ...chosen, snaps: !chosen.snaps })}
                        />
                        on intersections, in equal sizes
                    </label>
                )}
            </div>
        </>
    );
}
