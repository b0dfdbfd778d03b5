import type { CloseUp } from '../../api/client';

/** Where the sheet lies in the view: screen = sheet · scale + (x, y), in CSS pixels. */
export interface Camera {
    scale: number;
    x: number;
    y: number;
}

/** What is seen of the sheet, and its outlines worked out in full. */
export interface Seen {
    window: { left: number; top: number; right: number; bottom: number };
    closeUp: CloseUp;
}

/** What can be done to the drawing from beside it. */
export interface SheetHandle {
    fit: () => void;
    zoom: (factor: number) => void;
    /** Puts a place of the sheet into the middle of the view; enlarged to `scale` where that is more. */
    lookAt: (x: number, y: number, scale?: number) => void;
    focus: () => void;
}
