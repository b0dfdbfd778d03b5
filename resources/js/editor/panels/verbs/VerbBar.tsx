import { Tooltip } from 'radix-ui';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { AskBar } from '../../ask/AskBar';
import { problemText } from '../../model/problem';
import { useAsking } from '../../state/asking';
import { useSheet } from '../../state/sheet';
import { useView } from '../../state/view';
import { Keys } from './Keys';
import { type Done, MODE_OF } from '../../model/verbs/kept';
import { keepOn } from './KeepOn';
import { useKeys } from '../../keys/Keyboard';
import type { Pick } from '../../model/pick/Picking';
import { usePick, usePicks } from '../../state/pick';
import { memberLabel } from '../../tools/useHits';
import { PaintBar } from '../paint/PaintBar';
import { TraceBar } from '../trace/TraceBar';
import { Bring } from '../begin/Bring';
import { ReadyOnes } from '../begin/ReadyOnes';
import { following } from '../../ask/fields/PicturedChoice';
import { SayIt } from './SayIt';
import { answersOf, asked, enoughBent, withPointed } from '../../model/verbs/asking';
import { VerbButton } from './VerbButton';
import { answeredAnew, FAMILIES, type Family, type Saying, type Verb, verbsFor } from '../../model/verbs/verbs';

/** So many verbs stand in one row. */
const FEW = 5;

/** And so many with pictures. */
const MOST_PICTURED = 6;

/** The families of verbs that fit the pick, and the verbs of the open one. */
export function VerbBar({ onDone }: { onDone: () => void }) {
    const { page, scene, kinds, change, preview, added } = useSheet();
    const { picking, selected, select, pointed } = usePicks();
    const { last, setLast, kept, setKept, asking, setAsking, finishAsking, offered } = useAsking();
    const { workOn, drawIn } = useView();
    const pick = usePick(picking);
    // What was refused is told as long as what was picked, and what there is, are what they were.
    const [refusal, setRefusal] = useState<{ text: string; pick: Pick; revision: number } | null>(null);
    const problem = refusal?.pick === pick && refusal.revision === page.revision ? refusal.text : null;
    const setProblem = useCallback((text: string | null): void => setRefusal(text === null ? null : { text, pick: picking.get(), revision: page.revision }), [picking, page.revision]);
    const [colour, setColour] = useState<string | null>(null);
    const [opened, setOpened] = useState<Partial<Record<string, Family>>>({});
    const [naming, setNaming] = useState(false);
    const [saying, setSaying] = useState(false);
    const [keys, setKeys] = useState(false);
    const verbs = useMemo(
        () => verbsFor({ page, scene, kinds, pick, picking, selected, colour, asked: asking?.verb.name }),
        [page, scene, kinds, pick, picking, selected, colour, asking?.verb.name],
    );
    const count = { cells: pick.count, parts: pick.parts.length, points: pick.points.length, lines: pick.lines.length, paint: 0, trace: 0 }[pick.mode];
    const sort = count === 0 ? 'ground' : pick.mode;
    const families = FAMILIES.filter((family) => verbs.some((verb) => verb.family === family));
    const family = families.find((one) => one === opened[sort]) ?? families[0];
    const shown = verbs.filter((verb) => verb.family === family).sort((a, b) => a.key - b.key);
    // Many stand in two rows, by their words alone where their pictures have no room.
    const tight = shown.length > FEW && (shown.length > MOST_PICTURED || shown.every((verb) => !verb.picture));
    const again = last === null ? undefined : verbs.find((verb) => verb.name === last.name && verb.needs === 0);

    async function run(verb: Verb, answers: Record<string, unknown>): Promise<void> {
        const before = picking.get();
        const operations = verb.operations(answers);
        const refused = operations.length === 0 ? null : await change(operations);
        if (refused !== null) {
            setProblem(problemText(refused));
            return;
        }
        if (verb.drawsIn !== undefined) {
            picking.setMode('points');
            drawIn(verb.drawsIn);
            onDone();
            return;
        }
        if (verb.opens !== undefined) {
            picking.setMode('parts');
            workOn(verb.opens);
            onDone();
            return;
        }
        const looks = verb.family === 'look';
        const chosen = Object.entries(answers).find(([field]) => verb.kind?.fields.find((one) => one.name === field)?.type === 'colour')?.[1];
        if (typeof chosen === 'string') setColour(chosen);
        setLast({ name: verb.name, label: verb.label.replace('…', ''), from: verb.from, answers: answeredAnew(verb, answers) });
        setOpened((old) => ({ ...old, [sort]: verb.family }));
        setProblem(null);
        setAsking(null);
        // Unless something else is being picked by now.
        if (picking.get() !== before) return;
        pickMade(verb, looks);
        onDone();
    }

    /** What was made is picked, ready for the next verb; what only looks otherwise, or lies elsewhere among others, stays picked. */
    function pickMade(verb: Verb, looks: boolean): void {
        const { parts, lines } = added();
        if (verb.cuts === true) {
            picking.setMode('cells');
            select(null);
        } else if (parts.length > 0 && !looks) {
            picking.pickParts(parts);
            select(parts.at(-1) ?? null);
        } else if (lines.length > 0 && !looks && verb.from !== null && verb.from !== 'ground') {
            picking.pickLines(lines.slice(-1));
            select(lines.at(-1) ?? null);
        } else if (pick.mode === 'points') {
            // What was picked there may lie elsewhere now.
            picking.clear();
        }
    }

    function begin(verb: Verb): void {
        setProblem(null);
        if (verb.asks.length === 0 && verb.needs === 0) void run(verb, {});
        else setAsking(asked(verb));
    }

    useEffect(() => offered.set({ verbs, begin }));

    function leave(): void {
        setAsking(null);
        setProblem(null);
        void preview(null);
        onDone();
    }

    // What is asked for goes with the pick: more of it may have been picked since it was said.
    const now = asking === null ? null : enoughBent(verbs.find((verb) => verb.name === asking.verb.name) ?? asking.verb, asking, pick);
    const doIt = (): void => {
        if (asking !== null && now !== null && now.needs === 0) void run(now, answersOf({ ...asking, verb: now }));
    };

    useEffect(() => {
        finishAsking.set(asking === null ? null : doIt);
    });

    // With all that it takes picked, and nothing more to ask, it is done.
    const isDone = asking !== null && now !== null && asking.verb.needs > 0 && now.full && now.asks.length === 0 && !pick.held;
    useEffect(() => {
        if (isDone) finishAsking.get()?.();
    }, [isDone, finishAsking]);

    function say({ name, from }: Saying): void {
        setSaying(false);
        const verb = verbs.find((one) => one.name === name);
        const mode = MODE_OF[from];
        if (verb !== undefined) begin(verb);
        else if (mode === null) picking.clear();
        // What is picked for it already stays.
        else if (pick.mode !== mode) picking.setMode(mode);
        if (verb === undefined) onDone();
    }

    useEffect(() => {
        const verb = kept === null || pick.held || count === 0 ? undefined : verbs.find((one) => one.name === kept.name && one.needs === 0);
        if (kept === null || verb === undefined || picking.get() !== pick) return;
        const operations = verb.operations({ ...verb.start, ...kept.answers });
        // The next may be picked while this one is on its way.
        picking.clear();
        void change(operations).then((refused) => setProblem(refused === null ? null : problemText(refused)));
    }, [kept, pick, count, verbs, picking, change, setProblem]);

    function doAgain(): void {
        if (again !== undefined && last !== null) void run(again, { ...again.start, ...last.answers });
    }

    // While something is asked for, it is answered first.
    const free = (act: (event: KeyboardEvent) => void) => (event: KeyboardEvent) => (asking !== null ? false : act(event));
    useKeys({
        say: free(() => setSaying(true)),
        keys: free(() => setKeys(true)),
        again: free(doAgain),
        families: free(() => setNaming(true)),
        verb: free(({ key }) => {
            const number = Number(key);
            if (naming) {
                const named = FAMILIES[number - 1];
                setNaming(false);
                if (named !== undefined && families.includes(named)) setOpened((old) => ({ ...old, [sort]: named }));
            } else {
                const verb = shown.find((one) => one.key === number);
                if (verb !== undefined) begin(verb);
            }
        }),
        keep: free(() => {
            if (kept !== null) return;
            setProblem(null);
            keepOn({ last, setKept }, picking);
        }),
        leave: () => {
            if (asking !== null || (!naming && kept === null)) return false;
            setNaming(false);
            setKept(null);
        },
    });

    if (asking !== null && now !== null) {
        return (
            <AskBar
                asking={asking}
                verb={now}
                pointed={() => {
                    const more = withPointed(pick, pointed.get());
                    return more === null ? undefined : verbsFor({ page, scene: page.scene, kinds, pick: more, picking, selected, colour, asked: now.name }).find((verb) => verb.name === now.name);
                }}
                problem={problem}
                onAnswer={(answers) =>
                    setAsking((old) => {
                        if (old === null) return null;
                        const next = { ...old.answers, ...answers };
                        return { ...old, answers: { ...next, ...following(now.kind?.fields ?? [], old.answers, next) } };
                    })
                }
                onDo={doIt}
                onLeave={leave}
            />
        );
    }

    if (kept !== null) {
        return (
            <section aria-label="Verbs" className="flex h-[110px] shrink-0 items-center gap-4 border-t border-rule bg-paper px-4 py-2.5">
                <h2 className="font-serif text-[19px] leading-none font-semibold">{kept.label}</h2>
                <p role="status" className="min-w-0 flex-1 text-[13px] text-slate">
                    {problem ?? keptText(kept, verbs, count)}
                </p>
                <button
                    className="verb"
                    onClick={() => {
                        setKept(null);
                        onDone();
                    }}
                >
                    <kbd>Esc</kbd>
                    That is all
                </button>
            </section>
        );
    }

    const sayIt = (
        <SayIt
            kinds={kinds}
            open={saying}
            onOpen={(next) => {
                setSaying(next);
                if (!next) onDone();
            }}
            fits={(name) => verbs.some((verb) => verb.name === name)}
            onSay={say}
            onKeys={() => {
                setSaying(false);
                setKeys(true);
            }}
        />
    );

    if (pick.mode === 'paint') {
        return (
            <section aria-label="Verbs" className="flex h-[110px] shrink-0 flex-col justify-center gap-1.5 border-t border-rule bg-paper px-4 py-2">
                <PaintBar>{sayIt}</PaintBar>
                <Keys open={keys} onOpen={setKeys} onClosed={onDone} />
            </section>
        );
    }

    if (pick.mode === 'trace') {
        return (
            <section aria-label="Verbs" className="flex h-[110px] shrink-0 flex-col justify-center gap-1.5 border-t border-rule bg-paper px-4 py-2">
                <TraceBar>{sayIt}</TraceBar>
                <Keys open={keys} onOpen={setKeys} onClosed={onDone} />
            </section>
        );
    }

    const picked = describePick(pick, (id) => scene.steps.find((step) => step.id === id)?.label ?? id);
    return (
        <section aria-label="Verbs" className="flex h-[110px] shrink-0 flex-col justify-center gap-1.5 border-t border-rule bg-paper px-4 py-2">
            <div className="flex h-7 items-center gap-4 text-[13px] text-slate">
                <span aria-live="polite" className="min-w-0 shrink truncate text-ink" data-picked={count} title={picked}>
                    {picked === '' ? <span className="text-slate">With nothing picked</span> : `With ${picked}`}
                </span>
                {(families.length > 1 || naming) && (
                    <span role="radiogroup" aria-label="Families of verbs" className="flex shrink-0 items-center gap-3.5">
                        {families.map((one) => (
                            <button
                                key={one}
                                role="radio"
                                aria-checked={family === one}
                                className={`flex items-center gap-1 border-b-2 py-0.5 ${family === one ? 'border-amber font-semibold text-ink' : 'border-transparent hover:text-ink'}`}
                                onClick={() => setOpened((old) => ({ ...old, [sort]: one }))}
                            >
                                {naming && <kbd className="rounded-sm bg-honey px-1 font-sans text-[11.5px] font-medium text-umber">{FAMILIES.indexOf(one) + 1}</kbd>}
                                {one}
                            </button>
                        ))}
                    </span>
                )}
                <span className="flex-1" />
                {count === 0 && (
                    <Bring
                        onDone={onDone}
                        side="top"
                        trigger={
                            <button className="quiet -mr-2 py-1.5 text-umber" aria-label="Bring a picture, a drawing or a sketch">
                                Bring
                            </button>
                        }
                    />
                )}
                {count === 0 && <ReadyOnes onLaid={onDone} trigger={<button className="quiet -mr-2 py-1.5 text-umber">Ready constructions</button>} />}
                {count > 0 && (
                    <button className="quiet -mr-2 py-1.5" onClick={() => picking.clear()}>
                        Clear
                    </button>
                )}
                {sayIt}
                <Keys open={keys} onOpen={setKeys} onClosed={onDone} />
            </div>
            <div className={`flex items-center gap-1 ${tight ? 'flex-wrap' : 'overflow-x-auto'}`}>
                <Tooltip.Provider delayDuration={500}>
                    {shown.map((verb) => (
                        <VerbButton key={verb.name} verb={tight ? { ...verb, picture: null } : verb} tight={tight} onPress={() => begin(verb)} />
                    ))}
                </Tooltip.Provider>
                {again !== undefined && (
                    <button className={`verb ${tight ? 'tight' : ''}`} title={`Again: ${again.label.replace('…', '').toLowerCase()}, answered as before`} onClick={doAgain}>
                        <kbd>.</kbd>
                        Again
                    </button>
                )}
                {problem !== null && (
                    <span role="alert" className="rounded bg-blush px-2 py-1.5 text-[12.5px] leading-snug text-brick">
                        {problem}
                    </span>
                )}
            </div>
        </section>
    );
}

/** What a verb that is kept on waits for. */
function keptText(kept: Done, verbs: Verb[], count: number): string {
    const verb = verbs.find((one) => one.name === kept.name);
    if (verb?.wants != null) return `Kept on: ${verb.wants}.`;
    return count > 0 && verb === undefined
        ? 'Not done with so many: take some out of the pick again.'
        : 'Kept on: done with every new pick. Pressed at one place and let go at another, both are picked.';
}

/** `3 cells of grid 1`; of points and lines the names. */
function describePick(pick: Pick, label: (id: string) => string): string {
    switch (pick.mode) {
        case 'parts':
            return pick.parts.map((name) => memberLabel(name, label)).join(', ');
        case 'lines':
            return pick.lines.map(label).join(', ');
        case 'points':
            return pick.points.length > 2 ? `${pick.points.length} points` : pick.points.map((point) => point.name).join('; ');
        case 'paint':
        case 'trace':
            return '';
        case 'cells':
            return pick.count === 0 ? '' : `${pick.count} ${pick.count === 1 ? 'cell' : 'cells'} of ${[...pick.cells.keys()].map(label).join(' and ')}`;
    }
}
