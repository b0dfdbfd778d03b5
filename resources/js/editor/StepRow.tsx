import { DropdownMenu } from 'radix-ui';
import { Fragment, type KeyboardEvent, useEffect, useRef, useState } from 'react';
import type { Finding, Kind, Step } from '../api/client';
import { useDesk } from './desk';
import { LiveField } from './LiveField';

interface Props {
    step: Step;
    number: number;
    kind: Kind | undefined;
    findings: Finding[];
    /** Ids of the steps around, for moving. */
    before: string | null;
    afterNext: string | null;
    isFirst: boolean;
    isLast: boolean;
}

/** One sentence of the plan. */
export function StepRow({ step, number, kind, findings, before, afterNext, isFirst, isLast }: Props) {
    const { change, selected, select, picking } = useDesk();
    const [all, setAll] = useState(false);
    const [naming, setNaming] = useState<string | null>(null);
    const [refused, setRefused] = useState<string | null>(null);
    const isSelected = selected === step.id;
    const row = useRef<HTMLLIElement>(null);
    const hasMore = step.sentence.some((piece) => piece.optional && !piece.said);

    // Picked on the sheet, its sentence comes into view.
    useEffect(() => {
        if (isSelected) row.current?.scrollIntoView({ block: 'nearest' });
    }, [isSelected]);

    async function run(operations: Parameters<typeof change>[0]): Promise<void> {
        const problem = await change(operations);
        setRefused(problem === null ? null : (problem.body.expected === undefined ? problem.message : `That cannot be: expected ${problem.body.expected}.`));
    }

    function toggle(field: 'muted' | 'hidden'): void {
        void run([{ op: 'set', id: step.id, field, value: step[field] ? null : true }]);
    }

    function rename(): void {
        if (naming !== null && naming !== (step.name ?? '')) {
            void run([{ op: 'set', id: step.id, field: 'name', value: naming.trim() === '' ? null : naming.trim() }]);
        }
        setNaming(null);
    }

    function pickIt(): void {
        select(isSelected ? null : step.id);
        if (step.role === 'part' && !isSelected) picking.pickParts([step.id]);
    }

    function onKeyDown(event: KeyboardEvent): void {
        if (event.altKey && event.key === 'ArrowUp' && !isFirst) {
            event.preventDefault();
            void run([{ op: 'move', id: step.id, before }]);
        } else if (event.altKey && event.key === 'ArrowDown' && !isLast) {
            event.preventDefault();
            void run([{ op: 'move', id: step.id, before: afterNext }]);
        }
    }

    const apart = findings.filter((finding) => finding.level !== 'error' || finding.field === null || !step.sentence.some((piece) => piece.said && piece.field !== null && shows(kind, piece.field) && (finding.field === piece.field || finding.field?.startsWith(`${piece.field}.`))));

    return (
        <li ref={row} className={`group relative flex items-start py-[5px] pr-4 ${isSelected ? 'bg-honey' : ''} ${step.muted ? 'opacity-55' : ''}`} data-step={step.id} onKeyDown={onKeyDown}>
            {isSelected && <span className="absolute inset-y-0 left-0 w-[3px] bg-amber" />}
            <button
                className="w-[50px] shrink-0 pt-[3px] pr-3.5 text-right text-[12px] text-slate tabular-nums hover:text-umber"
                aria-label={`Step ${number}, ${step.label}`}
                aria-pressed={isSelected}
                onClick={pickIt}
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
                {step.sentence.map((piece, k) => {
                    const field = kind?.fields.find((one) => one.name === piece.field);
                    if (!piece.said && !all) return null;
                    return <Fragment key={k}>{field === undefined ? piece.text : <LiveField step={step} piece={piece} field={field} findings={findings} />}</Fragment>;
                })}
                {step.muted && <span className="ml-1 font-sans text-[12.5px] text-slate">muted</span>}
                {step.hidden && <span className="ml-1 font-sans text-[12.5px] text-slate">hidden</span>}
                {[...apart.map((finding) => ({ text: finding.message, bad: finding.level === 'error' })), ...(refused === null ? [] : [{ text: refused, bad: true }])].map(({ text, bad }) => (
                    <p key={text} role={bad ? 'alert' : 'note'} className={`mt-1 rounded px-1.5 py-1 font-sans text-[12.5px] leading-snug ${bad ? 'bg-blush text-brick' : 'bg-honey text-umber'}`}>
                        {text}
                    </p>
                ))}
            </div>
            <DropdownMenu.Root onOpenChange={() => setRefused(null)}>
                <DropdownMenu.Trigger
                    aria-label={`More for step ${number}, ${step.label}`}
                    className="absolute top-[26px] left-1.5 z-10 rounded px-1 py-0.5 text-[11.5px] leading-none font-medium text-umber opacity-0 group-focus-within:opacity-100 group-hover:opacity-100 hover:bg-ground focus-visible:opacity-100 data-[state=open]:opacity-100"
                >
                    more
                </DropdownMenu.Trigger>
                <DropdownMenu.Portal>
                    <DropdownMenu.Content className="menu" align="start" onCloseAutoFocus={(event) => naming !== null && event.preventDefault()}>
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
                        <DropdownMenu.Item className="menu-item" disabled={isFirst} onSelect={() => void run([{ op: 'move', id: step.id, before }])}>
                            Move up <span className="text-[11.5px] text-slate">Alt ↑</span>
                        </DropdownMenu.Item>
                        <DropdownMenu.Item className="menu-item" disabled={isLast} onSelect={() => void run([{ op: 'move', id: step.id, before: afterNext }])}>
                            Move down <span className="text-[11.5px] text-slate">Alt ↓</span>
                        </DropdownMenu.Item>
                        <DropdownMenu.Item className="menu-item text-brick" onSelect={() => void run([{ op: 'remove', ids: [step.id] }])}>
                            Delete
                        </DropdownMenu.Item>
                    </DropdownMenu.Content>
                </DropdownMenu.Portal>
            </DropdownMenu.Root>
        </li>
    );
}

/** Whether the editor of a field shows what is wrong with it itself. */
function shows(kind: Kind | undefined, field: string): boolean {
    const type = kind?.fields.find((one) => one.name === field)?.type;
    return type === 'number' || type === 'pair' || type === 'place' || type === 'colour';
}
