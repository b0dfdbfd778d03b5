import { useSyncExternalStore } from 'react';

export type PickMode = 'points' | 'cells' | 'parts';

/** What is picked. Cells are held by address, so that a pick survives a change of its grid. */
export interface Pick {
    readonly mode: PickMode;
    /** Which coordinate a click picks the whole run of; null for one cell. */
    readonly reach: number | null;
    /** Addresses of cells by the id of their grid. */
    readonly cells: ReadonlyMap<string, ReadonlySet<string>>;
    /** Runs that were picked as a whole and still are, `g1#3,*`. */
    readonly runs: ReadonlyMap<string, readonly string[]>;
    readonly parts: readonly string[];
    readonly count: number;
}

type Listener = (added: { grid: string; addresses: string[] } | null) => void;

/** The pick of one editor. Kept outside React, because dragging across thousands of cells changes it at every frame. */
export class Picking {
    private cells = new Map<string, Set<string>>();
    private runs = new Map<string, string[]>();
    private current: Pick = { mode: 'cells', reach: null, cells: this.cells, runs: this.runs, parts: [], count: 0 };
    private readonly listeners = new Set<Listener>();

    readonly get = (): Pick => this.current;

    readonly subscribe = (listener: Listener): (() => void) => {
        this.listeners.add(listener);
        return () => this.listeners.delete(listener);
    };

    has(grid: string, address: string): boolean {
        return this.cells.get(grid)?.has(address) ?? false;
    }

    add(grid: string, addresses: string[], run?: string): void {
        const set = this.cells.get(grid) ?? new Set<string>();
        this.cells.set(grid, set);
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
        this.tell(null);
    }

    togglePart(id: string): void {
        const { parts } = this.current;
        this.tell(null, { parts: parts.includes(id) ? parts.filter((one) => one !== id) : [...parts, id] });
    }

    pickParts(parts: string[]): void {
        this.cells.clear();
        this.runs.clear();
        this.tell(null, { mode: 'parts', parts });
    }

    setMode(mode: PickMode): void {
        this.clear({ mode });
    }

    setReach(reach: number | null): void {
        this.tell({ grid: '', addresses: [] }, { reach });
    }

    clear(also: Partial<Pick> = {}): void {
        this.cells.clear();
        this.runs.clear();
        this.tell(null, { parts: [], ...also });
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
                if (!covered.has(`${grid}#${address}`)) single.push(`${grid}#${address}`);
            }
        }
        return [...this.runs.keys(), ...single];
    }

    private tell(added: { grid: string; addresses: string[] } | null, also: Partial<Pick> = {}): void {
        let count = 0;
        for (const set of this.cells.values()) count += set.size;
        this.current = { ...this.current, ...also, cells: this.cells, runs: this.runs, count };
        for (const listener of this.listeners) listener(added);
    }
}

export function usePick(picking: Picking): Pick {
    return useSyncExternalStore(picking.subscribe, picking.get);
}
