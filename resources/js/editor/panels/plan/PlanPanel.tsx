import { DndContext, type DragEndEvent, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Finding, Operation } from '../../../api/client';
import { expectedText, NO } from '../../model/problem';
import { usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';
import { useView } from '../../state/view';
import { AlikeRow } from './AlikeRow';
import { ChapterRow } from './ChapterRow';
import { Ground } from './Ground';
import { type Row, rowsOf } from '../../model/plan/rows';
import { StepRow } from './StepRow';

/** A plan of so many steps is seen at once. */
const MANY = 8;

/** So many lines are all drawn; of more only those in view, and a few around them. */
const ALL_DRAWN = 60;

/** What a line is taken to be high before it is measured. */
const LINE = 36;

const AROUND = 14;

/** What of the top is taken by the search. */
const FIND = 56;

const NONE: Finding[] = [];

/** The plan: its sentences in order, in chapters. */
export function PlanPanel() {
    const { scene, kinds, change } = useSheet();
    const { selected } = usePicks();
    const { working, workOn } = useView();
    const [sought, setSought] = useState('');
    const [turned, setTurned] = useState<ReadonlySet<string>>(new Set());
    const [refused, setRefused] = useState<{ step: string; text: string } | null>(null);
    const panel = useRef<HTMLElement>(null);
    const list = useRef<HTMLOListElement>(null);
    const rows = useMemo(
        () => rowsOf(scene, { turned, sought, selected, kinds, working }),
        [scene, turned, sought, selected, kinds, working],
    );
    const findings = useMemo(() => byStep(scene.findings), [scene.findings]);
    const virtual = rows.length > ALL_DRAWN;
    // eslint-disable-next-line react-hooks/incompatible-library -- its functions are called here only
    const lines = useVirtualizer({
        count: rows.length,
        enabled: virtual,
        getScrollElement: () => panel.current,
        estimateSize: () => LINE,
        getItemKey: (k) => rows[k]?.key ?? k,
        scrollMargin: list.current?.offsetTop ?? 0,
        scrollPaddingStart: FIND,
        overscan: AROUND,
    });
    const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));

    const turn = useCallback((key: string) => {
        setTurned((old) => new Set(old.has(key) ? [...old].filter((one) => one !== key) : [...old, key]));
    }, []);

    // Picked on the sheet, its sentence comes into view, also where it is not drawn yet.
    const shown = rows.findIndex((row) => row.type === 'step' && row.step.id === selected);
    const { scrollToIndex } = lines;
    useEffect(() => {
        if (virtual && shown >= 0) scrollToIndex(shown, { align: 'auto' });
    }, [virtual, shown, scrollToIndex]);

    async function drop({ active, over }: DragEndEvent): Promise<void> {
        const operation = over === null ? null : movedTo(rows, String(active.id), String(over.id));
        if (operation === null) return;
        const problem = await change([operation]);
        setRefused(problem === null ? null : { step: String(active.id), text: expectedText(problem, NO) });
    }

    function line(row: Row) {
        switch (row.type) {
            case 'chapter':
                return (
                    <ChapterRow
                        section={row.section}
                        folded={row.folded}
                        working={working === row.section.from}
                        onFold={() => turn(row.key)}
                        onWork={workOn}
                        chapters={scene.chapters}
                    />
                );
            case 'alike':
                return (
                    <AlikeRow
                        text={row.text}
                        from={row.at + 1}
                        to={row.at + row.steps.length}
                        open={row.open}
                        onOpen={() => turn(row.key)}
                    />
                );
            case 'step': {
                const { step, at } = row;
                return (
                    <StepRow
                        step={step}
                        number={at + 1}
                        kind={kinds.find((kind) => kind.kind === step.kind)}
                        findings={findings.get(step.id) ?? NONE}
                        up={stepUp(scene.chapters, scene.steps, at)}
                        down={stepDown(scene.chapters, scene.steps, at)}
                        isSelected={selected === step.id}
                        refused={refused?.step === step.id ? refused.text : null}
                        beginsChapter={scene.chapters.some((section) => section.named && section.from === step.id)}
                    />
                );
            }
        }
    }

    return (
        <nav
            ref={panel}
            aria-label="Plan"
            className="relative min-h-0 overflow-x-hidden overflow-y-auto border-r border-rule bg-paper pb-6"
        >
            {scene.steps.length > MANY && (
                <div className="sticky top-0 z-20 bg-paper px-4 pt-3.5 pb-2.5">
                    <input
                        type="search"
                        aria-label="Find in the plan"
                        placeholder="Find in the plan"
                        className="boxed w-full py-1.5 pr-20 text-[13px] [&::-webkit-search-cancel-button]:hidden"
                        value={sought}
                        onChange={(event) => setSought(event.target.value)}
                        onKeyDown={(event) => event.key === 'Escape' && setSought('')}
                    />
                    <span role="status" className="pointer-events-none absolute top-[22px] right-7 text-[12.5px] text-slate">
                        {sought.trim() === ''
                            ? `${scene.steps.length} ${scene.steps.length === 1 ? 'step' : 'steps'}`
                            : `${rows.filter((row) => row.type === 'step').length} of ${scene.steps.length}`}
                    </span>
                </div>
            )}
            <Ground />
            <DndContext
                sensors={sensors}
                onDragEnd={(event) => void drop(event)}
                accessibility={{ screenReaderInstructions: { draggable: 'Alt with an arrow key moves a step.' } }}
            >
                {virtual ? (
                    <ol ref={list} className="relative" style={{ height: lines.getTotalSize() }}>
                        {lines.getVirtualItems().map(({ key, index, start }) => {
                            const row = rows[index];
                            return (
                                row !== undefined && (
                                    <li
                                        key={key}
                                        ref={lines.measureElement}
                                        data-index={index}
                                        className="absolute inset-x-0 top-0"
                                        style={{ translate: `0 ${start - lines.options.scrollMargin}px` }}
                                    >
                                        {line(row)}
                                    </li>
                                )
                            );
                        })}
                    </ol>
                ) : (
                    <ol>
                        {rows.map((row) => (
                            <li key={row.key}>{line(row)}</li>
                        ))}
                    </ol>
                )}
            </DndContext>
            {sought.trim() !== '' && rows.length === 0 && (
                <p className="py-3 pr-6 pl-[50px] font-serif text-[16px] text-slate italic">No sentence says that.</p>
            )}
            {scene.steps.length === 0 && (
                <p className="py-3 pr-6 pl-[50px] font-serif text-[16px] leading-snug text-slate italic">
                    The plan is empty. Lay a grid below the sheet; every step then becomes a sentence here, and every number in it stays
                    live.
                </p>
            )}
        </nav>
    );
}

function byStep(findings: Finding[]): ReadonlyMap<string | null, Finding[]> {
    const sorted = new Map<string | null, Finding[]>();
    for (const finding of findings) sorted.set(finding.step, [...(sorted.get(finding.step) ?? []), finding]);
    return sorted;
}

interface Chapterish {
    from: string;
    named: boolean;
    steps: number;
}

/** The change that moves a step one line up; out of its chapter where it is the first of it. */
function stepUp(chapters: Chapterish[], steps: { id: string }[], at: number): Operation | null {
    const id = steps[at]?.id ?? '';
    if (chapters.some((one) => one.named && one.from === id)) return { op: 'move', id, before: steps[at + 1]?.id ?? null };
    return at === 0
        ? null
        : { op: 'move', id, before: steps[at - 1]?.id ?? null, leads: chapters.some((one) => one.named && one.from === steps[at - 1]?.id) };
}

/** The change that moves a step one line down; to the head of the next chapter where it is the last of its own. */
function stepDown(chapters: Chapterish[], steps: { id: string }[], at: number): Operation | null {
    const id = steps[at]?.id ?? '';
    const next = steps[at + 1]?.id;
    if (next === undefined) return null;
    if (chapters.some((one) => one.named && one.from === next)) return { op: 'move', id, before: next, leads: true };
    return { op: 'move', id, before: steps[at + 2]?.id ?? null };
}

/** The change that puts what was dragged where it was let go: before the line it came from below, behind the one it came from above. */
export function movedTo(rows: Row[], dragged: string, over: string): Operation | null {
    const keys = rows.map((row) => row.key);
    const [from, to] = [keys.indexOf(dragged), keys.indexOf(over)];
    const [source, target] = [rows[from], rows[to]];
    if (source === undefined || target === undefined || from === to) return null;
    const chapters = rows.flatMap((row) => (row.type === 'chapter' ? [row.section] : []));
    if (source.type === 'chapter') {
        const end = target.type === 'chapter' ? target : rows.slice(0, to + 1).findLast((row) => row.type === 'chapter');
        if (!source.section.named || end?.type !== 'chapter' || end.section.from === source.section.from) return null;
        const after = chapters[chapters.findIndex((one) => one.from === end.section.from) + 1];
        return { op: 'move-chapter', from: source.section.from, before: from > to ? end.section.from : (after?.from ?? null) };
    }
    if (source.type !== 'step') return null;
    const id = source.step.id;
    // Onto a heading: the first of its chapter.
    if (target.type === 'chapter')
        return target.section.from === id ? null : { op: 'move', id, before: target.section.from, leads: target.section.named };
    const steps = rows.flatMap((row) =>
        row.type === 'step' ? [row.step.id] : row.type === 'alike' && !row.open ? row.steps.map((step) => step.id) : [],
    );
    const there = target.type === 'step' ? target.step.id : (target.steps[0]?.id ?? '');
    if (from > to) return { op: 'move', id, before: there, leads: chapters.some((one) => one.named && one.from === there) };
    const next = steps[steps.indexOf(target.type === 'step' ? there : (target.steps.at(-1)?.id ?? '')) + 1] ?? null;
    // The last of its chapter stays in it.
    return { op: 'move', id, before: next };
}
