import { usePalette } from '../../../state/acts';
import type { Asked } from '../asked';
import { type Edited, Wrong } from '../edited';
import { Swatch } from '../Swatch';

const MOST = 256;

/** How many colours are found, or which of the palette are chosen from. */
function Tones({ label, value, onChange }: { label: string; value: unknown; onChange: (value: number | string[]) => void }) {
    const palette = usePalette();
    const chosen = Array.isArray(value) ? value.filter((one): one is string => typeof one === 'string') : null;
    return (
        <span className="[&>*:not(:last-child)]:mr-1.5">
            {chosen === null ? (
                <input
                    key={String(value)}
                    type="number"
                    min={1}
                    max={MOST}
                    className="live w-12"
                    aria-label={label}
                    defaultValue={typeof value === 'number' ? value : 8}
                    onKeyDown={(event) => {
                        event.stopPropagation();
                        if (event.key === 'Enter') event.currentTarget.blur();
                    }}
                    onBlur={(event) => {
                        const given = Math.round(event.target.valueAsNumber);
                        if (given >= 1 && given <= MOST && given !== value) onChange(given);
                    }}
                />
            ) : (
                Object.entries(palette).map(([name, colour]) => (
                    <label key={name} title={name} className={`my-0.5 inline-flex cursor-pointer items-center rounded border p-[3px] align-middle has-focus-visible:outline-2 has-focus-visible:outline-ink ${chosen.includes(name) ? 'border-amber bg-honey' : 'border-transparent opacity-50 hover:opacity-100'}`}>
                        <input
                            type="checkbox"
                            className="sr-only"
                            aria-label={`${label}, ${name}`}
                            checked={chosen.includes(name)}
                            onChange={() => {
                                const next = chosen.includes(name) ? chosen.filter((one) => one !== name) : [...chosen, name];
                                if (next.length > 0) onChange(next);
                            }}
                        />
                        <Swatch colour={colour} size={16} />
                    </label>
                ))
            )}
            <button
                type="button"
                className="text-[13px] font-medium text-umber hover:underline"
                onClick={() => onChange(chosen === null ? Object.keys(palette).slice(0, MOST) : chosen.length)}
            >
                {chosen === null ? 'of the palette instead' : 'found in the picture instead'}
            </button>
        </span>
    );
}

export function Edit({ label, piece, wrong, commit }: Edited) {
    return (
        <>
            <Tones label={label} value={piece.raw} onChange={(value) => void commit(value)} />
            {typeof piece.raw === 'number' && ' colours'}
            <Wrong text={wrong} />
        </>
    );
}

export function Ask({ field, value, onChange }: Asked) {
    return (
        <span className="flex items-baseline gap-2 text-[13px]">
            {field.label} <Tones label={field.label} value={value} onChange={onChange} />
        </span>
    );
}
