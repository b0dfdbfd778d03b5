import { type Dot, isSecond, type Matrix, type Mirror } from './dots';

export const WAYS = ['cell by cell', 'line', 'ring', 'ellipse', 'box', 'area', 'dither', 'block'] as const;

export type Way = (typeof WAYS)[number];

export interface Brush {
    way: Way;
    /** Cells that it is wide. */
    size: 1 | 2 | 3;
    /** A colour of the palette, #rrggbb, or none, which takes away. */
    colour: string;
    /** The one before, which comes back by a key. */
    before: string | null;
    mirror: Mirror;
    /** Column and row that the lines of mirrors run at, in halves; null for the middle. */
    about: [number, number] | null;
    /** Whether what is laid between two cells is filled. */
    filled: boolean;
    /** Whether it stays a matter of its numbers: a step of its own, not cells. */
    asNumbers: boolean;
    /** How far an area goes. */
    reach: 'what hangs together' | 'all of its colour';
    matrix: Matrix;
    /** The share of the second colour of a dither. */
    level: number;
    second: string;
    /** Whether a block that is moved stays where it was, too. */
    copies: boolean;
}

/** Cells of grids in colours, by number. */
export type Stroke = Map<string, Map<number, string>>;

/** A picked block of cells. */
export interface Block {
    grid: string;
    from: Dot;
    to: Dot;
}

type Listener = (came: { grid: string; cells: Iterable<readonly [number, string]> } | null) => void;

/**
 * What is painted and not yet kept: strokes under way, or on their way to the server. Kept outside React, since it changes at every frame.
 *
 * Listeners are told which cells came; null where anything may have changed.
 */
export class Painter {
    brush: Brush = {
        way: 'cell by cell',
        size: 1,
        colour: '',
        before: null,
        mirror: 'not',
        about: null,
        filled: false,
        asNumbers: false,
        reach: 'what hangs together',
        matrix: 'checker',
        level: 0.5,
        second: 'none',
        copies: false,
    };
    block: Block | null = null;
    /** The frame that is worked on, from 0, and whether the one before is seen through it. */
    frame: { step: string; index: number; seenThrough: boolean } | null = null;
    private stroke: Stroke = new Map();
    private sent: Stroke[] = [];
    private readonly listeners = new Set<Listener>();

    /** With the first colours of a palette, unless it has some already. */
    begin([colour = '#1b2140', second = 'none']: string[]): void {
        if (this.brush.colour === '') this.brush = { ...this.brush, colour, second };
    }

    readonly subscribe = (listener: Listener): (() => void) => {
        this.listeners.add(listener);
        return () => this.listeners.delete(listener);
    };

    readonly getBrush = (): Brush => this.brush;

    set(change: Partial<Brush>): void {
        const before = change.colour !== undefined && change.colour !== this.brush.colour ? this.brush.colour : this.brush.before;
        this.brush = { ...this.brush, ...change, before };
        if (change.way !== undefined) this.block = null;
        this.tell(null);
    }

    setFrame(frame: Painter['frame']): void {
        this.frame = frame;
        this.tell(null);
    }

    setBlock(block: Block | null): void {
        this.block = block;
        this.tell(null);
    }

    /** The colour that a cell gets; `dot` where the grid has columns and rows. */
    colourAt(dot: Dot | null): string {
        const { way, colour, second, matrix, level } = this.brush;
        return way === 'dither' && dot !== null && isSecond(matrix, dot, level) ? second : colour;
    }

    /** Adds cells to the stroke. */
    add(grid: string, cells: Iterable<readonly [number, string]>): void {
        const on = this.stroke.get(grid) ?? new Map<number, string>();
        this.stroke.set(grid, on);
        const came: [number, string][] = [];
        for (const [cell, colour] of cells) {
            if (on.get(cell) === colour) continue;
            on.set(cell, colour);
            came.push([cell, colour]);
        }
        if (came.length > 0) this.tell({ grid, cells: came });
    }

    /** Begins the stroke anew with other cells: while a line is pulled. */
    replace(grid: string, cells: Iterable<readonly [number, string]>): void {
        this.stroke = new Map([[grid, new Map(cells)]]);
        this.tell(null);
    }

    drop(): void {
        this.stroke = new Map();
        this.tell(null);
    }

    /** The stroke as it is, which is shown until it is kept. */
    send(): Stroke {
        const stroke = this.stroke;
        this.sent = [...this.sent, stroke];
        this.stroke = new Map();
        return stroke;
    }

    /** It is part of the sheet now, or was refused. */
    settled(stroke: Stroke): void {
        this.sent = this.sent.filter((one) => one !== stroke);
        this.tell(null);
    }

    /** All that is not kept yet, the oldest first. */
    strokes(): Stroke[] {
        return [...this.sent, this.stroke];
    }

    private tell(came: Parameters<Listener>[0]): void {
        for (const listener of this.listeners) listener(came);
    }
}
