import { type RefObject, useCallback, useEffect, useLayoutEffect, useRef, useState } from 'react';
import type { Camera } from '../model/camera';

const MARGIN = 28;

/** Pixels that a line of a wheel is. */
const LINE = 16;

/** How much is zoomed for a pixel of the wheel, and how many of one turn count: a notch is a third more, two fingers go gently. */
const GENTLY = 0.0028;

const MOST = 240;

export interface CameraWork {
    view: Camera;
    size: { width: number; height: number };
    fit: () => void;
    /** Zooms so that what lies at a place of the view stays there. */
    zoomAt: (factor: number, x: number, y: number) => void;
    pan: (dx: number, dy: number) => void;
    /** Puts a place of the sheet into the middle of the view; enlarged to `scale` where that is more. */
    lookAt: (x: number, y: number, scale?: number) => void;
}

/** How the sheet lies in its box: fitted until somebody zooms or pans, and again after a fit. */
export function useCamera(box: RefObject<HTMLDivElement | null>, sheetWidth: number, sheetHeight: number): CameraWork {
    const [size, setSize] = useState({ width: 0, height: 0 });
    const [view, setView] = useState<Camera>({ scale: 1, x: 0, y: 0 });
    const fitted = useRef(true);

    const fit = useCallback(() => {
        if (size.width === 0) return;
        fitted.current = true;
        const scale = Math.min((size.width - 2 * MARGIN) / sheetWidth, (size.height - 2 * MARGIN - 16) / sheetHeight);
        setView({ scale, x: (size.width - sheetWidth * scale) / 2, y: (size.height - 24 - sheetHeight * scale) / 2 + 4 });
    }, [size, sheetWidth, sheetHeight]);

    const zoomAt = useCallback((factor: number, x: number, y: number) => {
        fitted.current = false;
        setView((old) => {
            const scale = Math.min(Math.max(old.scale * factor, 1e-4), 1e7);
            const real = scale / old.scale;
            return { scale, x: x - (x - old.x) * real, y: y - (y - old.y) * real };
        });
    }, []);

    const pan = useCallback((dx: number, dy: number) => {
        fitted.current = false;
        setView((old) => ({ ...old, x: old.x + dx, y: old.y + dy }));
    }, []);

    const lookAt = useCallback(
        (x: number, y: number, wanted = 0) => {
            fitted.current = false;
            setView((old) => {
                const scale = Math.max(old.scale, wanted);
                return { scale, x: size.width / 2 - x * scale, y: size.height / 2 - y * scale };
            });
        },
        [size],
    );

    useLayoutEffect(() => {
        const element = box.current;
        if (element === null) return;
        const watch = new ResizeObserver(([entry]) => {
            if (entry !== undefined) setSize({ width: entry.contentRect.width, height: entry.contentRect.height });
        });
        watch.observe(element);
        return () => watch.disconnect();
    }, [box]);

    useLayoutEffect(() => {
        if (fitted.current) fit();
    }, [fit]);

    // Wheel events have to be taken from the browser, which React's own listeners cannot.
    useEffect(() => {
        // Over handles, which lie above the sheet, as well.
        const element = box.current?.parentElement ?? null;
        if (element === null) return;
        const onWheel = (event: WheelEvent) => {
            event.preventDefault();
            const corner = element.getBoundingClientRect();
            // A wheel tells its way in pixels, lines or pages.
            const unit = [1, LINE, element.clientHeight][event.deltaMode] ?? 1;
            if (event.ctrlKey || event.metaKey)
                zoomAt(
                    Math.exp(-Math.max(-MOST, Math.min(MOST, event.deltaY * unit)) * GENTLY),
                    event.clientX - corner.left,
                    event.clientY - corner.top,
                );
            else if (event.shiftKey && event.deltaX === 0) pan(-event.deltaY * unit, 0);
            else pan(-event.deltaX * unit, -event.deltaY * unit);
        };
        element.addEventListener('wheel', onWheel, { passive: false });
        return () => element.removeEventListener('wheel', onWheel);
    }, [box, zoomAt, pan]);

    return { view, size, fit, zoomAt, pan, lookAt };
}
