import { useEffect, useMemo, useState } from 'react';
import { AskBar } from './AskBar';
import { problemText, useDesk } from './desk';
import { gridShape } from './geometry';
import { type Pick, type PickMode, type Reach, REACHES, usePick } from './pick';
import { ReadyOnes } from './ReadyOnes';
import { type Verb, verbsFor } from './verbs';

const MODES: PickMode[] = ['cells', 'points', 'lines', 'parts'];

/** First what the pointer picks, then the verbs that fit the pick. */
export function VerbBar({ onDone }: { onDone: () => void }) {
    const { page, scene, kinds, picking, selected, change, preview, select, added } = useDesk();
    const pick = usePick(picking);
    const [asking, setAsking] = useState<Verb | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    const [colour, setColour] = useState<string | null>(null);
    const verbs = useMemo(
        () => verbsFor({ page, scene, kinds, pick, picking, selected, colour }),
        [page, scene, kinds, pick, picking, selected, colour],
    );

    async function run(verb: Verb, answers: Record<string, unknown>): Promise<void> {
        const refused = await change(verb.operations(answers));
        if (refused !== null) {
            setProblem(problemText(refused));
            return;
        }
        const fill = answers['fill'] ?? answers['stroke.color'];
        if (typeof fill === 'string') setColour(fill);
        setProblem(null);
        setAsking(null);
        select(null);
        // What was made is picked, ready for the next verb; a look ends the sentence.
        const made = verb.picks ? added().at(-1) : undefined;
        if (made !== undefined && fill === undefined) picking.pickParts([made]);
        else picking.setMode(pick.mode === 'parts' ? 'cells' : pick.mode === 'lines' && verb.kind?.kind === 'overlay' ? 'cells' : pick.mode);
        onDone();
    }

    function begin(verb: Verb): void {
        setProblem(null);
        if (verb.asks.length === 0) {
            void run(verb, {});
        } else {
            setAsking(verb);
        }
    }

    useEffect(() => {
        const onKey = (event: KeyboardEvent) => {
            const into = event.target as HTMLElement | null;
            if (event.ctrlKey || event.metaKey || event.altKey || asking !== null || into?.closest('input, select, textarea, [role=menu], [role=dialog]')) return;
            const verb = verbs[Number(event.key) - 1];
            if (/^[1-9]$/.test(event.key) && verb !== undefined) {
                event.preventDefault();
                begin(verb);
            }
        };
        window.addEventListener('keydown', onKey);
        return () => window.removeEventListener('keydown', onKey);
    });

    const tilings = scene.steps.filter((step) => (step.role === 'grid' || step.role === 'overlay') && !step.hidden);
    const on = tilings.some((step) => step.id === pick.on) ? pick.on : null;
    const grid = tilings.findLast((step) => (on === null || step.id === on) && (pick.cells.size === 0 || pick.cells.has(step.id)));
    const words = gridShape(grid?.geometry)?.data.cellWords ?? [];
    const picked = describePick(pick, (id) => scene.steps.find((step) => step.id === id)?.label ?? id);
    const count = { cells: pick.count, parts: pick.parts.length, points: pick.points.length, lines: pick.lines.length }[pick.mode];

    if (asking !== null) {
        return (
            <AskBar
                verb={asking}
                problem={problem}
                onAnswer={(answers) => void run(asking, answers)}
                onLeave={() => {
                    setAsking(null);
                    setProblem(null);
                    void preview(null);
                    onDone();
                }}
            />
        );
    }

    return (
        <section aria-label="Verbs" className="flex min-h-[88px] flex-col justify-center gap-2 border-t border-rule bg-paper px-4 py-2.5">
            <div className="flex h-6 items-center gap-4 text-[13px] text-slate">
                <span role="radiogroup" aria-label="What the pointer picks" className="flex items-center gap-3.5">
                    Pick
                    {MODES.map((mode) => (
                        <button
                            key={mode}
                            role="radio"
                            aria-checked={pick.mode === mode}
                            className={`py-0.5 ${pick.mode === mode ? 'border-b-2 border-amber font-semibold text-ink' : 'border-b-2 border-transparent hover:text-ink'}`}
                            onClick={() => picking.setMode(mode)}
                        >
                            {mode}
                        </button>
                    ))}
                </span>
                {pick.mode === 'points' && (
                    <label className="flex items-center gap-1.5">
                        snapping to
                        <select className="live font-serif text-[15px] text-ink" aria-label="What points snap to" value={pick.snapsTo} onChange={(event) => picking.setSnapsTo(event.target.value as Reach)}>
                            {Object.keys(REACHES).map((reach) => (
                                <option key={reach}>{reach}</option>
                            ))}
                        </select>
                    </label>
                )}
                {pick.mode === 'cells' && tilings.length > 1 && (
                    <label className="flex items-center gap-1.5">
                        of
                        <select className="live max-w-36 font-serif text-[15px] text-ink" aria-label="Whose cells the pointer picks" value={on ?? ''} onChange={(event) => picking.setOn(event.target.value === '' ? null : event.target.value)}>
                            <option value="">what lies on top</option>
                            {tilings.map((step) => (
                                <option key={step.id} value={step.id}>
                                    {step.label}
                                </option>
                            ))}
                        </select>
                    </label>
                )}
                {pick.mode === 'cells' && words.length > 1 && (
                    <span role="radiogroup" aria-label="How far a click reaches" className="flex items-center gap-3.5 border-l border-rule pl-4">
                        {[null, ...words.keys()].map((reach) => (
                            <button
                                key={reach ?? 'one'}
                                role="radio"
                                aria-checked={pick.reach === reach}
                                className={`py-0.5 ${pick.reach === reach ? 'border-b-2 border-amber font-semibold text-ink' : 'border-b-2 border-transparent hover:text-ink'}`}
                                onClick={() => picking.setReach(reach)}
                            >
                                {reach === null ? 'one by one' : `whole ${words[reach] ?? ''}`}
                            </button>
                        ))}
                    </span>
                )}
                <span aria-live="polite" className="ml-auto min-w-0 truncate text-ink" data-picked={count}>
                    {picked}
                </span>
                {count === 0 && <ReadyOnes onLaid={onDone} />}
                {picked !== '' && (
                    <button className="quiet -mr-2 py-1.5" onClick={() => picking.clear()}>
                        Clear
                    </button>
                )}
            </div>
            <div className="flex flex-wrap items-center gap-1">
                {verbs.map((verb, k) => (
                    <button key={verb.key} className={`verb ${verb.picture ? 'gap-1 py-[5px] pr-1.5 pl-1 text-[13px] [&_kbd]:px-1' : ''}`} onClick={() => begin(verb)}>
                        <kbd>{k + 1}</kbd>
                        {verb.picture && (
                            <svg viewBox="0 0 48 48" width="20" height="20" aria-hidden="true">
                                <path d={verb.picture} fill="none" stroke="currentColor" strokeWidth="2" />
                            </svg>
                        )}
                        {verb.picture ? <GridName label={verb.label} /> : verb.label}
                    </button>
                ))}
                {problem !== null && (
                    <span role="alert" className="rounded bg-blush px-2 py-1.5 text-[12.5px] leading-snug text-brick">
                        {problem}
                    </span>
                )}
            </div>
        </section>
    );
}

/** `3 cells of grid 1`; of points and lines the names. */
function describePick(pick: Pick, label: (id: string) => string): string {
    switch (pick.mode) {
        case 'parts':
            return pick.parts.map(label).join(', ');
        case 'lines':
            return pick.lines.map(label).join(', ');
        case 'points':
            return pick.points.length > 2 ? `${pick.points.length} points` : pick.points.map((point) => point.name).join('; ');
        case 'cells':
            return pick.count === 0 ? '' : `${pick.count} ${pick.count === 1 ? 'cell' : 'cells'} of ${[...pick.cells.keys()].map(label).join(' and ')}`;
    }
}

/** `Polar grid`, of which the eye gets the first word: what the row is about stands in front of it. */
function GridName({ label }: { label: string }) {
    return (
        <span>
            {label.replace(/ grid$/, '')}
            <span className="sr-only"> grid</span>
        </span>
    );
}
