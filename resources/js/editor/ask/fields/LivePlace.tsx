import { Popover } from 'radix-ui';
import { useEffect, useRef, useState } from 'react';
import type { Piece, Problem } from '../../../api/client';
import { InlineButton } from '../../../ui/InlineButton';
import { readNumber } from '../../model/fields/number';
import { type PlaceChoice, placeChoices } from '../../model/fields/placeChoices';
import { expectedText } from '../../model/problem';
import { stepOf } from '../../model/scene/steps';
import { useActs } from '../../state/acts';
import { usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';

/** Places that fit, each shown on the sheet while it is pointed at. */
function Choices({ before, raw, onChoose }: { before: string | null; raw: unknown; onChoose: (raw: unknown) => void }) {
    const { page, scene, snapPlaces } = useSheet();
    const { picking, pointed } = usePicks();
    const { parts, lines } = picking.get();
    const about = before === null ? [...parts, ...lines] : (stepOf(scene, before)?.of ?? []);
    const choices = placeChoices({ page, scene }, snapPlaces?.revision === page.revision ? snapPlaces : null, about, before);
    const show = ({ text, raw: place, at }: PlaceChoice): void =>
        pointed.set(at === undefined ? null : { point: { raw: place, name: text, at }, name: text, handle: true });
    useEffect(() => () => pointed.set(null), [pointed]);
    return choices.map((choice) => (
        <button
            key={choice.text}
            className="menu-item"
            aria-pressed={JSON.stringify(choice.raw) === JSON.stringify(raw)}
            onPointerEnter={() => show(choice)}
            onFocus={() => show(choice)}
            onClick={() => onChoose(choice.raw)}
        >
            {choice.text}
        </button>
    ));
}

/** A place edited in place: clicked on the sheet at once, one of a few that fit, or two coordinates. */
export function LivePlace({
    piece,
    step,
    onCommit,
}: {
    piece: Pick<Piece, 'text' | 'raw'> & { label: string };
    step: string | null;
    onCommit: (raw: unknown) => Promise<Problem | null>;
}) {
    const { askPlace } = useActs();
    const [open, setOpen] = useState(false);
    const given = Array.isArray(piece.raw) ? piece.raw.map(String) : ['', ''];
    const [typed, setTyped] = useState<string[]>(given);
    const [problem, setProblem] = useState<string | null>(null);
    const asks = useRef(false);

    async function commit(raw: unknown): Promise<void> {
        const refused = await onCommit(raw);
        setProblem(refused === null ? null : expectedText(refused));
        if (refused === null) close();
    }

    function close(): void {
        if (asks.current) askPlace(null);
        asks.current = false;
        setOpen(false);
    }

    /**
     * What is clicked on the sheet is the place, as long as the list is open; before a step is made the form that asks hears the click
     * itself.
     */
    function ask(): void {
        asks.current = true;
        askPlace({
            take: (raw) => {
                asks.current = false;
                setOpen(false);
                void onCommit(raw);
            },
            before: step,
        });
    }

    return (
        <Popover.Root
            open={open}
            onOpenChange={(next) => {
                setTyped(given);
                setProblem(null);
                if (!next) return close();
                setOpen(true);
                if (step !== null) ask();
            }}
        >
            <Popover.Trigger asChild>
                <InlineButton className="live italic" aria-label={`${piece.label}: ${piece.text}`}>
                    {piece.text}
                </InlineButton>
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content
                    className="menu max-h-[min(440px,70vh)] w-72 overflow-auto"
                    align="start"
                    sideOffset={6}
                    onInteractOutside={(event) => {
                        // A click on the sheet is the answer.
                        if (asks.current && event.target instanceof Element && event.target.closest('[role=application]') !== null)
                            event.preventDefault();
                    }}
                >
                    {step !== null && (
                        <p className="px-2.5 pt-1.5 pb-1 text-[12.5px] text-slate">Click a place on the sheet, or choose one.</p>
                    )}
                    <Choices before={step} raw={piece.raw} onChoose={(raw) => void commit(raw)} />
                    <button
                        className="menu-item"
                        onClick={() => {
                            setOpen(false);
                            ask();
                        }}
                    >
                        a place clicked on the sheet
                    </button>
                    <form
                        className="mt-1 flex items-center gap-1.5 border-t border-hairline p-2"
                        onSubmit={(event) => {
                            event.preventDefault();
                            event.stopPropagation();
                            void commit(typed.map((text) => readNumber(text) ?? ''));
                        }}
                    >
                        <input
                            className="boxed w-20"
                            aria-label="Across"
                            placeholder="across"
                            value={typed[0]}
                            onChange={(event) => setTyped([event.target.value, typed[1] ?? ''])}
                        />
                        <input
                            className="boxed w-20"
                            aria-label="Down"
                            placeholder="down"
                            value={typed[1]}
                            onChange={(event) => setTyped([typed[0] ?? '', event.target.value])}
                        />
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
