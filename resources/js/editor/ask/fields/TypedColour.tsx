import { useState } from 'react';
import { COLOUR_SAYS, readColour } from '../../model/palette/readColour';
import { usePalette } from '../../state/acts';

/** A colour in figures, or by its name; taken with Enter, or by going on. */
export function TypedColour({
    label,
    value,
    withNone = false,
    onColour,
}: {
    label: string;
    value: string;
    withNone?: boolean;
    onColour: (colour: string) => void;
}) {
    const palette = usePalette();
    const [text, setText] = useState<string | null>(null);
    const [isWrong, setWrong] = useState(false);

    function take(): void {
        if (text === null) return;
        const colour = readColour(text, palette);
        const isUsable = colour !== null && (withNone || colour !== 'none');
        setWrong(!isUsable && text.trim() !== '');
        if (text.trim() === '') setText(null);
        if (!isUsable) return;
        setText(null);
        if (colour !== value) onColour(colour);
    }

    return (
        <span className="inline-flex flex-col gap-1">
            <input
                className={`boxed w-36 px-2 py-1 text-[13px] tabular-nums ${isWrong ? 'border-brick' : ''}`}
                aria-label={label}
                aria-invalid={isWrong}
                spellCheck={false}
                autoComplete="off"
                placeholder="#f2b33d, or a name"
                value={text ?? (value === 'none' ? '' : (palette[value] ?? value))}
                onChange={(event) => {
                    setText(event.target.value);
                    setWrong(false);
                }}
                onBlur={take}
                onKeyDown={(event) => {
                    if (event.key !== 'Enter') return;
                    event.preventDefault();
                    event.stopPropagation();
                    take();
                }}
            />
            {isWrong && (
                <span role="alert" className="max-w-52 rounded bg-blush px-1.5 py-1 font-sans text-[12.5px] leading-snug text-brick">
                    Expected {COLOUR_SAYS}
                </span>
            )}
        </span>
    );
}
