import { usePalette } from '../../../state/acts';
import type { Asked } from '../asked';
import { LiveColour } from '../LiveColour';
import { type Edited, Wrong } from '../edited';

const MOST = 24;

/** Colours one after another: each is chosen by itself, one can come behind the last, and each but the last go. */
function Colours({
    label,
    colours,
    onTry,
    onChange,
}: {
    label: string;
    colours: string[];
    onTry?: (colours: string[] | null) => void;
    onChange: (colours: string[] | null) => void;
}) {
    const palette = usePalette();
    const next = Object.keys(palette).find((name) => !colours.includes(name)) ?? Object.keys(palette)[0] ?? '#1b2140';
    return (
        <span className="inline-flex flex-wrap items-baseline gap-x-1.5 gap-y-1">
            {colours.map((colour, k) => (
                <span key={k} className="group inline-flex items-baseline whitespace-nowrap">
                    <LiveColour
                        label={`${label}, colour ${k + 1}`}
                        raw={colour}
                        onPreview={(tried) => onTry?.(tried === null ? null : colours.with(k, tried))}
                        onCommit={(given) => onChange(colours.with(k, given))}
                    />
                    <button
                        type="button"
                        className="px-0.5 text-[14px] leading-none text-slate opacity-0 group-hover:opacity-100 hover:text-brick focus-visible:opacity-100"
                        aria-label={`Take colour ${k + 1} out`}
                        onClick={() => onChange(colours.length === 1 ? null : colours.toSpliced(k, 1))}
                    >
                        ×
                    </button>
                </span>
            ))}
            <button
                type="button"
                className="text-[13px] font-medium text-umber hover:underline disabled:opacity-40"
                disabled={colours.length >= MOST}
                aria-label={`${label}, one more`}
                onClick={() => onChange([...colours, next])}
            >
                {colours.length === 0 ? 'as the parts; add a colour' : 'one more'}
            </button>
        </span>
    );
}

function listed(raw: unknown): string[] {
    return Array.isArray(raw) ? raw.filter((one): one is string => typeof one === 'string') : [];
}

export function Edit({ label, piece, wrong, commit, tryOut }: Edited) {
    return (
        <>
            <Colours
                label={label}
                colours={listed(piece.raw)}
                onTry={(colours) => void tryOut(colours)}
                onChange={(colours) => void commit(colours)}
            />
            <Wrong text={wrong} />
        </>
    );
}

export function Ask({ field, value, onChange }: Asked) {
    return (
        <span className="flex items-baseline gap-2 text-[13px]">
            {field.label} <Colours label={field.label} colours={listed(value)} onChange={onChange} />
        </span>
    );
}
