import { type Dispatch, type SetStateAction } from 'react';
import { type Tile, useSeam, useTile, whyNot } from '../proofs/useTile';

export interface TileChoice {
    of: string;
    others: string[];
    as: 'svg' | 'png' | 'pdf';
    /** Pixels, as typed; empty for as many as it has at one to a CSS pixel. */
    width: string;
}

/** What the server is asked for a tile. */
export function tileOrder({ of, others, as, width }: TileChoice) {
    return { format: 'tile' as const, of, as, with: others, ...(as === 'png' && width.trim() !== '' ? { width: Number(width) } : {}) };
}

/** Which pattern, in which form, and as a picture how many pixels: told where these are stretched, with the sizes next to them that are not. */
export function TileOptions({ sheet, revision, unit, choice, patterns, onChange }: { sheet: string; revision: number; unit: string; choice: TileChoice; patterns: { id: string; label: string }[]; onChange: Dispatch<SetStateAction<TileChoice | null>> }) {
    const wanted = /^\d{1,4}$/.test(choice.width.trim()) && Number(choice.width) > 0 ? Number(choice.width) : null;
    const tile = useTile(sheet, revision, choice.of, choice.others, wanted);
    const data = tile.isError ? undefined : tile.data;
    const seam = useSeam(sheet, revision, data === undefined ? null : choice.of, choice.others);
    const put = (change: Partial<TileChoice>) => onChange({ ...choice, ...change });
    return (
        <div className="flex flex-col gap-3">
            <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
                <label className="flex items-center gap-2">
                    Pattern
                    <select className="boxed" value={choice.of} onChange={(event) => put({ of: event.target.value, others: [] })}>
                        {patterns.map(({ id, label }) => (
                            <option key={id} value={id}>
                                {label}
                            </option>
                        ))}
                    </select>
                </label>
                <fieldset className="flex items-center gap-1">
                    <legend className="sr-only">Form of the tile</legend>
                    {(['svg', 'png', 'pdf'] as const).map((as) => (
                        <label key={as} className={`choice ${choice.as === as ? 'border-amber bg-honey font-medium' : 'border-rule bg-card'}`}>
                            <input type="radio" className="sr-only" name="as" checked={choice.as === as} onChange={() => put({ as })} />
                            {as.toUpperCase()}
                        </label>
                    ))}
                </fieldset>
                {choice.as === 'png' && (
                    <label className="flex items-center gap-2">
                        Width
                        <input className="boxed w-20 tabular-nums" inputMode="numeric" value={choice.width} placeholder={String(data?.pixels[0] ?? '')} onChange={(event) => put({ width: event.target.value })} />
                        <span className="text-slate">px</span>
                    </label>
                )}
            </div>
            {(data?.others.length ?? 0) > 0 && (
                <fieldset className="flex flex-wrap gap-x-4 gap-y-1.5">
                    <legend className="sr-only">Drawn together with</legend>
                    <span className="text-slate">together with</span>
                    {data?.others.map(({ id, label }) => (
                        <label key={id} className="flex items-center gap-1.5">
                            <input type="checkbox" className="size-4 accent-ink" checked={choice.others.includes(id)} onChange={() => put({ others: choice.others.includes(id) ? choice.others.filter((one) => one !== id) : [...choice.others, id] })} />
                            <span className="font-serif text-[15px] italic">{label}</span>
                        </label>
                    ))}
                </fieldset>
            )}
            {tile.isError && <p role="alert" className="rounded bg-blush px-3 py-2 text-brick">{whyNot(tile.error, 'The tile could not be looked at.')}</p>}
            {data !== undefined && <Told tile={data} unit={unit} isPicture={choice.as === 'png'} onSize={(width) => put({ width: String(width) })} />}
            {data !== undefined && <p className="text-[13px] leading-snug text-slate">{seam.error !== null ? whyNot(seam.error, 'Its seam could not be looked at.') : seam.data === undefined ? 'Laying it 3 × 3 to look for a seam …' : seam.data.holds ? 'Laid 3 × 3 it shows no seam.' : `Laid 3 × 3, ${seam.data.off.toLocaleString('en')} pixels are off.`}</p>}
        </div>
    );
}

function Told({ tile, unit, isPicture, onSize }: { tile: Tile; unit: string; isPicture: boolean; onSize: (width: number) => void }) {
    const number = (value: number): string => String(Number(value.toFixed(4)));
    return (
        <p className="text-[13px] leading-snug text-slate tabular-nums">
            {tile.size.map(number).join(' × ')} {unit}
            {isPicture && `, ${tile.pixels.join(' × ')} pixels`}
            {isPicture && (tile.exact ? ', exact.' : `, stretched by ${tile.off.toFixed(2)} of a pixel. Exact:`)}
            {isPicture && !tile.exact && tile.near.length === 0 && ' none near by.'}
            {isPicture &&
                !tile.exact &&
                tile.near.map(([width = 0, height = 0]) => (
                    <button key={width} type="button" className="ml-2 font-medium text-umber underline" onClick={() => onSize(width)}>
                        {width} × {height}
                    </button>
                ))}
        </p>
    );
}
