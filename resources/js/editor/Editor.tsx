import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import { answer, api, type Operation, Problem, type SheetPage } from '../api/client';
import { FullPage } from '../ui/FullPage';
import { Mark } from '../ui/Mark';
import { Waiting } from '../ui/Waiting';
import { type Acts, ActsContext, type Desk, DeskContext, PaletteContext, type PlaceWanted, type Told } from './desk';
import { Foldable, useFolded } from './Foldable';
import { useEverydayKeys } from './keys/EverydayKeys';
import { Keyboard, KeyboardContext, useHearing, useKeys } from './keys/Keyboard';
import { Findings } from './proofs/Findings';
import { Begin } from './begin/Begin';
import { HandOver } from './handover/HandOver';
import type { Hover } from './pick/hover';
import { Store } from './Store';
import type { Asking } from './verbs/asking';
import type { Done } from './verbs/KeepOn';
import { KeptBanner } from './KeptBanner';
import { Measures } from './proofs/Measures';
import { PalettePanel } from './proofs/PalettePanel';
import { FrameStrip } from './paint/FrameStrip';
import { PaintProof } from './paint/PaintProof';
import { Painter } from './paint/Painter';
import { isThere, Picking, type Snapshot } from './pick/pick';
import { PlanPanel } from './plan/PlanPanel';
import { Proofs } from './proofs/Proofs';
import { TileProof } from './proofs/TileProof';
import { Sheet, type SheetHandle } from './layers/Sheet';
import { SheetTitle } from './SheetTitle';
import { useLate } from './useLate';
import { useSnapPlaces } from './pick/useSnapPlaces';
import { useWorkedOn } from './plan/useWorkedOn';
import { useSheet } from './scene/useSheet';
import { Variations } from './variations/Variations';
import { VerbBar } from './verbs/VerbBar';

/** The editor of one sheet: plan, sheet, verbs, proofs. */
export function Editor() {
    const { id = '' } = useParams();
    const queries = useQueryClient();
    const work = useSheet(id);
    const kinds = useQuery({ queryKey: ['kinds'], queryFn: () => answer(api.GET('/api/kinds')) });
    const picking = useMemo(() => new Picking(), []);
    const [painter] = useState(() => new Painter());
    const [chosen, select] = useState<string | null>(null);
    const [gridsShown, setGridsShown] = useState(true);
    const [measuresShown, showMeasures] = useState(true);
    const [placeWanted, setPlaceWanted] = useState<PlaceWanted | null>(null);
    // Left with Escape, for another one, or with the sheet; after a place was taken it says nothing new.
    useEffect(() => () => placeWanted?.leave?.(), [placeWanted]);
    const [outlines, setOutlines] = useState(false);
    const [constructed, setConstructed] = useState(false);
    const [asking, setAsking] = useState<Asking | null>(null);
    const [finishAsking] = useState(() => new Store<(() => void) | null>(null));
    const [pointed] = useState(() => new Store<Hover | null>(null));
    const [last, setLast] = useState<Done | null>(null);
    const [kept, setKept] = useState<Done | null>(null);
    const sheet = useRef<SheetHandle>(null);
    const toSheet = useCallback(() => sheet.current?.focus(), []);
    const [told] = useState(() => new Store<Told | null>(null));
    const [renaming] = useState(() => new Store<string | null>(null));
    const [offered] = useState(() => new Store<Desk['offered'] extends Store<infer T> ? T : never>({ verbs: [], begin: () => undefined }));
    const [keyboard] = useState(() => new Keyboard());
    const { folded, fold } = useFolded();
    const late = useLate(work.busy);
    const snapPlaces = useSnapPlaces(work.page);
    const chapter = useWorkedOn(work);
    const { page, scene, move: moved } = work;
    const { change: changed } = chapter;
    const revision = useRef(0);
    const [picks] = useState(() => new Map<number, Snapshot>());
    const change = useCallback(
        (operations: Operation[]) => {
            told.set(null);
            picks.set(revision.current, picking.snapshot());
            return changed(operations);
        },
        [changed, told, picks, picking],
    );
    const move = useCallback(
        async (way: 'undo' | 'redo') => {
            told.set(null);
            picks.set(revision.current, picking.snapshot());
            await moved(way);
            const before = picks.get(queries.getQueryData<SheetPage>(['sheet', id])?.revision ?? 0);
            if (before !== undefined) picking.restore(before);
        },
        [moved, told, picks, picking, queries, id],
    );
    useLayoutEffect(() => {
        revision.current = page?.revision ?? 0;
    }, [page?.revision]);
    useHearing(keyboard, picking);
    useKeys({
        unasked: () => {
            if (placeWanted === null) return false;
            setPlaceWanted(null);
        },
        plan: () => fold('plan'),
        proofs: () => fold('proofs'),
    }, keyboard);

    const selected = page?.scene.steps.some((step) => step.id === chosen) === true ? chosen : null;
    const { changes } = work;
    useEffect(() => {
        changes.showHandles(selected === null ? [] : [selected]);
    }, [changes, selected]);

    useEffect(() => {
        if (page !== undefined) painter.begin(Object.keys(page.plan.palette));
    }, [page, painter]);

    // Keys work on the sheet; whoever opens one is on it, and comes back to it when what had the focus is gone.
    const isOpen = page !== undefined && kinds.data !== undefined;
    useEffect(() => {
        if (isOpen && (document.activeElement === null || document.activeElement === document.body)) toSheet();
    });

    // What is gone is not picked any more, nor shown, nor what was told of the change before.
    const steps = page?.scene.steps;
    useEffect(() => {
        if (steps === undefined) return;
        const there = new Map(steps.map((step) => [step.id, step]));
        picking.keep((name) => isThere(there, name));
    }, [steps, picking]);

    async function bring(plan: string): Promise<Problem | null> {
        const problem = await work.bring(plan);
        if (problem === null) picking.clear();
        return problem;
    }

    if (work.error !== null) {
        const gone = work.error instanceof Problem && work.error.status === 404;
        return (
            <FullPage title={gone ? 'No such sheet' : 'The sheet could not be opened'}>
                <p>{gone ? 'It does not exist, was deleted, or belongs to someone else.' : 'The server does not answer. The sheet is safe there.'}</p>
                {!gone && (
                    <button className="solid" onClick={work.reload}>
                        Try again
                    </button>
                )}
            </FullPage>
        );
    }
    if (page === undefined || scene === undefined || kinds.data === undefined) {
        return <Waiting what="Opening the sheet" />;
    }

    const desk: Desk = {
        page,
        scene,
        kinds: kinds.data.kinds,
        picking,
        painter,
        change,
        working: chapter.working,
        workOn: chapter.workOn,
        worked: chapter.worked,
        drawingIn: chapter.drawingIn,
        drawIn: chapter.drawIn,
        added: () => {
            const now = queries.getQueryData<SheetPage>(['sheet', id]);
            const made = (role: string): string[] => (now?.added ?? []).filter((id) => now?.scene.steps.some((step) => step.id === id && step.role === role && !step.usedUp));
            return { parts: made('part'), lines: made('guide') };
        },
        preview: chapter.preview,
        selected,
        select,
        gridsShown,
        measuresShown,
        showMeasures,
        snapPlaces,
        placeWanted,
        askPlace: setPlaceWanted,
        outlines,
        constructed,
        asking,
        setAsking,
        finishAsking,
        pointed,
        last,
        setLast,
        kept,
        setKept,
        toSheet,
        told,
        move,
        renaming,
        offered,
        folded,
        fold,
        lookAt: (x, y, scale) => sheet.current?.lookAt(x, y, scale),
    };

    return (
        <Shared desk={desk} keyboard={keyboard}>
            <div className="grid h-full grid-rows-[auto_minmax(0,1fr)]" style={{ gridTemplateColumns: `${folded.plan ? '14px' : '320px'} minmax(0, 1fr) ${folded.proofs ? '14px' : '236px'}` }}>
                <header data-keys className="col-span-3 border-b border-rule bg-paper">
                    <div className="flex h-12 items-center gap-3 pr-2.5 pl-[18px]">
                        <Link to="/" className="flex items-center gap-3" aria-label="Sternbild, all sheets">
                            <Mark />
                            <span className="font-serif text-[19px] leading-none font-semibold tracking-[.01em]">Sternbild</span>
                        </Link>
                        <SheetTitle id={page.id} name={page.name} />
                        <span role="status" className="text-[12.5px] whitespace-nowrap text-slate" data-revision={page.revision}>
                            {work.kept !== null ? 'Not saved' : late ? 'Saving …' : `Saved, revision ${page.revision}`}
                        </span>
                        <span className="flex-1" />
                        <button className="quiet" disabled={page.undo === null} title={page.undo === null ? undefined : `Undo: ${page.undo}`} onClick={() => void move('undo')}>
                            Undo
                        </button>
                        <button className="quiet" disabled={page.redo === null} title={page.redo === null ? undefined : `Redo: ${page.redo}`} onClick={() => void move('redo')}>
                            Redo
                        </button>
                        <button className="quiet w-[74px]" aria-pressed={gridsShown} onClick={() => setGridsShown(!gridsShown)}>
                            {gridsShown ? 'Grid on' : 'Grid off'}
                        </button>
                        <button className="quiet w-[82px]" aria-pressed={outlines} title="Only outlines, to see whether they meet" onClick={() => {
                                setOutlines(!outlines);
                                setConstructed(false);
                            }}
                        >
                            {outlines ? 'In colour' : 'Outlines'}
                        </button>
                        <button
                            className="quiet w-[82px]"
                            aria-pressed={constructed}
                            title="The result faded, with the circles that it is made of, their radii and ratios"
                            onClick={() => {
                                setConstructed(!constructed);
                                setOutlines(false);
                            }}
                        >
                            {constructed ? 'In colour' : 'Circles'}
                        </button>
                        <Variations bring={bring} />
                        <HandOver bring={bring} />
                    </div>
                    {work.kept !== null && <KeptBanner kept={work.kept} busy={work.busy} onRetry={() => void work.retry()} onDrop={work.drop} />}
                </header>
                <Foldable side="plan" what="the plan">
                    <PlanPanel />
                </Foldable>
                <main data-keys className="flex min-h-0 min-w-0 flex-col bg-ground">
                    <Sheet handle={sheet}>
                        <Begin bring={bring} onBegun={() => sheet.current?.focus()} />
                    </Sheet>
                    <VerbBar onDone={() => sheet.current?.focus()} />
                </main>
                <Foldable side="proofs" what="proofs and palette">
                <aside aria-label="Proofs, measures, findings and palette" className="flex min-h-0 flex-col gap-7 overflow-y-auto border-l border-rule bg-paper px-4 py-5">
                    <FrameStrip />
                    <PaintProof />
                    <Proofs />
                    <TileProof />
                    <Measures />
                    <Findings />
                    <PalettePanel />
                </aside>
                </Foldable>
            </div>
        </Shared>
    );
}

function EverydayKeys() {
    useEverydayKeys();
    return null;
}

/** What the regions of the editor share, each part for those that hang on it. */
function Shared({ desk, keyboard, children }: { desk: Desk; keyboard: Keyboard; children: ReactNode }) {
    const { page, scene, asking, picking, change, preview, select, askPlace, toSheet, told, move, renaming } = desk;
    const latest = useRef({ page, scene, asking });
    useLayoutEffect(() => {
        latest.current = { page, scene, asking };
    });
    const acts = useMemo<Acts>(() => ({ picking, change, preview, select, askPlace, toSheet, told, move, renaming, now: () => latest.current }), [picking, change, preview, select, askPlace, toSheet, told, move, renaming]);
    return (
        <ActsContext value={acts}>
            <PaletteContext value={page.plan.palette}>
                <DeskContext value={desk}>
                    <KeyboardContext value={keyboard}>
                        <EverydayKeys />
                        {children}
                    </KeyboardContext>
                </DeskContext>
            </PaletteContext>
        </ActsContext>
    );
}
