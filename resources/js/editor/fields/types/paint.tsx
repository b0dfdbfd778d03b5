import { Popover } from 'radix-ui';
import { useState } from 'react';
import type { Problem } from '../../../api/client';
import { problemText, usePalette } from '../../desk';
import type { Asked } from '../asked';
import { type Edited, Wrong } from '../LiveField';
import { isGradient, PaintEditor, shownGradient } from '../PaintEditor';
import { Swatch } from '../Swatch';
import { Ask as AskColour } from './colour';

/** A sample of a colour or of a gradient, small enough for a sentence. */
function Sample({ raw }: { raw: unknown }) {
    const palette = usePalette();
    if (isGradient(raw)) {
        return <span aria-hidden="true" className="inline-block h-3 w-7 rounded-full align-[-1px]" style={{ background: shownGradient(raw, palette), boxShadow: 'inset 0 0 0 1px rgba(27,33,64,.25)' }} />;
    }
    const name = typeof raw === 'string' ? raw : 'none';
    return <Swatch colour={name === 'none' ? undefined : (palette[name] ?? name)} />;
}

/** Edited in a window of its own: what is tried out there is seen at once, and becomes one change when it is closed. Escape takes it back. */
function Paint({ label, text, raw, along, onTry, onDone }: { label: string; text: string; raw: unknown; along: boolean; onTry: (raw: unknown) => void; onDone: (raw: unknown) => void }) {
    // What it was before: what is tried out is what the plan shows meanwhile.
    const [draft, setDraft] = useState<{ raw: unknown; before: unknown } | null>(null);
    const end = (keep: boolean, given = draft?.raw): void => {
        setDraft(null);
        if (keep && JSON.stringify(given) !== JSON.stringify(draft?.before)) onDone(given);
        else onTry(null);
    };
    return (
        <Popover.Root open={draft !== null} onOpenChange={(open) => (open ? setDraft({ raw, before: raw }) : end(true))}>
            <Popover.Trigger className="live inline text-left italic" aria-label={`${label}: ${text}`}>
                <Sample raw={raw} /> {text}
            </Popover.Trigger>
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

export function Edit({ label, piece, field, wrong, commit, tryOut }: Edited) {
    const [refused, setRefused] = useState<Problem | null>(null);
    return (
        <>
            <Paint label={label} text={piece.text} raw={piece.raw} along={field.along === true} onTry={(raw) => void tryOut(raw)} onDone={(raw) => void commit(raw).then(setRefused)} />
            <Wrong text={wrong ?? (refused === null ? undefined : problemText(refused))} />
        </>
    );
}

/** One colour is chosen from the palette as it stands there; a gradient opens. */
export function Ask({ field, value, onChange }: Asked) {
    if (!isGradient(value)) return <AskColour field={field} value={value} onChange={onChange} />;
    return (
        <span className="font-serif text-[16px]">
            {field.label}: <Paint label={field.label} text={`${value.gradient}, ${value.stops.map(([, colour]) => colour).join(' to ')}`} raw={value} along={field.along === true} onTry={(raw) => raw !== null && onChange(raw)} onDone={onChange} />
        </span>
    );
}
