import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import type { Step } from '../../../api/client';
import { useBrush } from '../../state/brush';
import { usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';
import { useView } from '../../state/view';
import { usePalette } from '../../state/acts';
import { PAPER } from '../../layers/canvas';
import type { GridShape } from '../../model/scene/GridShape';
import { cornerOf, frameLaid } from '../../model/paint/frames';
import { namesByColour, PaintedCells } from '../../model/paint/PaintedCells';
import { imageOf } from '../../model/paint/pixels';
import { addressed, paintingOf } from '../../model/paint/painting';

/** Pixels that there is room for. */
const WIDE = 198;

const HIGH = 150;

const SMALL = 36;

/** The frames of a moving picture one after another, and played. */
export function Strip({ step, frames, grid, shape }: { step: Step; frames: NonNullable<Step['frames']>; grid: Step; shape: GridShape }) {
    const { scene, kinds, change } = useSheet();
    const { painter } = useBrush();
    const { picking } = usePicks();
    const { lookAt } = useView();
    const palette = usePalette();
    const active = useSyncExternalStore(painter.subscribe, () => painter.frame);
    const [isPlaying, setPlaying] = useState(false);
    const [shown, setShown] = useState(0);
    const [wide = 1, high = 1] = frames.size;
    const count = frames.corners.length;
    const picture = useMemo(() => PaintedCells.of(scene, grid, shape), [scene, grid, shape]);
    const whole = useMemo(() => imageOf(picture, ...shape.extent), [picture, shape]);
    const index = Math.min(active?.step === step.id ? active.index : 0, count - 1);

    useEffect(() => {
        if (!isPlaying) return undefined;
        const timer = window.setInterval(() => setShown((old) => (old + 1) % count), frames.ms);
        return () => window.clearInterval(timer);
    }, [isPlaying, frames.ms, count]);

    function choose(next: number): void {
        painter.setFrame({ step: step.id, index: next, seenThrough: active?.seenThrough ?? false });
        setShown(next);
        picking.setMode('paint');
        const [x, y] = cornerOf(frames, shape, next);
        const middle = shape.cell(`${x + Math.ceil(wide / 2)},${y + Math.ceil(high / 2)}`);
        if (middle !== undefined) lookAt(...shape.centroid(middle));
    }

    /** Frames look as others do, all in one change. */
    function lay(pairs: [from: number, to: number][], next: number, more = 0): void {
        const names = namesByColour(palette);
        const cells = new Map(pairs.flatMap(([from, to]) => [...frameLaid(frames, shape, picture, names, from, to)]));
        const painting = cells.size === 0 ? null : paintingOf(kinds, grid.id, shape, addressed(shape, cells));
        const operations = [
            ...(more === 0 ? [] : [{ op: 'set' as const, id: step.id, field: 'count', value: count + more }]),
            ...(painting === null ? [] : [painting]),
        ];
        if (operations.length === 0) return;
        void change(operations).then((refused) => refused === null && choose(next));
    }

    const isFull = count >= frames.most;
    const scale = Math.max(1, Math.floor(Math.min(WIDE / wide, HIGH / high)));
    return (
        <section aria-label="Frames" className="flex flex-col gap-3">
            <div className="flex items-baseline justify-between">
                <h2 className="heading">Frames</h2>
                <button className="font-medium text-umber hover:underline" aria-pressed={isPlaying} onClick={() => setPlaying(!isPlaying)}>
                    {isPlaying ? 'Stop' : 'Play'}
                </button>
            </div>
            <Frame
                whole={whole}
                corner={cornerOf(frames, shape, isPlaying ? shown % count : index)}
                size={[wide, high]}
                scale={scale}
                ground={scene.sheet.background}
                label={isPlaying ? 'The frames, played' : `Frame ${index + 1}, enlarged`}
            />
            <ol className="flex flex-wrap gap-1.5">
                {frames.corners.map((_, frame) => (
                    <li key={frame}>
                        <button
                            aria-label={`Frame ${frame + 1}`}
                            aria-pressed={index === frame}
                            className={`block rounded border p-[3px] ${index === frame ? 'border-amber bg-honey' : 'border-rule bg-card hover:border-amber'}`}
                            onClick={() => choose(frame)}
                        >
                            <Frame
                                whole={whole}
                                corner={cornerOf(frames, shape, frame)}
                                size={[wide, high]}
                                scale={Math.min(SMALL / wide, SMALL / high)}
                                ground={scene.sheet.background}
                                label=""
                            />
                        </button>
                    </li>
                ))}
            </ol>
            <div className="flex flex-wrap gap-x-3 gap-y-1 text-[13px] font-medium text-umber">
                <button
                    className="hover:underline disabled:text-slate disabled:no-underline"
                    disabled={isFull}
                    title={isFull ? 'There is no room on the grid for one more' : undefined}
                    onClick={() =>
                        void change([{ op: 'set', id: step.id, field: 'count', value: count + 1 }]).then(
                            (refused) => refused === null && choose(count),
                        )
                    }
                >
                    Add
                </button>
                <button
                    className="hover:underline disabled:text-slate disabled:no-underline"
                    disabled={isFull}
                    title={isFull ? 'There is no room on the grid for one more' : undefined}
                    onClick={() => lay([[index, count]], count, 1)}
                >
                    Copy
                </button>
                <button
                    className="hover:underline disabled:text-slate disabled:no-underline"
                    disabled={index === 0}
                    onClick={() =>
                        lay(
                            [
                                [index, index - 1],
                                [index - 1, index],
                            ],
                            index - 1,
                        )
                    }
                >
                    Earlier
                </button>
                <button
                    className="hover:underline disabled:text-slate disabled:no-underline"
                    disabled={index === count - 1}
                    onClick={() =>
                        lay(
                            [
                                [index, index + 1],
                                [index + 1, index],
                            ],
                            index + 1,
                        )
                    }
                >
                    Later
                </button>
            </div>
            <label className="flex items-center gap-1.5 text-[13px]">
                <input
                    type="checkbox"
                    className="size-4 accent-ink"
                    checked={active?.seenThrough ?? false}
                    onChange={() => painter.setFrame({ step: step.id, index, seenThrough: !(active?.seenThrough ?? false) })}
                />
                see the one before through it
            </label>
        </section>
    );
}

/** A part of a picture, enlarged by whole numbers where there is room. */
function Frame({
    whole,
    corner: [x, y],
    size: [wide, high],
    scale,
    ground,
    label,
}: {
    whole: ImageData;
    corner: [number, number];
    size: [number, number];
    scale: number;
    ground: string | null;
    label: string;
}) {
    const canvas = useRef<HTMLCanvasElement>(null);
    useEffect(() => {
        const context = canvas.current?.getContext('2d');
        if (context == null) return;
        const small = document.createElement('canvas');
        [small.width, small.height] = [wide, high];
        small.getContext('2d')?.putImageData(whole, -x, -y);
        context.fillStyle = ground ?? PAPER;
        context.fillRect(0, 0, wide, high);
        context.drawImage(small, 0, 0);
    }, [whole, x, y, wide, high, ground]);
    return (
        <canvas
            ref={canvas}
            width={wide}
            height={high}
            style={{ width: wide * scale, height: high * scale, imageRendering: 'pixelated' }}
            role={label === '' ? 'presentation' : 'img'}
            aria-label={label === '' ? undefined : label}
        />
    );
}
