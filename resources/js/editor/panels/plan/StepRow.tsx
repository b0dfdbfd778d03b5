import { DropdownMenu } from 'radix-ui';
import { useDraggable, useDroppable } from '@dnd-kit/core';
import { type KeyboardEvent, memo, useEffect, useRef, useState } from 'react';
import { expectedText, NO } from '../../model/problem';
import type { Finding, Kind, Operation, Step } from '../../../api/client';
import { answeredBy } from '../../model/verbs/hears';
import { withMarks } from '../../model/plan/marks';
import { useActs } from '../../state/acts';
import { LiveField } from '../../ask/fields/LiveField';
import { Dots } from './Dots';
import { useRemoving } from '../../state/useRemoving';

interface Props {
    step: Step;
    number: number;
    kind: Kind | undefined;
    findings: Finding[];
    /** The changes that move it one line up and down; null at the ends. */
    up: Operation | null;
    down: Operation | null;
    isSelected: boolean;
    /** Why it could not be dragged where it was. */
    refused: string | null;
    /** Whether a chapter that has a name begins with it. */
    beginsChapter: boolean;
}

/** One sentence of the plan. It takes all that it shows, so that it is drawn anew only where that is another. */
export const StepRow = memo(Sentence, (before, after) =>
    (Object.keys(after) as (keyof Props)[]).every((name) => same(before[name], after[name])),
);

/** The same thing, the same sentence (whatever it comes to on the sheet), or changes that say the same. */
function same(one: unknown, other: unknown): boolean {
    return (
        one === other ||
        (hashOf(one) !== undefined && hashOf(one) === hashOf(other)) ||
        (isChange(one) && isChange(other) && JSON.stringify(one) === JSON.stringify(other))
    );
}

function hashOf(given: unknown): unknown {
    return given !== null && typeof given === 'object' && 'hash' in given ? given.hash : undefined;
}

function isChange(given: unknown): boolean {
    return given !== null && typeof given === 'object' && 'op' in given;
}

function Sentence({ step, number, kind, findings, up, down, isSelected, refused: notMoved, beginsChapter }: Props) {
    const { change, select, picking, toSheet, now, renaming, hears, setAsking } = useActs();
    const removing = useRemoving();
    const { setNodeRef: setDragged, listeners, isDragging } = useDraggable({ id: step.id });
    const { setNodeRef: setDropped, isOver, rect, active } = useDroppable({ id: step.id });
    const landing = !isOver || isDragging ? '' : landingAt(rect.current?.top, active?.rect.current.initial?.top);
    const [all, setAll] = useState(false);
    const [naming, setNaming] = useState<string | null>(null);
    // Asked for by its key, from the sheet as well.
    useEffect(
        () =>
            renaming.subscribe(() => {
                if (renaming.get() !== step.id) return;
                setNaming(step.name ?? '');
                renaming.set(null);
            }),
        [renaming, step.id, step.name],
    );
    const [refused, setRefused] = useState<string | null>(null);
    const row = useRef<HTMLDivElement>(null);
    const hasMore = step.sentence.some((piece) => piece.optional && !piece.said);

    // Picked on the sheet, its sentence comes into view.
    useEffect(() => {
        if (isSelected) row.current?.scrollIntoView({ block: 'nearest' });
    }, [isSelected]);

    async function run(operations: Parameters<typeof change>[0]): Promise<void> {
        const problem = await change(operations);
        setRefused(problem === null ? null : expectedText(problem, NO));
    }

    function toggle(field: 'muted' | 'hidden' | 'fast'): void {
        void run([{ op: 'set', id: step.id, field, value: step[field] === true ? null : true }]);
    }

    function rename(): void {
        if (naming !== null && naming !== (step.name ?? '')) {
            void run([{ op: 'set', id: step.id, field: 'name', value: naming.trim() === '' ? null : naming.trim() }]);
        }
        setNaming(null);
    }

    function pickIt(byPointer: boolean, isMore: boolean): void {
        // A pointer goes on to the sheet or the verbs, and keys are heard there; the keyboard stays in the plan.
        if (byPointer) toSheet();
        const { asking } = now();
        const { mode } = picking.get();
        const heard = hears.get();
        if (heard.sort !== 'picks') return setAsking((old) => old && answeredBy(old, heard, `${step.id}!`, step.id));
        // It answers what is asked for; what the verb is about stays picked.
        if (asking !== null && step.role === 'part' && mode === 'parts') return picking.putPart(step.id);
        if (asking !== null && (step.role === 'grid' || step.role === 'guide') && mode === 'lines') return picking.putLine(step.id, null);
        select(step.id);
        if (step.role === 'part' && isMore && mode === 'parts') picking.putPart(step.id);
        else if (step.role === 'part') picking.pickParts([step.id]);
        else if (isMore && (step.role === 'grid' || step.role === 'guide')) {
            if (mode === 'lines') picking.putLine(step.id, null);
            else picking.pickLines([step.id]);
        }
    }


    function onKeyDown(event: KeyboardEvent): void {
        const towards = event.altKey && event.key === 'ArrowUp' ? up : event.altKey && event.key === 'ArrowDown' ? down : null;
        if (towards === null) return;
        event.preventDefault();
        void run([towards]);
    }

    const apart = findings.filter(
        (finding) =>
            finding.level !== 'error' ||
            finding.field === null ||
            !step.sentence.some(
                (piece) =>
                    piece.said &&
                    piece.field !== null &&
                    shows(kind, piece.field) &&
                    (finding.field === piece.field || finding.field?.startsWith(`${piece.field}.`)),
            ),
    );

    return (
        <div
            ref={(node) => {
                row.current = node;
                setDropped(node);
            }}
            className={`group relative flex items-start py-[5px] pr-8 ${isSelected ? 'bg-honey' : ''} ${step.muted || isDragging ? 'opacity-55' : ''} ${landing}`}
            data-step={step.id}
            onKeyDown={onKeyDown}
        >
            {isSelected && <span className="absolute inset-y-0 left-0 w-[3px] bg-amber" />}
            <button
                ref={setDragged}
                {...listeners}
                className="min-h-6 w-[50px] shrink-0 touch-none pt-[3px] pr-3.5 text-right text-[12px] text-slate tabular-nums hover:text-umber"
                aria-label={`Step ${number}, ${step.label}`}
                aria-pressed={isSelected}
                onClick={(event) => pickIt(event.detail > 0, event.shiftKey)}
            >
                {number}
            </button>
            <div className="min-w-0 flex-1 font-serif text-[16px] leading-[1.55]">
                {naming !== null ? (
                    <input
                        className="boxed mb-1 w-full text-[15px]"
                        aria-label={`Name of ${step.label}`}
                        autoFocus
                        maxLength={80}
                        placeholder={step.label}
                        value={naming}
                        onChange={(event) => setNaming(event.target.value)}
                        onBlur={rename}
                        onKeyDown={(event) => {
                            event.stopPropagation();
                            if (event.key === 'Enter') rename();
                            if (event.key === 'Escape') setNaming(null);
                        }}
                    />
                ) : (
                    step.name !== null && (
                        <button className="italic hover:bg-honey" title="Rename" onClick={() => setNaming(step.name ?? '')}>
                            {step.name}:
                        </button>
                    )
                )}{' '}
                {withMarks(step.sentence.filter((piece) => piece.said || all)).map(({ piece, mark }, k) => {
                    const field = kind?.fields.find((one) => one.name === piece.field);
                    const shown =
                        field === undefined ? (
                            piece.text
                        ) : (
                            <LiveField step={step} piece={piece} field={field} fields={kind?.fields ?? []} findings={findings} />
                        );
                    // Of one sort and with a key of its own, however the words around it change: what is being edited in it is not lost.
                    return (
                        <span
                            key={piece.field ?? k}
                            className={`${mark === '' ? '' : 'whitespace-nowrap'} ${piece.usual === true ? 'text-slate' : ''}`}
                        >
                            {shown}
                            {mark}
                        </span>
                    );
                })}
                {step.runs !== undefined && <span className="text-slate tabular-nums"> Runs {step.runs.join(' ')}.</span>}
                {step.muted && <span className="ml-1 font-sans text-[12.5px] text-slate">muted</span>}
                {step.fast === true && <span className="ml-1 font-sans text-[12.5px] text-slate">held fast</span>}
                {step.hidden && <span className="ml-1 font-sans text-[12.5px] text-slate">hidden</span>}
                {[
                    ...apart.map((finding) => ({ text: finding.message, bad: finding.level === 'error' })),
                    ...[refused, notMoved].flatMap((text) => (text === null ? [] : [{ text, bad: true }])),
                ].map(({ text, bad }) => (
                    <p
                        key={text}
                        role={bad ? 'alert' : 'note'}
                        className={`mt-1 rounded px-1.5 py-1 font-sans text-[12.5px] leading-snug ${bad ? 'bg-blush text-brick' : 'bg-honey text-umber'}`}
                    >
                        {text}
                    </p>
                ))}
            </div>
            <DropdownMenu.Root onOpenChange={() => setRefused(null)}>
                <DropdownMenu.Trigger
                    aria-label={`More for step ${number}, ${step.label}`}
                    className="absolute top-1.5 right-1.5 z-10 grid size-6 place-items-center rounded text-umber opacity-0 group-focus-within:opacity-100 group-hover:opacity-100 hover:bg-ground focus-visible:opacity-100 data-[state=open]:opacity-100"
                >
                    <Dots />
                </DropdownMenu.Trigger>
                <DropdownMenu.Portal>
                    <DropdownMenu.Content
                        className="menu"
                        align="start"
                        onCloseAutoFocus={(event) => naming !== null && event.preventDefault()}
                    >
                        {(hasMore || all) && (
                            <DropdownMenu.Item className="menu-item" onSelect={() => setAll(!all)}>
                                {all ? 'Say less' : 'Say all of it'}
                            </DropdownMenu.Item>
                        )}
                        <DropdownMenu.Item className="menu-item" onSelect={() => setNaming(step.name ?? '')}>
                            Rename
                        </DropdownMenu.Item>
                        <DropdownMenu.Item className="menu-item" onSelect={() => toggle('muted')}>
                            {step.muted ? 'Unmute' : 'Mute'}
                        </DropdownMenu.Item>
                        {step.role !== 'look' && (
                            <DropdownMenu.Item className="menu-item" onSelect={() => toggle('hidden')}>
                                {step.hidden ? 'Show' : 'Hide'}
                            </DropdownMenu.Item>
                        )}
                        {step.role !== 'look' && (
                            <DropdownMenu.Item className="menu-item" onSelect={() => toggle('fast')}>
                                {step.fast === true ? 'Let it be dragged' : 'Hold it fast'}
                            </DropdownMenu.Item>
                        )}
                        <DropdownMenu.Item className="menu-item" disabled={up === null} onSelect={() => up !== null && void run([up])}>
                            Move up <span className="text-[11.5px] text-slate">Alt ↑</span>
                        </DropdownMenu.Item>
                        <DropdownMenu.Item
                            className="menu-item"
                            disabled={down === null}
                            onSelect={() => down !== null && void run([down])}
                        >
                            Move down <span className="text-[11.5px] text-slate">Alt ↓</span>
                        </DropdownMenu.Item>
                        {!beginsChapter && (
                            <DropdownMenu.Item
                                className="menu-item"
                                onSelect={() => void run([{ op: 'chapter', from: step.id, name: 'New chapter' }])}
                            >
                                Begin a chapter here
                            </DropdownMenu.Item>
                        )}
                        <DropdownMenu.Item className="menu-item text-brick" onSelect={() => void removing([step.id]).then(setRefused)}>
                            Delete
                        </DropdownMenu.Item>
                    </DropdownMenu.Content>
                </DropdownMenu.Portal>
            </DropdownMenu.Root>
        </div>
    );
}


/** Where what is dragged would come to stand: before a line that it came from below, else behind it. */
function landingAt(here = 0, from = 0): string {
    return from > here ? 'shadow-[0_-2px_0_var(--color-amber)]' : 'shadow-[0_2px_0_var(--color-amber)]';
}

/** Whether the editor of a field shows what is wrong with it itself. */
function shows(kind: Kind | undefined, field: string): boolean {
    const type = kind?.fields.find((one) => one.name === field)?.type;
    return type === 'number' || type === 'pair' || type === 'place' || type === 'colour' || type === 'paint';
}
