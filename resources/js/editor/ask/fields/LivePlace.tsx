import { Popover } from 'radix-ui';
import { useState } from 'react';
import type { Piece, Problem } from '../../../api/client';
import { InlineButton } from '../../../ui/InlineButton';
import { useActs } from '../../state/acts';
import { useSheet } from '../../state/sheet';
import { gridShape } from '../../model/scene/geometry';

interface Choice {
    text: string;
    raw: unknown;
}

/** Places that fit almost always: the centre of the sheet, and of every grid before the step that has one. */
function useChoices(before: string | null): Choice[] {
    const { scene } = useSheet();
    const end = before === null ? -1 : scene.steps.findIndex((step) => step.id === before);
    const choices: Choice[] = [{ text: 'the centre of the sheet', raw: ['sheet.width/2', 'sheet.height/2'] }];
    for (const step of end < 0 ? scene.steps : scene.steps.slice(0, end)) {
        if (step.role !== 'grid') continue;
        const about = gridShape(step.geometry)?.data.about;
        choices.push({ text: `the centre of ${step.label}`, raw: step.id + (about?.center ?? '!') });
    }
    return choices;
}

function Choices({ before, raw, onChoose }: { before: string | null; raw: unknown; onChoose: (raw: unknown) => void }) {
    return useChoices(before).map((choice) => (
        <button key={choice.text} className="menu-item" aria-pressed={JSON.stringify(choice.raw) === JSON.stringify(raw)} onClick={() => onChoose(choice.raw)}>
            {choice.text}
        </button>
    ));
}

/** A place edited in place: one of a few that fit, an intersection clicked on the sheet, or two coordinates. */
export function LivePlace({ piece, step, onCommit }: { piece: Pick<Piece, 'text' | 'raw'> & { label: string }; step: string | null; onCommit: (raw: unknown) => Promise<Problem | null> }) {
    const { askPlace } = useActs();
    const [open, setOpen] = useState(false);
    const given = Array.isArray(piece.raw) ? piece.raw.map(String) : ['', ''];
    const [typed, setTyped] = useState<string[]>(given);
    const [problem, setProblem] = useState<string | null>(null);

    async function commit(raw: unknown): Promise<void> {
        const refused = await onCommit(raw);
        setProblem(refused?.body.expected ?? refused?.message ?? null);
        if (refused === null) setOpen(false);
    }

    function number(text: string): number | string {
        return text.trim() !== '' && !Number.isNaN(Number(text)) ? Number(text) : text;
    }

    return (
        <Popover.Root
            open={open}
            onOpenChange={(next) => {
                setTyped(given);
                setProblem(null);
                setOpen(next);
            }}
        >
            <Popover.Trigger asChild>
                <InlineButton className="live italic" aria-label={`${piece.label}: ${piece.text}`}>
                    {piece.text}
                </InlineButton>
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content className="menu w-64" align="start" sideOffset={6}>
                    <Choices before={step} raw={piece.raw} onChoose={(raw) => void commit(raw)} />
                    <button
                        className="menu-item"
                        onClick={() => {
                            setOpen(false);
                            askPlace({ take: (raw) => void onCommit(raw), before: step });
                        }}
                    >
                        a place clicked on the sheet
                    </button>
                    <form
                        className="mt-1 flex items-center gap-1.5 border-t border-hairline p-2"
                        onSubmit={(event) => {
                            event.preventDefault();
                            event.stopPropagation();
                            void commit(typed.map(number));
                        }}
                    >
                        <input className="boxed w-20" aria-label="Across" placeholder="across" value={typed[0]} onChange={(event) => setTyped([event.target.value, typed[1] ?? ''])} />
                        <input className="boxed w-20" aria-label="Down" placeholder="down" value={typed[1]} onChange={(event) => setTyped([typed[0] ?? '', event.target.value])} />
                        <button className="quiet">Set</button>
                    </form>
                    {problem !== null && (
                        <p role="alert" className="px-2 pb-2 text-[12.5px] text-brick">
                            {problem}
                        </p>
                    )}
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}
