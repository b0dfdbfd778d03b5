import { type ReactNode, useLayoutEffect, useRef, useState } from 'react';
import type { Scene } from '../../../api/client';
import { stepOf } from '../../model/scene/steps';
import { usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';
import { PAPER, paintPattern } from '../../layers/canvas';
import { perInch } from '../../model/units';
import { patternsOf, type Tile, useSeam, useTile, whyNot } from './useTile';

/** What a pattern may come to lie on, in millimetres. */
const GOODS = [
    ['a seat', 480, 460],
    ['a cushion', 400, 400],
    ['a page', 210, 297],
    ['a wall', 3600, 2500],
] as const;

const WIDE = 198;

/** A pattern as it will be used: its tile laid side by side, at the size of the goods, and blurred, where stripes and holes show. */
export function TileProof() {
    const { page, scene } = useSheet();
    const { selected } = usePicks();
    const patterns = patternsOf(scene);
    const [chosen, setChosen] = useState<string | null>(null);
    const [goods, setGoods] = useState(0);
    const picked = [selected, chosen].find((id) => patterns.some((one) => one.id === id)) ?? patterns.at(-1)?.id ?? null;
    const saved = stepOf(page.scene, picked ?? '')?.cell === undefined ? null : picked;
    const tile = useTile(page.id, page.revision, saved);
    if (picked === null) return null;
    const data = tile.data?.of === picked && !tile.isError ? tile.data : undefined;
    return (
        <section aria-label="Tile" className="flex flex-col gap-2.5">
            <h2 className="heading">Tile</h2>
            {patterns.length > 1 && (
                <select
                    className="live self-start font-serif text-[15px]"
                    aria-label="Pattern of the tile"
                    value={picked}
                    onChange={(event) => setChosen(event.target.value)}
                >
                    {patterns.map(({ id, label }) => (
                        <option key={id} value={id}>
                            {label}
                        </option>
                    ))}
                </select>
            )}
            {tile.isError && (
                <p className="font-serif text-[15px] leading-snug italic">
                    {whyNot(tile.error, 'The tile could not be looked at.').replace(/^expected /i, 'There is no tile: expected ')}
                </p>
            )}
            {data !== undefined && <Laid scene={scene} tile={data} seam={<Seam sheet={page.id} revision={page.revision} of={picked} />} />}
            {data !== undefined && (
                <>
                    <div className="flex items-baseline gap-1.5 font-serif text-[15px]">
                        On
                        <select
                            className="live"
                            aria-label="Goods"
                            value={goods}
                            onChange={(event) => setGoods(Number(event.target.value))}
                        >
                            {GOODS.map(([name], number) => (
                                <option key={name} value={number}>
                                    {name}
                                </option>
                            ))}
                        </select>
                        <span className="text-[12.5px] text-slate tabular-nums">
                            {(GOODS[goods]?.[1] ?? 0) / 10} × {(GOODS[goods]?.[2] ?? 0) / 10} cm
                        </span>
                    </div>
                    <div className="flex items-start gap-2.5">
                        <Goods scene={scene} tile={data} goods={goods} caption="as it is" />
                        <Goods scene={scene} tile={data} goods={goods} caption="blurred" blurred />
                    </div>
                </>
            )}
        </section>
    );
}

/** The tile three by three, the one in the middle marked. */
function Laid({ scene, tile, seam }: { scene: Scene; tile: Tile; seam: ReactNode }) {
    const { unit } = scene.sheet;
    const [wide = 1, high = 1] = tile.size;
    const scale = WIDE / (3 * Math.max(wide, high));
    const number = (value: number): string => String(Number(value.toFixed(2)));
    return (
        <figure className="flex flex-col gap-1.5">
            <Canvas
                label="The tile laid three by three"
                width={3 * wide * scale}
                height={3 * high * scale}
                paint={(context) => {
                    paintRepeated(context, scene, tile, scale, 3 * wide * scale, 3 * high * scale);
                    context.strokeStyle = '#b87400';
                    context.lineWidth = 1;
                    context.setLineDash([4, 3]);
                    context.strokeRect(wide * scale + 0.5, high * scale + 0.5, wide * scale - 1, high * scale - 1);
                    context.setLineDash([]);
                }}
            />
            <figcaption className="text-[12.5px] leading-snug text-slate tabular-nums">
                {number(wide)} × {number(high)} {unit}
                {unit === 'px' ? '' : `, ${tile.pixels.join(' × ')} px`}
                . {seam}
            </figcaption>
        </figure>
    );
}

function Seam({ sheet, revision, of }: { sheet: string; revision: number; of: string }) {
    const { data, error } = useSeam(sheet, revision, of);
    if (error !== null) return whyNot(error, 'Its seam could not be looked at.');
    if (data === undefined) return 'Looking for a seam …';
    return data.holds
        ? 'No seam: laid 3 × 3, every pixel is the pattern’s own.'
        : `A seam: ${data.off.toLocaleString('en')} pixels are not the pattern’s own.`;
}

function Goods({
    scene,
    tile,
    goods,
    caption,
    blurred = false,
}: {
    scene: Scene;
    tile: Tile;
    goods: number;
    caption: string;
    blurred?: boolean;
}) {
    const [, wide, high] = GOODS[goods] ?? GOODS[0];
    // Sheet units to a millimetre, and from there to the proof.
    const scale = ((WIDE - 10) / 2 / Math.max(wide, high)) * (25.4 / perInch(scene.sheet.unit));
    const side = (WIDE - 10) / 2;
    return (
        <figure className="flex flex-col gap-1.5" style={{ width: side }}>
            <span className="overflow-hidden">
                <span className="block" style={blurred ? { filter: 'blur(1.6px) contrast(1.1)' } : undefined}>
                    <Canvas
                        label={`The pattern on ${GOODS[goods]?.[0] ?? ''}, ${caption}`}
                        width={(wide / Math.max(wide, high)) * side}
                        height={(high / Math.max(wide, high)) * side}
                        paint={(context, width, height) => paintRepeated(context, scene, tile, scale, width, height)}
                    />
                </span>
            </span>
            <figcaption className="text-[11.5px] leading-none text-slate">{caption}</figcaption>
        </figure>
    );
}

/** Pixels that a bitmap of the tile has on its shorter side at least, so that small repeats are no mush. */
const LEAST = 48;

/** Fills a canvas with a tile at a scale, from a bitmap of it. */
function paintRepeated(context: CanvasRenderingContext2D, scene: Scene, tile: Tile, scale: number, width: number, height: number): void {
    const [wide = 1, high = 1] = tile.size;
    const [x = 0, y = 0] = tile.at;
    const ratio = context.getTransform().a;
    const fine = Math.max(scale * ratio, LEAST / Math.min(wide, high));
    const bitmap = new OffscreenCanvas(Math.max(1, Math.round(wide * fine)), Math.max(1, Math.round(high * fine)));
    const own = bitmap.getContext('2d') as unknown as CanvasRenderingContext2D | null;
    if (own === null) return;
    own.fillStyle = scene.sheet.background ?? PAPER;
    own.fillRect(0, 0, bitmap.width, bitmap.height);
    own.setTransform(bitmap.width / wide, 0, 0, bitmap.height / high, (-x * bitmap.width) / wide, (-y * bitmap.height) / high);
    paintPattern(own, scene, tile.of, [x, y, x + wide, y + high]);
    const pattern = context.createPattern(bitmap as unknown as HTMLCanvasElement, 'repeat');
    if (pattern === null) return;
    pattern.setTransform(new DOMMatrix([(wide * scale) / bitmap.width, 0, 0, (high * scale) / bitmap.height, 0, 0]));
    context.imageSmoothingQuality = 'high';
    context.fillStyle = pattern;
    context.fillRect(0, 0, width, height);
}

function Canvas({
    label,
    width,
    height,
    paint,
}: {
    label: string;
    width: number;
    height: number;
    paint: (context: CanvasRenderingContext2D, width: number, height: number) => void;
}) {
    const canvas = useRef<HTMLCanvasElement>(null);
    const ratio = typeof window === 'undefined' ? 1 : window.devicePixelRatio || 1;
    useLayoutEffect(() => {
        const context = canvas.current?.getContext('2d');
        if (context == null) return;
        context.setTransform(ratio, 0, 0, ratio, 0, 0);
        context.clearRect(0, 0, width, height);
        paint(context, width, height);
    });
    return (
        <canvas
            ref={canvas}
            width={Math.max(1, Math.round(width * ratio))}
            height={Math.max(1, Math.round(height * ratio))}
            style={{ width, height }}
            role="img"
            aria-label={label}
        />
    );
}
