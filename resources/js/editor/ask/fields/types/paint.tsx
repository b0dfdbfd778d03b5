import { Popover } from 'radix-ui';
import { useState } from 'react';
import type { Problem } from '../../../../api/client';
import { problemText } from '../../../model/problem';
import { usePalette } from '../../../state/acts';
import type { Asked } from '../asked';
import { type Edited, Wrong } from '../edited';
import { isGradient, isPattern, PaintEditor, shownGradient, usePatterns } from '../PaintEditor';
import { LiveTrigger } from '../LiveTrigger';
import { Swatch } from '../Swatch';
import { Ask as AskColour } from './colour';

/** A sample of a colour or of a gradient, small enough for a sentence. */
function Sample({ raw }: { raw: unknown }) {
    const palette = usePalette();
    if (isGradient(raw)) {
        return (
            <span
                aria-hidden="true"
                className="inline-block h-3 w-7 rounded-full align-[-1px]"
                style={{ background: shownGradient(raw, palette), boxShadow: 'inset 0 0 0 1px rgba(27,33,64,.25)' }}
            />
        );
    }
    if (isPattern(raw)) {
        return (
            <svg
                aria-hidden="true"
                viewBox="0 0 28 12"
                className="inline-block h-3 w-7 rounded-full align-[-1px] text-ink"
                style={{ boxShadow: 'inset 0 0 0 1px rgba(27,33,64,.25)' }}
            >
                <path fill="currentColor" d="M4 3h3v3H4zM11 3h3v3h-3zM18 3h3v3h-3zM7.5 7h3v3h-3zM14.5 7h3v3h-3zM21.5 7h3v3h-3z" />
            </svg>
        );
    }
    const name = typeof raw === 'string' ? raw : 'none';
    return <Swatch colour={name === 'none' ? undefined : (palette[name] ?? name)} />;
}

/**
 * Edited in a window of its own: what is tried out there is seen at once, and becomes one change when it is closed. Escape takes it back.
 */
function Paint({
    label,
    text,
    raw,
    along,
    before,
    onTry,
    onDone,
}: {
    label: string;
    text: string;
    raw: unknown;
    along: boolean;
    before: string | null;
    onTry: (raw: unknown) => void;
    onDone: (raw: unknown) => void;
}) {
    // What it was before: what is tried out is what the plan shows meanwhile.
    const [draft, setDraft] = useState<{ raw: unknown; before: unknown } | null>(null);
    const end = (keep: boolean, given = draft?.raw): void => {
        setDraft(null);
        if (keep && JSON.stringify(given) !== JSON.stringify(draft?.before)) onDone(given);
        else onTry(null);
    };
    return (
        <Popover.Root open={draft !== null} onOpenChange={(open) => (open ? setDraft({ raw, before: raw }) : end(true))}>
            <LiveTrigger label={`${label}: ${text}`}>
                <Sample raw={raw} /> {text}
            </LiveTrigger>
            <Popover.Portal>
                <Popover.Content
                    className="menu p-2.5"
                    align="start"
                    sideOffset={6}
                    collisionPadding={12}
                    onEscapeKeyDown={(event) => {
                        event.preventDefault();
                        end(false);
                    }}
                >
                    {draft !== null && (
                        <PaintEditor
                            label={label}
                            raw={draft.raw}
                            along={along}
                            before={before}
                            onChange={(next) => {
                                // Choosing one colour is all there is to it.
                                if (typeof next === 'string' && typeof draft.raw === 'string') return end(true, next);
                                setDraft({ ...draft, raw: next });
                                onTry(next);
                            }}
                        />
                    )}
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}

export function Edit({ step, label, piece, field, wrong, commit, tryOut }: Edited) {
    const [refused, setRefused] = useState<Problem | null>(null);
    return (
        <>
            <Paint
                label={label}
                text={piece.text}
                raw={piece.raw}
                along={field.along === true}
                before={step.id}
                onTry={(raw) => void tryOut(raw)}
                onDone={(raw) => void commit(raw).then(setRefused)}
            />
            <Wrong text={wrong ?? (refused === null ? undefined : problemText(refused))} />
        </>
    );
}

/** One colour is chosen from the palette as it stands there; a gradient opens. */
export function Ask(asked: Asked) {
    const { field, value, onChange } = asked;
    const patterns = usePatterns(null);
    if (!isGradient(value) && !isPattern(value)) return <AskColour {...asked} />;
    const text = isGradient(value)
        ? `${value.gradient}, ${value.stops.map(([, colour]) => colour).join(' to ')}`
        : (patterns.find((one) => one.id === value.pattern)?.label ?? value.pattern);
    return (
        <span className="font-serif text-[16px]">
            {field.label}:{' '}
            <Paint
                label={field.label}
                text={text}
                raw={value}
                along={field.along === true}
                before={null}
                onTry={(raw) => raw !== null && onChange(raw)}
                onDone={onChange}
            />
        </span>
    );
}
