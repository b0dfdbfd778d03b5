import { type Operation, Problem, type Scene, type Schemas, type SheetPage } from '../../../api/client';
import type { Answers } from './answers';

interface Entry {
    operations: Operation[];
    change: string;
}

/** Changes that were not accepted and are kept, to be offered again. */
export interface Kept {
    why: 'stale' | 'outage' | 'refused' | 'signed out';
    entries: Entry[];
    message: string;
}

interface Known {
    base: number;
    has: string[];
}

type Page = Schemas['SheetPage'];

/** The questions to the server that a sheet is worked on with. */
export interface Calls {
    change: (body: Known & Entry) => Promise<Page>;
    preview: (body: { operations: Operation[]; has: string[]; handles: string[] }, signal: AbortSignal) => Promise<Schemas['Preview']>;
    move: (way: 'undo' | 'redo', body: Known) => Promise<Page>;
    replace: (body: { base: number; plan: string; change: string }) => Promise<Page>;
}

/** Where the page is that the changes are made on. */
export interface PageHolder {
    get: () => SheetPage | undefined;
    set: (page: SheetPage) => void;
}

export interface ChangesState {
    /** The scene of the preview; null while there is none. */
    readonly previewed: Scene | null;
    readonly kept: Kept | null;
    /** How many changes are on their way. */
    readonly pending: number;
}

/** The changes of one sheet, one after another, and previews of changes, of which the last one counts. */
export class SheetChanges {
    private state: ChangesState = { previewed: null, kept: null, pending: 0 };
    private readonly listeners = new Set<() => void>();
    private queue: Promise<unknown> = Promise.resolve();
    private handles: string[] = [];

    private flight: AbortController | undefined;
    /** Lets the preview that was asked for last go, or tells it that it is overtaken. */
    private waiting: ((go: boolean) => void) | undefined;

    constructor(
        private readonly calls: Calls,
        private readonly answers: Answers,
        private readonly page: PageHolder,
    ) {}

    readonly get = (): ChangesState => this.state;

    readonly subscribe = (listener: () => void): (() => void) => {
        this.listeners.add(listener);
        return () => this.listeners.delete(listener);
    };

    /** Says of which steps handles are shown: of previews only these are wanted. */
    showHandles(steps: string[]): void {
        this.handles = steps;
    }

    /** Makes a change; gives the problem where it was refused, null where it was made or kept. */
    readonly change = (operations: Operation[]): Promise<Problem | null> => {
        const entry = { operations, change: crypto.randomUUID() };
        return this.inTurn(async () => {
            const { kept } = this.state;
            if (kept === null) return this.send(entry);
            // Behind a change that waits there is no going past it: the new one may be built on it.
            this.put({ kept: { ...kept, entries: [...kept.entries, entry] } });
            return null;
        });
    };

    /** Makes the changes that are kept, one after another, until one is not taken. */
    readonly retry = (): Promise<void> =>
        this.inTurn(async () => {
            const waiting = this.state.kept?.entries ?? [];
            this.put({ kept: null });
            for (const [number, entry] of waiting.entries()) {
                const problem = await this.send(entry);
                const again: Kept | null = problem === null ? this.state.kept : { why: 'refused', message: problem.message, entries: [] };
                if (again !== null) {
                    this.put({ kept: { ...again, entries: waiting.slice(number) } });
                    return;
                }
            }
        });

    /**
     * Shows what a change would give; null ends that. One question is on its way at a time, and of those asked meanwhile the last one goes
     * next: what follows a pointer shows something at every answer, and never waits behind what nobody wants any more.
     */
    readonly preview = async (operations: Operation[] | null): Promise<Problem | null> => {
        this.waiting?.(false);
        if (operations === null) {
            this.endPreview();
            return null;
        }
        const before = this.flight;
        if (before !== undefined) {
            const goes = await new Promise<boolean>((tell) => (this.waiting = tell));
            if (!goes || this.flight !== before) return null;
        }
        const control = (this.flight = new AbortController());
        const { has, back } = this.answers.lend();
        try {
            const { scene } = await this.calls.preview({ operations, has, handles: this.handles }, control.signal);
            if (!control.signal.aborted) this.put({ previewed: this.answers.scene(scene, 'preview', has) });
            return null;
        } catch (fault) {
            // One that nobody waits for any more says nothing.
            if (control.signal.aborted || this.waiting !== undefined) return null;
            if (fault instanceof Problem) return fault;
            throw fault;
        } finally {
            back();
            if (this.flight === control) {
                const next = this.waiting;
                this.waiting = undefined;
                // The way is taken until the next one goes.
                if (next === undefined) this.flight = undefined;
                else next(true);
            }
        }
    };

    readonly move = (way: 'undo' | 'redo'): Promise<void> =>
        this.inTurn(async () => {
            const problem = await this.ask((known) => this.calls.move(way, known));
            const why = problem === null ? null : whyKept(problem);
            if (problem !== null && why !== null && why !== 'stale') this.put({ kept: { why, message: problem.message, entries: [] } });
        });

    /** Puts another plan, as text, in place of this one; gives the problem where it was refused. */
    readonly bring = (plan: string): Promise<Problem | null> =>
        this.inTurn(() => this.ask(({ base }) => this.calls.replace({ base, plan, change: crypto.randomUUID() })));

    readonly drop = (): void => this.put({ kept: null });

    /** One after another, in the order of the calls. */
    private inTurn<T>(work: () => Promise<T>): Promise<T> {
        this.put({ pending: this.state.pending + 1 });
        const turn = this.queue.then(work, work).finally(() => this.put({ pending: this.state.pending - 1 }));
        this.queue = turn;
        return turn;
    }

    private async send(entry: Entry): Promise<Problem | null> {
        const problem = await this.ask((known) => this.calls.change({ ...known, ...entry }));
        const why = problem === null ? null : whyKept(problem);
        if (problem === null || why === null) return problem;
        this.put({ kept: { why, message: problem.message, entries: [...(this.state.kept?.entries ?? []), entry] } });
        return null;
    }

    /** Asks for a new page; gives the problem where there is none. */
    private async ask(call: (known: Known) => Promise<Page>): Promise<Problem | null> {
        const { has, back } = this.answers.lend();
        try {
            this.accept(await call({ base: this.page.get()?.revision ?? 0, has }), has);
            return null;
        } catch (fault) {
            if (!(fault instanceof Problem)) throw fault;
            if (fault.status === 409 && fault.body.sheet !== undefined) this.accept(fault.body.sheet);
            return fault;
        } finally {
            back();
        }
    }

    /** A new page ends every preview, also one that is on its way. */
    private accept(page: Page, has: readonly string[] = []): void {
        this.page.set(this.answers.page(page, has));
        this.endPreview();
    }

    private endPreview(): void {
        this.waiting?.(false);
        this.waiting = undefined;
        this.flight?.abort();
        this.flight = undefined;
        this.answers.end('preview');
        if (this.state.previewed !== null) this.put({ previewed: null });
    }

    private put(change: Partial<ChangesState>): void {
        this.state = { ...this.state, ...change };
        for (const listener of this.listeners) listener();
    }
}

/** Why a change that was not made is kept; null where it was refused for good. */
function whyKept(problem: Problem): Kept['why'] | null {
    if (problem.status === 401) return 'signed out';
    return problem.status === 409 ? 'stale' : problem.isOutage ? 'outage' : null;
}
