import type { RefObject } from 'react';

/** A sheet of glass over the others, as large as the box that all lie in. */
export function Glass({ canvas, size }: { canvas: RefObject<HTMLCanvasElement | null>; size: { width: number; height: number } }) {
    const ratio = window.devicePixelRatio || 1;
    return (
        <canvas
            ref={canvas}
            width={Math.round(size.width * ratio)}
            height={Math.round(size.height * ratio)}
            className="pointer-events-none absolute inset-0 h-full w-full"
        />
    );
}
