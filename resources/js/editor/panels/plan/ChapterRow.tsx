import { useDraggable, useDroppable } from '@dnd-kit/core';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import type { Operation, Section } from '../../../api/client';
import { expectedText, NO } from '../../model/problem';
import { useActs } from '../../state/acts';
import { Dots } from './Dots';
import { chapterKey } from '../../model/plan/rows';

interface Props {
    section: Section;
    chapters: Section[];
    folded: boolean;
    working: boolean;
    onFold: () => void;
    /** Takes the first step of the chapter to work on alone; null for all. */
    onWork: (from: string | null) => void;
}

/** The heading of a chapter: folded and unfolded, named, moved as a whole, worked on alone. */
export function ChapterRow({ section, chapters, folded, working, onFold, onWork }: Props) {
    const { change } = useActs();
    const [naming, setNaming] = useState<string | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    const { name, from, named, steps } = section;
    const key = chapterKey(from);
    const { setNodeRef: setDragged, listeners, isDragging } = useDraggable({ id: key, disabled: !named });
    const { setNodeRef: setDropped, isOver } = useDroppable({ id: key });
    const at = chapters.findIndex((one) => one.from === from);
    const before = chapters[at - 1];
    const behind = chapters[at + 1];

    function run(operation: Operation): void {
        void change([operation]).then((refused) => {
            setProblem(refused === null ? null : expectedText(refused, NO));
        });
    }

    function rename(): void {
        if (naming !== null && naming.trim() !== '' && (naming.trim() !== name || !named))
            run({ op: 'chapter', from, name: naming.trim() });
        setNaming(null);
    }

    return (
        <div
            ref={setDropped}
            className={`group relative border-t border-hairline ${working ? 'bg-ground' : ''} ${isOver && !isDragging ? 'shadow-[0_2px_0_var(--color-amber)]' : ''}`}
            data-chapter={from}
        >
            <div ref={setDragged} className="flex h-9 items-center gap-2 pr-4 pl-3">
                <button
                    className="flex h-full min-w-0 items-center gap-2.5 text-left"
                    aria-expanded={!folded}
                    onClick={onFold}
                    onKeyDown={(event) => {
                        const towards =
                            event.altKey && event.key === 'ArrowUp'
                                ? before
                                : event.altKey && event.key === 'ArrowDown'
                                  ? behind
                                  : undefined;
                        if (towards === undefined || !named) return;
                        event.preventDefault();
                        run({ op: 'move-chapter', from, before: towards === before ? before.from : (chapters[at + 2]?.from ?? null) });
                    }}
                    {...listeners}
                >
                    <svg
                        viewBox="0 0 10 10"
                        width="9"
                        height="9"
                        className={`shrink-0 fill-slate transition-transform ${folded ? '' : 'rotate-90'}`}
                        aria-hidden="true"
                    >
                        <path d="M2 0 9 5 2 10Z" />
                    </svg>
                    {naming === null && <span className="truncate text-[13px] leading-none font-semibold">{name}</span>}
                </button>
                {naming !== null && (
                    <input
                        className="boxed w-36 py-1 text-[13px]"
                        aria-label={`Name of chapter ${name}`}
                        autoFocus
                        maxLength={80}
                        placeholder={name}
                        value={naming}
                        onChange={(event) => setNaming(event.target.value)}
                        onBlur={rename}
                        onKeyDown={(event) => {
                            event.stopPropagation();
                            if (event.key === 'Enter') rename();
                            if (event.key === 'Escape') setNaming(null);
                        }}
                    />
                )}
                <span className="text-[12.5px] whitespace-nowrap text-slate">
                    {steps} {steps === 1 ? 'step' : 'steps'}
                </span>
                <span className="flex-1" />
                <DropdownMenu.Root onOpenChange={() => setProblem(null)}>
                    <DropdownMenu.Trigger
                        aria-label={`More for chapter ${name}`}
                        className="grid size-6 place-items-center rounded text-umber opacity-0 group-focus-within:opacity-100 group-hover:opacity-100 hover:bg-honey focus-visible:opacity-100 data-[state=open]:opacity-100"
                    >
                        <Dots />
                    </DropdownMenu.Trigger>
                    <DropdownMenu.Portal>
                        <DropdownMenu.Content
                            className="menu"
                            align="end"
                            onCloseAutoFocus={(event) => naming !== null && event.preventDefault()}
                        >
                            <DropdownMenu.Item className="menu-item" onSelect={() => setNaming(named ? name : '')}>
                                {named ? 'Rename' : 'Name this chapter'}
                            </DropdownMenu.Item>
                            <DropdownMenu.Item
                                className="menu-item"
                                disabled={!named || before === undefined}
                                onSelect={() => run({ op: 'move-chapter', from, before: before?.from ?? null })}
                            >
                                Move up <span className="text-[11.5px] text-slate">Alt ↑</span>
                            </DropdownMenu.Item>
                            <DropdownMenu.Item
                                className="menu-item"
                                disabled={!named || behind === undefined}
                                onSelect={() => run({ op: 'move-chapter', from, before: chapters[at + 2]?.from ?? null })}
                            >
                                Move down <span className="text-[11.5px] text-slate">Alt ↓</span>
                            </DropdownMenu.Item>
                            {named && (
                                <DropdownMenu.Item className="menu-item" onSelect={() => run({ op: 'chapter', from, name: null })}>
                                    Dissolve
                                </DropdownMenu.Item>
                            )}
                        </DropdownMenu.Content>
                    </DropdownMenu.Portal>
                </DropdownMenu.Root>
                <button
                    className="py-1 text-[12.5px] font-medium whitespace-nowrap text-umber hover:underline"
                    aria-pressed={working}
                    onClick={() => onWork(working ? null : from)}
                >
                    {working ? 'Show all' : 'Work on it'}
                </button>
            </div>
            {problem !== null && (
                <p role="alert" className="mx-4 mb-2 rounded bg-blush px-1.5 py-1 text-[12.5px] leading-snug text-brick">
                    {problem}
                </p>
            )}
        </div>
    );
}
