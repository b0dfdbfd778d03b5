import type { Section } from '../../../api/client';

/** What an icon set is made of. */
export interface SetChoice {
    /** First steps of the chapters; none for the whole drawing. */
    chapters: string[];
    /** Pixels, as they were typed. */
    sizes: string;
    svg: boolean;
    png: boolean;
    /** Per cent of the square, as typed. */
    clear: string;
    ground: boolean;
}

/** What the server is asked for a set; what is no number is refused there, by its field. */
export function setOrder({ chapters, sizes, svg, png, clear, ground }: SetChoice) {
    return {
        format: 'set' as const,
        chapters,
        sizes: sizes.split(/[\s,;]+/).filter(Boolean).map(Number),
        formats: [...(svg ? (['svg'] as const) : []), ...(png ? (['png'] as const) : [])],
        clear: Number(clear),
        ground,
    };
}

/** Which chapters, at which sizes, with how much clear space. */
export function SetOptions({ choice, chapters, onChange }: { choice: SetChoice; chapters: Section[]; onChange: (choice: SetChoice) => void }) {
    const put = (change: Partial<SetChoice>) => onChange({ ...choice, ...change });
    const toggle = (from: string) => put({ chapters: choice.chapters.includes(from) ? choice.chapters.filter((one) => one !== from) : [...choice.chapters, from] });
    return (
        <div className="flex flex-col gap-3.5">
            <fieldset className="flex flex-wrap gap-x-4 gap-y-2">
                <legend className="mb-1.5 font-medium">Chapters</legend>
                <label className="flex items-center gap-1.5">
                    <input type="radio" className="size-4 accent-ink" name="whole" checked={choice.chapters.length === 0} onChange={() => put({ chapters: [] })} />
                    the whole
                </label>
                {chapters.map(({ from, name }) => (
                    <label key={from} className="flex items-center gap-1.5">
                        <input type="checkbox" className="size-4 accent-ink" checked={choice.chapters.includes(from)} onChange={() => toggle(from)} />
                        <span className="font-serif text-[15px] italic">{name}</span>
                    </label>
                ))}
            </fieldset>
            <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
                <label className="flex items-center gap-2">
                    Sizes
                    <input className="boxed w-32 tabular-nums" value={choice.sizes} onChange={(event) => put({ sizes: event.target.value })} />
                    <span className="text-slate">px</span>
                </label>
                <label className="flex items-center gap-2">
                    Clear space
                    <input className="boxed w-16 tabular-nums" inputMode="decimal" value={choice.clear} onChange={(event) => put({ clear: event.target.value })} />
                    <span className="text-slate">%</span>
                </label>
            </div>
            <div className="flex items-center gap-5">
                {(['svg', 'png'] as const).map((format) => (
                    <label key={format} className="flex items-center gap-2">
                        <input type="checkbox" className="size-4 accent-ink" checked={choice[format]} onChange={(event) => put({ [format]: event.target.checked })} />
                        {format.toUpperCase()}
                    </label>
                ))}
                <label className="flex items-center gap-2">
                    <input type="checkbox" className="size-4 accent-ink" checked={choice.ground} onChange={(event) => put({ ground: event.target.checked })} />
                    with the sheet’s ground
                </label>
            </div>
        </div>
    );
}
