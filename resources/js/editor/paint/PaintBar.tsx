import { type ReactNode, useEffect, useState, useSyncExternalStore } from 'react';
import { stepOf, useDesk, usePalette } from '../desk';
import { Swatch } from '../fields/Swatch';
import { gridShape } from '../scene/geometry';
import { BlockVerbs } from './BlockVerbs';
import type { Matrix, Mirror } from './dots';
import { type Brush, WAYS, type Way } from './Painter';
import { paintedGrid } from './paintedGrid';

/** So many colours have a number of their own. */
const NUMBERED = 9;

const MIRRORS: Mirror[] = ['not', 'left to right', 'up and down', 'both'];

const MATRICES: Record<Matrix, string> = { checker: 'a checkerboard', '2': 'twos', '4': 'fours', '8': 'eights' };

/** What the brush does, in the place of the verbs: how it paints, how wide, mirrored or not, and in which colour. */
export function PaintBar({ listens, children }: { listens: (target: EventTarget | null) => boolean; children: ReactNode }) {
    const { scene, picking, painter, page } = useDesk();
    const palette = usePalette();
    const brush = useSyncExternalStore(painter.subscribe, painter.getBrush);
    const block = useSyncExternalStore(painter.subscribe, () => painter.block);
    const [naming, setNaming] = useState(false);
    const grid = paintedGrid(scene, picking.get().on);
    const shape = gridShape(grid?.geometry);
    const ways: readonly Way[] = shape?.isLattice === true ? WAYS : WAYS.filter((way) => way === 'cell by cell' || way === 'area');
    const names = Object.keys(palette);
    const isOwn = brush.colour !== 'none' && palette[brush.colour] === undefined;

    useEffect(() => {
        const onKey = (event: KeyboardEvent): void => {
            if (!listens(event.target) || event.ctrlKey || event.metaKey || event.altKey || !/^[0-9]$/.test(event.key)) return;
            event.preventDefault();
            const number = Number(event.key);
            if (number === 0) setNaming(!naming);
            else if (naming) {
                setNaming(false);
                const way = ways[number - 1];
                if (way !== undefined) painter.set({ way });
            } else if (names[number - 1] !== undefined) painter.set({ colour: names[number - 1] });
        };
        window.addEventListener('keydown', onKey);
        return () => window.removeEventListener('keydown', onKey);
    });

    return (
        <>
            <div className="flex h-7 items-center gap-4 overflow-x-auto text-[13px] whitespace-nowrap text-slate">
                <span role="radiogroup" aria-label="How the brush paints" className="flex shrink-0 items-center gap-3.5">
                    {ways.map((way, number) => (
                        <button
                            key={way}
                            role="radio"
                            aria-checked={brush.way === way}
                            className={`flex items-center gap-1 border-b-2 py-0.5 ${brush.way === way ? 'border-amber font-semibold text-ink' : 'border-transparent hover:text-ink'}`}
                            onClick={() => painter.set({ way })}
                        >
                            {naming && <kbd className="rounded-sm bg-honey px-1 font-sans text-[11.5px] font-medium text-umber">{number + 1}</kbd>}
                            {way}
                        </button>
                    ))}
                </span>
                <span className="h-5 w-px shrink-0 bg-rule" />
                <Choices brush={brush} set={(change) => painter.set(change)} isLattice={shape?.isLattice === true} extent={shape?.extent ?? [1, 1]} />
                <span className="flex-1" />
                {children}
            </div>
            {block !== null && grid !== undefined && shape !== undefined ? (
                <BlockVerbs block={block} grid={stepOf(page.scene, block.grid) ?? grid} shape={shape} />
            ) : (
                <div role="radiogroup" aria-label="Colour of the brush" className="flex items-center gap-1 overflow-x-auto">
                    {[...names, ...(isOwn ? [brush.colour] : []), 'none'].map((name, number) => (
                        <button key={name} role="radio" aria-checked={brush.colour === name} title={name === 'none' ? 'Takes away what is painted' : palette[name]} className={`verb shrink-0 ${brush.colour === name ? 'border-amber bg-honey' : ''}`} onClick={() => painter.set({ colour: name })}>
                            <Swatch colour={name === 'none' ? undefined : (palette[name] ?? name)} size={16} />
                            {(name === 'none' || number < Math.min(NUMBERED, names.length)) && <kbd>{name === 'none' ? 'E' : number + 1}</kbd>}
                            <span className="font-serif text-[15px] italic">{name}</span>
                        </button>
                    ))}
                </div>
            )}
        </>
    );
}

/** What else there is to say of the way that it paints. */
function Choices({ brush, set, isLattice, extent }: { brush: Brush; set: (change: Partial<Brush>) => void; isLattice: boolean; extent: [number, number] }) {
    const palette = usePalette();
    const about = brush.about ?? [(extent[0] + 1) / 2, (extent[1] + 1) / 2];
    const { way } = brush;
    if (way === 'area') {
        return <Chosen label="How far an area goes" value={brush.reach} options={['what hangs together', 'all of its colour']} onChange={(reach) => set({ reach })} />;
    }
    if (!isLattice || way === 'block') return null;
    return (
        <>
            <span className="flex items-baseline gap-1.5">
                size <Chosen label="Cells that the brush is wide" value={String(brush.size)} options={['1', '2', '3']} onChange={(size) => set({ size: Number(size) as 1 | 2 | 3 })} />
            </span>
            {(way === 'ring' || way === 'ellipse' || way === 'box') && (
                <label className="flex items-center gap-1.5">
                    <input type="checkbox" className="size-4 accent-ink" checked={brush.filled} onChange={() => set({ filled: !brush.filled })} />
                    filled
                </label>
            )}
            {way === 'dither' && (
                <span className="flex items-baseline gap-1.5">
                    with <Chosen label="The second colour of the dither" value={brush.second} options={[...Object.keys(palette), 'none']} onChange={(second) => set({ second })} /> by
                    <Chosen label="How the dither is laid" value={brush.matrix} options={Object.keys(MATRICES) as Matrix[]} words={MATRICES} onChange={(matrix) => set({ matrix })} />
                    <Chosen label="The share of the second colour" value={String(brush.level)} options={['0.25', '0.5', '0.75']} words={{ '0.25': 'a quarter', '0.5': 'a half', '0.75': 'three quarters' }} onChange={(level) => set({ level: Number(level) })} />
                </span>
            )}
            <span className="flex items-baseline gap-1.5">
                mirrored <Chosen label="Whether the brush is mirrored" value={brush.mirror} options={MIRRORS} onChange={(mirror) => set({ mirror })} />
                {(brush.mirror === 'left to right' || brush.mirror === 'both') && <Halves label="Column that the mirror runs at" value={about[0]} onChange={(column) => set({ about: [column, about[1]] })} />}
                {(brush.mirror === 'up and down' || brush.mirror === 'both') && <Halves label="Row that the mirror runs at" value={about[1]} onChange={(row) => set({ about: [about[0], row] })} />}
            </span>
        </>
    );
}

function Chosen<T extends string>({ label, value, options, words, onChange }: { label: string; value: T; options: T[]; words?: Record<string, string>; onChange: (value: T) => void }) {
    return (
        <select className="live font-serif text-[15px] text-ink" aria-label={label} value={value} onChange={(event) => onChange(event.target.value as T)}>
            {options.map((one) => (
                <option key={one} value={one}>
                    {words?.[one] ?? one}
                </option>
            ))}
        </select>
    );
}

/** A number in halves: through the middle of a cell, or along its edge. */
function Halves({ label, value, onChange }: { label: string; value: number; onChange: (value: number) => void }) {
    return <input type="number" step={0.5} aria-label={label} className="live w-14 font-serif text-[15px] text-ink" value={value} onChange={(event) => Number.isFinite(event.target.valueAsNumber) && onChange(Math.round(event.target.valueAsNumber * 2) / 2)} />;
}
