import { usePalette } from '../../../state/acts';
import type { Asked } from '../asked';
import { LiveColour } from '../LiveColour';
import { type Edited, Wrong } from '../edited';
import { Swatch } from '../Swatch';

function coloursOf(raw: unknown): [string, string][] {
    return raw !== null && typeof raw === 'object' && !Array.isArray(raw)
        ? Object.entries(raw).filter((entry): entry is [string, string] => typeof entry[1] === 'string')
        : [];
}

/** How many cells, and their colours, each of which can become another one. */
export function Edit({ label, piece, wrong, commit }: Edited) {
    const painted = coloursOf(piece.raw);
    const recoloured = (from: string, to: string): void => {
        const next: Record<string, string> = {};
        for (const [name, cells] of painted) {
            const key = name === from ? to : name;
            next[key] = next[key] === undefined ? cells : `${next[key]} ${cells}`;
        }
        void commit(next);
    };
    return (
        <>
            {piece.text.replace(/ in .*$/, '')} in{' '}
            {painted.map(([name]) => (
                <span key={name} className="mr-1 whitespace-nowrap">
                    <LiveColour label={`${label}, ${name}`} raw={name} onCommit={(to) => recoloured(name, to)} />
                </span>
            ))}
            <Wrong text={wrong} />
        </>
    );
}

/** The colour that the picked cells are painted in; none takes away what is there. */
export function Ask({ field, value, onChange }: Asked) {
    const palette = usePalette();
    const chosen = coloursOf(value)[0]?.[0] ?? Object.keys(palette)[0] ?? 'none';
    return (
        <fieldset className="flex items-center gap-1">
            <legend className="sr-only">Colour of the {field.label}</legend>
            {[...Object.entries(palette), ['none', undefined] as const].map(([name, colour]) => (
                <label
                    key={name}
                    title={name}
                    className={`choice flex items-center gap-1.5 ${chosen === name ? 'border-amber bg-honey' : 'border-transparent hover:border-rule'}`}
                >
                    <input
                        type="radio"
                        className="sr-only"
                        name={field.name}
                        aria-label={name}
                        checked={chosen === name}
                        onChange={() => onChange({ [name]: '' })}
                    />
                    <Swatch colour={colour} size={16} />
                    <span className={`font-serif text-[14px] italic ${chosen === name ? '' : 'sr-only'}`}>{name}</span>
                </label>
            ))}
        </fieldset>
    );
}
