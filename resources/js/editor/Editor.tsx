import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useParams } from 'react-router';
import { Problem } from '../api/client';
import { kindsQuery } from '../api/kinds';
import { FullPage } from '../ui/FullPage';
import { Waiting } from '../ui/Waiting';
import { Keyboard, useHearing, useKeys } from './keys/Keyboard';
import type { SheetHandle } from './model/camera';
import { Painter } from './model/paint/Painter';
import { Begin } from './panels/begin/Begin';
import { Foldable } from './panels/Foldable';
import { HandOver } from './panels/handover/HandOver';
import { Header } from './panels/Header';
import { KeptBanner } from './panels/KeptBanner';
import { FrameStrip } from './panels/paint/FrameStrip';
import { PlanPanel } from './panels/plan/PlanPanel';
import { Findings } from './panels/proofs/Findings';
import { Measures } from './panels/proofs/Measures';
import { PaintProofWhenPainting, TileProofOfPatterns } from './panels/proofs/Needed';
import { PalettePanel } from './panels/proofs/PalettePanel';
import { Proofs } from './panels/proofs/Proofs';
import { Shared } from './panels/Shared';
import { Sheet } from './panels/sheet/Sheet';
import { Vary } from './panels/variations/Vary';
import { VerbBar } from './panels/verbs/VerbBar';
import { useAskingState } from './state/asking';
import { usePickState } from './state/pick';
import { useSheetState } from './state/sheet';
import { useLate } from './state/useLate';
import { useSheetWork } from './state/useSheetWork';
import { useWorkedOn } from './state/useWorkedOn';
import { useViewState } from './state/view';

/** The editor of one sheet: plan, sheet, verbs, proofs. */
export function Editor() {
    const { id = '' } = useParams();
    const work = useSheetWork(id);
    const kinds = useQuery(kindsQuery);
    const handle = useRef<SheetHandle>(null);
    const [keyboard] = useState(() => new Keyboard());
    const [painter] = useState(() => new Painter());
    const brush = useMemo(() => ({ painter }), [painter]);
    const picks = usePickState();
    const { picking, chosen } = picks;
    const chapter = useWorkedOn(work);
    const asking = useAskingState();
    const view = useViewState(chapter, handle);
    const changing = useSheetState(id, work, chapter, picking);
    const late = useLate(work.busy);
    const { page, scene, changes } = work;
    const { toSheet, folded, fold } = view;

    useHearing(keyboard, picking);
    useKeys({
        unasked: () => {
            if (asking.placeWanted === null) return false;
            asking.askPlace(null);
        },
        plan: () => fold('plan'),
        proofs: () => fold('proofs'),
    }, keyboard);

    const known = kinds.data;
    const sheet = useMemo(
        () =>
            page === undefined || scene === undefined || known === undefined
                ? null
                : { ...changing, page, scene, kinds: known.kinds, properties: known.sheet },
        [changing, page, scene, known],
    );
    const selected = page?.scene.steps.some((step) => step.id === chosen) === true ? chosen : null;
    const pick = useMemo(() => ({ ...picks, selected }), [picks, selected]);
    useEffect(() => {
        changes.showHandles(selected === null ? [] : [selected]);
    }, [changes, selected]);

    useEffect(() => {
        if (page !== undefined) painter.begin(Object.keys(page.plan.palette));
    }, [page, painter]);

    // Keys work on the sheet; whoever opens one is on it, and comes back to it when what had the focus is gone.
    const isOpen = sheet !== null;
    useEffect(() => {
        if (isOpen && (document.activeElement === null || document.activeElement === document.body)) toSheet();
    });

    async function bring(plan: string): Promise<Problem | null> {
        const problem = await work.bring(plan);
        if (problem === null) picking.clear();
        return problem;
    }

    if (work.error !== null) {
        return <NotOpened error={work.error} onRetry={work.reload} />;
    }
    if (sheet === null) {
        return <Waiting what="Opening the sheet" />;
    }
    return (
        <Shared sheet={sheet} pick={pick} view={view} asking={asking} brush={brush} keyboard={keyboard}>
            <div
                className="grid h-full grid-rows-[auto_minmax(0,1fr)]"
                style={{ gridTemplateColumns: `${folded.plan ? '14px' : '320px'} minmax(0, 1fr) ${folded.proofs ? '14px' : '236px'}` }}
            >
                <header data-keys className="col-span-3 border-b border-rule bg-paper">
                    <Header saving={work.kept !== null ? 'Not saved' : late ? 'Saving …' : null}>
                        <Vary bring={bring} />
                        <HandOver bring={bring} />
                    </Header>
                    {work.kept !== null && (
                        <KeptBanner kept={work.kept} busy={work.busy} onRetry={() => void work.retry()} onDrop={work.drop} />
                    )}
                </header>
                <Foldable side="plan" what="the plan">
                    <PlanPanel />
                </Foldable>
                <main data-keys className="relative flex min-h-0 min-w-0 flex-col bg-ground">
                    <Sheet handle={handle}>
                        <Begin bring={bring} onBegun={toSheet} />
                    </Sheet>
                    <VerbBar onDone={toSheet} />
                </main>
                <Foldable side="proofs" what="proofs and palette">
                    <aside
                        aria-label="Proofs, measures, findings and palette"
                        className="relative flex min-h-0 flex-col gap-7 overflow-y-auto border-l border-rule bg-paper px-4 py-5"
                    >
                        <FrameStrip />
                        <PaintProofWhenPainting />
                        <Proofs />
                        <TileProofOfPatterns />
                        <Measures />
                        <Findings />
                        <PalettePanel />
                    </aside>
                </Foldable>
            </div>
        </Shared>
    );
}

function NotOpened({ error, onRetry }: { error: Error; onRetry: () => void }) {
    const gone = error instanceof Problem && error.status === 404;
    return (
        <FullPage title={gone ? 'No such sheet' : 'The sheet could not be opened'}>
            <p>
                {gone
                    ? 'It does not exist, was deleted, or belongs to someone else.'
                    : 'The server does not answer. The sheet is safe there.'}
            </p>
            {!gone && (
                <button className="solid" onClick={onRetry}>
                    Try again
                </button>
            )}
        </FullPage>
    );
}
