import { useSyncExternalStore } from 'react';
import { useBrush } from '../../state/brush';
import { usePick, usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';
import { usePalette } from '../../state/acts';
import { gridShape } from '../../model/scene/geometry';
import type { Matrix, Mirror } from '../../model/paint/dots';
import { paintedGrid } from '../../model/paint/paintedGrid';
import type { Brush } from '../../model/paint/Painter';

const MIRRORS: Mirror[] = ['not', 'left to right', 'up and down', 'both'];

const MATRICES: Record<Matrix, string> = { checker: 'checkers', '2': 'twos', '4': 'fours', '8': 'eights' };

/** What else there is to say of the way that the brush paints: how wide, how far, mirrored or not. */
export function BrushChoices() {
    const { scene } = useSheet();
    const { picking } = usePicks();
    const { painter } = useBrush();
    const palette = usePalette();
    const brush = useSyncExternalStore(painter.subscribe, painter.getBrush);
    const shape = gridShape(paintedGrid(scene, usePick(picking).on)?.geometry);
    const isLattice = shape?.isLattice === true;
    const [columns, rows] = shape?.extent ?? [1, 1];
    const about = brush.about ?? [(columns + 1) / 2, (rows + 1) / 2];
    const set = (change: Partial<Brush>): void => painter.set(change);
    const { way } = brush;
    if (way === 'area') {
        return (
            <Chosen
                label="How far an area goes"
                value={brush.reach}
                options={['what hangs together', 'all of its colour']}
                onChange={(reach) => set({ reach })}
            />
        );
    }
    if (!isLattice || way === 'block') return null;
    return (
        <span className="flex min-w-0 items-baseline gap-4 overflow-x-auto text-[13px] whitespace-nowrap text-slate">
            <span className="flex items-baseline gap-1.5">
                size{' '}
                <Chosen
                    label="Cells that the brush is wide"
                    value={String(brush.size)}
                    options={['1', '2', '3']}
                    onChange={(size) => set({ size: Number(size) as 1 | 2 | 3 })}
                />
            </span>
            {(way === 'ring' || way === 'ellipse' || way === 'box') && (
                <label className="flex items-center gap-1.5">
                    <input
                        type="checkbox"
                        className="size-4 accent-ink"
                        checked={brush.filled}
                        onChange={() => set({ filled: !brush.filled })}
                    />
                    filled
                </label>
            )}
            {(way === 'line' || way === 'ring' || way === 'ellipse' || way === 'box') && brush.size === 1 && brush.mirror === 'not' && (
                <label
                    className="flex items-center gap-1.5"
                    title="A step of its own: its ends, its width and height stay numbers in its sentence"
                >
                    <input
                        type="checkbox"
                        className="size-4 accent-ink"
                        checked={brush.asNumbers}
                        onChange={() => set({ asNumbers: !brush.asNumbers })}
                    />
                    as numbers
                </label>
            )}
            {way === 'dither' && (
                <span className="flex items-baseline gap-1.5">
                    with{' '}
                    <Chosen
                        label="The second colour of the dither"
                        value={brush.second}
                        options={[...Object.keys(palette), 'none']}
                        onChange={(second) => set({ second })}
                    />{' '}
                    by
                    <Chosen
                        label="How the dither is laid"
                        value={brush.matrix}
                        options={Object.keys(MATRICES) as Matrix[]}
                        words={MATRICES}
                        onChange={(matrix) => set({ matrix })}
                    />
                    <Chosen
                        label="The share of the second colour"
                        value={String(brush.level)}
                        options={['0.25', '0.5', '0.75']}
                        words={{ '0.25': '¼', '0.5': '½', '0.75': '¾' }}
                        onChange={(level) => set({ level: Number(level) })}
                    />
                </span>
            )}
            <span className="flex items-baseline gap-1.5">
                mirrored{' '}
                <Chosen
                    label="Whether the brush is mirrored"
                    value={brush.mirror}
                    options={MIRRORS}
                    onChange={(mirror) => set({ mirror })}
                />
                {(brush.mirror === 'left to right' || brush.mirror === 'both') && (
                    <Halves
                        label="Column that the mirror runs at"
                        value={about[0]}
                        onChange={(column) => set({ about: [column, about[1]] })}
                    />
                )}
                {(brush.mirror === 'up and down' || brush.mirror === 'both') && (
                    <Halves label="Row that the mirror runs at" value={about[1]} onChange={(row) => set({ about: [about[0], row] })} />
                )}
            </span>
        </span>
    );
}

function Chosen<T extends string>({
    label,
    value,
    options,
    words,
    onChange,
}: {
    label: string;
    value: T;
    options: T[];
    words?: Record<string, string>;
    onChange: (value: T) => void;
}) {
    return (
        <select
            className="live font-serif text-[15px] text-ink"
            aria-label={label}
            value={value}
            onChange={(event) => onChange(event.target.value as T)}
        >
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
    return (
        <input
            type="number"
            step={0.5}
            aria-label={label}
            className="live w-14 font-serif text-[15px] text-ink"
            value={value}
            onChange={(event) => Number.isFinite(event.target.valueAsNumber) && onChange(Math.round(event.target.valueAsNumber * 2) / 2)}
        />
    );
}
