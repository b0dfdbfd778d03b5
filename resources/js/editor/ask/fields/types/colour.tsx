import { usePalette } from '../../../state/acts';
import type { Asked } from '../asked';
import { LiveColour } from '../LiveColour';
import { type Edited, Wrong } from '../edited';
import { Swatch } from '../Swatch';
import { TypedColour } from '../TypedColour';

export function Edit({ label, piece, wrong, commit, tryOut }: Edited) {
    return (
        <>
            <LiveColour
                label={label}
                raw={piece.raw}
                onPreview={(colour) => void tryOut(colour)}
                onCommit={(colour) => void commit(colour)}
            />
            <Wrong text={wrong} />
        </>
    );
}

export function Ask({ field, value, onChange }: Asked) {
    const palette = usePalette();
    return (
        <fieldset className="flex items-center gap-1">
            <legend className="sr-only">{field.label}</legend>
            {Object.entries(palette).map(([name, colour]) => (
                <label
                    key={name}
                    title={name}
                    className={`choice flex items-center gap-1.5 ${value === name ? 'border-amber bg-honey' : 'border-transparent hover:border-rule'}`}
                >
                    <input
                        type="radio"
                        className="sr-only"
                        name={field.name}
                        aria-label={name}
                        checked={value === name}
                        onChange={() => onChange(name)}
                    />
                    <Swatch colour={colour} size={16} />
                    <span className={`font-serif text-[14px] italic ${value === name ? '' : 'sr-only'}`}>{name}</span>
                </label>
            ))}
            <TypedColour label={`${field.label}, in figures`} value={typeof value === 'string' ? value : 'none'} onColour={onChange} />
        </fieldset>
    );
}
