import type { Candidate, Step } from '../../../api/client';
import { partShape } from '../scene/geometry';

export type PickMode = 'points' | 'cells' | 'parts' | 'lines' | 'paint' | 'trace';

/** What the pointer reaches for when it picks points; no kinds mean that it takes the place as it is. */
export const REACHES = {
    everything: [
        'intersection',
        'corner',
        'crossing',
        'tangent',
        'midpoint',
        'cell-centre',
        'circle-centre',
        'part-centre',
        'end',
        'quadrant',
        'edge',
    ],
    'intersections and corners': ['intersection', 'corner', 'crossing', 'tangent'],
    'middles and centres': ['midpoint', 'cell-centre', 'circle-centre', 'part-centre'],
    'ends and edges': ['end', 'quadrant', 'edge'],
    'nothing, free places': [],
} satisfies Record<string, Candidate['kind'][]>;

export type Reach = keyof typeof REACHES;

/** What of a part the pointer picks. */
export const WHOLES = ['whole parts', 'pieces', 'copies'] as const;

export type Whole = (typeof WHOLES)[number];

/** A place that is picked: how a plan writes it, what people call it, where it lies. */
export interface PickedPoint {
    raw: unknown;
    name: string;
    at: [number, number];
}

/** What is picked. Cells are held by address, so that a pick survives a change of its grid. */
export interface Pick {
    readonly mode: PickMode;
    /** Which coordinate a click picks the whole run of; null for one cell. */
    readonly reach: number | null;
    /** The only grid or overlay of which cells are picked; null for whatever lies on top. */
    readonly on: string | null;
    /** Addresses of cells by the id of their grid. */
    readonly cells: ReadonlyMap<string, ReadonlySet<string>>;
    /** Runs that were picked as a whole and still are, `g1#3,*`. */
    readonly runs: ReadonlyMap<string, readonly string[]>;
    /** Ids of parts; of pieces and copies as a plan names them. */
    readonly parts: readonly string[];
    /** What of a part the pointer picks. */
    readonly whole: Whole;
    /** What the pointer snaps to when it picks points. */
    readonly snapsTo: Reach;
    /** In the order in which they were picked. */
    readonly points: readonly PickedPoint[];
    /** Ids of grids and guides. */
    readonly lines: readonly string[];
    /** Whether the pointer is down, so that more may be picked with it. */
    readonly held: boolean;
    /** Where lines were clicked last, sheet units. */
    readonly near: [number, number] | null;
    readonly count: number;
}

/** Cells that came to the pick or went from it, so that only they are painted anew; null where anything may have changed. */
export type Came = { grid: string; addresses: string[]; gone?: boolean } | null;

type Listener = (came: Came) => void;

/** What was picked once. */
export interface Snapshot {
    readonly pick: Partial<Pick>;
    readonly cells: ReadonlyMap<string, ReadonlySet<string>>;
    readonly runs: ReadonlyMap<string, string[]>;
}

/** The pick of one editor. Kept outside React, because dragging across thousands of cells changes it at every frame. */
export class Picking {
    private cells = new Map<string, Set<string>>();
    private runs = new Map<string, string[]>();
    /** What stands between a grid's id and an address. */
    private readonly marks = new Map<string, string>();
    private current: Pick = {
        mode: 'cells',
        reach: null,
        on: null,
        snapsTo: 'everything',
        whole: 'whole parts',
        cells: this.cells,
        runs: this.runs,
        parts: [],
        points: [],
        lines: [],
        held: false,
        near: null,
        count: 0,
    };
    private readonly listeners = new Set<Listener>();

    readonly get = (): Pick => this.current;

    readonly subscribe = (listener: Listener): (() => void) => {
        this.listeners.add(listener);
        return () => this.listeners.delete(listener);
    };

    has(grid: string, address: string): boolean {
        return this.cells.get(grid)?.has(address) ?? false;
    }

    add(grid: string, mark: string, addresses: string[], run?: string): void {
        const set = this.cells.get(grid) ?? new Set<string>();
        this.cells.set(grid, set);
        this.marks.set(grid, mark);
        const added = addresses.filter((address) => !set.has(address));
        for (const address of added) set.add(address);
        if (run !== undefined) this.runs.set(run, addresses);
        if (added.length > 0 || run !== undefined) this.tell({ grid, addresses: added });
    }

    take(grid: string, addresses: string[]): void {
        const set = this.cells.get(grid);
        for (const address of addresses) {
            set?.delete(address);
            for (const [run, members] of this.runs) {
                if (run.startsWith(`${grid}#`) && members.includes(address)) this.runs.delete(run);
            }
        }
        if (set?.size === 0) this.cells.delete(grid);
        this.tell({ grid, addresses, gone: true });
    }

    /** A part alone; gathered it comes to the others, or goes from them. */
    putPart(id: string, near: [number, number] | null = null, gathers = true): void {
        this.tell(null, { parts: gathers ? toggled(this.current.parts, id) : [id], near });
    }

    /** The same of a grid or a guide. */
    putLine(id: string, near: [number, number] | null, gathers = true): void {
        this.tell(null, { lines: gathers ? toggled(this.current.lines, id) : [id], near });
    }

    /** A point that is picked already is taken out. */
    togglePoint(point: PickedPoint): void {
        const { points } = this.current;
        const same = points.findIndex((one) => JSON.stringify(one.raw) === JSON.stringify(point.raw));
        this.tell(null, { points: same < 0 ? [...points, point] : points.filter((_, k) => k !== same) });
    }

    pickParts(parts: string[]): void {
        this.cells.clear();
        this.runs.clear();
        this.tell(null, { mode: 'parts', parts, points: [], lines: [] });
    }

    /** What is picked, to be picked again later. */
    snapshot(): Snapshot {
        const { mode, reach, on, whole, snapsTo, parts, points, lines } = this.current;
        return {
            pick: { mode, reach, on, whole, snapsTo, parts, points, lines },
            cells: new Map([...this.cells].map(([grid, set]) => [grid, new Set(set)])),
            runs: new Map(this.runs),
        };
    }

    restore({ pick, cells, runs }: Snapshot): void {
        this.cells = new Map([...cells].map(([grid, set]) => [grid, new Set(set)]));
        this.runs = new Map(runs);
        this.tell(null, pick);
    }

    /** Lets go of what is not there any more. */
    keep(isThere: (name: string) => boolean): void {
        const { parts, points, lines } = this.current;
        const kept = {
            parts: parts.filter(isThere),
            lines: lines.filter(isThere),
            points: points.filter(({ raw }) => typeof raw !== 'string' || isThere(stepIn(raw))),
        };
        const gone = [...this.cells.keys()].filter((grid) => !isThere(grid));
        if (
            gone.length === 0 &&
            kept.parts.length === parts.length &&
            kept.lines.length === lines.length &&
            kept.points.length === points.length
        )
            return;
        for (const grid of gone) {
            this.cells.delete(grid);
            for (const run of this.runs.keys()) if (run.startsWith(`${grid}#`)) this.runs.delete(run);
        }
        this.tell(null, kept);
    }

    pickLines(lines: string[]): void {
        this.cells.clear();
        this.runs.clear();
        this.tell(null, { mode: 'lines', lines, parts: [], points: [] });
    }

    setHeld(held: boolean): void {
        if (held !== this.current.held) this.tell({ grid: '', addresses: [] }, { held });
    }

    setMode(mode: PickMode): void {
        this.clear({ mode });
    }

    setReach(reach: number | null): void {
        this.tell({ grid: '', addresses: [] }, { reach });
    }

    setSnapsTo(snapsTo: Reach): void {
        this.tell({ grid: '', addresses: [] }, { snapsTo });
    }

    setWhole(whole: Whole): void {
        this.clear({ whole });
    }

    setOn(on: string | null): void {
        this.clear({ on, reach: null });
    }

    clear(also: Partial<Pick> = {}): void {
        this.cells.clear();
        this.runs.clear();
        this.tell(null, { parts: [], points: [], lines: [], ...also });
    }

    /** The pick as the plan writes it: whole runs with a star, the rest one by one. */
    addresses(): string[] {
        const covered = new Set<string>();
        for (const [run, members] of this.runs) {
            for (const address of members) covered.add(`${run.slice(0, run.indexOf('#'))}#${address}`);
        }
        const single: string[] = [];
        for (const [grid, set] of this.cells) {
            for (const address of set) {
                const whole = `${grid}${this.marks.get(grid) ?? '#'}${address}`;
                if (!covered.has(whole)) single.push(whole);
            }
        }
        return [...this.runs.keys(), ...single];
    }

    private tell(came: Came, also: Partial<Pick> = {}): void {
        let count = 0;
        for (const set of this.cells.values()) count += set.size;
        this.current = { ...this.current, ...also, cells: this.cells, runs: this.runs, count };
        for (const listener of this.listeners) listener(came);
    }
}

function toggled(ids: readonly string[], id: string): string[] {
    return ids.includes(id) ? ids.filter((one) => one !== id) : [...ids, id];
}

/** The step of what is named: `r1` of `r1[3]`, `p1` of `p1~30,40`. */
export function stepIn(name: string): string {
    return /^[a-z0-9]+/.exec(name)?.[0] ?? name;
}

/** The place that a piece is named by, in sheet units; null of what is no such piece. */
export function placeIn(name: string): [number, number] | null {
    const [, x, y] = /~(-?[\d.]+),(-?[\d.]+)$/.exec(name) ?? [];
    return x === undefined || y === undefined ? null : [Number(x), Number(y)];
}

/** The copy that is named, from 1; null of a whole part. */
export function copyIn(name: string): number | null {
    const [, copy] = /\[(\d+)\]/.exec(name) ?? [];
    return copy === undefined ? null : Number(copy);
}

/** Whether there is what is named: the step, and of a repeat so many copies. */
export function isThere(steps: ReadonlyMap<string, Step>, name: string): boolean {
    const step = steps.get(stepIn(name));
    const copies = partShape(step?.geometry)?.copies;
    return step !== undefined && (copies == null || (copyIn(name) ?? 1) <= copies);
}

/** The step, what stands between, and the rest: `g1#2,3` in three. */
export function dissected(address: string): [step: string, mark: string, rest: string] {
    const mark = address.search(/[#~]/);
    return [address.slice(0, mark), address.slice(mark, mark + 1), address.slice(mark + 1)];
}
