import { useLayoutEffect, useRef } from 'react';
import type { Scene, Style } from '../../../api/client';
import { useSheet } from '../../state/sheet';
import { begin, PAPER, paintDrawing, paintSheet } from '../../layers/canvas';

const INK = '#1b2140';

/** The result as it will be used: small, in one colour, on a dark ground. */
export function Proofs() {
    const { scene } = useSheet();
    return (
        <section aria-label="Proofs" className="flex flex-col gap-3">
            <h2 className="heading">Proofs</h2>
            <div className="flex items-end gap-3">
                <Proof scene={scene} size={88} caption="88 px" />
                <Proof scene={scene} size={32} caption="32" />
                <Proof scene={scene} size={24} caption="24" />
                <Proof scene={scene} size={16} caption="16" />
            </div>
            <div className="flex items-end gap-3.5">
                <Proof scene={scene} size={86} caption="one colour" ground={PAPER} restyle={oneColour(scene)} />
                <Proof scene={scene} size={86} caption="on ink" ground={INK} />
            </div>
        </section>
    );
}

/** Everything in ink, with a hair of paper between the parts. */
function oneColour(scene: Scene): (style: Style) => Style {
    const hair = Math.max(scene.sheet.width, scene.sheet.height) / 160;
    return (style) => ({
        join: style.join,
        cap: style.cap,
        fill: style.fill === 'none' ? 'none' : INK,
        stroke: style.fill === 'none' ? (style.stroke === 'none' ? 'none' : INK) : PAPER,
        strokeWidth: style.fill === 'none' ? style.strokeWidth : hair,
        opacity: 1,
        blend: 'normal',
        dash: [],
    });
}

function Proof({
    scene,
    size,
    caption,
    ground,
    restyle,
}: {
    scene: Scene;
    size: number;
    caption: string;
    ground?: string;
    restyle?: (style: Style) => Style;
}) {
    const canvas = useRef<HTMLCanvasElement>(null);
    const { width, height } = scene.sheet;
    const scale = size / Math.max(width, height);
    const ratio = typeof window === 'undefined' ? 1 : window.devicePixelRatio || 1;
    useLayoutEffect(() => {
        if (canvas.current === null) return;
        const context = begin(canvas.current, { scale, x: 0, y: 0 });
        if (ground === undefined) {
            paintSheet(context, scene);
        } else {
            context.fillStyle = ground;
            context.fillRect(0, 0, width, height);
        }
        paintDrawing(context, scene, { restyle, isSmall: true });
    });
    return (
        <figure className="flex flex-col items-start gap-1.5">
            <canvas
                ref={canvas}
                width={Math.max(1, Math.round(width * scale * ratio))}
                height={Math.max(1, Math.round(height * scale * ratio))}
                style={{ width: width * scale, height: height * scale }}
                role="img"
                aria-label={`Proof, ${caption}`}
            />
            <figcaption className="text-[11.5px] leading-none text-slate tabular-nums">{caption}</figcaption>
        </figure>
    );
}
