import { Popover } from 'radix-ui';
import { useState } from 'react';
import { usePalette } from '../../state/acts';
import { Swatch } from './Swatch';
import { TypedColour } from './TypedColour';

/** A colour edited in place: one of the palette, or none. */
export function LiveColour({
    label,
    raw,
    onPreview,
    onCommit,
}: {
    label: string;
    raw: unknown;
    onPreview?: (colour: string | null) => void;
    onCommit: (colour: string) => void;
}) {
    const palette = usePalette();
    const [open, setOpen] = useState(false);
    const name = typeof raw === 'string' ? raw : 'none';
    const colours = Object.entries(palette);
    return (
        <Popover.Root
            open={open}
            onOpenChange={(next) => {
                if (!next) onPreview?.(null);
                setOpen(next);
            }}
        >
            <Popover.Trigger className="live inline-flex items-baseline gap-1 italic" aria-label={`${label}: ${name}`}>
                <Swatch colour={name === 'none' ? undefined : (palette[name] ?? name)} />
                {name}
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content className="menu max-h-80 overflow-auto" align="start" sideOffset={6}>
                    {[...colours, ['none', undefined] as const].map(([one, colour]) => (
                        <button
                            key={one}
                            className="menu-item justify-start gap-2.5"
                            aria-pressed={one === name}
                            onPointerEnter={() => onPreview?.(one)}
                            onFocus={() => onPreview?.(one)}
                            onClick={() => {
                                setOpen(false);
                                onCommit(one);
                            }}
                        >
                            <Swatch colour={colour} size={16} />
                            <span className="font-serif text-[15px] italic">{one}</span>
                        </button>
                    ))}
                    <div className="border-t border-hairline p-2">
                        <TypedColour
                            label={`${label}, in figures`}
                            value={name}
                            withNone
                            onColour={(colour) => {
                                setOpen(false);
                                onCommit(colour);
                            }}
                        />
                    </div>
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}
