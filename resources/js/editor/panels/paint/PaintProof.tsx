import { useEffect, useMemo, useRef } from 'react';
import { useBrush } from '../../state/brush';
import { usePick, usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';
import { usePalette } from '../../state/acts';
import { PAPER } from '../../layers/canvas';
import { gridShape } from '../../model/scene/geometry';
import { paintedGrid } from '../../model/paint/paintedGrid';
import { PaintedCells } from '../../model/paint/PaintedCells';
import { bytesOf } from '../../model/paint/over';
import { imageOf, silhouetteOf } from '../../model/paint/pixels';

/** What is painted beside the sheet while it is painted: a cell a pixel, twice as large, and laid three by three. */
export function PaintProof() {
    const { scene } = useSheet();
    const { painter } = useBrush();
    const { picking } = usePicks();
    const { mode, on } = usePick(picking);
    const palette = usePalette();
    const one = useRef<HTMLCanvasElement>(null);
    const two = useRef<HTMLCanvasElement>(null);
    const dark = useRef<HTMLCanvasElement>(null);
    const nine = useRef<HTMLCanvasElement>(null);
    const grid = paintedGrid(scene, on);
    const shape = mode === 'paint' ? gridShape(grid?.geometry) : undefined;
    const [wide, high] = shape?.isLattice === true ? shape.extent : [0, 0];
    const painted = useMemo(
        () => (grid === undefined || shape === undefined || wide === 0 ? null : imageOf(PaintedCells.of(scene, grid, shape), wide, high)),
        [scene, grid, shape, wide, high],
    );

    useEffect(() => {
        if (painted === null || grid === undefined) return undefined;
        let frame = 0;
        const ground = scene.sheet.background ?? PAPER;
        const small = document.createElement('canvas');
        [small.width, small.height] = [wide, high];
        const show = (): void => {
            frame = 0;
            const image = new ImageData(new Uint8ClampedArray(painted.data), wide, high);
            for (const stroke of painter.strokes()) {
                for (const [cell, colour] of stroke.get(grid.id) ?? [])
                    image.data.set(bytesOf(colour === 'none' ? '' : (palette[colour] ?? colour)), 4 * cell);
            }
            small.getContext('2d')?.putImageData(image, 0, 0);
            for (const [canvas, times] of [[one.current, 1], [two.current, 1], [nine.current, 3], [dark.current, 1]] as const) {
                const context = canvas?.getContext('2d');
                if (canvas === null || context == null) continue;
                context.imageSmoothingEnabled = false;
                // What is painted at all, in one colour.
                if (canvas === dark.current) small.getContext('2d')?.putImageData(silhouetteOf(image), 0, 0);
                context.fillStyle = canvas === dark.current ? PAPER : ground;
                context.fillRect(0, 0, canvas.width, canvas.height);
                const [w, h] = [canvas.width / times, canvas.height / times];
                for (let tile = 0; tile < times * times; tile++)
                    context.drawImage(small, (tile % times) * w, Math.floor(tile / times) * h, w, h);
            }
        };
        show();
        const stop = painter.subscribe(() => {
            if (frame === 0) frame = requestAnimationFrame(show);
        });
        return () => {
            stop();
            cancelAnimationFrame(frame);
        };
    }, [painted, grid, painter, palette, scene.sheet.background, wide, high]);

    if (painted === null) return null;
    const doubled = 5 * wide <= WIDE - 24;
    const laid = Math.min(1, WIDE / (3 * wide));
    return (
        <section aria-label="Painted cells" className="flex flex-col gap-3">
            <h2 className="heading">A cell a pixel</h2>
            <div className="flex items-end gap-3">
                <Shown canvas={one} wide={wide} high={high} scale={1} caption="1×" />
                {doubled && <Shown canvas={two} wide={2 * wide} high={2 * high} scale={1} caption="2×" />}
                {doubled && <Shown canvas={dark} wide={2 * wide} high={2 * high} scale={1} caption="silhouette" />}
            </div>
            {!doubled && <Shown canvas={dark} wide={wide} high={high} scale={1} caption="silhouette" />}
            <Shown
                canvas={nine}
                wide={3 * wide}
                high={3 * high}
                scale={laid}
                caption={laid === 1 ? 'laid 3 × 3' : `laid 3 × 3, at ${Math.round(laid * 100)} %`}
            />
        </section>
    );
}

/** Pixels that there is room for. */
const WIDE = 198;

function Shown({
    canvas,
    wide,
    high,
    scale,
    caption,
}: {
    canvas: React.RefObject<HTMLCanvasElement | null>;
    wide: number;
    high: number;
    scale: number;
    caption: string;
}) {
    return (
        <figure className="flex max-w-full flex-col items-start gap-1.5 overflow-hidden">
            <canvas
                ref={canvas}
                width={wide}
                height={high}
                style={{ width: wide * scale, height: high * scale, imageRendering: scale === 1 ? 'pixelated' : 'auto' }}
                role="img"
                aria-label={`Painted cells, ${caption}`}
            />
            <figcaption className="text-[11.5px] leading-none text-slate tabular-nums">{caption}</figcaption>
        </figure>
    );
}
